import { positionOf, projectOf, type ProjectDocument } from '../../document/model/index.ts';
import { applyPatch, type PatchOperation } from '../../basics/patch/index.ts';
import { shiftTiers } from './sequence.ts';

const SLOT = /^\/slots\/([^/]+)$/;
const TIER_BORDER = /^\/tiers\/[^/]+\/from$/;

/** The slot that an operation puts in or takes out. */
const slotOf = ({ op, path }: PatchOperation): string | undefined =>
  op === 'add' || op === 'remove' ? SLOT.exec(path)?.[1] : undefined;

/**
 * The patch without the shift of tiers that comes with slots put in or taken out: it depends on where the other slots
 * stand, so that two of them would seem to meet.
 */
export const withoutShift = (patch: readonly PatchOperation[]): PatchOperation[] =>
  patch.some((operation) => slotOf(operation) !== undefined)
    ? patch.filter(({ path }) => !TIER_BORDER.test(path))
    : [...patch];

/** The patch as it has to be on another revision: with the shift of tiers as it is there. @throws PatchMisfit where it does not fit there */
export function rebased(patch: readonly PatchOperation[], document: ProjectDocument): PatchOperation[] {
  let current = document;
  return withoutShift(patch).flatMap((operation) => {
    const before = projectOf(current);
    current = applyPatch(current, [operation]);
    const slotId = slotOf(operation);
    if (slotId === undefined) return [operation];
    const shift =
      operation.op === 'add'
        ? shiftTiers(before, positionOf(projectOf(current), slotId) - 1, 1)
        : shiftTiers(before, positionOf(before, slotId), -1);
    current = applyPatch(current, shift);
    return [operation, ...shift];
  });
}
