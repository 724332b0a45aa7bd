import type { Page } from './browser.ts';

/** Ground cells under the pointer, of the ground view that is open. */
export interface GroundPointer {
  /** Presses at a cell's middle and lets go, by way of other cells. Columns and rows from 0. */
  drag(...cells: (readonly [number, number])[]): Promise<void>;
  click(x: number, y: number): Promise<void>;
}

/** @param on whose page it is; asked when it is used @param size of the ground, cells */
export function groundPointer(on: { page: Page }, size: readonly [width: number, height: number]): GroundPointer {
  const place = async (x: number, y: number): Promise<{ x: number; y: number }> => {
    const stage = await on.page.find('[role=application]');
    const box = await stage.getRect();
    const scale = Math.min(box.width / size[0], box.height / size[1]);
    return {
      x: Math.round(box.x + (box.width - size[0] * scale) / 2 + (x + 0.5) * scale),
      y: Math.round(box.y + (box.height - size[1] * scale) / 2 + (y + 0.5) * scale),
    };
  };
  const drag: GroundPointer['drag'] = async (...cells) => {
    const actions = on.page.driver.actions();
    for (const [index, [x, y]] of cells.entries()) {
      await actions.move({ ...(await place(x, y)), duration: 20 });
      if (index === 0) await actions.press();
    }
    await actions.release().perform();
  };
  return { drag, click: (x, y) => drag([x, y]) };
}
