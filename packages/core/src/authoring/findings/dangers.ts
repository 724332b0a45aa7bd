import type { EnemyKind, HazardKind, Level, Piece, Project } from '../../document/model/index.ts';
import { hurts, neededIn } from './conditions.ts';
import type { SlotFacts } from './scopes.ts';

type EnemyPiece = Extract<Piece, { piece: 'enemy' | 'spawner' }>;

/** Ids of the kinds of enemies and hazards whose touch hurts: by their damage, or by a rule. */
export function harmfulKinds({
  project,
  rules,
  number,
}: Pick<SlotFacts, 'project' | 'rules' | 'number'>): ReadonlySet<string> {
  const byRule = rules.flatMap(({ rule }) =>
    hurts(rule)
      ? neededIn(rule.when).flatMap(({ leaf }) =>
          leaf.reading.reading === 'touching' && (leaf.is !== 'onOff' || leaf.on) ? [leaf.reading.kind] : [],
        )
      : [],
  );
  const { enemies, hazards } = project.kinds;
  const byDamage = [...enemies, ...hazards].filter(({ damage }) => damage && number(damage) > 0).map(({ id }) => id);
  return new Set([...byRule, ...byDamage]);
}

export const enemyKind = (project: Project, id: string): EnemyKind | undefined =>
  project.kinds.enemies.find((kind) => kind.id === id);
export const hazardKindOf = (project: Project, id: string): HazardKind | undefined =>
  project.kinds.hazards.find((kind) => kind.id === id);

export const startOf = (level: Level): { x: number; y: number } =>
  level.ground.pieces.find(({ piece }) => piece === 'start')?.at ?? { x: 0, y: 0 };

/** The slowest reaction of the project's pacers, in seconds: nobody can be sure to act sooner. */
export const slowestReaction = ({ pacers }: Project): number =>
  Math.max(...pacers.map(({ abilities }) => abilities.reactionMs)) / 1000;

/** How near an enemy of a kind has to come to touch the player, and how far it goes in a reaction. Units. */
export function reachOfEnemy(here: SlotFacts, { kind: id }: EnemyPiece): { touch: number; goes: number } | undefined {
  const kind = enemyKind(here.project, id);
  if (!kind) return undefined;
  const goes = kind.movement === 'still' ? 0 : here.number(kind.speed) * slowestReaction(here.project);
  return { touch: kind.radius + here.project.player.radius, goes };
}

/** How far a place lies beside a stretch, along one axis; 0 within it. Units. */
export const beside = (at: number, from: number, length: number): number => Math.max(0, from - at, at - from - length);

/** Does an area hold a place? Units. */
export const holds = (
  area: { at: { x: number; y: number }; width: number; height: number },
  { x, y }: { x: number; y: number },
): boolean => x >= area.at.x && x <= area.at.x + area.width && y >= area.at.y && y <= area.at.y + area.height;

export const distance = (one: { x: number; y: number }, other: { x: number; y: number }): number =>
  Math.sqrt((one.x - other.x) * (one.x - other.x) + (one.y - other.y) * (one.y - other.y));
