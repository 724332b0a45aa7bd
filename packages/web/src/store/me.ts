import { keepText, keptText } from './browserKeeps.ts';

/** Name of the person who uses this browser. */
const NAME = 'stadion-my-name';

/** Signature of edits made here; empty without a name. */
export const myName = (): string => keptText(NAME);

/** Signs edits from now on. @returns whether the browser keeps the name */
export const callMyself = (name: string): boolean => keepText(NAME, name.trim().slice(0, 40));

/** The signature of an edit. */
export function signed(): { by?: string } {
  const name = myName();
  return name === '' ? {} : { by: name };
}
