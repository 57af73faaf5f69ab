import { CATALOGUE } from '@kettle-scale/core/ingredient';
import {
  InputError,
  asText,
  choiceField,
  message,
  numberField,
  parseInput,
} from '@kettle-scale/core/message';
import {
  FEELS,
  type Feel,
  type HeatPart,
  HYDRATION_HEAT_KJ_KG,
  type Storage,
  correctFeel,
  equilibriumMoisture,
  heatOfDegree,
  heatPart,
  hydrationAtMoisture,
  mixedTemperature,
  relaxationMin,
  restFor,
  springBackAfter,
  storedMoisture,
  warmUpS,
  warmingBall,
  waterForDough,
} from '@kettle-scale/core/dough';
import { learnLotOffset, nextBatchReach } from '@kettle-scale/core/flourLot';
import { type Command, Option } from 'commander';
import { z } from 'zod';
import type { Io } from './io';
import { PERCENT, mass, option } from './options';

const temp = (label: string) => option(label, { min: -40, max: 150, unit: '°C' });
const percent = (label: string, max: number) => option(label, { min: 0, max, unit: '%' });

const waterSchema = z.object({
  hydration: percent('Hydration', 150),
  air: temp('Air temperature'),
  humidity: option('Air humidity', { min: 2, max: 98, unit: '%' }),
  moisture: option('Flour moisture', { min: 4, max: 20, unit: '%' }).optional(),
  millMoisture: option('Moisture from the mill', { min: 4, max: 20, unit: '%' }),
  days: option('Days in store', { min: 0, max: 4000 }),
  storage: z.enum(['open', 'closed']),
  /** Offsets that batches of the lot showed. */
  observed: z
    .string()
    .transform((text) => text.split(',').map(Number))
    .pipe(z.array(numberField('Observed offset', { min: -20, max: 20, unit: 'points' })))
    .optional(),
});

function water(text: unknown) {
  const inputs = parseInput(waterSchema, text);
  const equilibrium = equilibriumMoisture(inputs.air, inputs.humidity / PERCENT);
  const storage: Storage = inputs.storage;
  const stored = storedMoisture(inputs.millMoisture / PERCENT, equilibrium, inputs.days, storage);
  const moisture = inputs.moisture === undefined ? stored : inputs.moisture / PERCENT;
  const offset = learnLotOffset(inputs.observed ?? []);
  const byMoisture = hydrationAtMoisture(inputs.hydration / PERCENT, moisture) * PERCENT;
  const today = byMoisture + offset.meanPoints;
  const reach = nextBatchReach(offset);
  return {
    inputs,
    equilibriumMoisturePercent: equilibrium * PERCENT,
    flourMoisturePercent: moisture * PERCENT,
    hydrationForMoisturePercent: byMoisture,
    lot: offset,
    hydrationTodayPercent: today,
    lowPercent: today - reach,
    highPercent: today + reach,
  };
}

interface Part extends HeatPart {
  isFlour: boolean;
}

const partSchema = z.string().transform((text, context): Part => {
  const [id = '', massG, tempC] = text.split(':');
  const food = CATALOGUE.find((candidate) => candidate.id === id);
  const numbers = z
    .tuple([mass('Weight of an ingredient'), temp('Temperature of an ingredient')])
    .safeParse([massG ?? '', tempC ?? '']);
  if (food && numbers.success) return { ...heatPart(food, ...numbers.data), isFlour: food.kind === 'flour' };
  context.addIssue({
    code: 'custom',
    message: food
      ? 'A part is written ingredient:grams:temperature, like oil-rapeseed:1100:22.'
      : asText(message('There is no ingredient “{id}”.', { id: { name: id } })),
  });
  return z.NEVER;
});

const waterTempSchema = z.object({
  part: z.array(partSchema),
  liquid: z.string(),
  liquidG: mass('Liquid'),
  comesAt: temp('Liquid as it comes'),
  dough: temp('Dough temperature').optional(),
  liquidTemp: temp('Liquid temperature').optional(),
  friction: option('Friction', { min: 0, max: 30, unit: 'K' }),
  hydrationHeat: option('Heat of hydration', { min: 0, max: 50, unit: 'kJ/kg' }),
});

function waterTemp(text: unknown) {
  const { part: dry, ...inputs } = parseInput(waterTempSchema, text);
  const liquidFood = CATALOGUE.find(({ id }) => id === inputs.liquid);
  if (!liquidFood)
    throw InputError.at('liquid', message('There is no ingredient “{id}”.', { id: { name: inputs.liquid } }));
  const liquidAt = (tempC: number) => heatPart(liquidFood, inputs.liquidG, tempC);
  const flourKg = dry.reduce((sum, { isFlour, massG }) => sum + (isFlour ? massG / 1000 : 0), 0);
  const extraKJ =
    inputs.hydrationHeat * flourKg + inputs.friction * heatOfDegree([...dry, liquidAt(inputs.comesAt)]);
  if (inputs.liquidTemp !== undefined) {
    return {
      inputs: { ...inputs, parts: dry },
      doughC: mixedTemperature([...dry, liquidAt(inputs.liquidTemp)], extraKJ),
    };
  }
  if (inputs.dough === undefined) {
    throw InputError.at(
      'dough',
      'Give the target dough temperature (--dough) or that of the liquid (--liquid-temp).',
    );
  }
  const answer = waterForDough({
    dry,
    liquidG: inputs.liquidG,
    liquidHeatKJKgK: liquidAt(0).heatKJKgK,
    wantedC: inputs.dough,
    extraKJ,
    comesAtC: inputs.comesAt,
    isWater: liquidFood.kind === 'water',
  });
  return { inputs: { ...inputs, parts: dry }, ...answer };
}

const restSchema = z.object({
  springBack: percent('Spring-back', 22),
  temp: temp('Dough temperature'),
  fat: percent('Fat', 100),
  light: z.boolean().optional(),
  tau: option('Time constant', { min: 1, max: 600, unit: 'min' }).optional(),
  ball: mass('Ball').optional(),
  from: temp('Ball temperature'),
  air: temp('Air temperature'),
  to: temp('Wanted centre'),
});

/** Minutes at which the centre of a warming ball is listed. */
const LISTED_MIN = [10, 20, 30, 45, 60, 90] as const;
const finite = (value: number): number | null => (Number.isFinite(value) ? value : null);

function rest(text: unknown) {
  const inputs = parseInput(restSchema, text);
  const tauMin =
    inputs.tau ??
    relaxationMin({ tempC: inputs.temp, fat: inputs.fat / PERCENT, lightlyKneaded: inputs.light ?? false });
  const minutes = restFor(inputs.springBack / PERCENT, tauMin);
  const ball = inputs.ball === undefined ? null : warmingBall(inputs.ball, inputs.from, inputs.air);
  const warmS = inputs.ball === undefined ? null : warmUpS(inputs.ball, inputs.from, inputs.air, inputs.to);
  return {
    inputs,
    tauMin,
    /** Null where no rest reaches it. */
    restMin: finite(minutes),
    springBackWithoutRestPercent: springBackAfter(0, tauMin) * PERCENT,
    ...(ball
      ? {
          warmUpMin: warmS === null ? null : finite(warmS / 60),
          centreC: Object.fromEntries(LISTED_MIN.map((minute) => [minute, ball.centreC(minute * 60)])),
        }
      : {}),
  };
}

const toppedSchema = z.string().transform((text) => {
  const [name = '', share = ''] = text.split(':');
  return { lineId: name, name, fraction: Number(share) / PERCENT };
});

const correctSchema = z.object({
  feel: choiceField('Feel', FEELS),
  flourG: mass('Flour'),
  hydration: option('Hydration', { min: 10, max: 150, unit: '%' }),
  topUp: z.array(toppedSchema),
  drinking: z.boolean().optional(),
  step: option('Step of feel', { min: 0.1, max: 10, unit: '%' }).optional(),
});

function correct(text: unknown) {
  const inputs = parseInput(correctSchema, text);
  const correction = correctFeel({
    feel: inputs.feel satisfies Feel,
    flourG: inputs.flourG,
    hydration: inputs.hydration / PERCENT,
    topped: inputs.topUp,
    stillDrinking: inputs.drinking ?? false,
    ...(inputs.step === undefined ? {} : { stepShare: inputs.step / PERCENT }),
  });
  return { inputs, ...correction };
}

const collect = (value: string, before: string[]): string[] => [...before, value];

/** Adds the commands that answer one question of the bench each, with its inputs, as JSON. */
export function addBenchCommands(program: Command, { print }: Pick<Io, 'print'>): void {
  program
    .command('water')
    .description(
      'hydration for today: flour moisture from the air and the store, and what the lot has taught',
    )
    .requiredOption('--hydration <percent>', 'of the formula, for flour of 14 % moisture')
    .option('--air <C>', 'air temperature', '24')
    .option('--humidity <percent>', 'relative humidity of the air', '55')
    .option('--moisture <percent>', 'moisture of the flour, measured')
    .option('--mill-moisture <percent>', 'moisture it came with', '14')
    .option('--days <days>', 'days in store', '0')
    .addOption(
      new Option('--storage <how>', 'how it is stored').choices(['open', 'closed']).default('closed'),
    )
    .option('--observed <points>', 'offsets of batches judged right, like 1.2,0.8')
    .action((options: object) => print(water(options)));
  program
    .command('watertemp')
    .description('liquid temperature for a wanted dough, or the dough that a liquid gives')
    .option('--part <ingredient:g:C>', 'everything but the liquid; once for each', collect, [])
    .requiredOption('--liquid-g <g>', 'weight of the liquid')
    .option('--liquid <ingredient>', 'which liquid', 'water')
    .option('--comes-at <C>', 'the liquid as it comes', '16')
    .option('--dough <C>', 'wanted dough temperature')
    .option('--liquid-temp <C>', 'temperature of the liquid, to get that of the dough')
    .option('--friction <K>', 'warming by the mixer', '0')
    .option('--hydration-heat <kJ/kg>', 'heat of the flour absorbing water', String(HYDRATION_HEAT_KJ_KG))
    .action((options: object) => print(waterTemp(options)));
  program
    .command('rest')
    .description('rest for a spring-back, and the warming of cold balls')
    .option('--spring-back <percent>', 'wanted', '6')
    .option('--temp <C>', 'dough temperature', '25')
    .option('--fat <percent>', 'fat, percent of flour', '0')
    .option('--light', 'kneaded lightly')
    .option('--tau <min>', 'time constant, measured')
    .option('--ball <g>', 'ball from the fridge')
    .option('--from <C>', 'its temperature', '4')
    .option('--air <C>', 'air temperature', '24')
    .option('--to <C>', 'wanted centre', '18')
    .action((options: object) => print(rest(options)));
  program
    .command('correct')
    .description('what brings a dough to the right feel')
    .requiredOption('--feel <feel>', FEELS.join(', '))
    .requiredOption('--flour-g <g>', 'flour in the bowl')
    .requiredOption('--hydration <percent>', 'that the dough should have')
    .option(
      '--top-up <name:percent>',
      'salt, leavener or fat that follow the flour; once for each',
      collect,
      [],
    )
    .option('--drinking', 'still being mixed or kneaded')
    .option('--step <percent>', 'water that a step of feel is worth, percent of flour')
    .action((options: object) => print(correct(options)));
}
