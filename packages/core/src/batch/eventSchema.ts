import { z } from 'zod';
import { FEELS } from '../dough/feel';
import { POKES, type Poke } from '../dough/springBack';
import {
  choiceField,
  countField,
  instantField,
  numberField,
  slugField,
  textField,
  uuidField,
} from '../fields';

const POKE_NAMES = Object.keys(POKES) as [Poke, ...Poke[]];
/** Held back and due, a correction of the feel, a top-up for added flour, flour going back into a wet dough. */
export const ADDED_WHY = ['hold-back', 'correction', 'top-up', 'flour-back'] as const;

const base = { id: uuidField('Event id'), at: instantField('Time of the event') };
const stepId = z
  .string({
    error: (issue) => (issue.input === undefined ? 'Step is missing.' : 'Step must be text.'),
  })
  .min(1, 'Step is missing.')
  .max(120, 'Step is longer than 120 characters.');
const weight = (label: string) => numberField(label, { min: 0.01, max: 1_000_000, unit: 'g' });
const pieces = (label: string, min: number) => countField(label, { min, max: 20_000 });

/** What happened to a batch, one act each. The list is append-only; undo appends a void. */
export const eventSchema = z.discriminatedUnion(
  'type',
  [
    /** All of a line that is in the bowl before mixing, top-ups of a rescale included. */
    z.strictObject({
      ...base,
      type: z.literal('weighed'),
      stepId,
      massG: weight('Weight'),
      /** Read from the scale, or said by the cook. */
      by: choiceField('Weighed by', ['scale', 'hand']).optional(),
    }),
    /** More of a line into the bowl while mixing or kneading. */
    z.strictObject({
      ...base,
      type: z.literal('added'),
      stepId,
      lineId: slugField('Line'),
      massG: weight('Addition'),
      why: choiceField('Why it was added', ADDED_WHY),
    }),
    /** Flour from the bench that went into the dough. */
    z.strictObject({ ...base, type: z.literal('dusted'), stepId, massG: weight('Bench flour') }),
    z.strictObject({ ...base, type: z.literal('felt'), stepId, feel: choiceField('Feel', FEELS) }),
    /** The formula's own end test. */
    z.strictObject({
      ...base,
      type: z.literal('tested'),
      stepId,
      passed: z.boolean('Say whether it passed.'),
    }),
    /** A part of a step that stands on its own: whisked, rubbed in, cool enough. */
    z.strictObject({ ...base, type: z.literal('part-done'), stepId, part: slugField('Part') }),
    z.strictObject({
      ...base,
      type: z.literal('measured'),
      stepId,
      what: choiceField('What was measured', ['dough', 'fat', 'liquid']),
      tempC: numberField('Temperature', { min: -20, max: 120, unit: '°C' }),
      by: choiceField('Measured by', ['probe', 'hand']),
    }),
    z.strictObject({ ...base, type: z.literal('poked'), stepId, poke: choiceField('Poke test', POKE_NAMES) }),
    /** A disc rolled for a trial and measured again when it has sprung back. */
    z
      .strictObject({
        ...base,
        type: z.literal('sprang-back'),
        stepId,
        rolledMm: numberField('Rolled diameter', { min: 30, max: 900, unit: 'mm' }),
        relaxedMm: numberField('Relaxed diameter', { min: 30, max: 900, unit: 'mm' }),
      })
      .refine((e) => e.relaxedMm <= e.rolledMm, {
        message: 'A disc does not grow when it relaxes: check the two diameters.',
        path: ['relaxedMm'],
      }),
    /** The rest goes on for so long from now. */
    z.strictObject({
      ...base,
      type: z.literal('extended'),
      stepId,
      seconds: countField('Longer by', { min: 1, max: 86_400, unit: 's' }),
    }),
    /** Someone looked at the cover, or wetted the cloth again. */
    z.strictObject({ ...base, type: z.literal('covered'), stepId }),
    /** The batch follows an over-poured line: planned masses × factor from this bowl on. */
    z.strictObject({
      ...base,
      type: z.literal('rescaled'),
      stepId,
      factor: numberField('Factor', { min: 0.2, max: 5 }),
    }),
    z.strictObject({ ...base, type: z.literal('started'), stepId }),
    z.strictObject({ ...base, type: z.literal('done'), stepId }),
    z.strictObject({
      ...base,
      type: z.literal('divided'),
      doughG: weight('Dough weight'),
      pieces: pieces('Pieces', 1),
      ballG: weight('Ball weight'),
    }),
    z.strictObject({
      ...base,
      type: z.literal('flattened'),
      diameterMm: numberField('Diameter', { min: 30, max: 900, unit: 'mm' }),
      thicknessMm: numberField('Thickness', { min: 0.2, max: 30, unit: 'mm' }),
    }),
    z.strictObject({ ...base, type: z.literal('piece-on'), piece: pieces('Piece', 1) }),
    z.strictObject({
      ...base,
      type: z.literal('flipped'),
      piece: pieces('Piece', 1),
      side: countField('Side', { min: 2, max: 9 }),
    }),
    z.strictObject({ ...base, type: z.literal('piece-off'), piece: pieces('Piece', 1) }),
    z
      .strictObject({
        ...base,
        type: z.literal('finished'),
        pieces: pieces('Pieces made', 0),
        good: pieces('Good pieces', 0),
        note: textField('Note', { max: 500 }).optional(),
      })
      .refine((e) => e.good <= e.pieces, {
        message: 'There are more good pieces than pieces made.',
        path: ['good'],
      }),
    z.strictObject({ ...base, type: z.literal('abandoned'), reason: textField('Reason', { max: 500 }) }),
    z.strictObject({ ...base, type: z.literal('note'), text: textField('Note', { min: 1, max: 500 }) }),
    z.strictObject({ ...base, type: z.literal('void'), eventId: uuidField('Event to undo') }),
  ],
  { error: 'This kind of event is not known.' },
);

export type BatchEvent = z.infer<typeof eventSchema>;
export type EventType = BatchEvent['type'];
export type EventOf<T extends EventType> = Extract<BatchEvent, { type: T }>;

/** An event before it has an id and a time. */
export type EventBody = BatchEvent extends infer E
  ? E extends BatchEvent
    ? Omit<E, 'id' | 'at'>
    : never
  : never;
