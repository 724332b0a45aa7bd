/** A text that this browser keeps; empty where it keeps none, or nothing at all. */
export function keptText(key: string): string {
  try {
    return globalThis.localStorage?.getItem(key) ?? '';
  } catch {
    return '';
  }
}

/** @returns whether the browser keeps it */
export function keepText(key: string, text: string): boolean {
  try {
    globalThis.localStorage?.setItem(key, text);
    return true;
  } catch {
    return false;
  }
}
