import type { Upgrade } from './types.ts';

type Json = Record<string, unknown>;
const number = (value: number): Json => ({ from: 'number', value });
const isJson = (value: unknown): value is Json => value !== null && typeof value === 'object' && !Array.isArray(value);

const keep: Json = { is: 'keep' };
const reset: Json = { is: 'reset', to: null };

/** The ending that version 1 implied. */
const endingOf = (to: string): Json => ({
  freezeSeconds: number(0.5),
  goesOn: [],
  message: '',
  holdSeconds: number(1.5),
  next: { to },
});

const upEffect = (effect: unknown): unknown =>
  isJson(effect) && effect['effect'] === 'loseLife' ? { ...effect, resets: [] } : effect;

const upRule = (rule: unknown): unknown =>
  isJson(rule) && Array.isArray(rule['then']) ? { ...rule, then: rule['then'].map(upEffect) } : rule;

const upPiece = (piece: unknown): unknown =>
  isJson(piece) && piece['piece'] === 'spawner' ? { ...piece, starts: 'load' } : piece;

function upLevel(level: unknown): unknown {
  if (!isJson(level)) return level;
  const { ground, clock, stars } = level;
  return {
    ...level,
    ...(isJson(ground) && Array.isArray(ground['pieces'])
      ? { ground: { ...ground, pieces: ground['pieces'].map(upPiece) } }
      : {}),
    ...(Array.isArray(level['rules']) ? { rules: level['rules'].map(upRule) } : {}),
    ...(isJson(clock) ? { clock: { ...clock, parSeconds: null } } : {}),
    ...(isJson(stars) ? { stars: { ...stars, direction: 'atLeast' } } : {}),
    without: [],
    ending: { won: endingOf('nextSlot'), lost: endingOf('retry') },
  };
}

/** Version 1 knew no standing rules, no hazards, no health, no run beyond its lives: here they are as it took them to be. */
export const from1: Upgrade = {
  from: 1,
  up: (document) => {
    const { levels, kinds, run, player } = document;
    return {
      ...document,
      ...(isJson(player) ? { player: { ...player, health: number(100), shooting: null } } : {}),
      lengths: { metresPerUnit: 1, shown: 'units' },
      score: [{ id: 'worth', reading: { reading: 'worth', of: 'any' }, times: number(1) }],
      tallies: [],
      standing: [],
      ...(isJson(run)
        ? {
            run: {
              ...run,
              livesAtMost: null,
              lifeEvery: null,
              order: 'inOrder',
              afterLast: 'end',
              unlock: { by: 'win' },
              onGameOver: 'firstSlot',
              keep: {
                score: { retry: keep, next: keep, gameOver: reset },
                lives: { retry: keep, next: keep, gameOver: reset },
                collected: { retry: reset, next: reset, gameOver: reset },
                stars: { retry: keep, next: keep, gameOver: keep },
              },
            },
          }
        : {}),
      ...(isJson(kinds) ? { kinds: { ...kinds, hazards: [] } } : {}),
      ...(isJson(levels)
        ? { levels: Object.fromEntries(Object.entries(levels).map(([id, level]) => [id, upLevel(level)])) }
        : {}),
      expectations: [],
    };
  },
};
