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
export { handedSlot, handOffOf } from './make.ts';
export { playerTexts, Strings, STRINGS_FORMAT, STRINGS_VERSION, stringsOf, type PlayerText } from './texts.ts';
