import type { Amount, Piece } from '@stadion/core/document/model';
import type { ReactNode } from 'react';
import { ChoiceChip } from '../../ui/index.ts';

type Lane = Extract<Piece, { piece: 'lane' }>;

interface Props {
  piece: Lane;
  name: string;
  /** Units per second, at this level. */
  speed: number;
  /** Chips for one of its fields, and an edit of one. */
  amount: (label: string, field: string, value: Amount, limits: object) => ReactNode;
  number: (
    label: string,
    field: string,
    value: number,
    limits: { step?: number; min?: number; max?: number; scale?: number; unit?: string },
  ) => ReactNode;
  set: (field: string, before: unknown, after: unknown, label: string) => void;
}

const DIRECTIONS: Readonly<Record<Lane['towards'], string>> = {
  right: 'to the right',
  down: 'downwards',
  left: 'to the left',
  up: 'upwards',
};

const OTHER_WAY: Readonly<Record<Lane['towards'], Lane['towards']>> = {
  right: 'left',
  left: 'right',
  up: 'down',
  down: 'up',
};

/** Returns the meaning of a speed of 0 or below, in words; empty above 0. */
const speedInWords = (towards: Lane['towards'], speed: number): string =>
  speed > 0 ? '' : speed === 0 ? ' (it stands)' : ` (below 0: it drives ${DIRECTIONS[OTHER_WAY[towards]]})`;

/** The traffic of a lane: length, direction, speed, spacing, and its effect on the player. */
export function LaneWords({ piece, name, speed, amount, number, set }: Props) {
  const bySeconds = piece.spacing === 'seconds';
  return (
    <>
      <span className="join">, each</span>
      {number('Length', 'length', piece.length, { step: 0.5, min: 0.5, max: 12 })}
      <span className="join">units long, drives</span>
      <ChoiceChip
        label={`Where it drives: ${name}`}
        value={piece.towards}
        choices={Object.entries(DIRECTIONS).map(([value, label]) => ({ value, label }))}
        onChoose={(next) =>
          set('towards', piece.towards, next, `${name} drives ${DIRECTIONS[next as Lane['towards']]}`)
        }
      />
      <span className="join">at</span>
      {amount('Speed', 'speed', piece.speed, { min: -25, max: 25, step: 0.1 })}
      <span className="join">units a second{speedInWords(piece.towards, speed)},</span>
      <ChoiceChip
        label={`What stands between two: ${name}`}
        value={piece.spacing}
        choices={[
          { value: 'seconds', label: 'one every' },
          { value: 'units', label: 'with gaps of' },
        ]}
        onChoose={(next) => set('spacing', piece.spacing, next, `Traffic of ${name}`)}
      />
      {amount(bySeconds ? 'One every' : 'Gap', 'every', piece.every, {
        max: 100,
        step: 0.1,
        ...(bySeconds ? { min: 0.1, unit: 's' } : {}),
      })}
      <span className="join">{bySeconds ? ', more or less by' : 'units, more or less by'}</span>
      {number('More or less by', 'jitter', piece.jitter, { step: 0.05, max: 0.9, scale: 100, unit: '%' })}
      <span className="join">; a player in its way</span>
      <ChoiceChip
        label={`What it does: ${name}`}
        value={piece.carries ? 'carries' : 'meets'}
        choices={[
          { value: 'meets', label: 'is touched by it' },
          { value: 'carries', label: 'stands on it and is carried' },
        ]}
        onChoose={(next) => set('carries', piece.carries, next === 'carries' ? true : undefined, `What ${name} does`)}
      />
    </>
  );
}
