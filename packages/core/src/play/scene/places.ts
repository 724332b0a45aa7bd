import { bySort, SORTS, type AttemptState, type Places } from '../attempt/index.ts';

/** Where everything that moves is now. */
export function placesOf(state: AttemptState): Places {
  const moving = bySort((sort) => {
    const things = sort.moving?.(state);
    return things && new Float64Array(things.length * 2);
  });
  const places: Places = { x: 0, y: 0, moving };
  remember(places, state);
  return places;
}

/** Takes down where everything that moves is now, in place. */
export function remember(places: Places, state: AttemptState): void {
  places.x = state.body.x;
  places.y = state.body.y;
  for (const sort of SORTS) {
    let list = places.moving[sort.name];
    const things = sort.moving?.(state);
    if (!list || !things) continue;
    // More may have come in than there were.
    if (list.length < things.length * 2) list = places.moving[sort.name] = new Float64Array(things.length * 2);
    for (let i = 0; i < things.length; i++) {
      const { x, y } = things[i] as { x: number; y: number };
      list[i * 2] = x;
      list[i * 2 + 1] = y;
    }
  }
}
