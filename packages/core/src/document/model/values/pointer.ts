/** A JSON pointer (RFC 6901) from the parts of a path. @example pointerOf(['slots', 3, 'id']) // '/slots/3/id' */
export const pointerOf = (path: readonly PropertyKey[]): string =>
  path.map((part) => `/${String(part).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');
