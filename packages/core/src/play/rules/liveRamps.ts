import type { LiveAxis, Project } from '../../document/model/index.ts';
import {
  isPinned,
  namesIn,
  readyRamp,
  readyRampValue,
  type Band,
  type ReadySource,
  type Values,
} from '../../document/ramps/index.ts';

/** A ramp along a reading, with all that it depends on at one level: plain data, so that it can be sent and hashed. */
export interface LiveRamp {
  /** Index among the level's changing parameters. */
  dial: number;
  axis: LiveAxis;
  source: ReadySource;
  level: number;
  levels: number;
  bands: readonly Band[];
  /** Values here of the other parameters that a formula names. */
  values: Values;
}

/** The keys of the parameters whose ramps go along a reading at a slot; one that is pinned there stands still. */
export const liveParameters = (project: Pick<Project, 'parameters'>, slotId: string | undefined): string[] =>
  project.parameters.flatMap((parameter) =>
    parameter.ramp.axis === undefined || isPinned(parameter, slotId) ? [] : [parameter.key],
  );

/** The ramps along readings that act at a position. @param dials index of every changing parameter, by key */
export function liveRampsOf(
  project: Pick<Project, 'parameters' | 'slots' | 'liveTiers'>,
  position: number,
  values: Values,
  dials: ReadonlyMap<string, number>,
): LiveRamp[] {
  return liveParameters(project, project.slots[position - 1]?.id).flatMap((key) => {
    const parameter = project.parameters.find((entry) => entry.key === key);
    const dial = dials.get(key);
    const axis = parameter?.ramp.axis;
    if (!parameter || axis === undefined || dial === undefined) return [];
    const { ramp, sane } = parameter;
    const names = ramp.shape.type === 'formula' ? namesIn(ramp.shape.text) : [];
    const named = Object.fromEntries(names.flatMap((name) => (name in values ? [[name, values[name] as number]] : [])));
    // Names do not act: a renamed tier makes no forecast stale.
    const bands = (project.liveTiers?.[axis] ?? []).map(({ id, from }) => ({ id, from, name: '' }));
    return [
      {
        dial,
        axis,
        source: { ramp: readyRamp(ramp), sane },
        level: position,
        levels: project.slots.length,
        bands,
        values: named,
      },
    ];
  });
}

/** Returns the value of a live ramp at its present reading. */
export function liveRampAt({ axis, source, level, levels, bands, values }: LiveRamp, reading: number): number {
  const parameterAt = (key: string): number => values[key] ?? Number.NaN;
  return readyRampValue(source, reading, { axis, first: 0, levels, level, bands, parameterAt });
}
