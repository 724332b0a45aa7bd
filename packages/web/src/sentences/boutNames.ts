import type { BoutWorld } from '@stadion/core/play/bouts';

/** Names of all who stand in a bout; several of one kind are counted: “Ant 2”. */
export function namesIn({ fighters }: BoutWorld): string[] {
  const many = new Map<string, number>();
  for (const { name } of fighters) many.set(name, (many.get(name) ?? 0) + 1);
  const seen = new Map<string, number>();
  return fighters.map(({ name }) => {
    if ((many.get(name) ?? 0) < 2) return name;
    const number = (seen.get(name) ?? 0) + 1;
    seen.set(name, number);
    return `${name} ${number}`;
  });
}
