// Everything: types, lint, unit tests, and the journeys in a real browser. Installs what is missing. Two things at once,
// because the smallest machine it is meant for has two processors.
import { ensureCertutil, ensureChromium, ensureStrace } from './chromium';
import { close, durability, faults, firstStart, journeys, lint, types, unit, web } from './steps';

const chromium = ensureChromium();
ensureCertutil();
ensureStrace();
const [units, others] = await Promise.all([
  unit(),
  (async () => [
    await types(),
    await lint(),
    await web(),
    await firstStart(),
    await durability(chromium),
    await faults(),
  ])(),
]);
close([...others, units, await journeys(chromium)]);
