export { at, addAt, removeAt, replaceAt, setOptional, type Command } from './command.ts';
export {
  addLevel,
  duplicateLevel,
  moveSlot,
  removeSlot,
  renameLevel,
  setWanted,
  type SequenceCommand,
} from './sequence.ts';
export {
  addParameter,
  removeParameter,
  removePin,
  setParameterFact,
  setPin,
  setSane,
  setRamp,
  setShape,
} from './parameters.ts';
export {
  addRules,
  addStanding,
  duplicateRule,
  freshRule,
  makeStanding,
  moveRule,
  namesPieces,
  removeRule,
  replaceStanding,
  switchRule,
  switchStanding,
  takenConditions,
  takenRules,
} from './rules.ts';
export { copyRules, slotsNamed, type CopiedRules, type LevelChange } from './copyRules.ts';
export { addTally, removeTally, repeatSlot, setFate, setStarGate } from './run.ts';
export { dropExpectation, expectClearRate } from './expectations.ts';
