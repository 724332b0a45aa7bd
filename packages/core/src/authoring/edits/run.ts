import type { PatchOperation } from '../../basics/patch/index.ts';
import {
  freshId,
  LOSABLE,
  positionOf,
  RUN_TALLIES,
  usualTallyPolicies,
  type Amount,
  type MintId,
  type TallyPolicy,
  type Project,
  type PlaythroughEvent,
  type Tally,
} from '../../document/model/index.ts';
import { addAt, at, removeAt, replaceAt, setOptional, type NamedEdit } from './edit.ts';
import { insertEntry } from './order.ts';
import { withoutNames, type Removal } from './removal.ts';
import { shiftTiers, slotIdFor, type SequenceEdit } from './sequence.ts';

/** Policy of a tally at an event. */
export function setTallyPolicy(
  project: Project,
  tally: string,
  event: PlaythroughEvent,
  policy: TallyPolicy,
  what: string,
): NamedEdit {
  const path = at('run', 'keep', tally);
  const policies = project.run.keep[tally];
  return {
    label: what,
    patch: policies
      ? [replaceAt(`${path}/${event}`, policy)]
      : [addAt(path, { ...usualTallyPolicies(tally), [event]: policy })],
  };
}

/** A new counter of the designer's own. */
export function addTally(project: Project, name: string): NamedEdit & { id: string } {
  const taken = new Set([...project.tallies.map((tally) => tally.id), ...RUN_TALLIES, ...LOSABLE]);
  const id = freshId(name, taken);
  const tally: Tally = { id, name, start: 0 };
  return {
    id,
    label: `Add the tally ${name}`,
    patch: [...insertEntry(['tallies'], project.tallies, tally), addAt(at('run', 'keep', id), usualTallyPolicies(id))],
  };
}

/** Removes a tally with every sentence that counts or reads it. */
export function removeTally(project: Project, id: string): Removal {
  const { patch, sentences } = withoutNames(project, {
    reading: (reading) => reading.reading === 'tally' && reading.tally === id,
    effect: (effect) => effect.effect === 'tally' && effect.tally === id,
    tally: id,
  });
  return {
    label: `Remove the tally ${project.tallies.find((tally) => tally.id === id)?.name ?? id}`,
    sentences,
    patch: [
      ...patch,
      removeAt(at('tallies', id)),
      ...(Object.hasOwn(project.run.keep, id) ? [removeAt(at('run', 'keep', id))] : []),
    ],
  };
}

/** How many stars a slot asks for before it opens; undefined for none. */
export function setStarGate(project: Project, slotId: string, gate: Amount | undefined): NamedEdit {
  const index = positionOf(project, slotId) - 1;
  return {
    label: gate ? `Star gate before slot ${index + 1}` : `No star gate before slot ${index + 1}`,
    patch: setOptional(at('slots', slotId, 'starGate'), project.slots[index]?.starGate, gate),
  };
}

/** The same level once more, right after a slot. */
export function repeatSlot(project: Project, slotId: string, mint: MintId = freshId): SequenceEdit | undefined {
  const position = positionOf(project, slotId);
  const slot = project.slots[position - 1];
  if (!slot) return undefined;
  const id = slotIdFor(project, mint);
  const { starGate: _gate, ...again } = slot;
  const patch: PatchOperation[] = [
    ...insertEntry(['slots'], project.slots, { ...again, id }, position),
    ...shiftTiers(project, position, 1),
  ];
  return { label: `Repeat ${project.levels[slot.levelId]?.name ?? slot.levelId}`, slotId: id, patch };
}
