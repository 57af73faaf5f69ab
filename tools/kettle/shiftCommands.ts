import { finish } from '@kettle-scale/core/bake';
import { InputError, numberField, parseInput } from '@kettle-scale/core/message';
import {
  type LineLog,
  SHIFT_FORMAT,
  type Shift,
  type ShiftPlan,
  compileShift,
  drawDay,
  inOrder,
  planShift,
  refusalOf,
  runShift,
  shiftDocumentSchema,
  usualDay,
} from '@kettle-scale/core/shift';
import { clockText, numberOrNaN } from '@kettle-scale/core/quantity';
import type { Command } from 'commander';
import Papa from 'papaparse';
import { z } from 'zod';
import type { Io } from './io';

const wholeOption = (label: string, min: number, max: number) =>
  z
    .string()
    .transform((text) => numberOrNaN(text))
    .pipe(numberField(label, { min, max }).int(`${label} must be whole.`));

const planOptions = z.object({
  tries: wholeOption('Tries', 0, 100_000),
  seed: wholeOption('Seed', 0, 1_000_000_000),
  days: wholeOption('Days', 1, 1000),
});
const simulateOptions = z.object({
  seed: wholeOption('Seed', 0, 1_000_000_000).optional(),
  csv: z.boolean().optional(),
});

interface ShiftRead {
  shift: Shift;
  plan: ShiftPlan | undefined;
}

/** A shift that can be planned, and the plan that came with it. */
function readShift(file: string, io: Io): ShiftRead {
  const { shift, plan } = parseInput(shiftDocumentSchema, io.readJson(file));
  const refusal = refusalOf(shift);
  if (refusal) throw InputError.at('shift', refusal);
  return { shift, plan };
}

/** Every act and piece of a run as a table, in the order of the day; times in seconds from midnight. */
const timelineCsv = (shift: Shift, plan: ShiftPlan, { acts, pieces, heats }: LineLog): string => {
  const breadOf = (batch: number) => shift.breads[plan.batches[batch]?.bread ?? -1]?.id ?? '';
  const rows = [
    ...acts.map(({ who, kind, batch, from, to }) => ({ who, kind, batch, bread: breadOf(batch), from, to })),
    ...pieces.map(({ plate, batch, on, off, rejected }) => ({
      ...{ who: shift.plates[plate]?.id ?? '', kind: rejected ? 'rejected piece' : 'piece', batch },
      ...{ bread: breadOf(batch), from: on, to: off },
    })),
    ...heats.map(({ plate, heat, from, hotAt }) => ({
      ...{ who: shift.plates[plate]?.id ?? '', kind: `heat ${heat}`, batch: '', bread: '', from, to: hotAt },
    })),
  ].sort((a, b) => a.from - b.from);
  return `${Papa.unparse(rows.map((row) => ({ ...row, clock: clockText(row.from) })))}\r\n`;
};

/** `kettle shift plan` and `kettle shift simulate`. */
export function addShiftCommands(program: Command, io: Io): void {
  const shift = program.command('shift').description('plan a service, or run a planned one');
  shift
    .command('plan')
    .description('print the shift with a plan: batches, starts and baking, and what it comes to')
    .argument('<file>')
    .option('--tries <n>', 'tries of the search', '2000')
    .option('--seed <n>', 'seed of the days', '1')
    .option('--days <n>', 'days it is judged on', '120')
    .action((file: string, options: object) => {
      const read = readShift(file, io);
      const { tries, seed, days } = parseInput(planOptions, options);
      const { plan, worth } = finish(planShift(read.shift, { tries, seed, days }));
      io.print({ format: SHIFT_FORMAT, formatVersion: 1, shift: read.shift, plan, worth });
    });
  shift
    .command('simulate')
    .description('run the plan of a shift: with usual times and nobody coming, or on a seeded day')
    .argument('<file>')
    .option('--seed <n>', 'a day with guests, spread and rejects')
    .option('--csv', 'the timeline as a table')
    .action((file: string, options: object) => {
      const { shift: read, plan } = readShift(file, io);
      if (!plan) throw InputError.at('plan', 'The document has no plan: make one with “kettle shift plan”.');
      const { seed, csv } = parseInput(simulateOptions, options);
      const ordered = { ...plan, batches: inOrder(plan.batches) };
      const day = seed === undefined ? usualDay(read) : drawDay(read, seed, 0);
      const run = runShift(compileShift(read), ordered, day, { log: true });
      if (csv && run.log) return io.out(timelineCsv(read, ordered, run.log));
      const { cost, changes, counts, unfinished, log } = run;
      const breads = Object.fromEntries(read.breads.map(({ id }, bread) => [id, counts[bread]]));
      return io.print({ cost, changes, unfinished, breads, ...log, served: undefined });
    });
}
