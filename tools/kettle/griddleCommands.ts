import { InputError, numberField, parseInput } from '@kettle-scale/core/message';
import { numberOrNaN, numberQuestion } from '@kettle-scale/core/quantity';
import { parseJson } from '@kettle-scale/core/document';
import {
  type BakeMoment,
  type BakeWindow,
  CODES,
  DEFAULT_AXES,
  EDGE_WORDS,
  USUAL_HANDS,
  USUAL_SPREADS,
  bakeRequestSchema,
  bakeSeries,
  bakeWith,
  computeWindow,
  finish,
  heatFor,
  hotSpots,
  knobAdvice,
  limitWords,
  opinionsOn,
  packPieces,
  paceOf,
  plateAreaM2,
  plateOf,
  readBakeDocument,
  readySeconds,
  reachWords,
  sensitivities,
  sensitivityWords,
  secondsOf,
  settling,
  solveTimes,
  stagesWith,
  thicknessFor,
  troubleWords,
  warmUp,
  wayOutWords,
  waysOut,
} from '@kettle-scale/core/bake';
import { griddleSchema } from '@kettle-scale/core/kitchen';
import type { Command } from 'commander';
import Papa from 'papaparse';
import { z } from 'zod';
import type { Io } from './io';
import { PERCENT, option } from './options';

/** Options that stand for fields of a bake request; they go before what a file says. */
const OPTIONS = [
  ['--plate <°C>', 'plate temperature', ['plate', 'tempC'], 1],
  ['--start <°C>', 'plate when the piece goes on', ['plate', 'startC'], 1],
  ['--thickness <mm>', 'thickness of the disc', ['disc', 'thicknessMm'], 1],
  ['--dough-temp <°C>', 'temperature of the dough', ['disc', 'doughC'], 1],
  ['--pores <%>', 'air in the dough', ['disc', 'air'], 1 / PERCENT],
  ['--altitude <m>', 'altitude', ['air', 'altitudeM'], 1],
  ['--room <°C>', 'air temperature', ['air', 'tempC'], 1],
  ['--humidity <%>', 'air humidity', ['air', 'humidity'], 1 / PERCENT],
  ['--cells <n>', 'cells through the thickness', ['grid', 'cells'], 1],
  ['--step <s>', 'longest step', ['grid', 'stepS'], 1],
  ['--every <s>', 'time between rows of the series', ['grid', 'everyS'], 1],
] as const;

const secondsSchema = z
  .string()
  .transform((text) => text.split(',').map(Number))
  .pipe(
    z
      .array(numberField('Time of a side', { min: 1, max: 600, unit: 's' }))
      .min(1)
      .max(8),
  );

type Options = Record<string, string | boolean | undefined>;
type Tree = { [key: string]: Tree | unknown };

/** Name of an option as commander keeps it. */
const keyOf = (flag: string): string =>
  flag.slice(2, flag.indexOf(' ')).replace(/-([a-z])/g, (_, letter: string) => letter.toUpperCase());

function documentOf(file: string | undefined, options: Options, io: Io) {
  const raw = file === undefined ? {} : parseJson(io.read(file));
  const tree: Tree = raw !== null && typeof raw === 'object' && !Array.isArray(raw) ? { ...raw } : { raw };
  for (const [flag, , [part, field], scale] of OPTIONS) {
    const text = options[keyOf(flag)];
    if (typeof text !== 'string') continue;
    const question = numberQuestion(text);
    if (question) throw InputError.at(field, question);
    tree[part] = { ...(tree[part] as object | undefined), [field]: numberOrNaN(text) * scale };
  }
  if (typeof options['constants'] === 'string') tree['constants'] = options['constants'];
  if (options['held'] === true) tree['plate'] = { ...(tree['plate'] as object | undefined), held: true };
  if (typeof options['seconds'] === 'string') {
    const seconds = parseInput(secondsSchema, options['seconds']);
    const program = tree['program'] as { sides?: object[] } | undefined;
    tree['program'] = {
      ...program,
      sides: seconds.map((s, index) => ({ ...program?.sides?.[index], seconds: s })),
    };
  }
  return readBakeDocument(parseInput(bakeRequestSchema, tree));
}

const csvRow = (moment: BakeMoment) => ({
  time_s: moment.timeS,
  down: moment.down === 0 ? 'A' : 'B',
  plate_C: moment.plateC,
  face_A_C: moment.faceC[0],
  face_B_C: moment.faceC[1],
  middle_C: moment.middleC,
  coldest_C: moment.coldestC,
  moisture_percent: moment.moisture,
  cover_A_percent: moment.cover[0],
  cover_B_percent: moment.cover[1],
  char_A_percent: moment.char[0],
  char_B_percent: moment.char[1],
  gelatinised: moment.gelatinised,
  puff_index: moment.puffIndex,
});
const PLACES = 4;
const rounded = (row: Record<string, string | number>) =>
  Object.fromEntries(
    Object.entries(row).map(([key, value]) => [
      key,
      typeof value === 'number' ? Number(value.toFixed(PLACES)) : value,
    ]),
  );
const csv = (rows: Record<string, string | number>[]) =>
  `${Papa.unparse(rows.map(rounded), { newline: '\n' })}\n`;

function windowRows({ heatsC, thicknessesMm, codes, firstS, lastS }: BakeWindow) {
  return codes.map((code, i) => ({
    plate_C: heatsC[i % heatsC.length] ?? 0,
    thickness_mm: thicknessesMm[Math.floor(i / heatsC.length)] ?? 0,
    result: wordOf(code),
    first_side_s: firstS[i] ?? 0,
    last_side_s: lastS[i] ?? 0,
  }));
}

function wordOf(code: number): string {
  const name = CODES[code] ?? 'good';
  return name === 'good' ? 'good' : EDGE_WORDS[name];
}

function addBake(program: Command, io: Io): void {
  asking(program.command('bake').description('bake a disc: what it goes through and comes to'))
    .option('--csv', 'the series as CSV')
    .action((file: string | undefined, options: Options) => {
      const { request, grid, everyS } = documentOf(file, options, io);
      const stages = stagesWith(request.program, secondsOf(request.program));
      const { moments, outcome, edgesMm } = bakeSeries({ ...request.setup, stages }, everyS, grid);
      if (options['csv']) io.out(csv(moments.map(csvRow)));
      else io.print({ setup: { ...request.setup, stages }, grid, outcome, edgesMm, series: moments });
    });
}

function addSolve(program: Command, io: Io): void {
  asking(program.command('solve').description('seconds per side, or the heat or thickness for given seconds'))
    .option('--for <what>', 'times, heat or thickness', 'times')
    .action((file: string | undefined, options: Options) => {
      const { request } = documentOf(file, options, io);
      const what = options['for'];
      if (what === 'heat' || what === 'thickness') {
        const given = secondsOf(request.program);
        const reach = what === 'heat' ? heatFor(request, given) : thicknessFor(request, given);
        const unit = what === 'heat' ? '°C' : 'mm';
        return io.tell({ for: what, unit, seconds: given, ...reach, words: reachWords(reach, what) });
      }
      if (what !== 'times') throw InputError.at('for', 'Choose times, heat or thickness.');
      const solution = solveTimes(request);
      const opinions = finish(opinionsOn(request, USUAL_SPREADS));
      const seconds = (solution.good && opinions.here?.seconds) || solution.seconds;
      return io.tell({
        for: 'times',
        plateC: request.setup.plateC,
        thicknessMm: request.setup.thicknessMm,
        ...solution,
        seconds,
        words: solution.trouble ? troubleWords(solution.trouble) : limitWords(solution),
        sensitivities: solution.good
          ? finish(sensitivities(request, solution)).map((one) => ({ ...one, words: sensitivityWords(one) }))
          : [],
        waysOut: solution.good
          ? []
          : finish(waysOut(request)).map((way) => ({ ...way, words: wayOutWords(way) })),
        steady: opinions.here && { ...opinions.here, spreads: USUAL_SPREADS },
        given: opinions.formula,
        outcome: bakeWith(request, seconds),
      });
    });
}

function addWindow(program: Command, io: Io): void {
  asking(program.command('window').description('good bread over heat and thickness'))
    .option('--csv', 'a row for each place')
    .action((file: string | undefined, options: Options) => {
      const { request } = documentOf(file, options, io);
      const window = finish(computeWindow(request, DEFAULT_AXES));
      if (options['csv']) io.out(csv(windowRows(window)));
      else io.print({ ...window, codes: window.codes.map(wordOf) });
    });
}

function addPlate(program: Command, io: Io): void {
  asking(program.command('plate').description('a griddle: preheat, pieces, pace, hot spots, knob'))
    .requiredOption('--griddle <file>', 'the griddle, as JSON')
    .option('--diameter <mm>', 'diameter of the pieces', '180')
    .option('--gap <mm>', 'gap between pieces', '8')
    .option('--from <°C>', 'plate when it is switched on', '20')
    .option('--rolling <s>', 'rolling of a disc, by the same hands', '0')
    .option('--csv', 'the preheat as CSV')
    .action((file: string | undefined, options: Options) => {
      const griddle = parseInput(griddleSchema, parseJson(io.read(String(options['griddle']))));
      const { diameter, gap, from, rolling } = parseInput(plateSchema, options);
      const { request: asked } = documentOf(file, options, io);
      const places = packPieces(griddle, diameter, gap);
      const pieceAreaM2 = (Math.PI / 4) * (diameter / 1000) ** 2;
      const areaM2 = plateAreaM2(griddle);
      const plate = plateOf(griddle, (places.length * pieceAreaM2) / areaM2);
      const request = { ...asked, setup: { ...asked.setup, plate } };
      const { plateC } = request.setup;
      const warming = warmUp(plate, from, plateC, request.setup.air?.tempC ?? 25, 30, 3600);
      if (options['csv'])
        return io.out(csv(warming.map(({ timeS, tempC }) => ({ time_s: timeS, plate_C: tempC }))));
      const times = secondsOf(request.program);
      const gapS = USUAL_HANDS.onS + USUAL_HANDS.offS;
      return io.tell({
        plateC,
        areaM2,
        readySeconds: readySeconds(plate, from, plateC),
        pieces: places.length,
        places,
        pace: places.length
          ? paceOf(request, times, {
              ...{ places: places.length, pieceAreaM2, plateAreaM2: areaM2, gapS },
              hands: { ...USUAL_HANDS, rollS: rolling },
            })
          : null,
        settling: settling(request, times, gapS),
        hotSpots: hotSpots(griddle),
        knob: knobAdvice(griddle.marks, plateC),
        preheat: warming,
      });
    });
}

/** The question options that every griddle command takes. */
function asking(command: Command): Command {
  command.argument('[file]', 'a bake request; “-” is standard input');
  for (const [flag, description] of OPTIONS) command.option(flag, description);
  return command
    .option('--seconds <s,s>', 'seconds of each side')
    .option('--held', 'a plate that never dips')
    .option('--constants <set>', 'in use, or reference');
}

const plateSchema = z.object({
  diameter: option('Diameter', { min: 40, max: 900, unit: 'mm' }),
  gap: option('Gap', { min: 0, max: 200, unit: 'mm' }),
  from: option('Plate at the start', { min: -20, max: 380, unit: '°C' }),
  rolling: option('Rolling', { min: 0, max: 600, unit: 's' }),
});

export function addGriddleCommands(program: Command, io: Io): void {
  addBake(program, io);
  addSolve(program, io);
  addWindow(program, io);
  addPlate(program, io);
}
