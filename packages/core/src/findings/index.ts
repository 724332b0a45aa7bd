export { findingsAt, findingsOf } from './check.ts';
export type { Finding, FindingCode, Mend, Severity } from './finding.ts';
