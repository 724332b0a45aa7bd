export { isEndless, positionAtTurn } from './order.ts';
export {
  enterAttempt,
  fateOf,
  ledgerOf,
  runTallies,
  starsAsked,
  startBooks,
  type AttemptEntry,
  type LedgerRow,
  type RunBooks,
} from './ledger.ts';
export { runDoubts, type RunDoubt } from './doubts.ts';
