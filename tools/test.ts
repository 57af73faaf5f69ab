// Everything: types, lint, unit tests, and the journeys in a real browser. Installs what is missing. What depends on nothing
// but sources, and was green with these today, is not run again; `--all` runs it.
import { Semaphore } from 'async-mutex';
import { ensureCertutil, ensureChromium, ensureStrace } from './chromium';
import {
  close,
  durability,
  faults,
  firstStart,
  forget,
  journeys,
  lint,
  type Part,
  types,
  unitParts,
  web,
} from './steps';

/** The smallest machine that this is meant for has so many processors. */
const AT_ONCE = 2;

if (process.argv.includes('--all')) forget();
const chromium = ensureChromium();
ensureCertutil();
ensureStrace();
const turns = new Semaphore(AT_ONCE);
const inTurn = (run: () => Promise<Part>): Promise<Part> => turns.runExclusive(() => run());
// What starts the product waits until it is built, so that it is built once. The longest go first, so that none is left alone.
const app = inTurn(web);
const onceBuilt = (run: () => Promise<Part>): Promise<Part> => app.then(() => inTurn(run));
const parts = await Promise.all([
  app,
  inTurn(lint),
  ...unitParts.map(inTurn),
  inTurn(types),
  onceBuilt(faults),
  onceBuilt(() => durability(chromium)),
  onceBuilt(firstStart),
]);
// Journeys look at clocks: nothing runs beside them.
close([...parts, await journeys(chromium)]);
