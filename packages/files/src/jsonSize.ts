/** Brackets inside brackets beyond this are no project; reading them could exhaust the stack. */
export const DEEPEST = 100;
/** No object of a project has more entries, and no list more items. */
export const MOST_ENTRIES = 4000;
/** As many values as the largest file has, and some more. */
const MOST_VALUES = 1_500_000;

/** Part of a text that is larger than any project, and its offset. */
export interface Oversize {
  message: string;
  at: number;
}

/**
 * Looks at brackets and commas alone, before anything is read: the memory and time that a text takes to be read go by
 * them, not by its length. Strings are passed over; whether it is JSON is not asked.
 */
export function oversizeIn(text: string): Oversize | undefined {
  /** Number of entries until now in each open bracket. */
  const entries = [1];
  let values = 0;
  for (let at = 0; at < text.length; at++) {
    const character = text[at];
    if (character === '"') {
      for (at++; at < text.length && text[at] !== '"'; at++) if (text[at] === '\\') at++;
    } else if (character === '[' || character === '{') {
      if (entries.push(1) > DEEPEST + 1)
        return { message: `This is nested more than ${DEEPEST} deep: no project is.`, at };
    } else if (character === ']' || character === '}') {
      if (entries.length > 1) entries.pop();
    } else if (character === ',') {
      const here = (entries[entries.length - 1] ?? 0) + 1;
      if (here > MOST_ENTRIES)
        return { message: `Something has more than ${MOST_ENTRIES} entries: no part of a project has.`, at };
      if (++values > MOST_VALUES) return { message: 'This has more values than any project.', at };
      entries[entries.length - 1] = here;
    }
  }
  return undefined;
}
