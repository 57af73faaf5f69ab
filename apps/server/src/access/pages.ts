import { type Language, type Reader, type Words, parseInput } from '@kettle-scale/core/message';
import { pairRequestSchema } from '@kettle-scale/core/phone';
import { type Request, type Response, Router, urlencoded } from 'express';
import { readerOf } from '../http/languages';
import { type HttpProblem, notFound, toProblem } from '../http/problem';
import { giveCookie } from './gate';
import { type Network, secureBase } from './network';
import { escape, page, sayTo } from './page';
import type { Pair } from './pairPhone';
import { trustPage } from './trustPage';

interface PagesOptions {
  network: () => Network | null;
  pair: Pair;
  languages: readonly Language[];
}

const FORM_LIMIT = '4kb';

interface Filled {
  code: string;
  name: string;
  /** Why it was not taken. */
  refused?: HttpProblem;
}

function pairPage(filled: Filled, reader: Reader): string {
  const say = sayTo(reader);
  const { refused, ...typed } = filled;
  const alert = (words: Words, id = ''): string =>
    `<p class="wrong"${id && ` id="${id}"`} role="alert">${say(words)}</p>`;
  /** A field with its label, what was typed, and what is wrong with it. */
  const field = (id: 'code' | 'name', label: Words, more: string): string => {
    const problem = refused?.errors.find(({ path }) => path === id);
    const marks = problem ? ` aria-invalid="true" aria-describedby="${id}-wrong"` : '';
    return `<label for="${id}">${say(label)}</label>
<input id="${id}" name="${id}" value="${escape(typed[id])}" ${more} required${marks}>
${problem ? alert(problem.message, `${id}-wrong`) : ''}`;
  };
  return page(
    'Pair this phone',
    `<p>${say('The server’s own screen shows a code under Settings, Phones; it is good for five minutes.')}</p>
<form method="post" action="/pair">
${field('code', 'Code', 'autocomplete="one-time-code" autocapitalize="characters" spellcheck="false"')}
${field('name', 'What this phone is called', `maxlength="40" placeholder="${say('Griddle phone')}" autocomplete="off"`)}
${refused?.errors.length === 0 ? alert(refused.detail) : ''}
<button>${say('Pair')}</button>
</form>`,
    reader,
  );
}

const text = (value: unknown): string => (typeof value === 'string' ? value.slice(0, 80) : '');

async function pairByForm(
  request: Request,
  response: Response,
  { pair, languages }: Pick<PagesOptions, 'pair' | 'languages'>,
): Promise<void> {
  const reader = readerOf(request, languages);
  const { code, name } = (request.body ?? {}) as Record<string, unknown>;
  const filled = { code: text(code), name: text(name) };
  try {
    const { phone, key } = await pair(parseInput(pairRequestSchema, filled));
    if (phone.role === 'device') {
      const words = sayTo(reader)('Give this key to the device’s bridge now: it is not shown again.');
      const body = `<p>${words}</p><p class="print">${escape(key)}</p>`;
      response.status(201).send(page('The key of this device', body, reader));
      return;
    }
    giveCookie(response, key);
    response.redirect(303, '/');
  } catch (error) {
    const refused = toProblem(error);
    if (!refused) throw error;
    response.status(refused.status).send(pairPage({ ...filled, refused }, reader));
  }
}

/** The pages that answer without a key: how to trust the kitchen, and how to be paired with it. */
export function openPages({ network, pair, languages }: PagesOptions): Router {
  const router = Router();
  // Codes and keys stand on it, whatever becomes of what was sent.
  router.use('/pair', (_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  router.get('/pair', (request, response) => {
    const filled = { code: text(request.query.code), name: '' };
    response.send(pairPage(filled, readerOf(request, languages)));
  });
  router.post('/pair', urlencoded({ extended: false, limit: FORM_LIMIT }), (request, response) =>
    pairByForm(request, response, { pair, languages }),
  );
  router.get('/trust', (request, response) => {
    const trust = network()?.trust;
    const base = secureBase(request);
    // A certificate of elsewhere is trusted already.
    if (trust)
      response
        .set('Cache-Control', 'no-store')
        .send(trustPage(trust.fingerprint, base, readerOf(request, languages)));
    else response.redirect(303, `${base}/pair`);
  });
  router.get('/trust/authority.crt', (_request, response) => {
    const trust = network()?.trust;
    if (!trust) throw notFound('An authority of its own');
    response.type('application/x-x509-ca-cert').attachment('kettle-scale-authority.crt').send(trust.der);
  });
  return router;
}
