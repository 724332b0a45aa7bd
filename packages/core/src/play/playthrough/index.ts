export { isEndless, isGoingOn, positionAtTurn } from './order.ts';
export {
  runNumbersAt,
  runPlanOf,
  runTallies,
  starsAsked,
  tallyPolicyOf,
  type RunNumbers,
  type RunPlan,
} from './plan.ts';
export { enterAttempt, ledgerOf, startRun, type AttemptEntry, type LedgerRow, type RunState } from './ledger.ts';
