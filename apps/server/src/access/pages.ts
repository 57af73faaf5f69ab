import { ENGLISH, writeWords } from '@kettle-scale/core/message';
import { parseInput } from '@kettle-scale/core/message';
import { pairRequestSchema } from '@kettle-scale/core/phone';
import { type Request, type Response, Router, urlencoded } from 'express';
import { type HttpProblem, notFound, toProblem } from '../http/problem';
import { giveCookie } from './gate';
import { type Network, secureBase } from './network';
import { escape, page } from './page';
import type { Pair } from './pairPhone';

interface PagesOptions {
  network: () => Network | null;
  pair: Pair;
}

const FORM_LIMIT = '4kb';

interface Filled {
  code: string;
  name: string;
  /** Why it was not taken. */
  refused?: HttpProblem;
}

const alert = (message: string, id = ''): string =>
  `<p class="wrong"${id && ` id="${id}"`} role="alert">${escape(message)}</p>`;

/** A field with its label, what was typed, and what is wrong with it. */
function field(id: 'code' | 'name', label: string, { refused, ...typed }: Filled, more: string): string {
  const problem = refused?.errors.find(({ path }) => path === id);
  const wrong = problem && writeWords(problem.message, ENGLISH);
  const marks = wrong === undefined ? '' : ` aria-invalid="true" aria-describedby="${id}-wrong"`;
  return `<label for="${id}">${label}</label>
<input id="${id}" name="${id}" value="${escape(typed[id])}" ${more} required${marks}>
${wrong === undefined ? '' : alert(wrong, `${id}-wrong`)}`;
}

const pairPage = (filled: Filled): string =>
  page(
    'Pair this phone',
    `<p>The server’s own screen shows a code under <b>Settings, Phones</b>; it is good for five minutes.</p>
<form method="post" action="/pair">
${field('code', 'Code', filled, 'autocomplete="one-time-code" autocapitalize="characters" spellcheck="false"')}
${field('name', 'What this phone is called', filled, 'maxlength="40" placeholder="Griddle phone" autocomplete="off"')}
${filled.refused?.errors.length === 0 ? alert(filled.refused.message) : ''}
<button>Pair</button>
</form>`,
  );

const text = (value: unknown): string => (typeof value === 'string' ? value.slice(0, 80) : '');

async function pairByForm(request: Request, response: Response, pair: Pair): Promise<void> {
  const { code, name } = (request.body ?? {}) as Record<string, unknown>;
  const filled = { code: text(code), name: text(name) };
  try {
    const { phone, key } = await pair(parseInput(pairRequestSchema, filled));
    if (phone.role === 'device') {
      const words = `<p>Give this key to the device’s bridge now: it is not shown again.</p><p class="print">${escape(key)}</p>`;
      response.status(201).send(page('The key of this device', words));
      return;
    }
    giveCookie(response, key);
    response.redirect(303, '/');
  } catch (error) {
    const refused = toProblem(error);
    if (!refused) throw error;
    response.status(refused.status).send(pairPage({ ...filled, refused }));
  }
}

const trustPage = (fingerprint: string, base: string): string =>
  page(
    'Trust this kitchen',
    `<p>The kitchen’s server vouches for itself. Install its certificate once on each phone; it can vouch for addresses on the
kitchen’s own network and for nothing else.</p>
<a class="go" href="/trust/authority.crt">Download the certificate</a>
<h2>Compare first</h2>
<p>The server shows the same fingerprint where it was started, and under <b>Settings, Phones</b>. Go on only if they are equal.</p>
<p class="print">${escape(fingerprint).replaceAll(':', ':<wbr>')}</p>
<h2>iPhone and iPad</h2>
<ol><li>Download, and allow the profile.</li><li>Settings, General, VPN &amp; Device Management: install it.</li>
<li>Settings, General, About, Certificate Trust Settings: switch it on.</li></ol>
<h2>Android phone or tablet</h2>
<ol><li>Download.</li><li>Settings, Security, Encryption &amp; credentials, Install a certificate, CA certificate. The words differ a little
from phone to phone: search the settings for “certificate”.</li><li>Choose the file. The warning that the phone shows is
about any certificate of your own.</li></ol>
<h2>Computer</h2>
<ol><li>Download and open the file.</li><li>Add it as a trusted root authority for web sites. Some browsers keep their own list: search their
settings for “certificates”.</li></ol>
<h2>Then</h2>
<p><a href="${escape(base)}/pair">${escape(base)}/pair</a>, with the code from the server. From there the app can be put on the home screen.</p>`,
  );

/** The pages that answer without a key: how to trust the kitchen, and how to be paired with it. */
export function openPages({ network, pair }: PagesOptions): Router {
  const router = Router();
  router.get('/pair', ({ query }, response) => {
    response.set('Cache-Control', 'no-store').send(pairPage({ code: text(query.code), name: '' }));
  });
  router.post('/pair', urlencoded({ extended: false, limit: FORM_LIMIT }), (request, response) =>
    pairByForm(request, response, pair),
  );
  router.get('/trust', (request, response) => {
    const trust = network()?.trust;
    const base = secureBase(request);
    // A certificate of elsewhere is trusted already.
    if (trust) response.set('Cache-Control', 'no-store').send(trustPage(trust.fingerprint, base));
    else response.redirect(303, `${base}/pair`);
  });
  router.get('/trust/authority.crt', (_request, response) => {
    const trust = network()?.trust;
    if (!trust) throw notFound('An authority of its own');
    response.type('application/x-x509-ca-cert').attachment('kettle-scale-authority.crt').send(trust.der);
  });
  return router;
}
