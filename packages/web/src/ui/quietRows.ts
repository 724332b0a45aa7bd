import { useEffect, useRef, type FocusEvent, type PointerEvent, type RefObject } from 'react';

const ROW = '.act-row';
/** On a row: its acts are there. */
const NEAR = 'near';

/** A row and the rows that it stands in. */
function rowsAround(element: EventTarget | null): HTMLElement[] {
  const rows: HTMLElement[] = [];
  let row = element instanceof Element ? element.closest<HTMLElement>(ROW) : null;
  while (row) {
    rows.push(row);
    row = row.parentElement?.closest<HTMLElement>(ROW) ?? null;
  }
  return rows;
}

/** Shows the acts of rows; each keeps its height, so that nothing below it moves. */
function show(rows: readonly HTMLElement[]): void {
  const hidden = rows.filter((row) => row.dataset[NEAR] === undefined);
  const heights = hidden.map((row) => row.offsetHeight);
  hidden.forEach((row, index) => {
    row.style.height = `${heights[index] ?? 0}px`;
    row.dataset[NEAR] = 'yes';
  });
}

/** Is the pointer on what a row shows besides, below the room that the row has? */
const isBelow = (row: HTMLElement, y: number): boolean =>
  row.style.height !== '' && y > row.getBoundingClientRect().top + row.offsetHeight;

/** Hides the acts of all rows but those that are looked at, have the focus, or have something open. */
function hideOthers(sheet: HTMLElement, looked: EventTarget | null): void {
  const focused = document.activeElement;
  const stays = new Set([...rowsAround(looked), ...(focused?.matches(':focus-visible') ? rowsAround(focused) : [])]);
  for (const row of sheet.querySelectorAll<HTMLElement>(`${ROW}[data-${NEAR}]`)) {
    if (stays.has(row) || row.querySelector('.act[aria-expanded=true], .act[data-state=open]')) continue;
    row.style.removeProperty('height');
    delete row.dataset[NEAR];
  }
}

/**
 * For a sheet of quiet rows (class `quiet`): acts come where the pointer or the focus is. Nothing moves under the pointer
 * while they come and go: other rows stay where they are, and whoever goes straight to something to press finds it there.
 */
const quietRows = {
  onPointerOver({ target, currentTarget, clientY }: PointerEvent<HTMLElement>): void {
    const presses = target instanceof Element && target.closest('button, a, input, textarea') !== null;
    const beyond = rowsAround(target).some((row) => isBelow(row, clientY));
    // Over the next row it gives way, unless the pointer is on something that can be pressed.
    hideOthers(currentTarget, beyond && !presses ? null : target);
    if (presses || beyond) return;
    show(rowsAround(target));
  },
  onPointerLeave({ currentTarget }: PointerEvent<HTMLElement>): void {
    hideOthers(currentTarget, null);
  },
  onFocus({ target, currentTarget }: FocusEvent<HTMLElement>): void {
    if (!target.matches(':focus-visible')) return;
    show(rowsAround(target));
    hideOthers(currentTarget, target);
  },
};

/**
 * The rows of a sheet, quiet: to be spread over it.
 *
 * @param content once it is another, rows take the room that they need now
 */
export function useQuietRows(
  ...content: readonly unknown[]
): typeof quietRows & { ref: RefObject<HTMLDivElement | null> } {
  const ref = useRef<HTMLDivElement>(null);
  useEffect(() => {
    for (const row of ref.current?.querySelectorAll<HTMLElement>(`${ROW}[data-${NEAR}]`) ?? [])
      row.style.removeProperty('height');
    // What stands in the sheet, not the hook, says when.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, content);
  return { ref, ...quietRows };
}
