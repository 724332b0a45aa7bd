import type { HandOff } from '@stadion/core/exchange/formats';

const FORMAT = 'stadion-hand-off';
const VERSION = 1;

/** The value is no hand-off that this runtime reads. The message says why. */
export class HandOffError extends Error {
  override name = 'HandOffError';
}

/** A hand-off, from a file's text or what it holds. @throws HandOffError where it is none that this runtime reads */
export function checked(json: unknown): HandOff {
  const given = (typeof json === 'string' ? JSON.parse(json) : json) as Partial<HandOff> | null;
  if (given === null || typeof given !== 'object' || given.format !== FORMAT)
    throw new HandOffError(`This is no hand-off: “format” must be "${FORMAT}".`);
  if (given.version !== VERSION)
    throw new HandOffError(
      `This hand-off has version ${String(given.version)}; this runtime reads version ${VERSION}.`,
    );
  if (given.slots === null || typeof given.slots !== 'object') throw new HandOffError('This hand-off has no slots.');
  return given as HandOff;
}
