import type { Pacer, Project } from '../../document/model/index.ts';
import type { TuningAsked, TuningName } from './question.ts';

/**
 * The project with one level only: enough for questions about that level. All levels remain where fights on the way
 * can lose it, since their party depends on the levels before.
 *
 * @param position from 1
 */
export function onlyLevelAt(project: Project, position: number): Project {
  const levelId = project.slots[position - 1]?.levelId ?? '';
  const level = project.levels[levelId];
  if (level?.meetings?.whenLost === 'lost') return { ...project, expectations: [] };
  return { ...project, levels: level ? { [levelId]: level } : {}, expectations: [] };
}

/** The part of a project that attempts at one level can depend on: all of it, less texts and what other levels hold. */
function partsOfLevelAt(project: Project, position: number): unknown {
  const { name: _name, words: _words, leftSo: _leftSo, audience: _audience, pacers: _pacers, ...rest } = project;
  const {
    wantedLine: _wantedLine,
    expectations: _expectations,
    slots,
    parameters,
    ...only
  } = onlyLevelAt(rest as Project, position);
  const levels = Object.values(only.levels).map(({ name: _title, brief: _brief, note: _note, ...level }) => level);
  return {
    ...only,
    levels,
    slots: slots.map(({ id, levelId }) => [id, levelId]),
    parameters: parameters.map(({ label: _label, unit: _unit, note: _text, ...parameter }) => parameter),
  };
}

/** Everything that the answer of a search depends on. The same parts mean the same answer. */
export function partsOfQuestion<Name extends TuningName>(
  project: Project,
  pacer: Pacer,
  asked: TuningAsked[Name],
): unknown {
  const { abilities, spread } = pacer;
  const by = { abilities, spread };
  return [
    asked,
    by,
    'position' in asked && typeof asked.position === 'number' ? partsOfLevelAt(project, asked.position) : project,
  ];
}
