import type { Parameter } from '@stadion/core/document/model';
import type { RampRow } from '@stadion/core/document/ramps';
import { sayValue } from './words.ts';

/** Marks of a value beside its number. */
interface Marks {
  /** A sign before it: pinned, at its cap or floor, live; empty for none. */
  sign: string;
  /** The same in words, and what it was. */
  said: string;
  changed: boolean;
  outside: boolean;
}

const SIGNS = { pinned: '◆', cap: 'max', floor: 'min', live: 'live' } as const;

/** @param ghost the same parameter where it is compared with */
export function marksOfCell(
  parameter: Parameter,
  row: RampRow,
  index: number,
  slotId: string,
  ghost: RampRow | undefined,
): Marks {
  const { ramp, pins, sane } = parameter;
  const value = row.values[index] ?? 0;
  const alone = row.ramp[index] ?? 0;
  const was = ghost?.values[index];
  const changed = was !== undefined && Math.abs(was - value) > 1e-9;
  const outside = value < sane.min - 1e-9 || value > sane.max + 1e-9;
  const [sign, words] = Object.hasOwn(pins, slotId)
    ? [SIGNS.pinned, `pinned, the ramp gives ${sayValue(parameter, alone, 3)}`]
    : ramp.axis !== undefined
      ? [SIGNS.live, 'live: it changes during the attempt, from this value on']
      : ramp.atMost !== undefined && alone >= ramp.atMost
        ? [SIGNS.cap, 'at its cap']
        : ramp.atLeast !== undefined && alone <= ramp.atLeast
          ? [SIGNS.floor, 'at its floor']
          : ['', ''];
  const said = [
    words,
    outside ? 'outside its sane range' : '',
    changed ? `${sayValue(parameter, was, 3)} where compared with` : '',
  ];
  return { sign, said: said.filter((part) => part !== '').join('; '), changed, outside };
}

/** Legend of the signs. */
export function CellMarks() {
  return (
    <>
      <span className="text-mark-ink">◆</span> pinned · max, min: at cap or floor · live: changes during the attempt
    </>
  );
}
