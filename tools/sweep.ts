// Looks at every main view at every size, in both measures, in the languages: npm run sweep. In `npm test` at sizes by turns.
import { ensureChromium } from './chromium';
import { close, journeys, web } from './steps';

process.env.KETTLE_WHOLE_SWEEP = '1';
const chromium = ensureChromium();
close([await web(), await journeys(chromium, ['views'])]);
