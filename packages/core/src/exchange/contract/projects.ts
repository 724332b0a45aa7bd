import { z } from 'zod';
import { Name, ProjectDocument } from '../../document/model/index.ts';
import { goalRefused, StartAnswers } from '../../authoring/building/index.ts';
import { Revision } from './edit.ts';

export const ProjectSummary = z
  .strictObject({
    id: z.string(),
    name: z.string(),
    revision: z.number().int(),
    slots: z.number().int(),
    updatedAt: z.iso.datetime(),
    rates: z
      .array(z.number().min(0).max(1).nullable())
      .describe('Clear rates by slot as they were last forecast; null where there is none.'),
    binnedAt: z.iso.datetime().optional().describe('Since when it is in the bin; absent for all others.'),
    unreadable: z.string().optional().describe('Why it cannot be opened; absent for all others.'),
  })
  .meta({ id: 'ProjectSummary' });
export type ProjectSummary = z.infer<typeof ProjectSummary>;

export const ProjectList = z.strictObject({ projects: z.array(ProjectSummary) }).meta({ id: 'ProjectList' });
export type ProjectList = z.infer<typeof ProjectList>;

const ProjectName = Name(80, 'A project needs a name.');

export const CreateProject = z
  .discriminatedUnion('from', [
    z.strictObject({ from: z.enum(['demo', 'empty']), name: ProjectName.optional() }),
    z.strictObject({ from: z.literal('copy'), of: z.string(), name: ProjectName.optional() }),
    StartAnswers.extend({ from: z.literal('start'), name: ProjectName.optional() }),
  ])
  .superRefine((wanted, context) => {
    const message = wanted.from === 'start' ? goalRefused(wanted) : undefined;
    if (message !== undefined) context.addIssue({ code: 'custom', path: ['goal'], message });
  })
  .meta({ id: 'CreateProject' });
export type CreateProject = z.infer<typeof CreateProject>;

export const OpenProject = z
  .strictObject({
    id: z.string(),
    revision: z.number().int(),
    document: ProjectDocument,
    recent: z.array(Revision).describe('The latest revisions, oldest first: what can be undone.'),
  })
  .meta({ id: 'OpenProject' });
export type OpenProject = z.infer<typeof OpenProject>;

export const ImportedProject = z
  .strictObject({ id: z.string(), name: z.string(), slots: z.number().int() })
  .meta({ id: 'ImportedProject' });
export type ImportedProject = z.infer<typeof ImportedProject>;

export const RenameProject = z.strictObject({ name: ProjectName }).meta({ id: 'RenameProject' });
export type RenameProject = z.infer<typeof RenameProject>;
