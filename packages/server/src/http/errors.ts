import type { FaultyPlace, Problem } from '@stadion/core/exchange/contract';

/** Code, status and title of every error, in one place. */
const ERRORS = {
  'not-found': [404, 'There is no such thing'],
  'bad-request': [400, 'The request cannot be read'],
  'bad-document': [422, 'The project would not be whole'],
  'bad-patch': [422, 'The edit does not fit the project'],
  'bad-event': [422, 'The event cannot be read'],
  'bad-file': [422, 'The file cannot be read as a project'],
  'revision-behind': [412, 'The project has moved on'],
  'revision-missing': [428, 'The edit does not say what it was made on'],
  'hand-off-refused': [409, 'Checks fail'],
  'history-other': [409, 'The project has another history'],
  'edit-known': [409, 'The edit has been made already'],
  'not-allowed': [403, 'Not allowed from here'],
  'token-missing': [401, 'A token is required'],
  'too-large': [413, 'That is too much at once'],
  'too-many': [429, 'Too many requests'],
  'wrong-type': [415, 'That kind of content is not understood'],
  unreadable: [422, 'The project cannot be read'],
  'storage-full': [507, 'There is no room left'],
  'storage-unavailable': [503, 'The storage is not available'],
  broken: [500, 'Something broke in Stadion'],
} as const satisfies Record<string, readonly [number, string]>;

export type ErrorCode = keyof typeof ERRORS;

interface More {
  kept?: string;
  places?: FaultyPlace[];
  revision?: number;
}

const NOTHING_CHANGED = 'Nothing was changed.';

/** The one error that services throw: says what, where, and what was kept. */
export class StadionError extends Error {
  readonly code: ErrorCode;
  readonly more: More;

  constructor(code: ErrorCode, detail: string, more: More = {}) {
    super(detail);
    this.code = code;
    this.more = more;
  }

  get status(): number {
    return ERRORS[this.code][0];
  }

  toProblem(): Problem {
    const [status, title] = ERRORS[this.code];
    const { kept = NOTHING_CHANGED, ...rest } = this.more;
    return {
      type: `urn:stadion:problem:${this.code}`,
      title,
      status,
      detail: this.message,
      code: this.code,
      kept,
      ...rest,
    };
  }
}
