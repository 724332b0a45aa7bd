import { z } from 'zod';
import { ProjectDocument } from '../model/index.ts';
import { Revision } from './edit.ts';

export const ProjectSummary = z
  .strictObject({
    id: z.string(),
    name: z.string(),
    revision: z.number().int(),
    slots: z.number().int(),
    updatedAt: z.iso.datetime(),
    unreadable: z.string().optional().describe('Why it cannot be opened; absent for all others.'),
  })
  .meta({ id: 'ProjectSummary' });
export type ProjectSummary = z.infer<typeof ProjectSummary>;

export const ProjectList = z.strictObject({ projects: z.array(ProjectSummary) }).meta({ id: 'ProjectList' });
export type ProjectList = z.infer<typeof ProjectList>;

export const CreateProject = z
  .strictObject({
    from: z.enum(['demo', 'empty']),
    name: z.string().regex(/\S/, 'A project needs a name.').max(80, 'A name has at most 80 characters.').optional(),
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
