import type { PatchOperation } from '../../basics/patch/index.ts';
import {
  freshId,
  freshName,
  levelEntryOf,
  newLevel,
  positionOf,
  type Level,
  type MintId,
  type Project,
} from '../../document/model/index.ts';
import { addAt, at, removeAt, replaceAt, setOptional, type NamedEdit } from './edit.ts';
import { insertEntry, moveEntry } from './order.ts';

/** A change of the sequence and the slot to look at after it. */
export interface SequenceEdit extends NamedEdit {
  slotId: string | undefined;
}

/** An id for one more slot. */
export const slotIdFor = (project: Project, mint: MintId): string =>
  mint(`slot-${project.slots.length + 1}`, new Set(project.slots.map((slot) => slot.id)));

/** The names of all levels. */
const levelNames = (project: Project): Set<string> => new Set(Object.values(project.levels).map((level) => level.name));

/** Tiers begin at positions: what is put in front of them, or taken out there, moves them on or back; none comes to begin where another does. */
export function shiftTiers(project: Project, position: number, by: 1 | -1): PatchOperation[] {
  let before = 0;
  return project.tiers.flatMap(({ id, from }) => {
    const to = from === 1 ? 1 : Math.max(before + 1, from > position ? from + by : from);
    before = to;
    return to === from ? [] : [replaceAt(at('tiers', id, 'from'), to)];
  });
}

function insert(
  project: Project,
  position: number,
  level: Level,
  label: string,
  wanted: number | undefined,
  mint: MintId,
): SequenceEdit {
  const slotId = slotIdFor(project, mint);
  const slot = { id: slotId, levelId: level.id, ...(wanted === undefined ? {} : { wanted }) };
  return {
    label,
    slotId,
    patch: [
      addAt(at('levels', level.id), levelEntryOf(level)),
      ...insertEntry(['slots'], project.slots, slot, position),
      ...shiftTiers(project, position, 1),
    ],
  };
}

/** A new level after a position; 0 puts it first. */
export function addLevel(project: Project, after: number, mint: MintId = freshId): SequenceEdit {
  const name = freshName('New level', levelNames(project));
  const id = mint(name, new Set(Object.keys(project.levels)));
  return insert(project, after, newLevel(project, id, name), `Add ${name}`, undefined, mint);
}

/** A copy of a slot's level right after it, free to be changed by itself. @param change what the copy has otherwise at once */
export function duplicateLevel(
  project: Project,
  slotId: string,
  mint: MintId = freshId,
  change: Partial<Level> = {},
): SequenceEdit | undefined {
  const position = positionOf(project, slotId);
  const slot = project.slots[position - 1];
  const level = slot && project.levels[slot.levelId];
  if (!level) return undefined;
  const name = freshName(level.name, levelNames(project));
  const id = mint(name, new Set(Object.keys(project.levels)));
  const command = insert(
    project,
    position,
    { ...level, ...change, id, name },
    `Duplicate ${level.name}`,
    slot.wanted,
    mint,
  );
  const pins = project.parameters.flatMap((parameter) => {
    const pin = parameter.pins[slotId];
    return pin === undefined || command.slotId === undefined
      ? []
      : [addAt(at('parameters', parameter.key, 'pins', command.slotId), pin)];
  });
  return { ...command, patch: [...command.patch, ...pins] };
}

/** Takes a slot out; its level too, unless it stands in another slot; its pins too. */
export function removeSlot(project: Project, slotId: string): SequenceEdit | undefined {
  const position = positionOf(project, slotId);
  const slot = project.slots[position - 1];
  const level = slot && project.levels[slot.levelId];
  if (!slot || !level) return undefined;
  const repeated = project.slots.some((other) => other.id !== slotId && other.levelId === slot.levelId);
  const next = project.slots[position] ?? project.slots[position - 2];
  return {
    label: `Remove ${level.name}`,
    slotId: next?.id,
    patch: [
      removeAt(at('slots', slotId)),
      ...(repeated ? [] : [removeAt(at('levels', slot.levelId))]),
      ...project.parameters.flatMap(({ key, pins }) =>
        Object.hasOwn(pins, slotId) ? [removeAt(at('parameters', key, 'pins', slotId))] : [],
      ),
      ...shiftTiers(project, position, -1),
      ...forgetSlot(project, slotId),
    ],
  };
}

/** Endings that lead to a slot and expectations of it go with the slot. */
function forgetSlot(project: Project, slotId: string): PatchOperation[] {
  const removed = project.slots.find((slot) => slot.id === slotId)?.levelId;
  const isGone = (levelId: string): boolean =>
    levelId === removed && !project.slots.some((slot) => slot.id !== slotId && slot.levelId === levelId);
  return [
    ...project.expectations.flatMap((expectation) =>
      expectation.slotId === slotId ? [removeAt(at('expectations', expectation.id))] : [],
    ),
    ...Object.values(project.levels).flatMap((level) =>
      isGone(level.id)
        ? []
        : (['won', 'lost'] as const).flatMap((side) => {
            const { next } = level.ending[side];
            return next.to === 'slot' && next.slot === slotId
              ? [replaceAt(at('levels', level.id, 'ending', side, 'next'), { to: 'levelChoice' })]
              : [];
          }),
    ),
  ];
}

/** Moves a slot to another position; positions outside the sequence mean its ends. */
export function moveSlot(project: Project, slotId: string, to: number): SequenceEdit | undefined {
  const from = positionOf(project, slotId);
  const target = Math.min(project.slots.length, Math.max(1, to));
  const slot = project.slots[from - 1];
  if (!slot || from === target) return undefined;
  const name = project.levels[slot.levelId]?.name ?? slotId;
  return {
    label: `Move ${name} to ${target}`,
    slotId,
    patch: moveEntry(['slots'], project.slots, from - 1, target - 1),
  };
}

export function renameLevel(level: Level, name: string): NamedEdit {
  return { label: `Rename ${level.name} to ${name}`, patch: [replaceAt(at('levels', level.id, 'name'), name)] };
}

/** The clear rate wanted at a slot, 0–1; undefined for none. */
export function setWanted(project: Project, slotId: string, wanted: number | undefined): NamedEdit | undefined {
  const index = positionOf(project, slotId) - 1;
  const slot = project.slots[index];
  if (!slot) return undefined;
  const label =
    wanted === undefined
      ? `No wanted clear rate at ${index + 1}`
      : `Wanted at ${index + 1} to ${Math.round(wanted * 100)} %`;
  return { label, patch: setOptional(at('slots', slotId, 'wanted'), slot.wanted, wanted) };
}
