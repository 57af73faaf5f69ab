import { said } from '../../test/said';
import { questionOfFormula } from '../plate/question';
import { formula } from '../../test/examples';
import { CATALOGUE } from '../../ingredient/catalogue';
import { whyNotWritten } from './secondsWords';

const { request } = questionOfFormula(formula, CATALOGUE, {}, { doughC: 25 });
const { written } = request;
if (!written) throw new Error('the formula says its seconds');
const words = (thicknessMm: number) =>
  whyNotWritten({
    request: {
      ...request,
      setup: { ...request.setup, thicknessMm },
      written: { ...written, thicknessMm: 1.46 },
    },
    shown: [999, 999],
    use: 'formula',
  });

test('a disc that differs is told by its figures, and in which direction where those read alike', () => {
  expect(said(words(2))).toMatch(/the disc is 2(\.0)?\s?mm, not 1\.5\s?mm/);
  expect(said(words(1.53))).toMatch(/the disc is a little thicker than 1\.5\s?mm/);
});
