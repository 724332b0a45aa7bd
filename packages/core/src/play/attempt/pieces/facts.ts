import { allPiecesOf } from '../../grid/index.ts';
import type { Level, Project } from '../../../document/model/index.ts';
import type { Values } from '../../../document/ramps/index.ts';
import { resolveAmount, rulesOf, type Names, type Placed, type Subjects } from '../../rules/index.ts';
import { PIECES } from './index.ts';

/** Counts the pieces that a level offers: those on the ground, on each section once, and those that a milestone reveals, with the worth of each kind at this slot. Where a bout decides, nothing is placed. */
export function placedOn(project: Pick<Project, 'kinds' | 'standing'>, level: Level, values: Values): Placed {
  const count: Record<string, number> = { any: 0 };
  const worth: Record<string, number> = { any: 0 };
  const each = new Map<string, number>();
  for (const kind of project.kinds.collectables) {
    count[kind.id] = 0;
    worth[kind.id] = 0;
    // A worth is no share of what is placed: that would be a share of itself.
    if (kind.worth.from === 'number' || kind.worth.from === 'parameter')
      each.set(kind.id, resolveAmount(kind.worth, values, { count: {}, worth: {} }));
  }
  const revealed = new Set(
    rulesOf(project, level).flatMap(({ rule }) =>
      rule.then.flatMap((effect) => (effect.effect === 'reveal' ? [effect.piece] : [])),
    ),
  );
  for (const piece of level.bout ? [] : allPiecesOf(level.ground)) {
    const given = PIECES[piece.piece].gives?.(piece);
    if (!given || (given.hidden && !revealed.has(piece.id))) continue;
    const points = each.get(given.kind) ?? 0;
    count[given.kind] = (count[given.kind] ?? 0) + 1;
    worth[given.kind] = (worth[given.kind] ?? 0) + points;
    count['any'] = (count['any'] as number) + 1;
    worth['any'] = (worth['any'] as number) + points;
  }
  return { count, worth };
}

/** Every subject that the rules of a level can name. */
export function subjectsOf(
  project: Pick<Project, 'kinds' | 'tallies' | 'bouts'>,
  level: Pick<Level, 'ground'>,
): Subjects {
  const { collectables, enemies, hazards } = project.kinds;
  const index = (list: readonly { id: string }[]): Map<string, number> =>
    new Map(list.map((entry, i) => [entry.id, i]));
  const pieces = {
    zone: new Map<string, number>(),
    latch: new Map<string, number>(),
    gate: new Map<string, number>(),
    phase: new Map<string, number>(),
    spawner: new Map<string, number>(),
    piece: new Map<string, number>(),
  };
  for (const piece of level.ground.pieces) {
    const { subject } = PIECES[piece.piece];
    if (subject) pieces[subject].set(piece.id, pieces[subject].size);
  }
  return {
    collectable: index(collectables).set('any', collectables.length),
    enemy: index(enemies).set('any', enemies.length),
    toucher: index([...enemies, ...hazards]),
    tally: index(project.tallies),
    side: new Map([
      ['ours', 0],
      ['theirs', 1],
    ]),
    fighter: index(project.bouts?.fighters ?? []),
    ...pieces,
  };
}

/** The names that the sentences of a level need; of no level for what holds in all. */
export function namesFor(project: Project, level: Level | undefined): Names {
  const { words, kinds, parameters, tallies, lengths } = project;
  const pieces: Record<string, string> = {};
  const numbers = new Map<string, number>();
  const nameOf = new Map([...kinds.hazards, ...kinds.enemies, ...kinds.collectables].map(({ id, name }) => [id, name]));
  for (const piece of level?.ground.pieces ?? []) {
    if ('name' in piece) pieces[piece.id] = piece.name;
    else if ('kind' in piece) {
      // Pieces without a name of their own have a number: “hornet 2”.
      const { noun } = PIECES[piece.piece];
      const name = `${nameOf.get(piece.kind) ?? piece.kind}${noun === undefined ? '' : ` ${noun}`}`;
      const number = (numbers.get(name) ?? 0) + 1;
      numbers.set(name, number);
      pieces[piece.id] = `${name} ${number}`;
    }
  }
  return { words, kinds, parameters, tallies, lengths, pieces, fighters: project.bouts?.fighters ?? [] };
}
