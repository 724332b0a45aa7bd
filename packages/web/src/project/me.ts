/** Kept in this browser: what the person who uses it calls herself. */
const NAME = 'stadion-my-name';

/** What edits made here are signed with; empty where no name was given. */
export function myName(): string {
  try {
    return globalThis.localStorage?.getItem(NAME) ?? '';
  } catch {
    return '';
  }
}

/** Signs edits from now on. @returns whether the browser keeps the name */
export function callMyself(name: string): boolean {
  try {
    globalThis.localStorage?.setItem(NAME, name.trim().slice(0, 40));
    return true;
  } catch {
    return false;
  }
}

/** The signature of an edit. */
export function signed(): { by?: string } {
  const name = myName();
  return name === '' ? {} : { by: name };
}
