import type { Project } from '../schema/project.ts';

/** Tells of something wrong, and where in the document it is. */
export type Say = (path: (string | number)[], message: string) => void;

/** Fighters, actions, elements and groups that are named and not there. What a formula reads is said where it stands. */
export function boutProblems({ bouts, levels }: Project, say: Say): void {
  const [fighters, actions, elements, groups] = [bouts?.fighters, bouts?.actions, bouts?.elements, bouts?.groups].map(
    (list) => new Set((list ?? []).map(({ id }) => id)),
  ) as [Set<string>, Set<string>, Set<string>, Set<string>];
  for (const { id, like, uses, takes } of bouts?.fighters ?? []) {
    const path = ['bouts', 'fighters', id];
    if (like && !fighters.has(like.fighter))
      say([...path, 'like', 'fighter'], `There is no fighter “${like.fighter}”.`);
    for (const action of Object.keys(uses))
      if (!actions.has(action)) say([...path, 'uses', action], `There is no action “${action}”.`);
    for (const element of Object.keys(takes))
      if (!elements.has(element)) say([...path, 'takes', element], `There is no element “${element}”.`);
  }
  for (const { id, element } of bouts?.actions ?? [])
    if (element !== undefined && !elements.has(element))
      say(['bouts', 'actions', id, 'element'], `There is no element “${element}”.`);
  for (const { id, members } of bouts?.groups ?? [])
    members.forEach(({ fighter }, index) => {
      if (!fighters.has(fighter))
        say(['bouts', 'groups', id, 'members', index, 'fighter'], `There is no fighter “${fighter}”.`);
    });
  for (const { id, meetings, bout } of Object.values(levels)) {
    for (const group of Object.keys(meetings?.groups ?? {}))
      if (!groups.has(group)) say(['levels', id, 'meetings', 'groups', group], `There is no group “${group}”.`);
    if (!bout) continue;
    if (!groups.has(bout.group)) say(['levels', id, 'bout', 'group'], `There is no group “${bout.group}”.`);
    bout.party.forEach(({ fighter }, index) => {
      if (!fighters.has(fighter))
        say(['levels', id, 'bout', 'party', index, 'fighter'], `There is no fighter “${fighter}”.`);
    });
  }
}
