import type { Abilities } from '../../basics/abilities/index.ts';

/** Share of the room to learn that remains after each try. */
const LEFT_BY_A_TRY = 0.8;

/**
 * A player's abilities at a further try at the same level: reaction and steering error shrink.
 *
 * @param learning the share of them that tries can take away in the end
 * @param tries which try it is, from 1
 */
export function learnedAbilities(abilities: Abilities, learning: number, tries: number): Abilities {
  if (learning === 0 || tries <= 1) return abilities;
  let room = 1;
  for (let i = 1; i < tries; i++) room *= LEFT_BY_A_TRY;
  const left = 1 - learning * (1 - room);
  return {
    ...abilities,
    reactionMs: abilities.reactionMs * left,
    aimErrorDegrees: abilities.aimErrorDegrees * left,
  };
}
