// Everything: types, lint, unit tests, and the journeys in a real browser. Installs what is missing.
import { ensureChromium } from './chromium';
import { close, durability, firstStart, journeys, lint, sum, types, unit } from './steps';
import { ensureWebBuild } from './webBuild';

const counts = [types(), lint(), unit()];
await ensureWebBuild();
const chromium = ensureChromium();
counts.push(journeys(chromium), durability(chromium), firstStart());
close(sum(counts));
