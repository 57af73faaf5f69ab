import { message } from '@kettle-scale/core/message';
import { MOST_NESTED, deepest } from '@kettle-scale/core/document';
import express, { type RequestHandler } from 'express';
import { HttpProblem } from './problem';

/** Reads JSON bodies up to a size, and up to a depth before they are parsed. */
export const jsonBody = (limit: string): RequestHandler =>
  express.json({
    limit,
    strict: false,
    verify: (_request, _response, body) => {
      if (deepest(body.toString('utf8'), MOST_NESTED) > MOST_NESTED) {
        throw new HttpProblem(
          413,
          message('The body nests deeper than {most, number} levels.', { most: MOST_NESTED }),
        );
      }
    },
  });
