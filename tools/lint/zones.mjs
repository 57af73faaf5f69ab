import { readdirSync } from 'node:fs';

/**
 * The rooms of core in their order: each may use those before it, none those after it. New rooms go where this list
 * lets them; a circle of two rooms cannot be written at all.
 */
export const CORE_ROOMS = [
  'message',
  'quantity',
  'device',
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
