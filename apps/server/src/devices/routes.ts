import {
  DEVICE_KINDS,
  deviceActSchema,
  deviceSchema,
  heardReadingSchema,
  readingSchema,
  scriptSchema,
} from '@kettle-scale/core/device';
import { z } from 'zod';
import { HttpProblem } from '../http/problem';
import { route, type Route } from '../http/route';
import type { Devices } from './devices';

const params = z.strictObject({
  kind: z.enum(DEVICE_KINDS, { error: `The device is one of: ${DEVICE_KINDS.join(', ')}.` }),
});

export const deviceRoutes = (devices: Devices): Route[] => [
  route({
    method: 'get',
    path: '/devices',
    for: 'device',
    summary: 'Scale, room sensor, probe and thermometer: what was last heard of each, from where and how old',
    response: z.array(deviceSchema),
    run: async () => devices.list(),
  }),
  route({
    method: 'post',
    path: '/devices/:kind/readings',
    summary:
      'A reading of a real device, from its bridge; from then on it takes the place of a simulated one',
    for: 'device',
    params,
    body: readingSchema,
    response: readingSchema,
    status: 201,
    run: async ({ params: { kind }, body }) => {
      if (body.kind !== kind) {
        throw new HttpProblem(422, `This is a reading of a ${body.kind}, sent to the ${kind}.`, [
          { path: 'kind', message: `The kind must be ${kind} here.` },
        ]);
      }
      devices.post(body);
      return { status: 201, body };
    },
  }),
  route({
    method: 'post',
    path: '/devices/:kind/acts',
    summary:
      'Tare; or, on a simulated device, pour, place, scoop, clear, dip, set the air. Bridges hear it as “command”',
    params,
    body: deviceActSchema,
    response: heardReadingSchema.nullable(),
    run: async ({ params: { kind }, body }) => devices.act(kind, body),
  }),
  route({
    method: 'put',
    path: '/devices/:kind/script',
    summary: 'Acts of a simulated device at set seconds from now, for tests and demonstrations',
    params,
    body: scriptSchema,
    response: scriptSchema,
    run: async ({ params: { kind }, body }) => {
      devices.play(kind, body);
      return body;
    },
  }),
];
