/** How grave a finding is, the gravest first. */
export const SEVERITIES = ['stops play', 'surely wrong', 'doubtful'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** Where a finding comes from: read off the document, asked of the judge or of the ground, or seen in attempts. */
export type Source = 'document' | 'judge' | 'attempts';

/** Subjects of the classes, in the order of the list. */
export const FINDING_GROUPS = [
  'start',
  'win',
  'loss',
  'rules',
  'stars',
  'ramps',
  'difficulty',
  'ground',
  'run',
  'bouts',
  'sameness',
  'state',
] as const;
export type FindingGroup = (typeof FINDING_GROUPS)[number];

/** Searches that lead out of a finding where no patch can be computed. */
export type Remedy = 'bringThere' | 'turnRamps' | 'starShares';

/** A class of findings. It stands in the check that finds it, and goes along with each finding. */
export interface FindingClass {
  /** Names the class among all. Findings that are left as they are keep it. @example 'no-way-to-win' */
  code: FindingCode;
  /** Name of the class in a list. */
  title: string;
  group: FindingGroup;
  severity: Severity;
  source: Source;
  /** Searches that lead out of it. */
  remedies?: readonly Remedy[];
}

export type FindingCode = string;

/** The class alone, of a check or of a finding. */
export const classOf = ({ code, title, group, severity, source, remedies }: FindingClass): FindingClass => ({
  ...{ code, title, group, severity, source },
  ...(remedies ? { remedies } : {}),
});
