import { createServer, get } from 'node:http';
import type { AddressInfo } from 'node:net';
import { type BatchEvent, OWN_SCREEN } from '@kettle-scale/core/batch';
import { batchStart, event, openTestKitchen, wrap } from '../test/kitchen';

/** The kitchen on a port, and a phone that listens: messages as they come, by what they are about. */
async function listening(path: string) {
  const kitchen = await openTestKitchen({ simulate: true });
  await kitchen.stores.formulas.create(wrap(), 'new', '2026-03-01T00:00:00.000Z');
  const server = createServer(kitchen.app);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  let text = '';
  let more: () => void = () => undefined;
  const request = get({ port, path, headers: { 'accept-encoding': 'gzip' } }, (answer) => {
    answer.setEncoding('utf8');
    answer.on('data', (chunk: string) => {
      text += chunk;
      more();
    });
  });
  /** Waits until this was said, and gives its first part in brackets. */
  const said = async (words: RegExp): Promise<string> => {
    for (;;) {
      const found = words.exec(text)?.[1];
      if (found) return found;
      await new Promise<void>((resolve) => (more = resolve));
    }
  };
  /** Waits until a message of a type has come, and gives its data. */
  const message = async <T>(type: string): Promise<T> =>
    JSON.parse(await said(new RegExp(`event: ${type}\\ndata: (.*)\\n`))) as T;
  const close = async () => {
    kitchen.hub.close();
    request.destroy();
    await new Promise((resolve) => server.close(resolve));
    await kitchen.close();
  };
  // The stream is open once its greeting came.
  await said(/(retry:)/);
  return { kitchen, request, said, message, close };
}

test('a second phone hears of a batch and of every act, once it is stored', async () => {
  const { kitchen, message, close } = await listening('/api/v1/stream');
  const { body: batch } = await kitchen.api.post('/api/v1/batches').send(batchStart()).expect(201);
  const { id } = batch as { id: string };
  expect(await message('batch')).toEqual({ batchId: id });
  const note = event({ type: 'note', text: 'heard?' });
  await kitchen.api.post(`/api/v1/batches/${id}/events`).send(note).expect(201);
  expect(await message<{ batchId: string; event: BatchEvent }>('event')).toEqual({
    batchId: id,
    event: { ...note, phone: OWN_SCREEN },
  });
  await close();
});

test('a phone that takes nothing is let go before what it has not read fills the memory', async () => {
  const { kitchen, request, close } = await listening('/api/v1/stream');
  const ended = new Promise<void>((resolve) => request.once('close', resolve));
  request.socket?.pause();
  const note = event({ type: 'note', text: 'x'.repeat(200_000) });
  // Far more than the system itself holds for who reads nothing.
  for (let n = 0; n < 200; n += 1) kitchen.hub.publish({ type: 'event', batchId: 'b', event: { ...note } });
  request.socket?.resume();
  await ended;
  await new Promise<void>((resolve) => setImmediate(resolve));
  await close();
});

test('answers, the greeting and every message say how far the news are', async () => {
  const { kitchen, said, close } = await listening('/api/v1/stream');
  const { headers } = await kitchen.api.get('/api/v1/kitchen').expect(200);
  const before = String(headers['kitchen-news']);
  await kitchen.api.post('/api/v1/batches').send(batchStart()).expect(201);
  expect(await said(/id: (.*)\nevent: hello\n/)).toBe(before);
  const [start, count] = before.split('.');
  expect(await said(/id: (.*)\nevent: batch\n/)).toBe(`${start}.${Number(count) + 1}`);
  await close();
});

test('the scale streams its weight to who asked for it, and a bridge hears the tare', async () => {
  const { kitchen, message, close } = await listening('/api/v1/stream?devices=scale,room');
  expect(await message('reading')).toMatchObject({
    reading: { kind: 'scale', massG: expect.any(Number) },
    source: 'simulated',
    usable: false,
  });
  await kitchen.api.post('/api/v1/devices/scale/acts').send({ act: 'tare' }).expect(200);
  expect(await message('command')).toEqual({ act: 'tare' });
  await close();
});

test('a stream of an unknown device is refused in words', async () => {
  const kitchen = await openTestKitchen();
  const { body } = await kitchen.api.get('/api/v1/stream?devices=toaster').expect(422);
  expect((body as { detail: string }).detail).toMatch(/The devices are: scale/);
  await kitchen.close();
});
