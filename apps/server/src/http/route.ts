import { InputError, parseInput } from '@kettle-scale/core/message';
import { type Request, Router } from 'express';
import type { z } from 'zod';
import { type Access, type For, accessOf, checkRole, giveCookie } from '../access/gate';
import { HttpProblem } from './problem';
import { wrongDates } from './recordDates';

/** One address of the API: what comes in, what goes out, and the act. The OpenAPI document is made from these. */
export interface Route {
  method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  /** In Express's form, below /api/v1: `/batches/:id`. */
  path: string;
  summary: string;
  params?: z.ZodObject;
  query?: z.ZodObject;
  body?: z.ZodType;
  response: z.ZodType;
  /** Status of success; 200 when not said. */
  status?: number;
  /** Content type of the answer, where it is not JSON. */
  type?: string;
  /** Whether a change names the version that it was made from, in If-Match. */
  versioned?: true;
  /** Whether a key or a code is in the answer: nothing between here and the phone may keep it. */
  secret?: true;
  /** Whom it is for, where that is not cooks and leads. */
  for?: For;
  handle: (request: Request, access: Access) => Promise<Reply>;
}

interface Reply {
  body: unknown;
  status?: number;
  /** Version of what is sent, for a later If-Match. */
  etag?: string;
  /** A key for the phone that asks, to keep as a cookie. */
  phoneKey?: string;
}

/** A body that is JSON text already, as it was stored: it need not be read and written again to be sent. */
export class JsonText {
  constructor(
    readonly text: string,
    /** The same, compressed once by who keeps it. */
    readonly gzip?: Buffer,
  ) {}
}

/** A body that is a file to keep, of a type of its own. */
export class FileText {
  constructor(
    readonly text: string,
    readonly type: string,
    readonly name: string,
  ) {}
}

interface Input<P, Q, B> {
  params: P;
  query: Q;
  body: B;
  /** The version that the sender changed; null when it does not say. */
  ifMatch: string | null;
  /** Who asks. */
  access: Access;
}

interface RouteSpec<P, Q, B, R> extends Omit<Route, 'handle' | 'params' | 'query' | 'body' | 'response'> {
  params?: z.ZodType<P> & z.ZodObject;
  query?: z.ZodType<Q> & z.ZodObject;
  body?: z.ZodType<B>;
  response: z.ZodType<R>;
  run: (
    input: Input<P, Q, B>,
  ) => Promise<R | JsonText | FileText | { status: number; body: R; etag?: string; phoneKey?: string }>;
}

const isReply = (value: unknown): value is Reply =>
  typeof value === 'object' && value !== null && 'body' in value && 'status' in value;

/** Builds a route whose input is validated once, here, and typed from then on. */
export function route<P = undefined, Q = undefined, B = undefined, R = unknown>(
  spec: RouteSpec<P, Q, B, R>,
): Route {
  const { run, ...rest } = spec;
  return {
    ...rest,
    handle: async (request, access) => {
      if (spec.body && request.body === undefined) {
        throw new HttpProblem(415, 'Send a JSON body with the content type application/json.');
      }
      const result = await run({
        params: (spec.params ? parseInput<P>(spec.params, request.params) : undefined) as P,
        query: (spec.query ? parseInput<Q>(spec.query, request.query) : undefined) as Q,
        ifMatch: request.get('if-match') ?? null,
        access,
        body: (spec.body ? parseInput<B>(spec.body, request.body) : undefined) as B,
      });
      return isReply(result) ? result : { body: result };
    },
  };
}

/** The body as a client reads it; undefined for a file that is not JSON. */
function asRead(body: unknown): unknown {
  if (body instanceof FileText) return body.type === 'application/json' ? JSON.parse(body.text) : undefined;
  return JSON.parse(body instanceof JsonText ? body.text : JSON.stringify(body));
}

/** @throws Error when an answer is not what its route says */
function checkAnswer({ method, path, response }: Route, body: unknown): void {
  const read = asRead(body);
  const wrong = read === undefined ? null : response.safeParse(read).error;
  if (wrong) throw new Error(`${method} ${path} answers something else than it says: ${wrong.message}`);
}

/**
 * An Express router of routes.
 * @param checkAnswers holds every answer against its schema before it is sent: for tests, since it costs time
 */
export function routerOf(
  routes: readonly Route[],
  { now, checkAnswers = false }: { now: () => Date; checkAnswers?: boolean },
): Router {
  const router = Router();
  for (const route of routes) {
    const { method, path, status = 200, handle } = route;
    router[method](path, async (request, response) => {
      const access = accessOf(response);
      checkRole(access, route.for);
      const wrong = wrongDates(request.body, now());
      if (wrong.length > 0) throw new InputError(wrong);
      const reply = await handle(request, access);
      if (checkAnswers) checkAnswer(route, reply.body);
      response.status(reply.status ?? status);
      if (route.secret) response.set('Cache-Control', 'no-store');
      if (reply.etag !== undefined) response.setHeader('ETag', reply.etag);
      if (reply.phoneKey !== undefined) giveCookie(response, reply.phoneKey);
      if (reply.body instanceof FileText) {
        response.attachment(reply.body.name).type(reply.body.type).send(reply.body.text);
      } else if (reply.body instanceof JsonText) {
        const { text, gzip } = reply.body;
        response.type('json').vary('Accept-Encoding');
        if (gzip && request.acceptsEncodings('gzip')) response.set('Content-Encoding', 'gzip').send(gzip);
        else response.send(text);
      } else response.json(reply.body);
    });
  }
  return router;
}
