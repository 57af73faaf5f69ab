import { said } from '../test/said';
import { z } from 'zod';
import {
  choiceField,
  countField,
  fractionField,
  instantField,
  numberField,
  slugField,
  textField,
  uuidField,
} from './fields';
import { InputError, parseInput, pathText } from './problem';

const sentencesOf = (schema: z.ZodType, value: unknown): string[] => {
  try {
    parseInput(schema, value);
    return [];
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return said(error.problems.map(({ message }) => message));
  }
};

describe('every field says what is wrong with it', () => {
  const ball = numberField('Ball weight', { min: 5, max: 2000, unit: 'g' });
  const pieces = countField('Pieces', { min: 1, max: 10_000 });
  const share = fractionField('Hold-back', 0, 0.3);
  const name = textField('Name', { min: 1, max: 10 });
  const id = slugField('Formula id');
  const how = choiceField('Shaping', ['pin', 'hot-press']);
  test.each<[string, z.ZodType, unknown, string]>([
    ['missing', ball, undefined, 'Ball weight is missing.'],
    ['text for a number', ball, '92', 'Ball weight must be a number.'],
    ['nothing for a number', ball, null, 'Ball weight must be a number.'],
    ['not a number', ball, NaN, 'Ball weight must be a number.'],
    ['endless', ball, Infinity, 'Ball weight must be a number.'],
    ['too small', ball, 4.9, 'Ball weight must be between 5 and 2,000 g.'],
    ['too large', ball, 2000.1, 'Ball weight must be between 5 and 2,000 g.'],
    ['not whole', pieces, 2.5, 'Pieces must be a whole number.'],
    ['a percent for a fraction', share, 10, 'Hold-back must be a fraction between 0 and 0.3 (0 to 30 %).'],
    ['an empty text', name, '   ', 'Name is empty.'],
    ['a long text', name, 'x'.repeat(11), 'Name is longer than 10 characters.'],
    ['a bell in a text', name, 'a\u0007', 'Name contains characters that cannot be printed.'],
    ['a number for a text', name, 7, 'Name must be text.'],
    [
      'capitals in an id',
      id,
      'Deckhand',
      'Formula id may hold only small letters, digits and single hyphens.',
    ],
    ['a path in an id', id, '../etc', 'Formula id may hold only small letters, digits and single hyphens.'],
    ['an unknown choice', how, 'fist', 'Shaping must be one of: pin, hot-press.'],
    [
      'another kind of UUID',
      uuidField('Event id'),
      '6f1e7bb0-1111-4111-8111-111111111111',
      'Event id must be a UUID of version 7.',
    ],
    [
      'a local time',
      instantField('Start'),
      '2026-03-04T10:45',
      'Start must be a time in UTC, like 2026-03-04T10:45:00.000Z.',
    ],
  ])('%s', (_case, schema, value, sentence) => {
    expect(sentencesOf(schema, value)).toEqual([sentence]);
  });

  test('text is trimmed, and line breaks and other scripts are kept', () => {
    expect(parseInput(textField('Note', { max: 50 }), ' größer,\n大きい 🫓 ')).toBe('größer,\n大きい 🫓');
  });
});

describe('problems', () => {
  const document = z.strictObject({
    lines: z.array(z.strictObject({ share: fractionField('Share', 0, 1) })),
  });

  test('carry a path that people can follow', () => {
    expect(pathText(['formula', 'lines', 2, 'share'])).toBe('formula.lines[2].share');
    expect(pathText([])).toBe('');
  });

  test('all are told at once, with the path below what was asked for', () => {
    const attempt = () =>
      parseInput(document, { lines: [{ share: 2 }, { share: 0.1, cups: 3 }], moon: 1 }, 'formula');
    try {
      attempt();
      throw new Error('it was accepted');
    } catch (error) {
      expect(error).toBeInstanceOf(InputError);
      expect((error as InputError).problems.map(({ path }) => path).sort()).toEqual([
        'formula.lines[0].share',
        'formula.lines[1].cups',
        'formula.moon',
      ]);
    }
  });

  test('a hostile key is a field like any other: not known', () => {
    const hostile: unknown = JSON.parse('{ "lines": [], "__proto__": { "admin": true } }');
    expect(sentencesOf(document, hostile)).toHaveLength(1);
    expect(({} as { admin?: boolean }).admin).toBeUndefined();
  });
});

test('an object made to trip the reader is refused like any other', () => {
  const made: unknown = JSON.parse('{"name":{"length":{"toString":0,"valueOf":0}}}');
  expect(() => parseInput(z.object({ name: textField('Name', { max: 5 }) }), made)).toThrow(InputError);
});
