import { dropNobodySees } from './dropNobodySees.ts';
import { meetingsRare } from './meetingsRare.ts';
import { experienceStalls } from './experienceStalls.ts';
import { actionNeverUsed } from './actionNeverUsed.ts';
import { weightsOfNothing } from './weightsOfNothing.ts';
import { oneHitEndsIt } from './oneHitEndsIt.ts';
import { cannotBeHurt } from './cannotBeHurt.ts';
import { boutWithoutEnd } from './boutWithoutEnd.ts';
import type { Check } from '../finding.ts';
import type { Scope } from '../scopes.ts';
import { alreadyTrue } from './alreadyTrue.ts';
import { clockAbsent } from './clockAbsent.ts';
import { clockNeverStarts } from './clockNeverStarts.ts';
import { collectableInHazard } from './collectableInHazard.ts';
import { contradiction } from './contradiction.ts';
import { dangerNearStart } from './dangerNearStart.ts';
import { dangersOnOneCell } from './dangersOnOneCell.ts';
import { duplicatedLiteral } from './duplicatedLiteral.ts';
import { endNeverReached } from './endNeverReached.ts';
import { endingsCanTie } from './endingsCanTie.ts';
import { exactJumpedOver } from './exactJumpedOver.ts';
import { expectationNotMet } from './expectationNotMet.ts';
import { formulaCycle } from './formulaCycle.ts';
import { formulaWrong } from './formulaWrong.ts';
import { gateLocksOnlyWay } from './gateLocksOnlyWay.ts';
import { goalUnreachable } from './goalUnreachable.ts';
import { heldTooLong } from './heldTooLong.ts';
import { hurtUntouched } from './hurtUntouched.ts';
import { identicalNeighbours } from './identicalNeighbours.ts';
import { idleEffect } from './idleEffect.ts';
import { impliedCondition } from './impliedCondition.ts';
import { latchOrGateAlone } from './latchOrGateAlone.ts';
import { levelInNoSlot } from './levelInNoSlot.ts';
import { lifeBeyondPoints } from './lifeBeyondPoints.ts';
import { lifeWithoutEnd } from './lifeWithoutEnd.ts';
import { messageTooShort } from './messageTooShort.ts';
import { neverReachable } from './neverReachable.ts';
import { nextLeadsToItself } from './nextLeadsToItself.ts';
import { noWayToLose } from './noWayToLose.ts';
import { noWayToWin } from './noWayToWin.ts';
import { pathThroughWall } from './pathThroughWall.ts';
import { pieceInWall } from './pieceInWall.ts';
import { pieceUnreachable } from './pieceUnreachable.ts';
import { pinFarOff } from './pinFarOff.ts';
import { rampCrossesZero } from './rampCrossesZero.ts';
import { rampFlat } from './rampFlat.ts';
import { rampJumps } from './rampJumps.ts';
import { rampLeavesSaneRange } from './rampLeavesSaneRange.ts';
import { rampNeverReachesCap } from './rampNeverReachesCap.ts';
import { rampRunsAway } from './rampRunsAway.ts';
import { retryGivesBack } from './retryGivesBack.ts';
import { ruleShadowed } from './ruleShadowed.ts';
import { rulesAlike } from './rulesAlike.ts';
import { rulesRepeated } from './rulesRepeated.ts';
import { slotsSideBySide } from './slotsSideBySide.ts';
import { spawnNearStart } from './spawnNearStart.ts';
import { spawnerWithoutRoom } from './spawnerWithoutRoom.ts';
import { standingOffEverywhere } from './standingOffEverywhere.ts';
import { starGateBeyondEarnable } from './starGateBeyondEarnable.ts';
import { starGivenToAll } from './starGivenToAll.ts';
import { starOutOfOrder } from './starOutOfOrder.ts';
import { starUnreachable } from './starUnreachable.ts';
import { startInDanger } from './startInDanger.ts';
import { tallyNeverReset } from './tallyNeverReset.ts';
import { briefOutdated } from './briefOutdated.ts';
import { pitWithoutEnd } from './pitWithoutEnd.ts';
import { targetBeyondGround } from './targetBeyondGround.ts';
import { targetBeyondPlaced } from './targetBeyondPlaced.ts';
import { tierChangesNothing } from './tierChangesNothing.ts';
import { tierWithoutLevel } from './tierWithoutLevel.ts';
import { tightGap } from './tightGap.ts';
import { tooLittleTime } from './tooLittleTime.ts';
import { unused } from './unused.ts';

/** Every check, by group. At one slot findings come in this order. */
export const CHECKS = [
  alreadyTrue,
  hurtUntouched,
  startInDanger,
  dangerNearStart,
  spawnNearStart,
  noWayToWin,
  targetBeyondPlaced,
  targetBeyondGround,
  goalUnreachable,
  pieceUnreachable,
  gateLocksOnlyWay,
  tooLittleTime,
  neverReachable,
  contradiction,
  exactJumpedOver,
  briefOutdated,
  noWayToLose,
  lifeWithoutEnd,
  pitWithoutEnd,
  clockNeverStarts,
  clockAbsent,
  ruleShadowed,
  impliedCondition,
  rulesAlike,
  endingsCanTie,
  idleEffect,
  messageTooShort,
  heldTooLong,
  standingOffEverywhere,
  starOutOfOrder,
  starUnreachable,
  starGivenToAll,
  starGateBeyondEarnable,
  rampLeavesSaneRange,
  rampCrossesZero,
  rampJumps,
  rampNeverReachesCap,
  rampRunsAway,
  rampFlat,
  pinFarOff,
  identicalNeighbours,
  tierWithoutLevel,
  tierChangesNothing,
  formulaWrong,
  formulaCycle,
  pieceInWall,
  pathThroughWall,
  spawnerWithoutRoom,
  collectableInHazard,
  latchOrGateAlone,
  dangersOnOneCell,
  tightGap,
  unused,
  nextLeadsToItself,
  endNeverReached,
  tallyNeverReset,
  lifeBeyondPoints,
  levelInNoSlot,
  slotsSideBySide,
  retryGivesBack,
  boutWithoutEnd,
  cannotBeHurt,
  oneHitEndsIt,
  weightsOfNothing,
  actionNeverUsed,
  experienceStalls,
  meetingsRare,
  dropNobodySees,
  duplicatedLiteral,
  rulesRepeated,
  expectationNotMet,
] as unknown as readonly Check<Scope>[];
