export { at, addAt, removeAt, replaceAt, setOptional, type NamedEdit } from './edit.ts';
export { appendEntries, insertEntry, moveEntry } from './order.ts';
export {
  addLevel,
  duplicateLevel,
  moveSlot,
  removeSlot,
  renameLevel,
  setWanted,
  type SequenceEdit,
} from './sequence.ts';
export {
  addParameter,
  removeParameter,
  removePin,
  setParameterFact,
  setPin,
  setSane,
  READING_WORDS,
  setAxis,
  setCells,
  setRampAndPins,
  setRamp,
  setShape,
  type CellChange,
  type FirstValue,
  type ParameterRemoval,
} from './parameters.ts';
export { addSection, removeSection, setDrawnBy, setSection } from './sections.ts';
export { addTier, moveTier, removeTier, renameTier, tierLimits, tiersOf } from './tiers.ts';
export {
  addRules,
  addStanding,
  duplicateRule,
  freshRule,
  makeStanding,
  moveRule,
  removeRule,
  replaceStanding,
  switchRule,
  switchStanding,
  takenConditions,
  takenRules,
} from './rules.ts';
export { joinCondition, type Join, type Within } from './conditions.ts';
export { copyRules, slotsNamed, type CopiedRules, type LevelChange } from './copyRules.ts';
export { addTally, removeTally, repeatSlot, setTallyPolicy, setStarGate } from './run.ts';
export { dropExpectation, expectClearRate } from './expectations.ts';
export { namesPieces } from './namesPieces.ts';
export { type NamedSentence, type Removal } from './removal.ts';
export { copyGround, editGround, groundPatch, lostByCopying, sentencesNaming, withoutPieces } from './ground.ts';
export {
  addKind,
  allKinds,
  duplicateKind,
  KIND_DEEDS,
  removeKind,
  renameKind,
  setLook,
  setMovement,
  usesOfKind,
  type AnyKind,
  type KindDeed,
  type KindRole,
  type KindUses,
} from './kinds.ts';
export { rebased, withoutShift } from './rebase.ts';
export {
  addPacer,
  audienceOf,
  removePacer,
  renamePacer,
  setAbility,
  setAudienceShare,
  setPacerFact,
  setPacerSpread,
} from './pacers.ts';
export { dropOwnWanted, setWantedLine, wantedLineAs } from './wanted.ts';
export {
  addAction,
  addElement,
  addFighter,
  addGroup,
  addStatistic,
  removeAction,
  removeElement,
  removeFighter,
  removeGroup,
  removeStatistic,
  renameStatistic,
  setLikeness,
  setMeetings,
  setStatistic,
  setUse,
  startBouts,
  statisticKey,
} from './bouts.ts';
export {
  decideByBout,
  decideByGround,
  levelsNeeding,
  setLevelBout,
  usualBout,
  usualBoutRules,
  usualBoutStars,
} from './boutLevels.ts';
