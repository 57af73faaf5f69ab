import { asText, message } from '../message/message';
import { z } from 'zod';
import { sourceField } from '../device/deviceSchema';
import { FEELS } from '../dough/feel';
import { POKES, type Poke } from '../dough/springBack';
import { BITES, COLOURS } from '../bake/live/judging';
import { PLATE_CARES } from '../formula/methodSchema';
import { BREAD_TO, HOLDINGS, WASTE_REASONS } from '../kitchen/holdings';
import { DISC_PLACES } from '../portion/measuredDisc';
import {
  choiceField,
  countField,
  instantField,
  numberField,
  slugField,
  textField,
  uuidField,
} from '../message/fields';
import {
  abandonedSchema,
  CORRECTABLE,
  diameterField,
  inspectedSchema,
  noteSchema,
  rightedSchema,
  thicknessField,
  weightField,
} from './actFields';
import { whoFields } from './whoSchema';

const POKE_NAMES = Object.keys(POKES) as [Poke, ...Poke[]];
/** Held back and due, a correction of the feel, a top-up for added flour, flour going back into a wet dough, what was forgotten. */
const ADDED_WHY = ['hold-back', 'correction', 'top-up', 'flour-back', 'forgotten'] as const;
/** A batch follows an over-pour by no more than this: beyond it, the figure was keyed wrong. */
export const RESCALES = { min: 0.2, max: 5 } as const;

/** What can be probed: the dough and its parts, the faces of a hot press, the plate. */
const MEASURED = ['dough', 'fat', 'liquid', 'press-top', 'press-bottom', 'plate'] as const;
/** Iron may be this hot, a dough not. */
const HOTTEST_C = { dough: 120, iron: 350 } as const;
const IRON: ReadonlySet<string> = new Set(['press-top', 'press-bottom', 'plate']);

/** What becomes of dough that is left over. */
const LEFTOVERS = ['short batch', 'fridge dough', 'waste'] as const;
/** What became of balls that this batch does not bake. */
export const BALLS_GONE = ['dropped', 'short', 'thrown out', 'baked by others'] as const;
export type BallsGone = (typeof BALLS_GONE)[number];
/** What hands do to a piece that needs more than its program. */
export const HELPS = ['bubble popped', 'bottom freed', 'rim pressed'] as const;
export type Help = (typeof HELPS)[number];
/** Why a piece is not sold. */
export const REJECTS = [
  'torn',
  'cracked',
  'burnt',
  'pale',
  'raw',
  'no puff',
  'wrong size',
  'misshapen',
  'other',
] as const;
export type Reject = (typeof REJECTS)[number];

const base = { id: uuidField('Event id'), at: instantField('Time of the event'), ...whoFields };
const stepId = z
  .string({
    error: (issue) => (issue.input === undefined ? 'Step is missing.' : 'Step must be text.'),
  })
  .min(1, 'Step is missing.')
  .max(120, 'Step is longer than 120 characters.');
const pieces = (label: string, min: number) => countField(label, { min, max: 20_000 });
/** Nobody saw it: it was taken as done at its time, because the plate counted by itself. Such a time teaches nothing. */
const assumed = z.literal(true, 'Assumed is true, or not said.').optional();

/** What happened to a batch, one act each. The list is append-only; undo appends a void. */
export const eventSchema = z.discriminatedUnion(
  'type',
  [
    /** All of a line that is in the bowl before mixing, top-ups of a rescale included. */
    z.strictObject({
      ...base,
      type: z.literal('weighed'),
      stepId,
      massG: weightField('Weight'),
      /** Read from the scale, or said by the cook. */
      by: choiceField('Weighed by', ['scale', 'hand']).optional(),
      source: sourceField,
    }),
    /** More of a line into the bowl while mixing or kneading. */
    z.strictObject({
      ...base,
      type: z.literal('added'),
      stepId,
      lineId: slugField('Line'),
      massG: weightField('Addition'),
      why: choiceField('Why it was added', ADDED_WHY),
    }),
    /** Flour from the bench that went into the dough. */
    z.strictObject({ ...base, type: z.literal('dusted'), stepId, massG: weightField('Bench flour') }),
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
    z
      .strictObject({
        ...base,
        type: z.literal('measured'),
        stepId,
        what: choiceField('What was measured', MEASURED),
        tempC: numberField('Temperature', { min: -20, max: HOTTEST_C.iron, unit: '°C' }),
        by: choiceField('Measured by', ['probe', 'hand']),
        source: sourceField,
      })
      .refine((e) => IRON.has(e.what) || e.tempC <= HOTTEST_C.dough, {
        message: asText(
          message('{label} must be between {low} and {high} {unit}.', {
            label: 'Temperature',
            low: { bound: -20, of: '°C' },
            high: { bound: HOTTEST_C.dough, of: '°C' },
            unit: { unitOf: '°C' },
          }),
        ),
        path: ['tempC'],
      }),
    z.strictObject({ ...base, type: z.literal('poked'), stepId, poke: choiceField('Poke test', POKE_NAMES) }),
    /** A disc rolled for a trial and measured again when it has sprung back. */
    z
      .strictObject({
        ...base,
        type: z.literal('sprang-back'),
        stepId,
        rolledMm: diameterField('Rolled diameter'),
        relaxedMm: diameterField('Relaxed diameter'),
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
      factor: numberField('Factor', RESCALES),
    }),
    /** What was called weighed did not go in: a cook finds it out while kneading, or tastes it. */
    z.strictObject({ ...base, type: z.literal('forgotten'), stepId }),
    z.strictObject({ ...base, type: z.literal('started'), stepId }),
    z.strictObject({ ...base, type: z.literal('done'), stepId }),
    z.strictObject({
      ...base,
      type: z.literal('divided'),
      doughG: weightField('Dough weight'),
      pieces: pieces('Pieces', 1),
      ballG: weightField('Ball weight'),
      /** Of the dough weight. */
      source: sourceField,
    }),
    /** One ball of a sample, on the scale. */
    z.strictObject({
      ...base,
      type: z.literal('ball-sampled'),
      massG: weightField('Ball'),
      source: sourceField,
    }),
    /** Balls that wait in the fridge for a later draw, and balls that come out again. */
    z.strictObject({ ...base, type: z.literal('chilled'), pieces: pieces('Balls into the fridge', 1) }),
    z.strictObject({ ...base, type: z.literal('taken-out'), pieces: pieces('Balls out of the fridge', 1) }),
    /** Balls that will not be baked here. */
    z.strictObject({
      ...base,
      type: z.literal('balls-gone'),
      pieces: pieces('Balls', 1),
      how: choiceField('What became of them', BALLS_GONE),
    }),
    /** Balls made of the batch's dough that was kept in the fridge. */
    z.strictObject({
      ...base,
      type: z.literal('drawn'),
      pieces: pieces('Pieces', 1),
      massG: weightField('Dough drawn'),
    }),
    /** The plate was seen to. */
    z.strictObject({
      ...base,
      type: z.literal('cared'),
      what: choiceField('Care of the plate', PLATE_CARES),
    }),
    /** Dough that no ball was made of. */
    z.strictObject({
      ...base,
      type: z.literal('leftover'),
      massG: weightField('Dough left over'),
      as: choiceField('What happens to it', LEFTOVERS),
      /** Of a short batch. */
      pieces: pieces('Pieces', 1).optional(),
    }),
    /** A disc as it lies: two diameters across, a few thicknesses, and how far it was rolled. */
    z.strictObject({
      ...base,
      type: z.literal('disc-measured'),
      diametersMm: z.tuple([diameterField('Diameter'), diameterField('Diameter across')]),
      thicknessesMm: z
        .array(
          z.strictObject({
            place: choiceField('Place', DISC_PLACES),
            mm: thicknessField('Thickness'),
          }),
        )
        .max(DISC_PLACES.length, 'A disc is measured in five places at most.'),
      rolledMm: diameterField('Rolled diameter').optional(),
    }),
    /** Pieces that are not sold, and why. */
    z.strictObject({
      ...base,
      type: z.literal('rejected'),
      pieces: pieces('Rejects', 1),
      reason: choiceField('Reason', REJECTS),
      /** Which one, where it came off the plate as waste. */
      piece: pieces('Piece', 1).optional(),
    }),
    /** One piece looked at closely. */
    z.strictObject({
      ...base,
      type: z.literal('inspected'),
      ...inspectedSchema.shape,
    }),
    /** Bread went into its holding place. */
    z.strictObject({
      ...base,
      type: z.literal('held'),
      how: choiceField('Held in', HOLDINGS),
      pieces: pieces('Pieces held', 1),
    }),
    /** Held bread is held in another way, thawed, brought to the tray, or thrown out. */
    z
      .strictObject({
        ...base,
        type: z.literal('moved'),
        from: choiceField('Held in', HOLDINGS),
        to: choiceField('Moved to', BREAD_TO),
        pieces: pieces('Pieces moved', 1),
        /** Of what is thrown out. */
        reason: choiceField('Reason', WASTE_REASONS).optional(),
      })
      .refine(({ to, reason }) => (to === 'thrown out') === (reason !== undefined), {
        message: 'Only what is thrown out needs a reason.',
        path: ['reason'],
      }),
    /** A figure of an act that was wrong; the act itself stays as it was told. */
    z.strictObject({
      ...base,
      type: z.literal('corrected'),
      eventId: uuidField('Act to correct'),
      field: choiceField('Figure to correct', CORRECTABLE),
      ...rightedSchema.shape,
    }),
    z.strictObject({
      ...base,
      type: z.literal('flattened'),
      diameterMm: diameterField('Diameter'),
      thicknessMm: thicknessField('Thickness'),
    }),
    /** The plate counts by itself from here on, or no more: acts are taken as done at their time. */
    z.strictObject({
      ...base,
      type: z.literal('by-itself'),
      on: z.boolean('Say whether it counts by itself.'),
    }),
    z.strictObject({
      ...base,
      type: z.literal('piece-on'),
      piece: pieces('Piece', 1),
      /** Where on the plate, from 1 at the back left; and what the plate had there. */
      place: countField('Place', { min: 1, max: 60 }).optional(),
      plateC: numberField('Plate temperature', { min: -20, max: HOTTEST_C.iron, unit: '°C' }).optional(),
      source: sourceField,
      assumed,
    }),
    z.strictObject({
      ...base,
      type: z.literal('flipped'),
      piece: pieces('Piece', 1),
      side: countField('Side', { min: 2, max: 9 }),
      assumed,
    }),
    z.strictObject({ ...base, type: z.literal('piece-off'), piece: pieces('Piece', 1), assumed }),
    /** A piece that was off lies on the plate for a little more. */
    z.strictObject({
      ...base,
      type: z.literal('back-on'),
      piece: pieces('Piece', 1),
      place: countField('Place', { min: 1, max: 60 }).optional(),
    }),
    /** What hands did to a piece on the plate. */
    z.strictObject({
      ...base,
      type: z.literal('helped'),
      piece: pieces('Piece', 1),
      how: choiceField('What was done', HELPS),
    }),
    /** The piece teaches the plate: it counts as neither good nor reject, and is none of the yield. */
    z.strictObject({ ...base, type: z.literal('trial'), piece: pieces('Piece', 1) }),
    /** A piece as the cook sees it: a tap for each side, the bite and the puff. The next piece's times follow. */
    z.strictObject({
      ...base,
      type: z.literal('judged'),
      piece: pieces('Piece', 1),
      firstSide: choiceField('First side', COLOURS).optional(),
      secondSide: choiceField('Second side', COLOURS).optional(),
      bite: choiceField('Bite', BITES).optional(),
      puffed: z.boolean('Say whether it puffed.').optional(),
    }),
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
    z.strictObject({ ...base, type: z.literal('abandoned'), ...abandonedSchema.shape }),
    z.strictObject({ ...base, type: z.literal('note'), ...noteSchema.shape }),
    z.strictObject({ ...base, type: z.literal('void'), eventId: uuidField('Event to undo') }),
  ],
  { error: 'This kind of event is not known.' },
);

export type BatchEvent = z.infer<typeof eventSchema>;
export type EventType = BatchEvent['type'];
export type EventOf<T extends EventType> = Extract<BatchEvent, { type: T }>;

/** An event before it has an id, a time and somebody who did it. */
export type EventBody = BatchEvent extends infer E
  ? E extends BatchEvent
    ? Omit<E, 'id' | 'at' | 'cook' | 'phone'>
    : never
  : never;

/**
 * Whether an act carries a figure that a stand-in made up.
 * @param event an act
 */
export const isSimulated = (event: BatchEvent): boolean => 'source' in event && event.source === 'simulated';
