import type { CreateHandOff, HandOffChecks, HandOffSummary, KeptHandOff } from '@stadion/core/exchange/contract';
import type { ProjectDocument } from '@stadion/core/document/model';
import type { FileReading, KnownForecasts } from '@stadion/files';
import { nanoid } from 'nanoid';
import type { Storage } from '../../db/client.ts';
import { wholeDocument } from '../../db/documents.ts';
import { StadionError } from '../../http/errors.ts';
import type { FileWork } from '../../jobs/files.ts';
import * as store from './store.ts';

interface Dependencies {
  storage: Storage;
  now: () => Date;
  read(id: string): Promise<{ document: ProjectDocument; revision: number }>;
  files: Pick<FileWork, 'failures'>;
  /** The forecasts that a project's expectations are held against, as far as they are known. */
  forecastsFor(id: string, document: ProjectDocument): Promise<KnownForecasts>;
}

export type HandOffService = ReturnType<typeof makeHandOffService>;

/** The document of a file that was read. @throws StadionError with where it is broken */
export function documentFrom(reading: FileReading): ProjectDocument {
  if (reading.ok) return reading.document;
  throw new StadionError('bad-file', reading.detail, {
    places: reading.places,
    kept: 'Nothing was imported; your projects are as they were.',
  });
}

/** Hand-offs that are kept: what was given to the game, when, and with which checks failing. */
export function makeHandOffService({ storage, now, read, files, forecastsFor }: Dependencies) {
  /** Runs the checks of a project as it is now. */
  async function check(projectId: string) {
    const { document, revision } = await read(projectId);
    const forecasts = await forecastsFor(projectId, document);
    return { document, revision, failures: await files.failures({ document, forecasts }) };
  }

  return {
    async checks(projectId: string): Promise<HandOffChecks> {
      const { revision, failures } = await check(projectId);
      return { revision, failures };
    },

    async list(projectId: string): Promise<HandOffSummary[]> {
      await read(projectId);
      return store.listHandOffs(storage.db, projectId);
    },

    /** Hands the project over as it is. @throws StadionError while a check fails and no reason is given */
    async create(projectId: string, { label, reason }: CreateHandOff): Promise<HandOffSummary> {
      const { document, revision, failures } = await check(projectId);
      const why = reason?.trim() ?? '';
      if (failures.length > 0 && why === '')
        throw new StadionError(
          'hand-off-refused',
          failures.length === 1
            ? 'One check fails: mend it, or say why it is handed over so.'
            : `${failures.length} checks fail: mend them, or say why it is handed over so.`,
          {
            places: failures.slice(0, 20).map((message) => ({ message })),
            kept: 'Nothing was handed over.',
          },
        );
      const summary: HandOffSummary = {
        id: nanoid(10),
        label: label.trim(),
        revision,
        at: now().toISOString(),
        reason: why === '' ? null : why,
        failed: failures.length,
      };
      await storage.write((transaction) => store.insertHandOff(transaction, projectId, summary, document));
      return summary;
    },

    /** A hand-off with its document, brought up to this version where it is of an earlier one. */
    async read(projectId: string, handOffId: string): Promise<KeptHandOff> {
      const found = await store.readHandOff(storage.db, projectId, handOffId);
      if (!found) throw new StadionError('not-found', `There is no hand-off “${handOffId}”.`);
      return { ...found, document: wholeDocument(found.label, found.document) };
    },
  };
}
