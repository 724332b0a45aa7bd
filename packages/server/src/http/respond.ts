import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { storageTrouble } from '../db/trouble.ts';
import { StadionError, type ErrorCode } from './errors.ts';

/** Errors of the body parsers, by type. */
const PARSER_ERRORS: Readonly<Record<string, readonly [ErrorCode, string]>> = {
  'entity.too.large': [
    'too-large',
    'The request is larger than this server takes at once: send less, or import the project in parts.',
  ],
  'entity.parse.failed': ['bad-request', 'The body is not JSON.'],
  'encoding.unsupported': ['wrong-type', 'The body is encoded in a way that is not understood.'],
  'charset.unsupported': ['wrong-type', 'The body must be UTF-8.'],
  'text.broken': ['wrong-type', 'The text is not UTF-8: save it as UTF-8, or say its charset.'],
  'json.oversize': ['bad-request', 'The body is nested deeper, or has more entries in one place, than any project.'],
  'request.aborted': ['bad-request', 'The request ended before all of it had come.'],
  'request.size.invalid': ['bad-request', 'The request is not as long as it says.'],
};

function asStadionError(error: unknown): StadionError {
  if (error instanceof StadionError) return error;
  const trouble = storageTrouble(error);
  if (trouble) return trouble;
  const { type, status } = (error ?? {}) as { type?: string; status?: number };
  const known = type === undefined ? undefined : PARSER_ERRORS[type];
  if (known) return new StadionError(known[0], known[1]);
  if (error instanceof URIError || (status !== undefined && status >= 400 && status < 500)) {
    return new StadionError('bad-request', 'The request cannot be read.');
  }
  return new StadionError('broken', 'This is a fault of Stadion, not yours. It is in the log.', {
    kept: 'Every edit acknowledged before is safe.',
  });
}

/** Turns every error into problem details. Mounted after the routes. */
export function answerErrors(log: Logger): ErrorRequestHandler {
  return (error, _request, response, next) => {
    if (response.headersSent) return next(error);
    const known = asStadionError(error);
    if (known.code === 'broken') log.error({ err: error as unknown }, 'unexpected error');
    response.status(known.status).type('application/problem+json').send(JSON.stringify(known.toProblem()));
  };
}

/** Unknown addresses under /api. */
export const answerUnknown: RequestHandler = (request, _response, next) => {
  next(new StadionError('not-found', `There is nothing at ${request.method} ${request.baseUrl}${request.path}.`));
};
