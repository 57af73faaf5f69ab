import { type BakeRequest, LONGEST_S, firstStages, stagesWith } from './bakeRequest';
import { crossing } from '../model/crossing';
import { pastChar, pastCover } from '../model/films';
import { fatFreeMoistureOf } from '../model/outcome';
import { type Track, followFirst } from '../model/track';
import { gridOf, withPiece } from './pieceSpread';
import { type Surface, surface } from './responseSurface';
import type { Spreads } from './spreads';
import { darkCover, pliableFrom } from './standard';

/** First sides that are tried, as shares of the one in the middle. */
const FIRST_FACTORS = [0.65, 0.8, 1, 1.25, 1.6] as const;
const LATE_S = LONGEST_S;
/** A surface of times is stored as logarithms: times fall off exponentially with heat. */
const EARLIEST_S = 0.5;
const stored = (seconds: number): number => Math.log(Math.max(EARLIEST_S, seconds));

/** When what happens to pieces of any thickness on a plate of any heat, s. */
export interface Moments {
  /** First sides that were tried, s. */
  firstsS: readonly number[];
  /** Of the first side: coloured enough; darker than asked; charred. */
  coloured: Surface;
  darkened: Surface;
  charred: Surface;
  /** For each first time: last side done; darker than asked; spoilt, in seconds after the flip. */
  done: Surface[];
  dark: Surface[];
  spoilt: Surface[];
}

/** What is kept of a first side. */
interface FirstStep {
  timeS: number;
  gelatinised: number;
  /** How far it is past dry, past the least colour, past its char. */
  dry: number;
  puffIndex: number;
  coloured: number;
  darkened: number;
  charred: number;
}

const followPiece = ({ setup, program, standard }: BakeRequest): Track<FirstStep> => {
  const driest = pliableFrom(standard, setup.thicknessMm);
  return followFirst({ ...setup, stages: firstStages(program, LATE_S) }, (baking) => ({
    timeS: baking.timeS,
    gelatinised: baking.gelatinised,
    puffIndex: baking.puffIndex,
    dry: driest - fatFreeMoistureOf(baking.column),
    coloured: pastCover(baking.filmsA, standard.coverLeast[0]),
    darkened: pastCover(baking.filmsA, darkCover(standard.coverAim[0])),
    charred: pastChar(baking.filmsA, standard.charMost),
  }));
};

/** When a second side is done, darker than asked, spoilt, s after the flip. */
interface LastMoments {
  doneS: number;
  darkS: number;
  spoiltS: number;
}

/** What one second side needs and stands, s after the flip. */
function lastSide(
  { setup, program, standard }: BakeRequest,
  track: Track<FirstStep>,
  firstS: number,
): LastMoments {
  const coloured = crossing();
  const darkened = crossing();
  const gelatinised = crossing();
  const spoilt = crossing();
  const driest = pliableFrom(standard, setup.thicknessMm);
  let puffS: number | null = standard.puffLeast > 0 ? null : 0;
  const look = (timeS: number, cooked: number, puffIndex: number, past: number) => {
    gelatinised.look(timeS, cooked - standard.gelatinised);
    if (puffS === null && puffIndex >= standard.puffLeast) puffS = timeS;
    spoilt.look(timeS, past);
  };
  track.turn(
    firstS,
    { stages: stagesWith(program, [firstS, LATE_S]) },
    {
      replay: (seen) => look(seen.timeS, seen.gelatinised, seen.puffIndex, seen.dry),
      watch: ({ timeS, stage, column, filmsB, gelatinised: cooked, puffIndex }) => {
        const dry = driest - fatFreeMoistureOf(column);
        const turned = stage > 0;
        look(timeS, cooked, puffIndex, Math.max(dry, turned ? pastChar(filmsB, standard.charMost) : -1));
        if (!turned) return 'on';
        coloured.look(timeS, pastCover(filmsB, standard.coverLeast[1]));
        darkened.look(timeS, pastCover(filmsB, darkCover(standard.coverAim[1])));
        return spoilt.at !== null && spoilt.at < timeS ? 'end' : 'on';
      },
    },
  );
  const done = [coloured.at, gelatinised.at, puffS].map((at) => at ?? firstS + LATE_S);
  const spoiltS = spoilt.at ?? firstS + LATE_S;
  return {
    doneS: Math.max(...done) - firstS,
    darkS: Math.min(darkened.at ?? spoiltS, spoiltS) - firstS,
    spoiltS: spoiltS - firstS,
  };
}

/** When a first side is coloured enough, darker than asked, charred, s. */
interface FirstMoments {
  colouredS: number;
  darkS: number;
  charredS: number;
}

/** What one first side needs and stands. */
function firstMoments(track: Track<FirstStep>): FirstMoments {
  const coloured = crossing();
  const darkened = crossing();
  const charred = crossing();
  for (const seen of track.steps(LATE_S)) {
    coloured.look(seen.timeS, seen.coloured);
    darkened.look(seen.timeS, seen.darkened);
    charred.look(seen.timeS, seen.charred);
    if (charred.at !== null) break;
  }
  const charredS = charred.at ?? LATE_S;
  return { colouredS: coloured.at ?? LATE_S, darkS: Math.min(darkened.at ?? charredS, charredS), charredS };
}

/**
 * Bakes pieces across the spread of thickness and plate, and lays surfaces through their moments. Yields the share done.
 * @param request the bread on its plate
 * @param spreads how pieces and plate spread
 * @param aroundS first side in the middle of those that are tried, s
 */
export function* momentsOf(
  request: BakeRequest,
  spreads: Spreads,
  aroundS: number,
): Generator<number, Moments, void> {
  const { thicknesses, plates, points } = gridOf({ meanMm: request.setup.thicknessMm, spreads });
  const firstsS = FIRST_FACTORS.map((factor) => factor * aroundS);
  const firstOf = new Map<string, FirstMoments>();
  const lastOf = new Map<string, LastMoments>();
  for (const [at, { mm, plateC }] of points.entries()) {
    const piece = withPiece(request, mm, plateC);
    const track = followPiece(piece);
    firstOf.set(`${mm}/${plateC}`, firstMoments(track));
    for (const [turned, firstS] of firstsS.entries()) {
      lastOf.set(`${mm}/${plateC}/${firstS}`, lastSide(piece, track, firstS));
      yield (at + (turned + 1) / firstsS.length) / points.length;
    }
  }
  const first = (pick: (m: FirstMoments) => number) =>
    surface(thicknesses, plates, (x, y) => stored(pick(firstOf.get(`${x}/${y}`)!)));
  const last = (pick: (m: LastMoments) => number) =>
    firstsS.map((firstS) =>
      surface(thicknesses, plates, (x, y) => stored(pick(lastOf.get(`${x}/${y}/${firstS}`)!))),
    );
  return {
    firstsS,
    coloured: first(({ colouredS }) => colouredS),
    darkened: first(({ darkS }) => darkS),
    charred: first(({ charredS }) => charredS),
    done: last(({ doneS }) => doneS),
    dark: last(({ darkS }) => darkS),
    spoilt: last(({ spoiltS }) => spoiltS),
  };
}
