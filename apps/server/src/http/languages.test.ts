import { ENGLISH, type Language } from '@kettle-scale/core/message';
import request from 'supertest';
import { join } from 'node:path';
import { openTestKitchen } from '../test/kitchen';
import { readLanguages, readerOf } from './languages';

const languages = readLanguages(join(__dirname, '../../../../languages'));

test('every file of the folder is a language; without a folder there is English', () => {
  expect(languages.map(({ language }) => language)).toContain('es');
  expect(readLanguages('/nowhere')).toEqual([]);
});

test.each([
  ['es-MX,es;q=0.9,en;q=0.5', 'es'],
  ['fr, en', 'en'],
  ['fr', 'en'],
])('asked for %s, it is %s', async (accept, language) => {
  const { app, close } = await openTestKitchen({ languages });
  const { headers, body } = await request(app)
    .get('/api/v1/formulas/moon')
    .set('accept-language', accept)
    .expect(404);
  expect(headers['content-language']).toBe(language);
  expect(body.detail).toBe(
    language === 'es' ? 'Esta fórmula: no está en esta cocina.' : 'This formula is not in this kitchen.',
  );
  await close();
});

test('a field is told in the language, and as data beside it', async () => {
  const { app, close } = await openTestKitchen({ languages });
  const { body } = await request(app).get('/api/v1/batches?limit=0').set('accept-language', 'es').expect(422);
  expect(body).toMatchObject({ title: 'No se puede usar', errors: [{ path: 'limit' }] });
  expect(body.errors[0].message).toBe('«limit» debe ser un número.');
  await close();
});

test('who wants no language at all reads English', () => {
  const asked = { acceptsLanguages: () => false } as unknown as Parameters<typeof readerOf>[0];
  expect(readerOf(asked, languages as Language[])).toBe(ENGLISH);
});
