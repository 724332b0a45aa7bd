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
export { addParameter, removeParameter, removePin, setParameterFact, setPin, setRamp, setShape } from './parameters.ts';
