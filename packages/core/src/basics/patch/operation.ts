/** One operation of JSON Patch (RFC 6902). */
export type PatchOperation =
  | { op: 'add'; path: string; value: unknown }
  | { op: 'remove'; path: string }
  | { op: 'replace'; path: string; value: unknown }
  | { op: 'move'; from: string; path: string }
  | { op: 'copy'; from: string; path: string }
  | { op: 'test'; path: string; value: unknown };

/** A patch that does not fit the document. */
export class PatchMisfit extends Error {
  override name = 'PatchMisfit';
  /** Which operation does not fit, from 0. */
  index = 0;
  /** JSON pointer to what the operation is about. */
  readonly pointer: string;

  constructor(message: string, pointer: string) {
    super(message);
    this.pointer = pointer;
  }
}
