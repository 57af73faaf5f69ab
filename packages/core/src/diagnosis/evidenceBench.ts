import { message } from '../message/message';
import { mean } from 'simple-statistics';
import { type BatchState, taughtPieces } from '../batch/batchState';
import { type DoughAim, type Feel, feelWord } from '../dough/feel';
import type { Plan } from '../plan/planSchema';
import { type Evidence, UNKNOWN, found } from './found';

/** What these look at. */
interface Seen {
  plan: Plan;
  state: BatchState;
}

/** Differences smaller than these are not blamed. */
const WORTH = {
  /** Bench flour below which a tacky dough is rolled bare, as a share of flour. */
  dust: 0.005,
  /** Of the mean diameter. */
  outOfRound: 0.05,
  sideS: 5,
  placeC: 20,
  /** Pieces beyond the number that the formula asks for. */
  overdue: 1.5,
} as const;
/** Feels at which a dough sticks to a bare bench, by what its formula aims for. */
const TACKY: Record<DoughAim, ReadonlySet<Feel>> = {
  'slightly tacky': new Set(['right', 'a bit tacky', 'sticky', 'batter']),
  soft: new Set(['a bit tacky', 'sticky', 'batter']),
  stiff: new Set(['sticky', 'batter']),
};
const WIPES: ReadonlySet<string> = new Set(['wipe it dry', 'wipe burnt flour off']);

const lastFeel = ({ steps }: BatchState): Feel | undefined =>
  steps.flatMap(({ seen }) => seen.flatMap((event) => (event.type === 'felt' ? [event.feel] : []))).at(-1);

/** A tacky dough that was rolled with next to no flour. */
export function littleBenchFlour({ plan, state }: Seen): Evidence {
  const feel = lastFeel(state);
  const share = state.dustedG / plan.flourG;
  if (share > 2 * WORTH.dust)
    return found(false, message('{share} of bench flour went in', { share: { share, decimals: 1 } }), 0);
  if (feel === undefined) return UNKNOWN;
  const { aim = 'soft' } = plan.formula.method.knead;
  const bare = message('last felt “{feelWord}”, {dusted} bench flour counted', {
    feelWord: feelWord(feel, aim),
    dusted: state.dustedG === 0 ? 'no' : { share, decimals: 1 },
  });
  return found(TACKY[aim].has(feel) && share < WORTH.dust, bare, 1);
}

/** How long the plate went without a wipe, against what the formula asks for. */
export function unwiped({ plan, state }: Seen): Evidence {
  const asked = (plan.formula.bake.care ?? []).filter(({ what }) => WIPES.has(what));
  const begun = state.piecesOff + state.onPlate.length;
  const [first] = asked;
  if (!first || begun === 0) return UNKNOWN;
  const wipes = [
    0,
    ...state.cared.filter(({ what }) => WIPES.has(what)).map((one) => one.afterPieces),
    begun,
  ];
  const longest = Math.max(...wipes.slice(1).map((at, index) => at - (wipes[index] ?? 0)));
  const words = message(
    'up to {longest, number} pieces without a wipe, one every {every, number} asked for',
    { longest, every: first.every },
  );
  return found(longest > WORTH.overdue * first.every, words, longest);
}

/** A disc that is longer one way than the other. */
export function outOfRound({ state }: Seen): Evidence {
  const [worst] = state.discs
    .map(({ diametersMm: [a, b] }) => ({ a, b, by: (2 * Math.abs(a - b)) / (a + b) }))
    .sort((one, other) => other.by - one.by);
  if (!worst) return UNKNOWN;
  const words = message('a disc of {a} × {b}', { a: { mm: worst.a }, b: { mm: worst.b } });
  return found(worst.by > WORTH.outOfRound, words, worst.by);
}

/** One side that lay longer than planned while another did not. */
export function unequalSides({ plan, state }: Seen): Evidence {
  const { sides } = plan.formula.bake;
  const off = sides.flatMap(({ seconds }, side) => {
    const lay = taughtPieces(state).flatMap(({ sidesS }) => sidesS[side] ?? []);
    return lay.length > 0 ? [mean(lay) - seconds] : [];
  });
  if (off.length < 2) return UNKNOWN;
  const [most, least] = [Math.max(...off), Math.min(...off)];
  const words = message(
    'side {indexOf, number} lay {most} s {most2} plan, side {indexOf2, number} {least} s {least2}',
    {
      indexOf: off.indexOf(most) + 1,
      most: { figure: Math.abs(most) },
      most2: most < 0 ? 'under' : 'over',
      indexOf2: off.indexOf(least) + 1,
      least: { figure: Math.abs(least) },
      least2: least < 0 ? 'under' : 'over',
    },
  );
  return found(most - least > WORTH.sideS && most > 0, words, most);
}

/** Places of the plate that differ in heat, as pieces met them. */
export function unevenPlate({ state }: Seen): Evidence {
  const met = [...state.baked, ...state.onPlate].flatMap(({ plateC }) => (plateC === null ? [] : [plateC]));
  if (met.length < 2) return UNKNOWN;
  const spread = Math.max(...met) - Math.min(...met);
  return found(
    spread > WORTH.placeC,
    message('pieces met a plate {spread} apart', { spread: { kelvin: spread } }),
    spread,
  );
}

/** Pieces that tore are counted as they are taken out. */
export function holed({ state }: Seen): Evidence {
  const torn = state.rejected.reduce((sum, { pieces, reason }) => sum + (reason === 'torn' ? pieces : 0), 0);
  return torn > 0
    ? found(true, message('{torn, plural, one {# piece} other {# pieces}} torn', { torn }), torn)
    : UNKNOWN;
}

/** The face that should stick to the iron was not to be wetted. */
export function faceDry({ plan }: Seen): Evidence {
  const wets = plan.formula.bake.sides.some(({ wetFace }) => wetFace);
  return wets ? UNKNOWN : found(true, 'the formula wets no face', 1);
}

/** Oil on the iron: bread that should stick to it does not. */
export function oilyPlate({ state }: Seen): Evidence {
  const last = state.cared.findLast(({ what }) => what === 'wipe it with oil');
  return last
    ? found(true, message('oiled after piece {afterPieces, number}', { afterPieces: last.afterPieces }), 1)
    : UNKNOWN;
}
