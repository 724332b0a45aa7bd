import {
  FINDING_GROUPS,
  SEVERITIES,
  type Finding,
  type FindingCode,
  type Severity,
  type Source,
} from '@stadion/core/authoring/findings';
import type { Project } from '@stadion/core/document/model';

/** Grouping of the list. */
export type GroupedBy = 'severity' | 'level' | 'class';

/** Where findings come from, in words. */
export const SOURCES: Readonly<Record<Source, string>> = {
  document: 'from the project itself',
  judge: 'from the rules and the ground',
  attempts: 'from attempts',
};

/** Which findings are shown: all where a part is not set. */
export interface Filter {
  severity?: Severity;
  source?: Source;
}

export const shown = (findings: readonly Finding[], { severity, source }: Filter): Finding[] =>
  findings.filter(
    (finding) =>
      (severity === undefined || finding.severity === severity) && (source === undefined || finding.source === source),
  );

export interface Group {
  key: string;
  title: string;
  findings: Finding[];
}

const SEVERITY_TITLES: Readonly<Record<Severity, string>> = {
  'stops play': 'Stops play',
  'surely wrong': 'Surely wrong',
  doubtful: 'Doubtful',
};

/** The findings in groups, the gravest first, or in the order of the sequence. */
export function groupsOf(
  findings: readonly Finding[],
  by: GroupedBy,
  project: Pick<Project, 'slots' | 'levels'>,
): Group[] {
  const groups = new Map<string, Group>();
  const place = (key: string, title: string, finding: Finding): void => {
    const group = groups.get(key) ?? { key, title, findings: [] };
    group.findings.push(finding);
    groups.set(key, group);
  };
  const positions = new Map(project.slots.map(({ id }, index) => [id, index]));
  const position = ({ slotId }: Finding): number => positions.get(slotId) ?? -1;
  const gravity = ({ severity }: Finding): number => SEVERITIES.indexOf(severity);
  const topic = ({ group }: Finding): number => FINDING_GROUPS.indexOf(group);
  const ordered = findings.toSorted((one, other) => {
    if (by === 'severity') return gravity(one) - gravity(other) || position(one) - position(other);
    if (by === 'level') return position(one) - position(other) || gravity(one) - gravity(other);
    return topic(one) - topic(other) || one.code.localeCompare(other.code) || position(one) - position(other);
  });
  for (const finding of ordered) {
    if (by === 'severity') place(finding.severity, SEVERITY_TITLES[finding.severity], finding);
    else if (by === 'class') place(finding.code, finding.title, finding);
    else {
      const slot = project.slots[position(finding)];
      place(finding.slotId, `${position(finding) + 1} ${project.levels[slot?.levelId ?? '']?.name ?? ''}`, finding);
    }
  }
  return [...groups.values()];
}

/** Findings of one class become one line from this number on. */
const BUNDLED = 3;

/** One line of the list: a finding, or several of one class, which share their remedy. */
export type Line = { finding: Finding } | { code: FindingCode; title: string; findings: Finding[] };

/** The lines of a group: three or more doubtful findings of one class are one line, at the place of the first. */
export function linesOf(findings: readonly Finding[]): Line[] {
  const byCode = new Map<FindingCode, Finding[]>();
  for (const finding of findings)
    if (finding.severity === 'doubtful') byCode.set(finding.code, [...(byCode.get(finding.code) ?? []), finding]);
  return findings.flatMap((finding): Line[] => {
    const alike = byCode.get(finding.code) ?? [];
    if (finding.severity !== 'doubtful' || alike.length < BUNDLED) return [{ finding }];
    return alike[0] === finding ? [{ code: finding.code, title: finding.title, findings: alike }] : [];
  });
}

/** The number of findings that are wrong, and the number of lines of doubts. */
export function countsOf(findings: readonly Finding[]): { wrong: number; doubts: number } {
  const doubts = findings.filter(({ severity }) => severity === 'doubtful');
  return { wrong: findings.length - doubts.length, doubts: linesOf(doubts).length };
}

/** Names a finding among all of them. */
export const keyOf = ({ code, slotId, path, evidence }: Finding): string =>
  `${code} ${slotId} ${path} ${evidence?.pacer ?? ''}`;
