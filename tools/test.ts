// Everything: types, lint, unit tests, and the journeys in a real browser. Installs what is missing.
import { Semaphore } from 'async-mutex';
import { ensureCertutil, ensureChromium, ensureStrace } from './chromium';
import {
  close,
  durability,
  faults,
  firstStart,
  journeys,
  lint,
  type Part,
  types,
  unitParts,
  web,
} from './steps';

/** The smallest machine that this is meant for has so many processors. */
const AT_ONCE = 2;

const chromium = ensureChromium();
ensureCertutil();
ensureStrace();
const turns = new Semaphore(AT_ONCE);
const inTurn = (run: () => Promise<Part>): Promise<Part> => turns.runExclusive(() => run());
// What starts the product waits until it is built, so that it is built once.
const app = inTurn(web);
const units = unitParts.map(inTurn);
const onceBuilt = (run: () => Promise<Part>): Promise<Part> => app.then(() => inTurn(run));
const parts = await Promise.all([
  inTurn(types),
  inTurn(lint),
  app,
  onceBuilt(firstStart),
  onceBuilt(() => durability(chromium)),
  onceBuilt(faults),
  ...units,
]);
// Journeys look at clocks: nothing runs beside them.
close([...parts, await journeys(chromium)]);
