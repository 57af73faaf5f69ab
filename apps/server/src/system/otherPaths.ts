import { DEVICE_KINDS } from '@kettle-scale/core/device';
import { BACKUP_TYPE } from '../backup/handlers';

const REFUSED = { '4XX': { $ref: '#/components/responses/Refused' } };
const text = (type: string, description: string) => ({
  '200': { description, content: { [type]: { schema: { type: 'string' } } } },
  ...REFUSED,
});
const query = (name: string, values: readonly string[], description: string) => ({
  name,
  in: 'query',
  required: false,
  description,
  schema: { type: 'string', enum: values },
});
const EVENTS = 'text/event-stream';

/** The addresses that give or take something else than one JSON document, so that they are no routes of the table. */
export const OTHER_PATHS = {
  '/api/v1/backup': {
    get: {
      operationId: 'getBackup',
      summary: 'The whole kitchen, a line a record; for leads',
      responses: text(BACKUP_TYPE, 'Lines of JSON, one after the other'),
    },
    post: {
      operationId: 'postBackup',
      summary: 'Restore a backup: all of it, or what can be used of it, or nothing; for leads',
      parameters: [
        query('replace', ['true'], 'Throw away what is here'),
        query('without', ['unusable'], 'Leave out the lines that a refusal has told'),
      ],
      requestBody: { required: true, content: { [BACKUP_TYPE]: { schema: { type: 'string' } } } },
      responses: {
        '201': {
          description: 'How many of each kind of line came back, and how many were left out',
          content: {
            'application/json': { schema: { type: 'object', additionalProperties: { type: 'integer' } } },
          },
        },
        ...REFUSED,
      },
    },
  },
  '/api/v1/services/calendar.ics': {
    get: {
      operationId: 'getServicesCalendar',
      summary: 'Planned batches of the last and the coming days as a calendar',
      responses: text('text/calendar', 'A calendar (RFC 5545)'),
    },
  },
  '/api/v1/stream': {
    get: {
      operationId: 'getStream',
      summary: 'What is stored, as it is stored, and readings of the devices that are asked for',
      parameters: [
        {
          name: 'devices',
          in: 'query',
          required: false,
          schema: { type: 'string' },
          description: `With commas between: ${DEVICE_KINDS.join(', ')}`,
        },
      ],
      responses: text(EVENTS, 'Server-sent events'),
    },
  },
  '/api/v1/devices/{kind}/stream': {
    get: {
      operationId: 'getDevicesByKindStream',
      summary: 'What a device’s bridge is to do, as it is asked',
      parameters: [
        { name: 'kind', in: 'path', required: true, schema: { type: 'string', enum: DEVICE_KINDS } },
      ],
      responses: text(EVENTS, 'Server-sent events'),
    },
  },
};
