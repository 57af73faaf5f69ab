import { type Formula, formulaSchema } from '@kettle-scale/core/formula';
import { parseInput } from '@kettle-scale/core/message';
import breakwaterThick from './formulas/breakwater-thick.json';
import deckhandWrap from './formulas/deckhand-wrap.json';
import lanternRound from './formulas/lantern-round.json';
import pilotPress from './formulas/pilot-press.json';
import sailclothSheet from './formulas/sailcloth-sheet.json';

/** The five demo formulas, in the open file format. */
export const demoFormulas = (): Formula[] =>
  [breakwaterThick, deckhandWrap, lanternRound, pilotPress, sailclothSheet].map((document) =>
    parseInput(formulaSchema, document),
  );
