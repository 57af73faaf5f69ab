import fc from 'fast-check';
import { documentTag } from './documentTag';
import { mergeChanges } from './mergeChanges';

const KEYS = ['a', 'b', 'c', 'd', 'e'] as const;
const flat = fc.dictionary(fc.constantFrom(...KEYS), fc.integer({ min: 0, max: 3 }));

test('what each changed alone is in both; what both changed is told, and stays mine', () => {
  fc.assert(
    fc.property(flat, flat, flat, (before, mine, theirs) => {
      const { document, differences } = mergeChanges(before, mine, theirs);
      const told = differences.map(({ path }) => path[0]);
      for (const key of KEYS) {
        const [was, my, their] = [before[key], mine[key], theirs[key]];
        if (my === was) expect(document[key]).toBe(their);
        else expect(document[key]).toBe(my);
        expect(told.includes(key)).toBe(my !== was && their !== was && my !== their);
      }
    }),
  );
});

test('entries of a list are merged by their ids: one renamed, one added, one removed', () => {
  const cooks = [
    { id: 'a', name: 'A' },
    { id: 'b', name: 'B' },
  ];
  const mine = { cooks: [{ id: 'a', name: 'Anna' }, cooks[1], { id: 'c', name: 'C' }] };
  const theirs = { cooks: [cooks[0], { id: 'd', name: 'D' }], benchMm: 900 };
  expect(mergeChanges({ cooks }, mine as object, theirs)).toEqual({
    document: {
      cooks: [
        { id: 'a', name: 'Anna' },
        { id: 'd', name: 'D' },
        { id: 'c', name: 'C' },
      ],
      benchMm: 900,
    },
    differences: [],
  });
  const other = { cooks: [{ id: 'a', name: 'Ann' }, cooks[1]] };
  expect(mergeChanges({ cooks }, mine as object, other).differences).toEqual([
    { path: ['cooks', 'a', 'name'], before: 'A', mine: 'Anna', theirs: 'Ann' },
  ]);
});

test('a list with one id twice is one value: no entry of it is lost', () => {
  const wave = (pieces: number) => ({ formulaId: 'round', pieces });
  const mine = { breads: [wave(1), wave(2)] };
  const { document, differences } = mergeChanges<object>({ breads: [wave(1)] }, mine, { breads: [wave(3)] });
  expect(document).toEqual(mine);
  expect(differences.map(({ path }) => path)).toEqual([['breads']]);
});

test('lists without ids are one value: two ways to change them differ', () => {
  const { document, differences } = mergeChanges(
    { off: ['x'] },
    { off: ['x', 'y'] },
    { off: [] as string[] },
  );
  expect([document, differences.length]).toEqual([{ off: ['x', 'y'] }, 1]);
});

test('a tag is of the content: not of the order of keys, and not of what is undefined', () => {
  fc.assert(
    fc.property(fc.jsonValue(), fc.jsonValue(), (one, other) => {
      const text = JSON.stringify(one);
      expect(documentTag(JSON.parse(text))).toBe(documentTag(one));
      if (JSON.stringify(JSON.parse(text)) !== JSON.stringify(other) && typeof one !== 'object')
        expect(documentTag(one)).not.toBe(documentTag(other));
    }),
  );
  expect(documentTag({ b: 1, a: 2, c: undefined })).toBe(documentTag({ a: 2, b: 1 }));
  expect(documentTag({ a: 1 })).not.toBe(documentTag({ a: 2 }));
  expect(documentTag({ a: 1 })).toMatch(/^[0-9a-f]{16}$/);
});

test('two plans for one day are two opinions, not one plan of both', () => {
  const plan = (id: string) => ({ name: 'Lunch', plan: { batches: [{ id }] } });
  const { document, differences } = mergeChanges(plan('a'), plan('b'), { ...plan('c'), name: 'Dinner' });
  expect(document).toEqual({ name: 'Dinner', plan: { batches: [{ id: 'b' }] } });
  expect(differences.map(({ path }) => path)).toEqual([['plan']]);
});
