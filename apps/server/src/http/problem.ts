import { ENGLISH, InputError, type Problem, type Words, writeWords } from '@kettle-scale/core/message';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';

/** A problem in a sentence, and as the data that it was written from, for whoever reads in other units. */
export interface WrittenProblem extends Problem {
  message: string;
  words?: Words;
}

/** What a refused request gets: RFC 9457, with the fields that were wrong. */
export interface ProblemDocument {
  type: 'about:blank';
  title: string;
  status: number;
  detail: string;
  errors: readonly WrittenProblem[];
  /** What is there now, where the sender's version is no longer the newest. */
  current?: unknown;
}

const TITLES: Record<number, string> = {
  400: 'Not understood',
  401: 'Not paired',
  403: 'Not allowed',
  404: 'Not found',
  408: 'Took too long',
  409: 'Conflict',
  412: 'Changed meanwhile',
  413: 'Too large',
  415: 'Not JSON',
  421: 'Not this kitchen',
  422: 'Cannot be used',
  428: 'Say what you changed',
  429: 'Too many tries',
  500: 'Something broke',
  503: 'Cannot save now',
};

/** An answer other than success, with one sentence a cook understands. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    detail: string,
    readonly errors: readonly WrittenProblem[] = [],
    readonly current?: unknown,
  ) {
    super(detail);
  }
}

export const notFound = (what: string): HttpProblem =>
  new HttpProblem(404, `${what} is not in this kitchen.`);

/** A refusal names the first of these; a wrong file may hold a hundred thousand. */
const MOST_ERRORS = 50;
/** A sentence may quote what was sent, which may be long. */
const LONGEST_WORDS = 500;

const short = (words: string): string =>
  words.length > LONGEST_WORDS ? `${words.slice(0, LONGEST_WORDS - 1)}…` : words;

/** A problem as it is sent. */
export function written(problem: Problem): WrittenProblem {
  const message = writeWords(problem.message, ENGLISH);
  const sent = { ...problem, path: short(problem.path), message: short(message) };
  return typeof problem.message === 'string' || message.length > LONGEST_WORDS
    ? sent
    : { ...sent, words: problem.message };
}

/** The first problems, each short, and how many there are. */
function firstOf(problems: readonly Problem[]): { detail: string; errors: WrittenProblem[] } {
  const errors = problems.slice(0, MOST_ERRORS).map(written);
  const more = problems.length - errors.length;
  const sentences = errors.map(({ message }) => message).join(' ');
  return {
    errors,
    detail: `${sentences.slice(0, MOST_ERRORS * LONGEST_WORDS)}${more > 0 ? ` And ${more} more.` : ''}`,
  };
}

/** Sentences for what the body parser refuses, by the type it gives its errors. */
const BODY_PROBLEMS: Record<string, string> = {
  'entity.parse.failed': 'The body is not JSON.',
  'entity.too.large': 'The body is larger than this address takes.',
  'encoding.unsupported': 'The body is compressed in a way this server does not read.',
  'charset.unsupported': 'The body must be UTF-8.',
};

/** The refusal that an error is; null for what nobody foresaw. */
export function toProblem(error: unknown): HttpProblem | null {
  if (error instanceof HttpProblem) return error;
  if (error instanceof InputError) {
    const { detail, errors } = firstOf(error.problems);
    return new HttpProblem(422, detail, errors);
  }
  const { status, type } = error as { status?: unknown; type?: unknown };
  if (typeof status === 'number' && status >= 400 && status < 500) {
    return new HttpProblem(status, BODY_PROBLEMS[String(type)] ?? 'The request could not be read.');
  }
  return null;
}

export const noSuchAddress: RequestHandler = (request) => {
  throw new HttpProblem(
    404,
    short(`There is nothing at ${request.method} ${request.originalUrl.split('?')[0]}.`),
  );
};

/** The last handler: every error leaves as problem+json. */
export const problemHandler =
  (logger: Logger): ErrorRequestHandler =>
  (error, _request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const problem = toProblem(error);
    if (!problem) logger.error({ err: error }, 'unexpected error');
    const status = problem?.status ?? 500;
    const document: ProblemDocument = {
      type: 'about:blank',
      title: TITLES[status] ?? 'Refused',
      status,
      detail: problem?.message ?? 'The server could not do this. Nothing was changed.',
      errors: problem?.errors ?? [],
      ...(problem?.current === undefined ? {} : { current: problem.current }),
    };
    response.status(status).type('application/problem+json').send(JSON.stringify(document));
  };
