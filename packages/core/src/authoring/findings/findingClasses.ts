import { CHECKS } from './checks/index.ts';
import { EVIDENCE_CHECKS } from './evidence/index.ts';
import type { FindingClass } from './findingClass.ts';

/** Every class of findings: those that are read off the project and its play, then those that rest on attempts. */
export const FINDING_CLASSES: readonly FindingClass[] = [...CHECKS, ...EVIDENCE_CHECKS];
