import { z } from 'zod';
import type { PatchOperation as Operation } from '../../basics/patch/index.ts';

/** Any JSON value; what it may be at its place is checked with the whole document. */
const Value = z.unknown().refine((value): boolean => value !== undefined, 'A value is expected here.');

/** One operation of JSON Patch (RFC 6902). */
export const PatchOperation: z.ZodType<Operation> = z
  .discriminatedUnion('op', [
    z.strictObject({ op: z.literal('add'), path: z.string().max(500), value: Value }),
    z.strictObject({ op: z.literal('remove'), path: z.string().max(500) }),
    z.strictObject({ op: z.literal('replace'), path: z.string().max(500), value: Value }),
    z.strictObject({ op: z.literal('move'), from: z.string().max(500), path: z.string().max(500) }),
    z.strictObject({ op: z.literal('copy'), from: z.string().max(500), path: z.string().max(500) }),
    z.strictObject({ op: z.literal('test'), path: z.string().max(500), value: Value }),
  ])
  .meta({ id: 'PatchOperation' });

const EditId = z.string().regex(/^[\w-]{8,40}$/, 'An edit id has 8 to 40 letters, digits, dashes or underscores.');

export const MAX_OPERATIONS_IN_AN_EDIT = 2000;

/** A named change, made once. Sent again with the same id it is not applied twice. */
export const Edit = z
  .strictObject({
    id: EditId,
    label: z.string().min(1).max(200).describe('In words, for undo and the history: “Clock of Clover Steps to 40 s”.'),
    patch: z.array(PatchOperation).min(1).max(MAX_OPERATIONS_IN_AN_EDIT),
    by: z.string().min(1).max(40).optional().describe('Who made it, as that person calls herself.'),
    undoes: EditId.optional().describe('The edit that this one takes back.'),
    redoes: EditId.optional().describe('The edit that this one makes again.'),
  })
  .meta({ id: 'Edit' });
export type Edit = z.infer<typeof Edit>;

export const MAX_EDITS_IN_A_REQUEST = 50;

/** An edit as it stands in the project's history. */
export const Revision = z
  .strictObject({
    revision: z.number().int().min(1),
    edit: Edit,
    inverse: z.array(PatchOperation).describe('Takes the edit back.'),
    at: z.iso.datetime(),
  })
  .meta({ id: 'Revision' });
export type Revision = z.infer<typeof Revision>;
