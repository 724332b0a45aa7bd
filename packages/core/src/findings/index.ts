export { findingsAt, findingsOf } from './check.ts';
export { FINDING_CLASSES } from './finding.ts';
export type { Finding, FindingCode, Mend, Severity } from './finding.ts';
export { checkExpectation, type ExpectationCheck, type KnownForecast } from './expectations.ts';
