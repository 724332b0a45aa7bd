import { following, within, type KindMotion, type Preparing } from '../attempt/index.ts';
import type { Amount } from '../../document/model/index.ts';

type Limits<N extends string> = Readonly<Record<N, readonly [least: number, most: number]>>;

/** The numbers by which a body moves: made ready, kept within their limits, and turned by what changes during an attempt. */
export interface Numbers<N extends string> {
  names: readonly N[];
  prepare(moves: Readonly<Record<N, Amount>>, preparing: Preparing): Record<N, number> & KindMotion;
  /** A dial for each: sets it in what a kind of ground remembers. @param then what follows from it */
  dials<Own extends Record<N, number>>(
    then?: (own: Own) => void,
  ): Record<string, (state: unknown, own: Own, value: number) => void>;
}

/** A number of a project as it stands when nobody has changed it. */
export const usual = (value: number): Amount => ({ from: 'number', value });

/** @param limits by name: what each number may be */
export function numbersWithin<N extends string>(limits: Limits<N>): Numbers<N> {
  const names = Object.keys(limits) as N[];
  const limited = (name: N, value: number): number => {
    const [least, most] = limits[name];
    return within(value, least, most);
  };
  return {
    names,
    prepare(moves, preparing) {
      const numbers = {} as Record<N, number>;
      let live = {};
      for (const name of names) {
        numbers[name] = limited(name, preparing.number(moves[name]));
        live = { ...live, ...following(name, moves[name], preparing) };
      }
      return { ...numbers, live };
    },
    dials: (then) =>
      Object.fromEntries(
        names.map((name) => [
          name,
          (_state, own, value) => {
            (own as Record<N, number>)[name] = limited(name, value);
            then?.(own);
          },
        ]),
      ),
  };
}
