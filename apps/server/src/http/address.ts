import type { RequestHandler } from 'express';
import { HttpProblem } from './problem';

/** A control character in an address is nobody's name for anything, and some systems end the name there. */
const CONTROL = /\p{Cc}/u;

/** Refuses addresses that cannot be decoded, before anyone tries. */
export const readableAddress: RequestHandler = (request, _response, next) => {
  let decoded: string;
  try {
    decoded = decodeURIComponent(request.originalUrl.replaceAll('+', ' '));
  } catch (error) {
    if (!(error instanceof URIError)) throw error;
    throw new HttpProblem(400, 'The address has an escape that cannot be read.');
  }
  if (CONTROL.test(decoded))
    throw new HttpProblem(400, 'The address has a character that cannot be printed.');
  next();
};
