import type { FindingCode, FindingGroup } from '../findingClass.ts';
import type { Finding } from '../finding.ts';

/** Classes that say the same of a level as another class, and more of it; by that other class. */
const SAID_BETTER: Readonly<Partial<Record<FindingCode, readonly FindingCode[]>>> = {
  'off-wanted': ['hopeless', 'no-ending', 'fastest-beyond-clock'],
  trivial: ['off-wanted'],
  dip: ['off-wanted', 'trivial', 'hopeless'],
  wall: ['off-wanted', 'hopeless', 'no-ending'],
  'one-cause': ['no-ending', 'hopeless'],
  'losses-crowd': ['no-ending', 'hopeless'],
  'star-too-rare': ['star-nobody-earns', 'hopeless'],
  'milestone-never-fires': ['hopeless'],
};

/** Where a level is surely wrong in these, its clear rate and its stars follow from that. */
const CAUSES: ReadonlySet<FindingGroup> = new Set(['start', 'win', 'loss']);
const isGrave = ({ severity }: Finding): boolean => severity !== 'doubtful';

/**
 * Returns the findings that attempts show, without those that only repeat a graver one at the same level.
 *
 * @param found what is known without attempts
 * @param seen what attempts show
 */
export function withoutEchoes(found: readonly Finding[], seen: readonly Finding[]): Finding[] {
  const places = new Set(found.filter(isGrave).map(({ slotId, path }) => `${slotId} ${path}`));
  const causes = new Set(
    found.flatMap((finding) => (isGrave(finding) && CAUSES.has(finding.group) ? [finding.slotId] : [])),
  );
  const codes = new Set(seen.map(({ slotId, code }) => `${slotId} ${code}`));
  return seen.filter((finding) => {
    const { slotId, path, code } = finding;
    if (places.has(`${slotId} ${path}`)) return false;
    if (causes.has(slotId) && !isGrave(finding)) return false;
    return !SAID_BETTER[code]?.some((other) => codes.has(`${slotId} ${other}`));
  });
}
