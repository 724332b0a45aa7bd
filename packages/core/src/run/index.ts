export { isEndless, positionAtTurn } from './order.ts';
export {
  enterAttempt,
  tallyPolicyOf,
  ledgerOf,
  runTallies,
  starsAsked,
  startRun,
  type AttemptEntry,
  type LedgerRow,
  type RunState,
} from './ledger.ts';
export { runDoubts, type RunDoubt } from './doubts.ts';
