import { turnsIron } from '../../formula/bakePhases';
import type { BakeProgram } from '../../formula/methodSchema';
import type { FaceMeets } from './faces';
import type { Air, ModelConstants } from './model';

/** One stretch of a bake. */
export interface Stage {
  seconds: number;
  /** The face that lies down: 0 for the one that went on first. */
  down: 0 | 1;
  under: 'plate' | 'flame' | 'rack' | 'platen';
  over: 'air' | 'flame' | 'grill' | 'platen';
  /** A heat of its own: of the platens, or of another place or pan that the piece moves to, °C. */
  plateC?: number;
  /** Bench flour lies between dough and iron. */
  floured?: boolean;
  /** Pressed down lightly: better contact. */
  press?: boolean | number;
  butter?: boolean;
  /** A wet face that clings to the iron. */
  stuck?: boolean;
  /** Stretched over a dome: it lies as closely the second time as the first. */
  domed?: boolean;
}

/** What a press, butter and bench flour do to the contact (assumptions; trade practice says 1.2 to 1.5 for a press). */
const PRESSED = 1.3;
const BUTTERED = 1.15;
const FLOURED = 0.6;

/**
 * A flame that the piece is moved over, and a grill, as a face feels them (assumptions): about 11 kW/m² onto a face at
 * boiling.
 */
const FLAME = { gasC: 600, radiantC: 150, convection: 22, fire: { conductance: 22, tempC: 600 } } as const;
const GRILL = { gasC: 150, radiantC: 420, convection: 10, fire: { conductance: 33, tempC: 420 } } as const;

/**
 * First side down, then turn about.
 * @param seconds s by side
 * @param press whether each side is pressed, or for how much of it
 */
export const stagesOfSeconds = (seconds: readonly number[], press: number | boolean = false): Stage[] =>
  seconds.map((s, index) => ({
    seconds: s,
    down: (index % 2) as 0 | 1,
    under: 'plate',
    over: 'air',
    press,
  }));

/**
 * The stages of a formula's bake program. After the last side the piece goes face down over a flame, or under a grill;
 * where it clings to its iron, the iron is turned over and the free face meets the flame.
 */
export function stagesOf(program: BakeProgram): Stage[] {
  const { surface, sides, finish, floured, hotPress } = program;
  const domed = surface === 'domed';
  const press: Stage[] = hotPress
    ? [
        {
          ...{ seconds: hotPress.seconds, plateC: hotPress.tempC, down: 0, press: true },
          ...{ under: 'platen', over: 'platen' },
        },
      ]
    : [];
  const turned = sides.map((side, index): Stage => ({
    seconds: side.seconds,
    down: (index % 2) as 0 | 1,
    under: 'plate',
    over: 'air',
    domed,
    ...(side.press ? { press: true } : {}),
    ...(side.butter ? { butter: true } : {}),
    ...(side.wetFace ? { stuck: true } : {}),
    ...(floured ? { floured } : {}),
    ...(side.plateC === undefined ? {} : { plateC: side.plateC }),
  }));
  const stages = [...press, ...turned];
  if (!finish) return stages;
  const last = (sides.length - 1) % 2 === 0 ? 0 : 1;
  const other = last === 0 ? 1 : 0;
  if (turnsIron(program)) {
    return [
      ...stages,
      { seconds: finish.seconds, down: last, under: 'plate', over: finish.kind, stuck: true, domed },
    ];
  }
  return finish.kind === 'flame'
    ? [...stages, { seconds: finish.seconds, down: other, under: 'flame', over: 'air' }]
    : [...stages, { seconds: finish.seconds, down: last, under: 'rack', over: 'grill' }];
}

/** Seconds between hot platens, before the piece is on the plate. */
export const platenS = (stages: readonly Stage[]): number =>
  stages.reduce((sum, { under, seconds }) => sum + (under === 'platen' ? seconds : 0), 0);

/** What the two faces meet in a stage; `index` counts the stages on the plate. */
export function facesIn(
  stage: Stage,
  index: number,
  air: Air,
  model: ModelConstants,
): { down: FaceMeets; up: FaceMeets } {
  const press = typeof stage.press === 'number' ? stage.press : stage.press ? PRESSED : 1;
  const between = (stage.butter ? BUTTERED : 1) * (stage.floured ? FLOURED : 1);
  const later = index > 0 && !stage.stuck && !stage.domed ? model.laterContact : 1;
  const open: FaceMeets = {
    kind: 'gas',
    gasC: air.tempC,
    radiantC: air.tempC,
    convection: model.convection,
    fire: null,
  };
  const fire = (kind: 'flame' | 'grill'): FaceMeets => ({
    kind: 'gas',
    ...(kind === 'flame' ? FLAME : GRILL),
  });
  if (stage.under === 'platen') {
    const platen: FaceMeets = {
      ...{
        kind: 'plate',
        contact: press,
        filmContact: press,
        stuck: false,
        heldC: stage.plateC ?? air.tempC,
      },
    };
    return { down: platen, up: platen };
  }
  return {
    down:
      stage.under === 'plate'
        ? {
            kind: 'plate',
            contact: press * between * later,
            filmContact: press * between * (index > 1 ? model.filmRecontact : 1),
            stuck: stage.stuck === true,
          }
        : stage.under === 'flame'
          ? fire('flame')
          : open,
    up: stage.over === 'flame' || stage.over === 'grill' ? fire(stage.over) : open,
  };
}
