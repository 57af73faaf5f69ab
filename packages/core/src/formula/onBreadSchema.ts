import { z } from 'zod';
import { choiceField, fractionField, numberField, slugField, textField } from '../message/fields';
import { ON_BREAD_WHEN } from './onBreadWhen';

/** What a method puts on bread: butter, oil, a topping, flour on the bench, salt water on the pan. */
export const onBreadSchema = z.strictObject({
  id: slugField('Line id'),
  ingredient: slugField('Ingredient'),
  gPerPiece: numberField('Grams a piece', { min: 0.01, max: 500, unit: 'g' }),
  when: choiceField('When it goes on', ON_BREAD_WHEN),
  /** Of the pieces that get it: two finishes in one batch; all of them where it is not said. */
  share: fractionField('Share of the pieces', 0.01, 1).optional(),
  note: textField('Note', { max: 120 }).optional(),
});

export type OnBread = z.infer<typeof onBreadSchema>;
