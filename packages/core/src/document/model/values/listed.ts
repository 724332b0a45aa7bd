import type { Bouts, BoutsEntry } from '../schema/bout.ts';
import type { Ground, GroundEntry, Section } from '../schema/ground.ts';
import type { Id } from '../schema/ids.ts';
import type { Kinds } from '../schema/kinds.ts';
import type { Level, LevelEntry } from '../schema/level.ts';
import type { LiveAxis, Parameter } from '../schema/parameter.ts';
import type { LiveTier } from '../schema/sequence.ts';
import { memoizeByObject } from '../../../basics/memo/index.ts';
import { PROJECT_FORMAT, PROJECT_VERSION } from './format.ts';
import type { Project, ProjectDocument } from '../schema/project.ts';

/** Something in a list that is an entry of a collection in the document: its name there is its id, or its key. */
export type Item = ({ id: Id } | { key: Id }) & { order?: number };

export const idOf = (item: Item): Id => ('key' in item ? item.key : item.id);

type Collection<Entry> = Readonly<Record<Id, Entry>>;

/** Items by entry; an entry that was copied has several ids. */
const items = new WeakMap<object, Map<Id, Item>>();

function itemOf(name: 'id' | 'key', id: Id, entry: object): Item {
  const known = items.get(entry) ?? new Map<Id, Item>();
  const item = known.get(id) ?? ({ [name]: id, ...entry } as unknown as Item);
  items.set(entry, known.set(id, item));
  return item;
}

const byId = (one: Item, other: Item): number => (idOf(one) < idOf(other) ? -1 : 1);
const byOrder = (one: Item, other: Item): number => (one.order ?? 0) - (other.order ?? 0) || byId(one, other);

const itemsNamed = (name: 'id' | 'key') =>
  memoizeByObject((collection: Collection<object>): Item[] =>
    Object.entries(collection)
      .map(([id, entry]) => itemOf(name, id, entry))
      .toSorted(byOrder),
  );
const byIds = itemsNamed('id');
const byKeys = itemsNamed('key');

const listOf = <Entry extends object, Listed extends Item>(collection: Collection<Entry>): Listed[] =>
  byIds(collection) as Listed[];

/** Tiers stand in the order of their bounds. */
const tiersOf = memoizeByObject((collection: Collection<{ from: number }>): Item[] =>
  Object.entries(collection)
    .toSorted(([, one], [, other]) => one.from - other.from)
    .map(([id, entry]) => itemOf('id', id, entry)),
);

type SectionEntries = Extract<LevelEntry['ground'], { sections: unknown }>['sections'];

const sectionOf = memoizeByObject((section: Item): Section => ({
  ...(section as Section),
  pieces: listOf((section as unknown as SectionEntries[string]).pieces),
}));
const sectionsIn = memoizeByObject((sections: SectionEntries): Section[] =>
  byIds(sections).map((section) => sectionOf(section)),
);

const groundOf = memoizeByObject(
  (ground: LevelEntry['ground']): Level['ground'] =>
    ({
      ...ground,
      pieces: listOf(ground.pieces),
      ...('sections' in ground ? { sections: sectionsIn(ground.sections) } : {}),
    }) as Level['ground'],
);

const levels = new WeakMap<LevelEntry, Level>();

function levelOf(id: Id, entry: LevelEntry): Level {
  const known = levels.get(entry);
  if (known?.id === id) return known;
  const level: Level = {
    id,
    ...entry,
    ground: groundOf(entry.ground),
    rules: listOf(entry.rules),
    standingRulesOff: Object.keys(entry.standingRulesOff),
  };
  levels.set(entry, level);
  return level;
}

const levelsOf = memoizeByObject((collection: Collection<LevelEntry>): Record<Id, Level> =>
  Object.fromEntries(Object.entries(collection).map(([id, entry]) => [id, levelOf(id, entry)])),
);

const kindsOf = memoizeByObject(({ collectables, enemies, hazards }: ProjectDocument['kinds']): Kinds => ({
  collectables: listOf(collectables),
  enemies: listOf(enemies),
  hazards: listOf(hazards),
}));

const boutsOf = memoizeByObject((bouts: NonNullable<ProjectDocument['bouts']>): Bouts => ({
  ...bouts,
  statistics: byKeys(bouts.statistics) as Bouts['statistics'],
  elements: listOf(bouts.elements),
  actions: listOf(bouts.actions),
  fighters: listOf(bouts.fighters),
  groups: listOf(bouts.groups),
}));

const liveTiersOf = memoizeByObject(
  (axes: NonNullable<ProjectDocument['liveTiers']>): NonNullable<Project['liveTiers']> =>
    Object.fromEntries(Object.entries(axes).map(([axis, tiers]) => [axis, tiersOf(tiers) as LiveTier[]])),
);

/**
 * The document as it is read: collections in lists, in their order. Of documents that share parts the lists share them,
 * too; the same document gives the same object.
 */
export const projectOf = memoizeByObject((document: ProjectDocument): Project => ({
  ...document,
  score: listOf(document.score),
  tallies: listOf(document.tallies),
  standing: listOf(document.standing),
  kinds: kindsOf(document.kinds),
  bouts: document.bouts && boutsOf(document.bouts),
  parameters: byKeys(document.parameters) as Parameter[],
  tiers: tiersOf(document.tiers) as Project['tiers'],
  liveTiers: document.liveTiers && liveTiersOf(document.liveTiers),
  levels: levelsOf(document.levels),
  expectations: listOf(document.expectations),
  slots: listOf(document.slots),
  pacers: listOf(document.pacers),
}));

/** An item as its collection holds it. @param order its place; what it says of itself when absent */
export function entryOf(item: Item, order = item.order): object {
  const { id: _id, key: _key, order: _order, ...entry } = item as Record<string, unknown>;
  return order === undefined ? entry : { order, ...entry };
}

/** The numbers by which a list keeps its order: its own where they rise, else from 1 on. */
export function numbersOf(list: readonly Item[]): number[] {
  const own = list.map(({ order }) => order ?? Number.NaN);
  const rises = own.every((order, index) => order > (own[index - 1] ?? Number.NEGATIVE_INFINITY));
  return rises ? own : own.map((_, index) => index + 1);
}

function collectionOf<Entry>(list: readonly Item[]): Record<Id, Entry> {
  const numbers = numbersOf(list);
  return Object.fromEntries(list.map((item, index) => [idOf(item), entryOf(item, numbers[index])])) as Record<
    Id,
    Entry
  >;
}

const tierEntries = <Entry>(tiers: readonly Item[]): Record<Id, Entry> =>
  Object.fromEntries(tiers.map((tier) => [idOf(tier), entryOf(tier)])) as Record<Id, Entry>;

/** A section with its pieces as the document holds them. */
export const sectionItemOf = (section: Section): Item => ({ ...section, pieces: collectionOf(section.pieces) }) as Item;

/** A ground as the document holds it. */
export const groundEntryOf = (ground: Ground): GroundEntry =>
  ({
    ...ground,
    pieces: collectionOf(ground.pieces),
    ...('sections' in ground
      ? {
          sections: collectionOf(ground.sections.map(sectionItemOf)),
        }
      : {}),
  }) as GroundEntry;

/** All of the fights as the document holds them. */
export const boutsEntryOf = (bouts: Bouts): BoutsEntry => ({
  ...bouts,
  statistics: collectionOf(bouts.statistics),
  elements: collectionOf(bouts.elements),
  actions: collectionOf(bouts.actions),
  fighters: collectionOf(bouts.fighters),
  groups: collectionOf(bouts.groups),
});

/** A level as the document holds it. */
export function levelEntryOf({ id: _id, ...level }: Level): LevelEntry {
  return {
    ...level,
    ground: groundEntryOf(level.ground),
    rules: collectionOf(level.rules),
    standingRulesOff: Object.fromEntries(level.standingRulesOff.map((id) => [id, true as const])),
  };
}

/** The document that is read as this project; of ids given twice the last stands. */
export function documentOf(project: Project): ProjectDocument {
  const { kinds, liveTiers, bouts, ...rest } = project;
  const axes = Object.entries(liveTiers ?? {}) as [LiveAxis, LiveTier[]][];
  return {
    ...rest,
    format: PROJECT_FORMAT,
    version: PROJECT_VERSION,
    score: collectionOf(project.score),
    tallies: collectionOf(project.tallies),
    standing: collectionOf(project.standing),
    kinds: {
      collectables: collectionOf(kinds.collectables),
      enemies: collectionOf(kinds.enemies),
      hazards: collectionOf(kinds.hazards),
    },
    ...(bouts ? { bouts: boutsEntryOf(bouts) } : {}),
    parameters: collectionOf(project.parameters),
    tiers: tierEntries(project.tiers),
    ...(liveTiers ? { liveTiers: Object.fromEntries(axes.map(([axis, tiers]) => [axis, tierEntries(tiers)])) } : {}),
    levels: Object.fromEntries(Object.entries(project.levels).map(([id, level]) => [id, levelEntryOf(level)])),
    expectations: collectionOf(project.expectations),
    slots: collectionOf(project.slots),
    pacers: collectionOf(project.pacers),
  };
}
