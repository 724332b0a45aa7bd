import { z } from 'zod';
import { Name, ProjectDocument } from '../../document/model/index.ts';

const SnapshotName = Name(80, 'A snapshot needs a name.');

/** A state of a project kept under a name, to be compared with and gone back to. */
export const SnapshotSummary = z
  .strictObject({
    id: z.string(),
    name: z.string(),
    revision: z.number().int().describe('The revision that was kept.'),
    at: z.iso.datetime().describe('When it was kept.'),
  })
  .meta({ id: 'SnapshotSummary' });
export type SnapshotSummary = z.infer<typeof SnapshotSummary>;

export const SnapshotList = z.strictObject({ snapshots: z.array(SnapshotSummary) }).meta({ id: 'SnapshotList' });
export type SnapshotList = z.infer<typeof SnapshotList>;

export const CreateSnapshot = z
  .strictObject({
    name: SnapshotName,
    revision: z.number().int().min(0).optional().describe('A revision of the history; the latest when absent.'),
  })
  .meta({ id: 'CreateSnapshot' });
export type CreateSnapshot = z.infer<typeof CreateSnapshot>;

export const RenameSnapshot = z.strictObject({ name: SnapshotName }).meta({ id: 'RenameSnapshot' });
export type RenameSnapshot = z.infer<typeof RenameSnapshot>;

export const Snapshot = SnapshotSummary.extend({ document: ProjectDocument }).meta({ id: 'Snapshot' });
export type Snapshot = z.infer<typeof Snapshot>;
