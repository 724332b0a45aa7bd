import type { JumpFacts } from '@stadion/core/play/movement';
import type { ReactNode } from 'react';
import { formatNumber } from '../../../ui/index.ts';

/** The numbers of a jump. */
export type JumpField = 'jumpHeight' | 'gravity' | 'shortHop' | 'edgeGraceSeconds' | 'pressEarlySeconds' | 'jumpsInAir';

interface Props {
  chip: (field: JumpField, label: string, limits: { step: number; max: number; unit?: string }) => ReactNode;
  labels: Readonly<Record<JumpField, string>>;
  facts: JumpFacts;
}

/** Jump of a body, as the end of a sentence, with the resulting distance in cells. */
export function JumpWords({ chip, labels, facts }: Props) {
  const number = (field: JumpField, step: number, max: number, unit?: string): ReactNode =>
    chip(field, labels[field], { step, max, ...(unit === undefined ? {} : { unit }) });
  return (
    <>
      {number('jumpHeight', 0.1, 40)}
      <span className="join">units high under a pull of</span>
      {number('gravity', 1, 200)}
      <span className="join">, and let go early it keeps</span>
      {number('shortHop', 0.05, 1)}
      <span className="join">of its rise. A press counts</span>
      {number('edgeGraceSeconds', 0.01, 2, 's')}
      <span className="join">after an edge and</span>
      {number('pressEarlySeconds', 0.01, 2, 's')}
      <span className="join">before landing;</span>
      {number('jumpsInAir', 1, 20)}
      <span className="join">more in the air.</span>
      <span className="text-ink-2">
        {Number.isFinite(facts.seconds)
          ? `A jump lasts ${formatNumber(facts.seconds, 2)} s and goes ${formatNumber(facts.length, 1)} cells across.`
          : 'Without a pull a jump never ends.'}
      </span>
    </>
  );
}
