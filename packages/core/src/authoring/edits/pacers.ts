import { ABILITIES, type AbilityName } from '../../basics/abilities/index.ts';
import { freshId, type MintId, type Pacer, type Project } from '../../document/model/index.ts';
import { at, removeAt, replaceAt, setOptional, type NamedEdit } from './edit.ts';
import { insertEntry } from './order.ts';

const thousandths = (share: number): number => Math.round(share * 1000) / 1000;

/** Shares of the audience by pacer, in the order of the pacers; all alike where none is said. They add up to 1. */
export function audienceOf({ pacers, audience }: Pick<Project, 'pacers' | 'audience'>): Map<string, number> {
  const said = pacers.map(({ id }) => audience?.[id] ?? 0);
  const sum = said.reduce((total, share) => total + share, 0);
  return new Map(pacers.map(({ id }, index) => [id, sum > 0 ? (said[index] as number) / sum : 1 / pacers.length]));
}

const setAudience = ({ audience }: Project, shares: ReadonlyMap<string, number>) =>
  setOptional(at('audience'), audience, Object.fromEntries([...shares].map(([id, share]) => [id, thousandths(share)])));

/** Gives a pacer a share of the audience; the others keep how they stand to each other. @param share from 0 to 1 */
export function setAudienceShare(project: Project, pacer: Pacer, share: number): NamedEdit {
  const shares = audienceOf(project);
  const others = 1 - (shares.get(pacer.id) ?? 0);
  const left = 1 - share;
  const count = shares.size - 1;
  for (const [id, before] of shares)
    shares.set(id, id === pacer.id ? share : others > 0 ? (before * left) / others : left / Math.max(1, count));
  return { label: `${pacer.name}: ${Math.round(share * 100)} % of the audience`, patch: setAudience(project, shares) };
}

/** A pacer like another one, to be changed. */
export function addPacer(project: Project, like: Pacer, mint: MintId = freshId): NamedEdit & { id: string } {
  const names = new Set(project.pacers.map(({ name }) => name));
  let number = 2;
  while (names.has(`${like.name} ${number}`)) number++;
  const name = `${like.name} ${number}`;
  const id = mint(name, new Set(project.pacers.map((pacer) => pacer.id)));
  const place = project.pacers.findIndex((pacer) => pacer.id === like.id) + 1;
  return {
    id,
    label: `Add pacer ${name}`,
    patch: insertEntry(['pacers'], project.pacers, { ...like, id, name }, place),
  };
}

/** Removes a pacer, what is expected of it, and its share of the audience. The last one stays. */
export function removePacer(project: Project, pacer: Pacer): NamedEdit | undefined {
  if (project.pacers.length < 2) return undefined;
  const expected = project.expectations.filter((entry) => entry.is === 'clearRate' && entry.pacer === pacer.id);
  const inAudience = project.audience && Object.hasOwn(project.audience, pacer.id);
  return {
    label: `Remove pacer ${pacer.name}`,
    patch: [
      ...expected.map(({ id }) => removeAt(at('expectations', id))),
      ...(inAudience ? [removeAt(at('audience', pacer.id))] : []),
      removeAt(at('pacers', pacer.id)),
    ],
  };
}

export const renamePacer = ({ id }: Pacer, name: string): NamedEdit => ({
  label: `Pacer ${name}`,
  patch: [replaceAt(at('pacers', id, 'name'), name)],
});

export const setAbility = (pacer: Pacer, ability: AbilityName, value: number): NamedEdit => ({
  label: `${pacer.name}: ${ABILITIES[ability].label} ${value}`,
  patch: [replaceAt(at('pacers', pacer.id, 'abilities', ability), value)],
});

export const setPacerSpread = (pacer: Pacer, spread: number): NamedEdit => ({
  label: `${pacer.name}: spread ${Math.round(spread * 100)} %`,
  patch: [replaceAt(at('pacers', pacer.id, 'spread'), spread)],
});

/** After how many lost tries at a level it gives up, or how much it learns; undefined for never, and nothing. */
export function setPacerFact(
  pacer: Pacer,
  fact: 'persistence' | 'learning',
  value: number | undefined,
): NamedEdit | undefined {
  const patch = setOptional(at('pacers', pacer.id, fact), pacer[fact], value);
  if (patch.length === 0) return undefined;
  const said =
    fact === 'persistence'
      ? value === undefined
        ? 'never gives up'
        : `gives up after ${value} lost tries`
      : `learns ${Math.round((value ?? 0) * 100)} %`;
  return { label: `${pacer.name} ${said}`, patch };
}
