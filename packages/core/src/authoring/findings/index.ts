export { FindingBook, findingsAt, findingsOf } from './findingBook.ts';
export { FINDING_CLASSES } from './findingClasses.ts';
export {
  FINDING_GROUPS,
  SEVERITIES,
  type FindingClass,
  type FindingCode,
  type FindingGroup,
  type Remedy,
  type Severity,
  type Source,
} from './findingClass.ts';
export { mendsOf, type Check, type Evidence, type Finding, type Found, type Mend } from './finding.ts';
export { withoutEchoes, evidenceIn, EVIDENCE_CHECKS, type AttemptsSeen, type KnownAttempts } from './evidence/index.ts';
export type { FactsByScope, Scope, SlotFacts } from './scopes.ts';
export { checkExpectation, type ExpectationCheck, type KnownForecast } from './expectations.ts';
export { countAgain, leaveSo, leftBecause, sorted } from './leftSo.ts';
export { mendAll } from './mendAll.ts';
export { waysAt } from './waysAt.ts';
