import type { BakeOptions } from '../model/bake';
import type { Baking } from '../model/baking';
import {
  type BakeRequest,
  LONGEST_S,
  SHORTEST_SIDE_S,
  type Solution,
  type Trouble,
  firstStages,
} from './bakeRequest';
import { crossing } from '../model/crossing';
import { pastChar, pastCover } from '../model/films';
import { fatFreeMoistureOf } from '../model/outcome';
import { type Track, followFirst } from '../model/track';
import { type BakeStandard, darkCover, pliableFrom } from './standard';

/** The first side never goes past this share of the time at which it chars. */
export const BEFORE_CHAR = 0.95;

/** What is kept of every step of a first side. */
export interface FirstSeen {
  timeS: number;
  gelatinised: number;
  /** Of the bread without its fat, percent. */
  moisture: number;
  puffIndex: number;
  bubblesS: number | null;
  /** How far the face is past its colour, past what is darker than asked, and past its char; above 0 it is. */
  coloured: number;
  dark: number;
  charred: number;
}

export const seeFirst =
  ({ coverAim, charMost }: BakeStandard) =>
  ({ timeS, gelatinised, column, puffIndex, bubblesS, filmsA }: Baking): FirstSeen => ({
    timeS,
    gelatinised,
    puffIndex,
    bubblesS,
    moisture: fatFreeMoistureOf(column),
    coloured: pastCover(filmsA, coverAim[0]),
    dark: pastCover(filmsA, darkCover(coverAim[0])),
    charred: pastChar(filmsA, charMost),
  });

export type FirstTrack = Track<FirstSeen>;

/** The first side of a request, to be followed as far as it is asked for, and turned at any moment. */
export const openFirst = (
  { program, setup, standard }: BakeRequest,
  grid?: Required<Pick<BakeOptions, 'cells' | 'stepS'>>,
): FirstTrack => followFirst({ ...setup, stages: firstStages(program, LONGEST_S) }, seeFirst(standard), grid);

/** Watches the first side: until its colour is there and bubbles are seen, unless it chars or dries out before. */
export function firstSideEye(standard: BakeStandard, thicknessMm: number) {
  const driest = pliableFrom(standard, thicknessMm);
  const coloured = crossing();
  const charred = crossing();
  const eye = {
    coloured,
    charred,
    bubblesS: null as number | null,
    dry: false,
    look(seen: FirstSeen): 'on' | 'ready' | 'charred' | 'dry' {
      coloured.look(seen.timeS, seen.coloured);
      charred.look(seen.timeS, seen.charred);
      eye.bubblesS = seen.bubblesS;
      eye.dry = seen.moisture < driest;
      if (coloured.at !== null && eye.bubblesS !== null) return 'ready';
      if (charred.at !== null) return 'charred';
      return eye.dry && coloured.at === null ? 'dry' : 'on';
    },
  };
  return eye;
}

export interface FirstSide {
  seconds: number;
  limit: Solution['firstLimit'];
  colouredS: number | null;
  bubblesS: number | null;
  trouble: Trouble | null;
}

type Eye = ReturnType<typeof firstSideEye>;

/** The seconds that a first side was seen to need. */
export function firstSideOf({ coloured, charred, bubblesS, dry }: Eye): FirstSide {
  const colouredS = coloured.at;
  const charredS = charred.at ?? LONGEST_S;
  const wanted = colouredS;
  if (wanted === null) {
    const seconds = bubblesS ?? LONGEST_S;
    return { seconds, limit: 'colour', colouredS, bubblesS, trouble: dry ? 'dries first' : 'never browns' };
  }
  const cue = Math.min(bubblesS ?? LONGEST_S, charredS * BEFORE_CHAR);
  const seconds = Math.max(SHORTEST_SIDE_S, wanted, cue);
  const limit = cue > wanted ? (cue === bubblesS ? 'bubbles' : 'char') : 'colour';
  return { seconds, limit, colouredS, bubblesS, trouble: charredS < seconds ? 'burns first' : null };
}

/** Bakes the first side alone and says how long it takes. */
export function firstSide({ setup, standard }: BakeRequest, track: FirstTrack): FirstSide {
  const eye = firstSideEye(standard, setup.thicknessMm);
  for (const seen of track.steps(LONGEST_S)) if (eye.look(seen) !== 'on') break;
  return firstSideOf(eye);
}
