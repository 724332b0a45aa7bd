import type { ProjectDocument } from '@stadion/core/model';
import type { FileReading } from '@stadion/files';
import { StadionError } from '../../http/errors.ts';

/** The document of a file that was read. @throws StadionError with where it is broken */
export function documentFrom(reading: FileReading): ProjectDocument {
  if (reading.ok) return reading.document;
  throw new StadionError('bad-file', reading.detail, {
    places: reading.places,
    kept: 'Nothing was imported; your projects are as they were.',
  });
}
