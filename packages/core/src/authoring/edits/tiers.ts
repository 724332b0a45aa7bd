import type { PatchOperation } from '../../basics/patch/index.ts';
import { entryOf, freshId, type LiveAxis, type MintId, type Project } from '../../document/model/index.ts';
import { addAt, at, removeAt, replaceAt, type NamedEdit } from './edit.ts';

/** Tiers over the positions of the sequence (no axis), or over a reading of the attempt. */
type Axis = LiveAxis | undefined;

const pathOf = (axis: Axis, ...rest: (string | number)[]): string =>
  axis === undefined ? at('tiers', ...rest) : at('liveTiers', axis, ...rest);

export const tiersOf = (project: Project, axis: Axis) =>
  axis === undefined ? project.tiers : (project.liveTiers?.[axis] ?? []);

/** Where a tier may begin: after the one before it and before the one after. The first stays where it is. */
export function tierLimits(project: Project, axis: Axis, id: string): { min: number; max: number } {
  const tiers = tiersOf(project, axis);
  const index = tiers.findIndex((tier) => tier.id === id);
  const first = axis === undefined ? 1 : 0;
  if (index <= 0) return { min: first, max: first };
  const most = axis === undefined ? Math.max(project.slots.length, 2) : 1_000_000;
  return { min: (tiers[index - 1]?.from ?? 0) + 1, max: (tiers[index + 1]?.from ?? most + 1) - 1 };
}

/** Moves the border at which a tier begins; its neighbours' borders are its limits. */
export function moveTier(project: Project, axis: Axis, id: string, from: number): NamedEdit | undefined {
  const tiers = tiersOf(project, axis);
  const index = tiers.findIndex((tier) => tier.id === id);
  const tier = tiers[index];
  const { min, max } = tierLimits(project, axis, id);
  const to = Math.min(max, Math.max(min, Math.round(from)));
  if (!tier || index === 0 || to === tier.from) return undefined;
  return { label: `${tier.name} begins at ${to}`, patch: [replaceAt(pathOf(axis, id, 'from'), to)] };
}

export const renameTier = (axis: Axis, id: string, name: string): NamedEdit => ({
  label: `Tier ${name}`,
  patch: [replaceAt(pathOf(axis, id, 'name'), name)],
});

/** Adds a tier that begins at a place, or the first two where there are none. */
export function addTier(project: Project, axis: Axis, from: number, mint: MintId = freshId): NamedEdit | undefined {
  const tiers = tiersOf(project, axis);
  const first = axis === undefined ? 1 : 0;
  const place = Math.max(first, Math.round(from));
  if (tiers.some((tier) => tier.from === place)) return undefined;
  const taken = new Set(tiers.map((tier) => tier.id));
  const named = (start: number, number: number) => {
    const name = `Tier ${number}`;
    const id = mint(name, taken);
    taken.add(id);
    return { id, name, from: start };
  };
  const start = tiers.length === 0 ? [named(first, 1)] : [];
  const added = named(place, tiers.length + start.length + 1);
  const fresh = place === first && start.length > 0 ? start : [...start, added];
  const label = `Add ${added.name} from ${place}`;
  if (axis !== undefined && !project.liveTiers?.[axis]) {
    const entries = Object.fromEntries(fresh.map((tier) => [tier.id, entryOf(tier)]));
    return {
      label,
      patch: [project.liveTiers ? addAt(pathOf(axis), entries) : addAt(at('liveTiers'), { [axis]: entries })],
    };
  }
  return { label, patch: fresh.map((tier) => addAt(pathOf(axis, tier.id), entryOf(tier))) };
}

/** Takes a tier away, with what ramps say of it; the tier before it reaches on. The first gives its place to the second. */
export function removeTier(project: Project, axis: Axis, id: string): NamedEdit {
  const tiers = tiersOf(project, axis);
  const name = tiers.find((tier) => tier.id === id)?.name ?? id;
  const first = axis === undefined ? 1 : 0;
  // The second gives way to the first's bound, where the first goes.
  const [gone, next] = tiers;
  const reaches = gone?.id === id && next ? [replaceAt(pathOf(axis, next.id, 'from'), first)] : [];
  const values: PatchOperation[] = project.parameters.flatMap(({ key, ramp }) =>
    ramp.shape.type === 'tiers' && ramp.axis === axis && Object.hasOwn(ramp.shape.values, id)
      ? [removeAt(at('parameters', key, 'ramp', 'shape', 'values', id))]
      : [],
  );
  return { label: `Remove the tier ${name}`, patch: [...values, removeAt(pathOf(axis, id)), ...reaches] };
}
