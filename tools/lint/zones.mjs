import { readdirSync } from 'node:fs';

/**
 * The rooms of core in their order: each may use those before it, none those after it. New rooms go where this list
 * lets them; a circle of two rooms cannot be written at all.
 */
const CORE_ROOMS = [
  'quantity',
  'message',
  'device',
  'phone',
  'ingredient',
  'portion',
  'dough',
  'kitchen',
  'flourLot',
  'formula',
  'writing',
  'bake/model',
  'bake/solve',
  'bake/plate',
  'bake/live',
  'bake/calibrate',
  'plan',
  'batch',
  'quality',
  'log',
  'lessons',
  'diagnosis',
  'shift',
  'explain',
  'document',
  'exchange',
];

const CORE = './packages/core';
const KITCHEN = './apps/kitchen';
const SERVER = './apps/server';
const SIMULATION = './packages/simulation';

const standsAlone = {
  target: CORE,
  from: ['./apps', './e2e', './tools', SIMULATION],
  message: 'Core stands alone.',
};

/** Inside core, tests left out: they may build what they test from any room. */
export const coreZones = [
  standsAlone,
  ...CORE_ROOMS.slice(0, -1).map((room, index) => ({
    target: `${CORE}/src/${room}`,
    from: CORE_ROOMS.slice(index + 1).map((later) => `${CORE}/src/${later}`),
    message: `This room comes after ${room}: see CORE_ROOMS in tools/lint/zones.mjs.`,
  })),
];

/** @param {string} room */
const src = (room) => `${KITCHEN}/src/${room}`;
const SHOWS = [src('features'), src('screens'), `${KITCHEN}/app`];
/** Rooms of the app that keep and send; none knows what shows it. */
const KEEPS = ['api', 'live', 'batch', 'drafts', 'workers'];
const features = readdirSync(new URL('../../apps/kitchen/src/features', import.meta.url));

/**
 * Imports run one way: app → screens → features → shared → ui → reader; features, shared → batch → live → api; everything → core.
 * Server → core. Features do not import each other. What is made up enters through the demo, tests and benchmarks alone.
 */
export const zones = [
  {
    target: SIMULATION,
    from: ['./apps', './e2e', './tools'],
    message: 'What is made up knows core alone.',
  },
  { target: KITCHEN, from: SIMULATION, message: 'The app shows nothing that is made up.' },
  { target: SERVER, from: [KITCHEN, './e2e', './tools'], message: 'The server knows only core.' },
  { target: KITCHEN, from: [SERVER, './e2e', './tools'], message: 'The app knows only core.' },
  {
    target: src('reader'),
    from: [...SHOWS, src('shared'), src('ui'), ...KEEPS.map(src)],
    message: 'Who reads, and in what words, comes before everything that is read.',
  },
  {
    target: src('ui'),
    from: [...SHOWS, src('shared'), ...KEEPS.map(src)],
    message: 'The design system knows neither what shows it nor what keeps.',
  },
  {
    target: src('ui'),
    from: `${CORE}/src`,
    except: ['./quantity', './message'],
    message: 'The design system has no domain: numbers and messages are all it takes from core.',
  },
  {
    target: KEEPS.map(src),
    from: [...SHOWS, src('shared'), src('ui')],
    message: 'What keeps and sends does not know what shows it.',
  },
  {
    target: src('workers'),
    from: ['api', 'live', 'batch', 'drafts'].map(src),
    message: 'A worker computes: it neither asks the server nor keeps anything.',
  },
  {
    target: src('api'),
    from: ['live', 'batch', 'drafts'].map(src),
    message: 'Asking the server comes first.',
  },
  {
    target: src('live'),
    from: ['batch', 'drafts'].map(src),
    message: 'News come before the work on a batch.',
  },
  { target: src('shared'), from: SHOWS, message: 'What several features show knows none of them.' },
  {
    target: src('features'),
    from: [src('screens'), `${KITCHEN}/app`],
    message: 'A feature does not know the bundle or the route that it is in.',
  },
  {
    target: src('screens'),
    from: [src('shared'), ...KEEPS.map(src), CORE],
    message: 'A bundle only names screens of features.',
  },
  {
    target: src('screens'),
    from: src('ui'),
    except: ['./layout/lazily.tsx'],
    message: 'A bundle only names screens of features.',
  },
  {
    target: `${KITCHEN}/app`,
    from: [CORE, ...KEEPS.map(src)],
    message: 'A route only mounts a feature.',
  },
  ...features.map((feature) => ({
    target: src(`features/${feature}`),
    from: src('features'),
    except: [`./${feature}`],
    message: 'Features do not import each other.',
  })),
];
