// Everything: types, lint, unit tests, and the journeys in a real browser. Installs what is missing. Two things at once,
// because the smallest machine it is meant for has two processors.
import { ensureChromium } from './chromium';
import { close, durability, firstStart, journeys, lint, types, unit, web } from './steps';

const chromium = ensureChromium();
const [units, others] = await Promise.all([
  unit(),
  (async () => [await types(), await lint(), await web(), await firstStart(), await durability(chromium)])(),
]);
close([...others, units, await journeys(chromium)]);
