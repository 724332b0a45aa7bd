import { experienceNeeded, meetingsAlong } from '@stadion/core/play/bouts';
import { at, replaceAt } from '@stadion/core/authoring/edits';
import { useMemo } from 'react';
import { useEdit } from '../../store/hooks.ts';
import { Button, formatNumber, NumberChip } from '../../ui/index.ts';
import { Part, type BoutsHere } from './shared.tsx';

/** The number of party levels that the curve shows. */
const SHOWN = 20;
const [WIDTH, HEIGHT] = [560, 64];

/** The experience that each party level needs, as a sentence and a curve, and the number of fights here that bring it. */
export function GrowthRows({ here, bouts }: BoutsHere) {
  const edit = useEdit();
  const { project, position } = here;
  const { experience } = bouts;
  const path = at('bouts', 'experience');
  const needed = useMemo(
    () => Array.from({ length: SHOWN }, (_, index) => experienceNeeded(bouts, index + 1)),
    [bouts],
  );
  const place = useMemo(() => meetingsAlong(project)[position - 1], [project, position]);
  const gain = place?.gain.experience ?? 0;
  const most = Math.max(1, ...needed.filter(Number.isFinite));
  const fights = (level: number): string =>
    gain > 0 && Number.isFinite(needed[level - 1]) ? formatNumber(Math.ceil((needed[level - 1] ?? 0) / gain), 0) : '–';
  const set = (field: string, value: number, label: string): void =>
    edit({ label: `Growth: ${label}`, patch: [replaceAt(`${path}/${field}`, value)] });
  return (
    <Part title="Growth" says="Experience that a party needs from each of its levels to the next.">
      <div className="say py-1.5">
        {experience.type === 'steps' ? (
          <>
            <span className="join">From level 1 to 2 it takes</span>
            <NumberChip
              label="Experience from level 1 to 2"
              value={experience.from}
              step={5}
              min={0}
              max={1_000_000}
              onCommit={(value) => set('from', value, `${value} from level 1 to 2`)}
            />
            <span className="join">experience, and</span>
            <NumberChip
              label="More experience at every step"
              value={experience.add}
              step={1}
              min={0}
              max={1_000_000}
              onCommit={(value) => set('add', value, `${value} more at every step`)}
            />
            <span className="join">more every</span>
            <NumberChip
              label="Party levels to a step"
              value={experience.every}
              step={1}
              whole
              min={1}
              max={99}
              onCommit={(value) => set('every', value, `a step every ${value}`)}
            />
            <span className="join">{experience.every === 1 ? 'level.' : 'levels.'}</span>
          </>
        ) : (
          <>
            <span className="join">
              It follows a curve of its own: {formatNumber(needed[0] ?? 0)} from level 1 to 2.
            </span>
            <Button
              onClick={() => {
                const [first = 40, second = first] = needed;
                const add = Math.max(0, Math.round(second - first));
                edit({
                  label: 'Growth by steps',
                  patch: [replaceAt(path, { type: 'steps', from: Math.round(first), add, every: 1, startingAt: 1 })],
                });
              }}
            >
              Make it steps
            </Button>
          </>
        )}
      </div>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block w-full"
        style={{ maxWidth: WIDTH }}
        role="img"
        aria-label={`Experience needed: ${needed.map((value, index) => `level ${index + 1} ${formatNumber(value, 0)}`).join(', ')}`}
      >
        {needed.map((value, index) => {
          const high = Number.isFinite(value) ? (value / most) * (HEIGHT - 16) : HEIGHT - 16;
          const step = WIDTH / SHOWN;
          return (
            <g key={index}>
              <rect x={index * step + 3} y={HEIGHT - 14 - high} width={step - 6} height={high} fill="var(--win-2)" />
              <text x={(index + 0.5) * step} y={HEIGHT - 2} fontSize="10.5" textAnchor="middle" fill="var(--ink-2)">
                {index + 1}
              </text>
            </g>
          );
        })}
      </svg>
      <p className="pb-1 text-[12.5px] text-ink-2">
        {gain > 0
          ? `Fights here at level ${position} of the sequence: ${[1, 2, 3, 5, 10].map((level) => `${fights(level)} from party level ${level}`).join(', ')}.`
          : `Nobody is met at level ${position} of the sequence.`}
      </p>
    </Part>
  );
}
