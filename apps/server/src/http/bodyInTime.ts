import type { Request, RequestHandler } from 'express';

/** A body of a megabyte over the worst network of a kitchen; the whole book of a kitchen too. */
const BODY_MS = 60_000;

const deadlines = new WeakMap<Request, NodeJS.Timeout>();

/** Lets go of who does not bring the rest of a request, whether or not anybody reads it. */
export const bodyInTime =
  (ms = BODY_MS): RequestHandler =>
  (request, _response, next) => {
    // One that has no body, or has brought it, is over before this is.
    const deadline = setTimeout(() => request.destroy(), ms);
    deadline.unref();
    deadlines.set(request, deadline);
    request.once('end', () => clearTimeout(deadline)).once('close', () => clearTimeout(deadline));
    if (request.readableEnded) clearTimeout(deadline);
    next();
  };

/** Says that whoever reads this request looks after its time. */
export const atItsOwnPace = (request: Request): void => clearTimeout(deadlines.get(request));
