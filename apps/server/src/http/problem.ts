import {
  ENGLISH,
  InputError,
  type Language,
  type Problem,
  type Reader,
  type Words,
  message,
  writeWords,
} from '@kettle-scale/core/message';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { readerOf } from './languages';

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
  /** How the same may be asked for without what is wrong with it: a query to add. */
  instead?: string;
}

const TITLES: Record<number, Words> = {
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
  428: 'Describe what you changed',
  429: 'Too many tries',
  500: 'Something went wrong',
  503: 'Cannot save now',
};

/** An answer other than success, with one sentence a cook understands. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly detail: Words,
    readonly errors: readonly Problem[] = [],
    readonly current?: unknown,
    readonly instead?: string,
  ) {
    super(writeWords(detail, ENGLISH));
  }
}

export const notFound = (what: Words): HttpProblem =>
  new HttpProblem(404, message('{what} is not in this kitchen.', { what }));

/** A refusal names the first of these; a wrong file may hold a hundred thousand. */
const MOST_ERRORS = 50;
/** A sentence may quote what was sent, which may be long. */
const LONGEST_WORDS = 500;

const short = (words: string): string =>
  words.length > LONGEST_WORDS ? `${words.slice(0, LONGEST_WORDS - 1)}…` : words;

/** A problem as it is sent. */
function written(problem: Problem, reader: Reader): WrittenProblem {
  const sentence = writeWords(problem.message, reader);
  const sent = { ...problem, path: short(problem.path), message: short(sentence) };
  return typeof problem.message === 'string' || sentence.length > LONGEST_WORDS
    ? sent
    : { ...sent, words: problem.message };
}

/** The first problems, and how many there are. */
function firstOf(problems: readonly Problem[]): HttpProblem {
  const errors = problems.slice(0, MOST_ERRORS);
  const more = problems.length - errors.length;
  const sentences = {
    list: errors.map((one) => {
      const english = writeWords(one.message, ENGLISH);
      return english.length > LONGEST_WORDS ? { name: short(english) } : one.message;
    }),
    glue: ' ',
  };
  const detail =
    more > 0
      ? message('{sentences} And {more, number} more.', { sentences, more })
      : message('{sentences}', { sentences });
  return new HttpProblem(422, detail, errors);
}

/** Lines of a backup that cannot be used as they are, with the way to have the rest. */
export function unusableLines(problems: readonly Problem[]): HttpProblem {
  const { status, detail, errors } = firstOf(problems);
  return new HttpProblem(status, detail, errors, undefined, 'without=unusable');
}

/** Sentences for what the body parser refuses, by the type it gives its errors. */
const BODY_PROBLEMS: Record<string, Words> = {
  'entity.parse.failed': 'The body is not JSON.',
  'entity.too.large': 'The body is larger than this address takes.',
  'encoding.unsupported': 'The body is compressed in a way this server does not read.',
  'charset.unsupported': 'The body must be UTF-8.',
};

/** The refusal that an error is; null for what nobody foresaw. */
export function toProblem(error: unknown): HttpProblem | null {
  if (error instanceof HttpProblem) return error;
  if (error instanceof InputError) return firstOf(error.problems);
  const { status, type } = error as { status?: unknown; type?: unknown };
  if (typeof status === 'number' && status >= 400 && status < 500) {
    return new HttpProblem(status, BODY_PROBLEMS[String(type)] ?? 'The request could not be read.');
  }
  return null;
}

export const noSuchAddress: RequestHandler = (request) => {
  throw new HttpProblem(
    404,
    message('There is nothing at {address}.', {
      address: { name: short(`${request.method} ${request.originalUrl.split('?')[0]}`) },
    }),
  );
};

/** The last handler: every error leaves as problem+json. */
export const problemHandler =
  (logger: Logger, languages: readonly Language[] = []): ErrorRequestHandler =>
  (error, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const problem = toProblem(error);
    if (!problem) logger.error({ err: error }, 'unexpected error');
    const status = problem?.status ?? 500;
    const reader = readerOf(request, languages);
    const say = (words: Words): string => writeWords(words, reader);
    const detail = say(problem?.detail ?? 'The server could not do this. Nothing was changed.');
    const document: ProblemDocument = {
      type: 'about:blank',
      title: say(TITLES[status] ?? 'Refused'),
      status,
      detail,
      errors: (problem?.errors ?? []).map((one) => written(one, reader)),
      ...(problem?.current === undefined ? {} : { current: problem.current }),
      ...(problem?.instead === undefined ? {} : { instead: problem.instead }),
    };
    response.vary('Accept-Language').set('content-language', reader.locale);
    response.status(status).type('application/problem+json').send(JSON.stringify(document));
  };
