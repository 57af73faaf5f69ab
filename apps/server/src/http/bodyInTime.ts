import type { Request, RequestHandler } from 'express';

/** A body of a megabyte over the worst network of a kitchen; the whole book of a kitchen too. */
const BODY_MS = 60_000;

const deadlines = new WeakMap<Request, NodeJS.Timeout>();

/** Lets go of who does not bring the rest of a request, whether or not anybody reads it; the answer may take as long as it likes. */
export const bodyInTime =
  (ms = BODY_MS): RequestHandler =>
  (request, _response, next) => {
    const deadline = setTimeout(() => {
      // Not when it was read to its end: what has no body, as a stream that is opened, nobody reads.
      if (!request.complete) request.destroy();
    }, ms);
    deadline.unref();
    deadlines.set(request, deadline);
    request.once('close', () => clearTimeout(deadline));
    next();
  };

/** Says that whoever reads this request looks after its time. */
export const atItsOwnPace = (request: Request): void => clearTimeout(deadlines.get(request));
