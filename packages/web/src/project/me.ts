import { keepText, keptText } from './browserKeeps.ts';

/** What the person who uses this browser calls herself. */
const NAME = 'stadion-my-name';

/** What edits made here are signed with; empty where no name was given. */
export const myName = (): string => keptText(NAME);

/** Signs edits from now on. @returns whether the browser keeps the name */
export const callMyself = (name: string): boolean => keepText(NAME, name.trim().slice(0, 40));

/** The signature of an edit. */
export function signed(): { by?: string } {
  const name = myName();
  return name === '' ? {} : { by: name };
}
