import { allPiecesOf, sectionsOf } from '../../play/grid/index.ts';
import {
  freshId,
  freshName,
  groundEntryOf,
  kindsInAmounts,
  KINDS_OF_PIECE,
  literal,
  type CollectableKind,
  type Condition,
  type Effect,
  type EnemyKind,
  type Ground,
  type HazardKind,
  type Id,
  type Kinds,
  type Level,
  type Look,
  type MintId,
  type Piece,
  type Project,
  type Reading,
  type Rule,
} from '../../document/model/index.ts';
import type { PatchOperation } from '../../basics/patch/index.ts';
import { conditionsBesideRules, leaves } from '../../play/rules/index.ts';
import { addAt, at, removeAt, replaceAt, setOptional, type NamedEdit } from './edit.ts';
import { namesOneOf } from './namesPieces.ts';
import { appendEntries, insertEntry } from './order.ts';
import { withoutNames, type Removal } from './removal.ts';
import { addStanding, freshRule, takenStandingConditions, takenStandingRules } from './rules.ts';

export type KindRole = keyof Kinds;
export type AnyKind = CollectableKind | EnemyKind | HazardKind;

/** Role of a kind, by which it is added. */
export const KIND_DEEDS = {
  gathered: { role: 'collectables', label: 'is gathered', name: 'Token' },
  chase: { role: 'enemies', label: 'chases', name: 'Chaser' },
  patrol: { role: 'enemies', label: 'patrols', name: 'Patrol' },
  walk: { role: 'enemies', label: 'walks and turns', name: 'Walker' },
  cross: { role: 'enemies', label: 'crosses in a line', name: 'Crosser' },
  fall: { role: 'enemies', label: 'falls', name: 'Faller' },
  circle: { role: 'enemies', label: 'circles', name: 'Circler' },
  still: { role: 'enemies', label: 'stands', name: 'Sentry' },
  atTouch: { role: 'hazards', label: 'hurts at a touch', name: 'Spikes' },
  perSecond: { role: 'hazards', label: 'hurts per second', name: 'Pool' },
} as const satisfies Record<string, { role: KindRole; label: string; name: string }>;
export type KindDeed = keyof typeof KIND_DEEDS;

/** Every kind of a project with its role. */
export const allKinds = ({ kinds }: Pick<Project, 'kinds'>): { role: KindRole; kind: AnyKind }[] => [
  ...kinds.collectables.map((kind) => ({ role: 'collectables' as const, kind })),
  ...kinds.enemies.map((kind) => ({ role: 'enemies' as const, kind })),
  ...kinds.hazards.map((kind) => ({ role: 'hazards' as const, kind })),
];

const idsIn = (project: Project): Set<Id> => new Set(allKinds(project).map(({ kind }) => kind.id));

const namesIn = (project: Project): Set<string> => new Set(allKinds(project).map(({ kind }) => kind.name));

/** Fields of kinds of one movement only, with usual numbers. */
const OWN_NUMBERS = { chase: { sight: literal(6) }, circle: { distance: 1.5 } } as const;

function usualKind(deed: KindDeed, id: Id, name: string, look: Look): AnyKind {
  const named = { id, name, look };
  switch (deed) {
    case 'gathered':
      return { ...named, worth: literal(1) };
    case 'chase':
      return { ...named, movement: 'chase', speed: literal(2.5), radius: 0.35, ...OWN_NUMBERS.chase };
    case 'patrol':
    case 'walk':
    case 'cross':
    case 'fall':
      return { ...named, movement: deed, speed: literal(2), radius: 0.35 };
    case 'circle':
      return { ...named, movement: 'circle', speed: literal(2), radius: 0.35, ...OWN_NUMBERS.circle };
    case 'still':
      return { ...named, movement: 'still', speed: literal(0), radius: 0.4 };
    case 'atTouch':
      return { ...named, damage: literal(0), acts: 'atTouch' };
    case 'perSecond':
      return { ...named, damage: literal(10), acts: 'perSecond' };
  }
}

/** A kind more, with usual numbers. @param look a mark that no other kind has */
export function addKind(project: Project, deed: KindDeed, look: Look, mint: MintId = freshId): NamedEdit & { id: Id } {
  const { role, name: wanted } = KIND_DEEDS[deed];
  const name = freshName(wanted, namesIn(project));
  const id = mint(name, idsIn(project));
  const kind = usualKind(deed, id, name, look);
  return {
    id,
    label: `Add ${name}`,
    patch: [
      ...appendEntries(['kinds', role], project.kinds[role] as AnyKind[], [kind]),
      ...(role === 'collectables' || deed === 'perSecond' ? [] : touchRule(project, id)),
    ],
  };
}

/** Standing rules for a touch of one more kind, as another kind has them: none is harmless by mistake. */
function touchRule(project: Project, kind: Id): PatchOperation[] {
  const like = project.standing.find(
    (rule) =>
      rule.off !== true &&
      rule.when.is === 'onOff' &&
      rule.when.reading.reading === 'touching' &&
      rule.then.some(({ effect }) => effect === 'loseLife' || effect === 'lose' || effect === 'hurt'),
  );
  if (like?.when.is !== 'onOff') return [];
  const rule: Rule = { ...like, id: `touch-${kind}`.slice(0, 48), when: touchOf(like.when, kind) };
  const { order: _order, note: _note, ...fresh } = rule;
  return addStanding(project, [fresh], '').patch;
}

/** A copy of a kind right after it, with a mark of its own. The standing rules on a touch of the kind are copied with it. */
export function duplicateKind(
  project: Project,
  role: KindRole,
  kind: AnyKind,
  look: Look,
  mint: MintId = freshId,
): NamedEdit & { id: Id } {
  const name = freshName(kind.name, namesIn(project));
  const id = mint(name, idsIn(project));
  const list = project.kinds[role] as AnyKind[];
  const { order: _order, ...copy } = { ...kind, id, name, look };
  const place = list.findIndex((other) => other.id === kind.id) + 1;
  return {
    id,
    label: `Duplicate ${kind.name}`,
    patch: [
      ...insertEntry(['kinds', role], list, copy as AnyKind, place),
      ...(role === 'collectables' ? [] : touchRulesCopied(project, kind.id, id)),
    ],
  };
}

/** Copies the standing rules whose condition is a touch of one kind, for another kind, each right after its original. */
function touchRulesCopied(project: Project, from: Id, to: Id): PatchOperation[] {
  const rules = takenStandingRules(project);
  const conditions = takenStandingConditions(project);
  // One list takes all copies, so that their order numbers differ.
  let list: readonly Rule[] = project.standing;
  return project.standing.flatMap((rule): PatchOperation[] => {
    const { when } = rule;
    if (when.is !== 'onOff' || when.reading.reading !== 'touching' || when.reading.kind !== from) return [];
    const named: Rule = { ...rule, id: `touch-${to}`.slice(0, 48), when: touchOf(when, to) };
    const { order: _order, note: _note, ...copy } = freshRule(named, rules, conditions);
    const place = list.findIndex((other) => other.id === rule.id) + 1;
    const patch = insertEntry(['standing'], list, copy, place);
    list = list.toSpliced(place, 0, copy);
    return patch;
  });
}

/** The touch of another kind in place of the touch of one. */
const touchOf = (when: Extract<Condition, { is: 'onOff' }>, kind: Id): Condition => ({
  ...when,
  id: `touches-${kind}`.slice(0, 48),
  reading: { reading: 'touching', kind },
});

export const renameKind = (role: KindRole, kind: AnyKind, name: string): NamedEdit => ({
  label: `Rename ${kind.name} to ${name}`,
  patch: [replaceAt(at('kinds', role, kind.id, 'name'), name)],
});

export const setLook = (role: KindRole, kind: AnyKind, look: Look): NamedEdit => ({
  label: `Look of ${kind.name}`,
  patch: setOptional(at('kinds', role, kind.id, 'look'), kind.look, look),
});

/** Lets an enemy move otherwise. */
export function setMovement(kind: EnemyKind, movement: EnemyKind['movement']): NamedEdit {
  const path = at('kinds', 'enemies', kind.id);
  const own = (of: EnemyKind['movement']): [string, unknown][] =>
    of === kind.movement && of === movement
      ? []
      : Object.entries(of === 'chase' || of === 'circle' ? OWN_NUMBERS[of] : {});
  return {
    label: `How ${kind.name} moves`,
    patch: [
      replaceAt(`${path}/movement`, movement),
      ...own(kind.movement).map(([field]) => removeAt(`${path}/${field}`)),
      ...own(movement).map(([field, value]) => addAt(`${path}/${field}`, value)),
    ],
  };
}

/** Where a kind stands and what names it. */
export interface KindUses {
  /** Levels in which it stands, with how many pieces of it. */
  levels: { level: Level; pieces: number }[];
  pieces: number;
  /** Rules, clocks and stars that name it; of no level for standing rules and the score. */
  named: { level?: Level; words: string; what: 'rule' | 'amount' | 'score' }[];
}

/** The role of the kinds that a reading is about. */
function roleNamed(reading: Reading): { id: Id; role: (role: KindRole) => boolean } | undefined {
  switch (reading.reading) {
    case 'worth':
    case 'collected':
    case 'left':
      return { id: reading.of, role: (role) => role === 'collectables' };
    case 'enemiesLeft':
    case 'enemiesBeaten':
      return { id: reading.of, role: (role) => role === 'enemies' };
    case 'touching':
      return { id: reading.kind, role: (role) => role !== 'collectables' };
    default:
      return undefined;
  }
}

/** Does the reading name the kind? */
function isNamed(reading: Reading, role: KindRole, id: Id): boolean {
  const subject = roleNamed(reading);
  return subject !== undefined && subject.id === id && subject.role(role);
}

/** Is the piece one of this kind? */
const isOfKind = (piece: Piece, role: KindRole, id: Id): boolean =>
  'kind' in piece && piece.kind === id && KINDS_OF_PIECE[piece.piece] === role;

/** @param wordsOf a rule in words */
export function usesOfKind(
  project: Project,
  role: KindRole,
  id: Id,
  wordsOf: (rule: Rule, level?: Level) => string,
): KindUses {
  const levels = Object.values(project.levels).flatMap((level) => {
    const pieces = allPiecesOf(level.ground).filter((piece) => isOfKind(piece, role, id)).length;
    return pieces > 0 ? [{ level, pieces }] : [];
  });
  const takesShare = (part: unknown): boolean => role === 'collectables' && kindsInAmounts(part).has(id);
  const namesIt = (rule: Pick<Rule, 'when'>): boolean =>
    leaves(rule.when).some(({ leaf }) => isNamed(leaf.reading, role, id)) || takesShare(rule);
  const rules = (list: readonly Rule[], level?: Level): KindUses['named'] =>
    list
      .filter(namesIt)
      .map((rule) => ({ ...(level ? { level } : {}), words: wordsOf(rule, level), what: 'rule' as const }));
  const inLevel = (level: Level): KindUses['named'] => {
    const { clock, stars } = level;
    const others = conditionsBesideRules(level).some((when) => namesIt({ when })) || takesShare([clock, stars]);
    return [
      ...rules(level.rules, level),
      ...(others ? [{ level, words: 'its clock or stars', what: 'amount' as const }] : []),
    ];
  };
  const scored = project.score.some((part) => isNamed(part.reading, role, id));
  return {
    levels,
    pieces: levels.reduce((sum, { pieces }) => sum + pieces, 0),
    named: [
      ...rules(project.standing),
      ...(scored ? [{ words: 'the score', what: 'score' as const }] : []),
      ...Object.values(project.levels).flatMap(inLevel),
    ],
  };
}

/** Limit of the operations in an edit: beyond it the pieces of a level are one operation. Two people's pieces meet less where they go one by one. */
const MOST_REMOVED_SINGLY = 1000;

/** Takes the pieces of a kind off a level. @param singly one operation a piece; else one for all */
function withoutKind(level: Level, role: KindRole, id: Id, singly: boolean): PatchOperation[] {
  const stays = (piece: Piece): boolean => !isOfKind(piece, role, id);
  const { ground } = level;
  const path = ['levels', level.id, 'ground'];
  if (singly) {
    const remove = (pieces: readonly Piece[], base: readonly string[]): PatchOperation[] =>
      pieces.flatMap((piece) => (stays(piece) ? [] : [removeAt(at(...base, 'pieces', piece.id))]));
    return [
      ...remove(ground.pieces, path),
      ...sectionsOf(ground).flatMap((section) => remove(section.pieces, [...path, 'sections', section.id])),
    ];
  }
  const { pieces, ...rest } = groundEntryOf({
    ...ground,
    pieces: ground.pieces.filter(stays),
    ...('sections' in ground
      ? { sections: ground.sections.map((one) => ({ ...one, pieces: one.pieces.filter(stays) })) }
      : {}),
  } as Ground);
  return [
    replaceAt(at(...path, 'pieces'), pieces),
    ...('sections' in rest && sectionsOf(ground).some((section) => !section.pieces.every(stays))
      ? [replaceAt(at(...path, 'sections'), rest.sections)]
      : []),
  ];
}

/** Removes a kind with its pieces and with every sentence that names the kind or one of its pieces. */
export function removeKind(project: Project, role: KindRole, kind: AnyKind, uses: KindUses): Removal {
  const idsIn = new Map(
    uses.levels.map(({ level }) => [
      level,
      new Set(allPiecesOf(level.ground).flatMap((piece) => (isOfKind(piece, role, kind.id) ? [piece.id] : []))),
    ]),
  );
  const isPiece = (part: Reading | Effect, level?: Level): boolean => {
    const ids = level && idsIn.get(level);
    return ids !== undefined && namesOneOf(part, ids);
  };
  const { patch, sentences } = withoutNames(project, {
    reading: (reading, level) => isNamed(reading, role, kind.id) || isPiece(reading, level),
    effect: isPiece,
    ...(role === 'collectables' ? { kind: kind.id } : {}),
  });
  return {
    label:
      uses.pieces === 0
        ? `Remove ${kind.name}`
        : `Remove ${kind.name} and its ${uses.pieces === 1 ? 'piece' : `${uses.pieces} pieces`}`,
    sentences,
    patch: [
      ...patch,
      ...uses.levels.flatMap(({ level }) => withoutKind(level, role, kind.id, uses.pieces <= MOST_REMOVED_SINGLY)),
      removeAt(at('kinds', role, kind.id)),
    ],
  };
}
