export { FindingBook, findingsAt, findingsOf } from './findingBook.ts';
export { FINDING_CLASSES } from './finding.ts';
export type { Check, Finding, FindingCode, Found, Mend, Severity } from './finding.ts';
export type { FactsByScope, Scope, SlotFacts } from './scopes.ts';
export { checkExpectation, type ExpectationCheck, type KnownForecast } from './expectations.ts';
