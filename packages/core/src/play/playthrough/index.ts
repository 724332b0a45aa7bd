export { isEndless, isGoingOn, positionAtTurn } from './order.ts';
export {
  playthroughNumbersAt,
  playthroughPlanOf,
  runTallies,
  starsAsked,
  tallyPolicyOf,
  type PlaythroughNumbers,
  type PlaythroughPlan,
} from './plan.ts';
export {
  enterAttempt,
  ledgerOf,
  startPlaythrough,
  type AttemptEntry,
  type LedgerRow,
  type PlaythroughState,
} from './ledger.ts';
