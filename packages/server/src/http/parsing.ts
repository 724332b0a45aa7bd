import { placeOfTag, type HistoryPlace } from '@stadion/core/exchange/contract';
import { pointerOf } from '@stadion/core/document/model';
import { isUtf8 } from 'node:buffer';
import type { Request } from 'express';
import type { z } from 'zod';
import { StadionError } from './errors.ts';
import { oversizeIn } from '@stadion/files';

/** Bytes that are no UTF-8 are refused: read as they are they would leave replacement marks in names. For the body parsers, which say what is wrong by a type. */
export function refuseBrokenText(_request: unknown, _response: unknown, bytes: Buffer, charset: string): void {
  if (/^utf-?8$/i.test(charset) && !isUtf8(bytes))
    throw Object.assign(new Error('The text is not UTF-8.'), { type: 'text.broken' });
}

/** The same for JSON, of which no more is read than a project can have. */
export function refuseOversize(request: unknown, response: unknown, bytes: Buffer, charset: string): void {
  refuseBrokenText(request, response, bytes, charset);
  // Brackets, commas and quotes are the same single bytes in Latin-1, which is read fastest.
  const oversize = oversizeIn(bytes.toString('latin1'));
  if (oversize) throw Object.assign(new Error(oversize.message), { type: 'json.oversize' });
}

/** Parse anything by a schema, or say where it is wrong. */
export function parse<T>(schema: z.ZodType<T>, value: unknown, what: string): T {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const places = result.error.issues
    .slice(0, 20)
    .map((issue) => ({ message: issue.message, pointer: pointerOf(issue.path) }));
  throw new StadionError('bad-request', `${what} cannot be read: ${places[0]?.message ?? 'unknown'}`, { places });
}

/** The body as JSON; a body of another type is refused by name. */
export function jsonBody<T>(request: Request, schema: z.ZodType<T>, what: string): T {
  if (!request.is('application/json'))
    throw new StadionError('wrong-type', `${what} must be sent as application/json.`);
  return parse(schema, request.body, what);
}

/** The place named by If-Match. @throws StadionError when missing or not a revision */
export function ifMatch(request: Request): HistoryPlace {
  const header = request.get('If-Match');
  if (header === undefined)
    throw new StadionError('revision-missing', 'Send If-Match with the revision that the edits were made on.');
  const place = placeOfTag(header);
  if (!place)
    throw new StadionError(
      'bad-request',
      `If-Match must name a revision, such as "12"; it says ${JSON.stringify(header)}.`,
    );
  return place;
}

/** A path parameter, which Express types as possibly missing or many. */
export const param = (request: Request, name: string): string => String(request.params[name]);
