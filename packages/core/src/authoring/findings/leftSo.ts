import { addAt, at, removeAt, type NamedEdit } from '../edits/index.ts';
import { freshId, type LeftSo, type Project } from '../../document/model/index.ts';
import type { Finding } from './finding.ts';

/** Returns the text of a finding, with its numbers. Attempts give other numbers each time, so only the sentence counts for them. */
const saidOf = ({ source, sentence, reason }: Finding): string =>
  (source === 'attempts' ? sentence : `${sentence} ${reason}`).slice(0, 1000);

const entryFor = ({ leftSo = {} }: Pick<Project, 'leftSo'>, finding: Finding): [string, LeftSo] | undefined =>
  Object.entries(leftSo).find(
    ([, { code, slotId, path, said }]) =>
      code === finding.code && slotId === finding.slotId && path === finding.path && said === saidOf(finding),
  );

/** Why a finding is left as it is; undefined where it is not, or where its numbers have changed since. */
export const leftBecause = (project: Pick<Project, 'leftSo'>, finding: Finding): string | undefined =>
  entryFor(project, finding)?.[1].why;

/** Leaves a finding as it is. */
export function leaveSo(project: Project, finding: Finding, why: string): NamedEdit {
  const { leftSo } = project;
  const id = freshId(`left-${finding.code}`, new Set(Object.keys(leftSo ?? {})));
  const { code, slotId, path } = finding;
  const entry: LeftSo = { code, slotId, path: path.slice(0, 400), said: saidOf(finding), why };
  return {
    label: `Leave it so: ${finding.sentence}`,
    patch: [...(leftSo ? [] : [addAt('/leftSo', {})]), addAt(at('leftSo', id), entry)],
  };
}

/** Lets a finding that is left as it is count again. */
export function countAgain(project: Project, finding: Finding): NamedEdit | undefined {
  const found = entryFor(project, finding);
  return found && { label: `Look at it again: ${finding.sentence}`, patch: [removeAt(at('leftSo', found[0]))] };
}

/** Findings that count, and those that are left as they are. */
export function sorted(
  project: Pick<Project, 'leftSo'>,
  findings: readonly Finding[],
): { open: Finding[]; left: Finding[] } {
  const open: Finding[] = [];
  const left: Finding[] = [];
  for (const finding of findings) (leftBecause(project, finding) === undefined ? open : left).push(finding);
  return { open, left };
}
