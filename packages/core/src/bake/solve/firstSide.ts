import { bake } from '../model/bake';
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
import { type BakeStandard, pliableFrom } from './standard';

/** The first side never goes past this share of the time at which it chars. */
export const BEFORE_CHAR = 0.95;

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
    look(baking: Baking): 'on' | 'ready' | 'charred' | 'dry' {
      coloured.look(baking.timeS, pastCover(baking.filmsA, standard.coverAim[0]));
      charred.look(baking.timeS, pastChar(baking.filmsA, standard.charMost));
      eye.bubblesS = baking.bubblesS;
      eye.dry = fatFreeMoistureOf(baking.column) < driest;
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
export function firstSide({ program, setup, standard }: BakeRequest): FirstSide {
  const eye = firstSideEye(standard, setup.thicknessMm);
  bake(
    { ...setup, stages: firstStages(program, LONGEST_S) },
    { watch: (baking) => (eye.look(baking) === 'on' ? 'on' : 'end') },
  );
  return firstSideOf(eye);
}
