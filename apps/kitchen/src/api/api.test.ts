import { NoKey, Refused, Unreachable, api } from './api';

const answer = (status: number, body: unknown) =>
  ({ ok: status < 300, status, headers: new Map(), json: async () => body }) as unknown as Response;

const fetchMock = jest.fn<Promise<Response>, [string, RequestInit]>();

beforeEach(() => {
  fetchMock.mockReset();
  Object.assign(globalThis, { fetch: fetchMock });
  // The test browser has no timeouts for signals.
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
});

test('a good answer is handed on', async () => {
  fetchMock.mockResolvedValue(answer(200, [{ id: 'a' }]));
  await expect(api.book()).resolves.toEqual([{ id: 'a' }]);
  expect(fetchMock.mock.calls[0]?.[0]).toBe('/api/v1/book');
});

test('a refusal carries the sentence and the fields', async () => {
  const errors = [{ path: 'massG', message: 'Weight is missing.' }];
  fetchMock.mockResolvedValue(answer(422, { detail: 'Weight is missing.', errors }));
  const refused = api.batch('x').catch((error: unknown) => error);
  await expect(refused).resolves.toBeInstanceOf(Refused);
  await expect(refused).resolves.toMatchObject({
    status: 422,
    message: 'Weight is missing.',
    problems: errors,
  });
});

test.each([
  ['a server that is away', () => Promise.reject(new TypeError('Failed to fetch'))],
  ['a request that took too long', () => Promise.reject(new DOMException('late', 'TimeoutError'))],
  ['a server that broke', () => Promise.resolve(answer(500, {}))],
  ['a proxy in between', () => Promise.resolve(answer(502, {}))],
])('%s is to be tried again', async (_case, respond) => {
  fetchMock.mockImplementation(respond);
  await expect(api.book()).rejects.toBeInstanceOf(Unreachable);
});

test('a phone without a key is told so, keeps what it has to send, and says with every change that it is the app', async () => {
  fetchMock.mockResolvedValue(answer(401, { detail: 'Pair this phone.', errors: [] }));
  const refused = api
    .savePlan({ id: 'p' } as Parameters<typeof api.savePlan>[0])
    .catch((error: unknown) => error);
  await expect(refused).resolves.toBeInstanceOf(NoKey);
  await expect(refused).resolves.toBeInstanceOf(Unreachable);
  expect(fetchMock.mock.calls[0]?.[1].headers).toMatchObject({ 'kettle-app': 'kitchen' });
});

test('a mistake of the program is not taken for a lost network', async () => {
  fetchMock.mockRejectedValue(new RangeError('bug'));
  await expect(api.book()).rejects.toBeInstanceOf(RangeError);
});

test('a save names the version it was made from, and a refusal brings the newer one', async () => {
  const current = { formula: { id: 'wrap', version: 4 }, reason: 'theirs', savedAt: '' };
  fetchMock.mockResolvedValue(answer(412, { detail: 'Someone saved.', errors: [], current }));
  const refused = api.saveVersion({ id: 'wrap' } as never, 'mine', 3).catch((error: unknown) => error);
  await expect(refused).resolves.toMatchObject({ status: 412, current });
  expect(fetchMock.mock.calls[0]?.[1].headers).toMatchObject({ 'if-match': '"3"' });
});

test('ids cannot leave their place in the address', async () => {
  fetchMock.mockResolvedValue(answer(200, {}));
  await api.batch('../formulas?x=1');
  expect(fetchMock.mock.calls[0]?.[0]).toBe('/api/v1/batches/..%2Fformulas%3Fx%3D1');
});
