export {
  HandOff,
  HAND_OFF_FORMAT,
  HAND_OFF_VERSION,
  type HandedCondition,
  type HandedEffect,
  type HandedRule,
  type HandedSlot,
  type Memory,
} from './schema.ts';
export type { HandedBouts, HandedFighter } from './bouts.ts';
export { handOffOf } from './handOff.ts';
export { exportSlot } from './make.ts';
export { roundsHandedOver } from './rounds.ts';
export { playerTexts, Strings, STRINGS_FORMAT, STRINGS_VERSION, stringsOf, type PlayerText } from './texts.ts';
