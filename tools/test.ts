// Everything: types, lint, unit tests, and the journeys in a real browser. Installs what is missing.
import { ensureChromium } from './chromium';
import { close, journeys, lint, sum, types, unit } from './steps';
import { ensureWebBuild } from './webBuild';

const counts = [types(), lint(), unit()];
ensureWebBuild();
counts.push(journeys(ensureChromium()));
close(sum(counts));
