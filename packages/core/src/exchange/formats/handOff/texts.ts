import { z } from 'zod';
import { briefOf, resolvingAt } from '../../../play/attempt/index.ts';
import type { Level, Project, Rule } from '../../../document/model/index.ts';

export const STRINGS_FORMAT = 'stadion-strings';
export const STRINGS_VERSION = 1;

/** Every text that a player may see, by its id. */
export const Strings = z
  .strictObject({
    format: z.literal(STRINGS_FORMAT),
    version: z.literal(STRINGS_VERSION),
    name: z.string(),
    strings: z.record(
      z.string(),
      z.strictObject({ text: z.string(), where: z.string().describe('Where it is shown, for who translates it.') }),
    ),
  })
  .meta({ title: 'Stadion strings' });
export type Strings = z.infer<typeof Strings>;

/** A text that a player may see. */
export interface PlayerText {
  id: string;
  text: string;
  /** Where it is shown, for who translates it. */
  where: string;
}

export const nameId = (levelId: string): string => `levels.${levelId}.name`;
export const briefId = (levelId: string): string => `levels.${levelId}.brief`;
export const endingId = (levelId: string, side: 'won' | 'lost'): string => `levels.${levelId}.ending.${side}`;
/** @param level id of the level that the rule stands in; undefined for a standing rule @param at index of the effect */
export const effectId = (level: string | undefined, rule: string, at: number): string =>
  `${level === undefined ? 'standing' : `levels.${level}.rules`}.${rule}.${at}`;

const textsOfRule = (rule: Rule, level: Level | undefined): PlayerText[] =>
  rule.then.flatMap((effect, at) => {
    const id = effectId(level?.id, rule.id, at);
    const where = level ? level.name : 'Every level';
    if (effect.effect === 'message') return [{ id, text: effect.text, where: `${where}: message` }];
    return effect.effect === 'lose' ? [{ id, text: effect.cause, where: `${where}: why it is lost` }] : [];
  });

function textsOfLevel(project: Project, level: Level): PlayerText[] {
  // A brief that follows the rules says the numbers of the level's first slot.
  const first = Math.max(1, project.slots.findIndex(({ levelId }) => levelId === level.id) + 1);
  const named = level.ground.pieces.flatMap((piece) =>
    'name' in piece
      ? [{ id: `levels.${level.id}.pieces.${piece.id}`, text: piece.name, where: `${level.name}: ${piece.piece}` }]
      : [],
  );
  return [
    { id: nameId(level.id), text: level.name, where: 'Name of a level' },
    {
      id: briefId(level.id),
      text: briefOf(project, level, () => resolvingAt(project, level, first)),
      where: `${level.name}: what to do`,
    },
    ...level.rules.flatMap((rule) => textsOfRule(rule, level)),
    ...named,
    ...(['won', 'lost'] as const).map((side) => ({
      id: endingId(level.id, side),
      text: level.ending[side].message,
      where: `${level.name}: after ${side === 'won' ? 'a win' : 'a loss'}`,
    })),
  ];
}

/** Every text that a player may see, in the order of the sequence; empty ones left out. */
export function playerTexts(project: Project): PlayerText[] {
  const { kinds, tallies, tiers, words } = project;
  const inSequence = [...new Set(project.slots.map(({ levelId }) => levelId))];
  return [
    { id: 'name', text: project.name, where: 'Name of the game' },
    { id: 'words.player', text: words.player, where: 'What the player is called' },
    { id: 'words.worth', text: words.worth, where: 'What is gathered' },
    ...[...kinds.collectables, ...kinds.enemies, ...kinds.hazards].map(({ id, name }) => ({
      id: `kinds.${id}`,
      text: name,
      where: 'Name of a kind',
    })),
    ...tallies.map(({ id, name }) => ({ id: `tallies.${id}`, text: name, where: 'Name of a tally' })),
    ...tiers.map(({ id, name }) => ({ id: `tiers.${id}`, text: name, where: 'Name of a tier' })),
    ...project.standing.flatMap((rule) => textsOfRule(rule, undefined)),
    ...inSequence.flatMap((id) => {
      const level = project.levels[id];
      return level ? textsOfLevel(project, level) : [];
    }),
  ].filter(({ text }) => text !== '');
}

export const stringsOf = (project: Project): Strings => ({
  format: STRINGS_FORMAT,
  version: STRINGS_VERSION,
  name: project.name,
  strings: Object.fromEntries(playerTexts(project).map(({ id, text, where }) => [id, { text, where }])),
});
