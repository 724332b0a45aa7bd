import type { Journey } from './journey.ts';

/** State that the played ground shows. */
export interface Played {
  phase: string;
  tick: number;
  x: number;
  y: number;
}

/** Reads the attempt being played. */
export async function readPlay({ page }: Journey): Promise<Played> {
  const data = await page.driver.executeScript<Record<string, string>>(
    `return { ...document.querySelector('canvas').dataset };`,
  );
  return { phase: data['phase']!, tick: Number(data['tick']), x: Number(data['x']), y: Number(data['y']) };
}

/** Holds a key down until something is so. */
export async function holdKey(
  { page }: Journey,
  key: string,
  until: string,
  check: () => Promise<boolean>,
): Promise<void> {
  await page.driver.actions().keyDown(key).perform();
  await page.waitFor(until, check);
  await page.driver.actions().keyUp(key).perform();
}
