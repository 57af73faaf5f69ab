import { documentTag } from '@kettle-scale/core/document';
import { Refused } from './api';
import { saveOver } from './saveOver';
import { useWhose } from './whose';

interface Doc {
  a: number;
  b: number;
  savedAt?: string;
}

/** A server with one document, which another phone changes before the first save. */
function server(first: Doc, meanwhile: Doc | null) {
  let stored = meanwhile ?? first;
  const sent: Doc[] = [];
  const send = async (document: Doc, ifMatch: string | null): Promise<Doc> => {
    sent.push(document);
    if (ifMatch !== `"${documentTag(stored)}"`) throw new Refused(412, 'Somebody saved this.', [], stored);
    return (stored = document);
  };
  return { send, sent, stored: () => stored };
}
const first = { a: 1, b: 1 };

test('what two change each for themselves is saved both ways, and nobody is asked', async () => {
  const { send, sent } = server(first, { a: 1, b: 2 });
  expect(await saveOver({ before: first, mine: { a: 3, b: 1 }, send })).toEqual({ a: 3, b: 2 });
  expect(sent).toHaveLength(2);
});

test.each([
  ['mine', { a: 3, b: 2 }],
  ['theirs', { a: 2, b: 2 }],
] as const)('where both changed the same, whoever saves last says that %s stays', async (whose, result) => {
  const { send, stored } = server(first, { a: 2, b: 2 });
  const saved = saveOver({ before: first, mine: { a: 3, b: 1 }, send });
  await Promise.resolve();
  await new Promise(process.nextTick);
  const { asked } = useWhose.getState();
  expect(asked?.differences).toEqual([{ path: ['a'], before: 1, mine: 3, theirs: 2 }]);
  asked?.answer(whose);
  expect(await saved).toEqual(result);
  expect(stored()).toEqual(result);
});

test('without an answer nothing is saved, and the form hears why', async () => {
  const { send, stored } = server(first, { a: 2, b: 1 });
  const saved = saveOver({ before: first, mine: { a: 3, b: 1 }, send });
  await new Promise(process.nextTick);
  useWhose.getState().asked?.answer(null);
  await expect(saved).rejects.toMatchObject({ status: 412 });
  expect(stored()).toEqual({ a: 2, b: 1 });
});

test('a save that arrived although its answer was lost is no change by another', async () => {
  const { send } = server(first, { a: 3, b: 1 });
  expect(await saveOver({ before: first, mine: { a: 3, b: 1 }, send })).toEqual({ a: 3, b: 1 });
});

test('when it was saved is no difference that anybody is asked about', async () => {
  const { send } = server({ ...first, savedAt: 'x' }, { a: 1, b: 2, savedAt: 'y' });
  const mine = { a: 3, b: 1, savedAt: 'z' };
  expect(await saveOver({ before: { ...first, savedAt: 'x' }, mine, send })).toEqual({
    a: 3,
    b: 2,
    savedAt: 'z',
  });
});
