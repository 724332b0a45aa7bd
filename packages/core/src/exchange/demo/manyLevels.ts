import type { Level, Parameter, Project } from '../../document/model/index.ts';
import { homeBeforeDusk } from './homeBeforeDusk.ts';

/** Home Before Dusk continued to a number of slots and parameters: for measuring and for trying the interface at size. */
export function manyLevels(slots: number, parameters: number): Project {
  const project = homeBeforeDusk();
  const sources = project.slots.map((slot) => project.levels[slot.levelId] as Level);
  const levels: Record<string, Level> = {};
  project.slots = Array.from({ length: slots }, (_, i) => {
    const source = sources[i % sources.length] as Level;
    const round = Math.floor(i / sources.length) + 1;
    const id = round === 1 ? source.id : `${source.id}-${round}`;
    levels[id] = { ...source, id, name: round === 1 ? source.name : `${source.name} ${round}` };
    return { id: `slot-${i + 1}`, levelId: id, wanted: 0.8 };
  });
  project.levels = levels;
  const base = project.parameters;
  for (let i = base.length; i < parameters; i++) {
    const source = base[i % 6] as Parameter;
    base.push({ ...source, key: `extra${i}`, label: `${source.label} ${i}`, pins: {} });
  }
  project.name = `Home Before Dusk × ${slots}`;
  return project;
}
