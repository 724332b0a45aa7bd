import type { CreateSnapshot, Snapshot, SnapshotSummary } from '@stadion/core/exchange/contract';
import { applyPatch, type PatchOperation } from '@stadion/core/basics/patch';
import type { ProjectDocument } from '@stadion/core/document/model';
import { nanoid } from 'nanoid';
import type { Storage } from '../../db/client.ts';
import { wholeDocument } from '../../db/documents.ts';
import { StadionError } from '../../http/errors.ts';
import * as store from './store.ts';

/** A snapshot holds the whole document. */
const MOST_SNAPSHOTS = 200;

/** The part of the project service that snapshots use. */
interface Projects {
  read(id: string): Promise<{ id: string; revision: number; document: ProjectDocument }>;
  historyAfter(id: string, after: number, upTo: number): Promise<{ inverse: PatchOperation[] }[]>;
}

interface Dependencies {
  storage: Storage;
  now: () => Date;
  projects: Projects;
}

export type SnapshotService = ReturnType<typeof makeSnapshotService>;

const missing = (id: string): StadionError => new StadionError('not-found', `There is no snapshot “${id}”.`);

/** Takes edits back, the latest first. */
function takenBack(document: unknown, inverses: readonly PatchOperation[][]): unknown {
  return inverses.reduce<unknown>((state, inverse) => applyPatch(state, inverse), document);
}

/** States of a project kept under names. */
export function makeSnapshotService({ storage, now, projects }: Dependencies) {
  return {
    async list(projectId: string): Promise<SnapshotSummary[]> {
      const { id } = await projects.read(projectId);
      return store.listSnapshots(storage.db, id);
    },

    /** Keeps the project as it is, or as it was at a revision. */
    async create(projectId: string, { name, revision }: CreateSnapshot): Promise<SnapshotSummary> {
      const project = await projects.read(projectId);
      const at = revision ?? project.revision;
      if (at > project.revision)
        throw new StadionError('bad-request', `The project is at revision ${project.revision}; ${at} is not yet.`);
      if ((await store.countSnapshots(storage.db, projectId)) >= MOST_SNAPSHOTS)
        throw new StadionError('too-large', `At most ${MOST_SNAPSHOTS} snapshots of a project: remove one first.`);
      const later = await projects.historyAfter(projectId, at, project.revision);
      const document = takenBack(
        project.document,
        later.toReversed().map((entry) => entry.inverse),
      );
      const snapshot = { id: nanoid(10), name: name.trim(), revision: at, at: now().toISOString() };
      await storage.write((transaction) => store.insertSnapshot(transaction, projectId, { ...snapshot, document }));
      return snapshot;
    },

    /** A snapshot with its document, brought up to this version where it is of an earlier one. */
    async read(projectId: string, snapshotId: string): Promise<Snapshot> {
      const found = await store.readSnapshot(storage.db, projectId, snapshotId);
      if (!found) throw missing(snapshotId);
      return { ...found, document: wholeDocument(found.name, found.document) };
    },

    async rename(projectId: string, snapshotId: string, name: string): Promise<void> {
      const was = await storage.write((transaction) =>
        store.renameSnapshot(transaction, projectId, snapshotId, name.trim()),
      );
      if (!was) throw missing(snapshotId);
    },

    async remove(projectId: string, snapshotId: string): Promise<void> {
      const was = await storage.write((transaction) => store.deleteSnapshot(transaction, projectId, snapshotId));
      if (!was) throw missing(snapshotId);
    },
  };
}
