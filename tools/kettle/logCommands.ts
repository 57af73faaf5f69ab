import { InputError, choiceField, numberField, parseInput } from '@kettle-scale/core/message';
import {
  discDiameterMm,
  discThicknessMm,
  ballMassG,
  MOST_GUIDED,
  cutGuide,
  divideDough,
  profileThickness,
} from '@kettle-scale/core/portion';
import { type Batch, batchSchema } from '@kettle-scale/core/batch';
import { type Cause, CAUSE_IDS, SYMPTOM_IDS, diagnose } from '@kettle-scale/core/diagnosis';
import { backupHeadSchema, backupLineSchema, parseJson } from '@kettle-scale/core/document';
import { logCsv, logDocument, logRow } from '@kettle-scale/core/exchange';
import { batchFacts, logSchema } from '@kettle-scale/core/log';
import { ballAdvice, ballSample, sampleSize } from '@kettle-scale/core/quality';
import type { Command } from 'commander';
import { z } from 'zod';
import type { Io } from './io';
import { PERCENT, mass, option } from './options';

const mm = (label: string, max: number) => option(label, { min: 0.2, max, unit: 'mm' });

const portionSchema = z.object({
  dough: mass('Dough'),
  pieces: option('Pieces', { min: 1, max: 20_000 })
    .pipe(z.number().int('Pieces must be a whole number.'))
    .optional(),
  ball: mass('Ball').optional(),
  diameter: mm('Diameter', 900).optional(),
  thickness: mm('Thickness', 30),
  density: option('Density', { min: 0.3, max: 2, unit: 'g/ml' }),
  benchLoss: option('Bench loss', { min: 0, max: 20, unit: '%' }),
  costPerKg: option('Cost of dough', { min: 0, max: 10_000 }),
});

function portion(text: unknown) {
  const inputs = parseInput(portionSchema, text);
  const { dough, pieces, ball, diameter, thickness, density, benchLoss, costPerKg } = inputs;
  const asked = [pieces, ball, diameter].filter((one) => one !== undefined).length;
  if (asked !== 1) throw InputError.at('pieces', 'Give one of --pieces, --ball and --diameter.');
  const division = divideDough(
    {
      doughG: dough,
      benchLoss: benchLoss / PERCENT,
      densityGMl: density,
      thicknessMm: thickness,
      costPerG: costPerKg / 1000,
    },
    pieces !== undefined
      ? { by: 'count', pieces }
      : ball !== undefined
        ? { by: 'ball', ballG: ball }
        : { by: 'size', diameterMm: diameter ?? 0 },
  );
  const guided = division.pieces >= 1 && division.pieces <= MOST_GUIDED;
  return {
    inputs,
    ...division,
    /** Null for more pieces than a guide is drawn for. */
    cutGuide: guided ? cutGuide(division.pieces, division.pieces * division.ballG) : null,
  };
}

const discSchema = z.object({
  ball: mass('Ball').optional(),
  diameter: mm('Diameter', 900).optional(),
  thickness: mm('Thickness', 30).optional(),
  density: option('Density', { min: 0.3, max: 2, unit: 'g/ml' }),
  springBack: option('Spring-back', { min: 0, max: 40, unit: '%' }),
  rim: option('Rim', { min: 0, max: 100, unit: '%' }),
  rimRatio: option('Rim against middle', { min: 0.2, max: 3 }),
});

/** Any two of ball, diameter and thickness give the third; before and after spring-back. */
function disc(text: unknown) {
  const inputs = parseInput(discSchema, text);
  const { ball, diameter, thickness, density } = inputs;
  const solved =
    ball !== undefined && thickness !== undefined && diameter === undefined
      ? { ballG: ball, thicknessMm: thickness, diameterMm: discDiameterMm(ball, thickness, density) }
      : ball !== undefined && diameter !== undefined && thickness === undefined
        ? { ballG: ball, diameterMm: diameter, thicknessMm: discThicknessMm(ball, diameter, density) }
        : diameter !== undefined && thickness !== undefined && ball === undefined
          ? { diameterMm: diameter, thicknessMm: thickness, ballG: ballMassG(diameter, thickness, density) }
          : null;
  if (!solved)
    throw InputError.at('ball', 'Give two of --ball, --diameter and --thickness; the third follows.');
  const left = 1 - inputs.springBack / PERCENT;
  return {
    inputs,
    ...solved,
    rolled: { diameterMm: solved.diameterMm / left, thicknessMm: solved.thicknessMm * left ** 2 },
    profile: profileThickness(solved.thicknessMm, {
      rim: inputs.rim / PERCENT,
      ratio: inputs.rimRatio,
    }),
  };
}

const sampleSchema = z.object({
  balls: z
    .string()
    .transform((text) => text.split(',').map(Number))
    .pipe(
      z
        .array(numberField('Ball', { min: 0.1, max: 5000, unit: 'g' }))
        .max(1000, 'A sample has at most 1000 balls.'),
    ),
  target: mass('Target'),
  tolerance: mass('Tolerance'),
  costPerKg: option('Cost of dough', { min: 0, max: 10_000 }),
  within: mass('Wanted half-width').optional(),
  confidence: option('Confidence', { min: 50, max: 99.9, unit: '%' }),
});

function sample(text: unknown) {
  const inputs = parseInput(sampleSchema, text);
  const standard = {
    targetG: inputs.target,
    toleranceG: inputs.tolerance,
    costPerG: inputs.costPerKg / 1000,
  };
  const found = ballSample(inputs.balls, standard);
  return {
    inputs,
    ...found,
    advice: ballAdvice(found, standard),
    ...(inputs.within !== undefined && found.sdG !== null
      ? { weighForThat: sampleSize(found.sdG, inputs.within, inputs.confidence / PERCENT) }
      : {}),
  };
}

const listOf = <const T extends string>(names: readonly [T, ...T[]], what: string) =>
  z
    .string()
    .transform((text) => text.split(',').map((name) => name.trim()))
    .pipe(z.array(choiceField(what, names)).min(1));

const diagnoseSchema = z.object({
  see: listOf(SYMPTOM_IDS, 'What is seen'),
  yes: listOf(CAUSE_IDS, 'A cause').optional(),
  no: listOf(CAUSE_IDS, 'A cause').optional(),
});

function diagnosed(batch: unknown, options: unknown) {
  const { see, yes = [], no = [] } = parseInput(diagnoseSchema, options);
  const answers: Partial<Record<Cause, boolean>> = Object.fromEntries([
    ...yes.map((cause) => [cause, true]),
    ...no.map((cause) => [cause, false]),
  ]);
  return { symptoms: see, answers, ...diagnose(parseInput(batchSchema, batch), see, answers) };
}

/** Rows of a log: of its own document, or worked out from the batches of a backup. */
function logRows(text: string) {
  const [first = ''] = text.split('\n', 1);
  const head = backupHeadSchema.safeParse(
    first.startsWith('{"') && first.endsWith('}') ? parseJson(first) : null,
  );
  if (!head.success) return parseInput(logSchema, parseJson(text)).batches;
  return text
    .split('\n')
    .slice(1)
    .filter(Boolean)
    .flatMap((line, index) => {
      const read = parseInput(backupLineSchema, parseJson(line), `line ${index + 2}`);
      if (read.kind !== 'batch') return [];
      const { start, plan, events } = read;
      const batch: Batch = {
        ...{ id: start.id, startedAt: start.at, plan, events },
        flourLotId: start.flourLotId ?? null,
      };
      const notes = events.flatMap((event) =>
        event.type === 'note'
          ? [event.text]
          : event.type === 'finished'
            ? [event.note ?? '']
            : event.type === 'abandoned'
              ? [event.reason]
              : [],
      );
      return [logRow(batchFacts(batch), notes.filter(Boolean))];
    });
}

/** Adds the commands of dividing, checking, diagnosing and the log. */
export function addLogCommands(program: Command, { out, print, tell, read, readJson }: Io): void {
  program
    .command('portion')
    .description('what a dough gives by count, by ball weight or by size, with the cut guide')
    .requiredOption('--dough <g>', 'dough on the scale')
    .option('--pieces <n>', 'by count')
    .option('--ball <g>', 'by ball weight')
    .option('--diameter <mm>', 'by the size of the bread')
    .option('--thickness <mm>', 'of the bread before it bakes', '1.6')
    .option('--density <g/ml>', 'of the dough', '1.13')
    .option('--bench-loss <percent>', 'kept by the bench', '0.5')
    .option('--cost-per-kg <money>', 'of dough', '0')
    .action((options: object) => tell(portion(options)));
  program
    .command('disc')
    .description('ball, diameter and thickness: two of them give the third, before and after spring-back')
    .option('--ball <g>', 'weight of the ball')
    .option('--diameter <mm>', 'of the relaxed disc')
    .option('--thickness <mm>', 'of the relaxed disc')
    .option('--density <g/ml>', 'of the dough', '1.13')
    .option('--spring-back <percent>', 'of the rolled diameter', '0')
    .option('--rim <percent>', 'width of the rim, of the radius', '0')
    .option('--rim-ratio <ratio>', 'thickness of the rim over the middle', '1')
    .action((options: object) => tell(disc(options)));
  program
    .command('sample')
    .description('what a few weighed balls tell of all of them')
    .requiredOption('--balls <g,g,…>', 'as weighed')
    .requiredOption('--target <g>', 'what they should weigh')
    .requiredOption('--tolerance <g>', 'either way')
    .option('--cost-per-kg <money>', 'of dough', '0')
    .option('--within <g>', 'how close the mean must be: tells how many to weigh')
    .option('--confidence <percent>', 'for that', '95')
    .action((options: object) => tell(sample(options)));
  program
    .command('diagnose')
    .description('what may be behind what is seen, by table and by the batch’s own record')
    .argument('<file>', 'a batch, as the server sends it')
    .requiredOption('--see <symptom,…>', SYMPTOM_IDS.join(', '))
    .option('--yes <cause,…>', 'tests that said yes')
    .option('--no <cause,…>', 'tests that said no')
    .action((file: string, options: object) => tell(diagnosed(readJson(file), options)));
  program
    .command('log')
    .description('the log as a file')
    .command('export')
    .description('rows of the log, from a backup or a log document')
    .argument('<file>')
    .option('--csv', 'a table instead of JSON')
    .action((file: string, { csv }: { csv?: boolean }) => {
      const rows = logRows(read(file));
      if (csv) out(logCsv(rows));
      else print(logDocument(rows, rows.at(-1)?.startedAt ?? ''));
    });
}
