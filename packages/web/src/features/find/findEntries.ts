import { namesFor } from '@stadion/core/play/attempt';
import { allKinds } from '@stadion/core/authoring/edits';
import type { Finding } from '@stadion/core/authoring/findings';
import { FIND_PLACES } from './places.ts';
import { placeOfFinding } from '../../address/placeOfFinding.ts';
import type { Level, Project } from '@stadion/core/document/model';
import type { Goto } from '../../address/address.ts';
import { ruleInWords } from '@stadion/core/play/rules';

/** Something that can be found, and where it is. */
export interface FindEntry {
  /** Names it among all, also the next time. */
  id: string;
  sort: 'level' | 'parameter' | 'kind' | 'rule' | 'note' | 'finding' | 'snapshot' | 'project' | 'command' | 'place';
  label: string;
  /** Told beside the label. */
  where?: string;
  /** Other words by which it is found. */
  also?: string;
  /** A key that does the same. */
  keys?: string;
  to?: Goto;
  /** Selector of the element that takes the focus at the destination. */
  focus?: string;
  /** The address of another project. */
  address?: string;
  run?: () => void;
}

const quoted = (text: string): string => text.replaceAll('"', '\\"');

/** Everything of a project that can be gone to. @param findings as they are known */
export function findEntries(project: Project, findings: readonly Finding[]): FindEntry[] {
  const slotOf = new Map<string, string>();
  for (const slot of project.slots) if (!slotOf.has(slot.levelId)) slotOf.set(slot.levelId, slot.id);
  const title = 'h1 button';
  const entries: FindEntry[] = project.slots.map((slot, index) => ({
    id: `level ${slot.id}`,
    sort: 'level',
    label: `${index + 1} ${project.levels[slot.levelId]?.name ?? ''}`,
    to: { screen: 'level', slotId: slot.id },
    focus: title,
  }));
  const note = (id: string, of: string, text: string | undefined, to: Goto, focus: string): void => {
    if (text !== undefined && text !== '')
      entries.push({ id: `note ${id}`, sort: 'note', label: text, where: of, to, focus });
  };
  for (const { key, label, note: text } of project.parameters) {
    const to: Goto = { screen: 'ramps', lane: key };
    entries.push({ id: `parameter ${key}`, sort: 'parameter', label, to, focus: `[data-lane="${key}"]` });
    note(`parameter ${key}`, label, text, to, `[data-lane="${key}"]`);
  }
  for (const { role, kind } of allKinds(project)) {
    const focus = `[role=group][aria-label="${quoted(kind.name)}"] button`;
    entries.push({ id: `kind ${role} ${kind.id}`, sort: 'kind', label: kind.name, to: { screen: 'kinds' }, focus });
    note(`kind ${role} ${kind.id}`, kind.name, kind.note, { screen: 'kinds' }, focus);
  }
  const rules = (list: Level['rules'], where: string, to: Goto, level?: Level): void => {
    const names = namesFor(project, level);
    for (const rule of list) {
      const label = ruleInWords(rule, names);
      const focus = `[role=group][aria-label*="${quoted(label)}"] button`;
      const id = `${level?.id ?? 'standing'} ${rule.id}`;
      entries.push({ id: `rule ${id}`, sort: 'rule', label, where, to, focus });
      note(`rule ${id}`, label, rule.note, to, focus);
    }
  };
  rules(project.standing, 'every level', { screen: 'sequence' });
  for (const level of Object.values(project.levels)) {
    const to: Goto = { screen: 'level', view: 'rules', slotId: slotOf.get(level.id) };
    rules(level.rules, level.name, to, level);
    note(`level ${level.id}`, level.name, level.note, to, title);
  }
  for (const { label, also, to, focus } of FIND_PLACES)
    entries.push({ id: `place ${to.screen} ${label}`, sort: 'place', label, also, where: to.screen ?? '', to, focus });
  for (const finding of findings) {
    const position = project.slots.findIndex(({ id }) => id === finding.slotId) + 1;
    entries.push({
      id: `finding ${finding.code} ${finding.slotId} ${finding.path}`,
      sort: 'finding',
      label: finding.sentence,
      where: `level ${position}`,
      to: placeOfFinding(finding),
      focus: title,
    });
  }
  return entries;
}

/** Does every word typed stand in what is searched? */
const fits = ({ label, where = '', also = '' }: FindEntry, words: readonly string[]): boolean => {
  const text = `${label} ${where} ${also}`.toLowerCase();
  return words.every((word) => text.includes(word));
};

/** How well an entry fits: the level of the number typed first, then what begins with what was typed. */
function rank({ label, sort }: FindEntry, typed: string): number {
  const text = label.toLowerCase();
  if (sort === 'level' && text.split(' ')[0] === typed) return 0;
  return text.startsWith(typed) ? 1 : text.includes(typed) ? 2 : 3;
}

/** The entries that fit what was typed, the best first; with nothing typed, those chosen last. @param recent ids, the latest first */
export function foundBy(
  entries: readonly FindEntry[],
  typed: string,
  recent: readonly string[],
  most: number,
): FindEntry[] {
  const text = typed.trim().toLowerCase();
  const place = ({ id }: FindEntry): number => (recent.includes(id) ? recent.indexOf(id) : recent.length);
  const fitting = entries.filter((entry) => fits(entry, text.split(/\s+/)));
  return fitting
    .map((entry, index) => ({ entry, index }))
    .toSorted(
      (one, other) =>
        (text === '' ? 0 : rank(one.entry, text) - rank(other.entry, text)) ||
        place(one.entry) - place(other.entry) ||
        one.index - other.index,
    )
    .slice(0, most)
    .map(({ entry }) => entry);
}
