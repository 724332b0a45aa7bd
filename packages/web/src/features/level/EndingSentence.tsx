import type { EndingSide, GoesOn } from '@stadion/core/document/model';
import { resolveAmount } from '@stadion/core/play/rules';
import { at, replaceAt } from '@stadion/core/authoring/edits';
import { useEdit } from '../../store/hooks.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { AmountChip } from '../../sentences/index.ts';
import { ChoiceChip, formatNumber, Menu, TextInPlace } from '../../ui/index.ts';

const PARTS: readonly { value: GoesOn; label: string }[] = [
  { value: 'enemies', label: 'enemies' },
  { value: 'hazards', label: 'hazards' },
  { value: 'emitters', label: 'emitters and shots' },
];

const NEXT = [
  { value: 'nextSlot', label: 'the next slot' },
  { value: 'retry', label: 'a retry' },
  { value: 'levelChoice', label: 'the choice of a level' },
  { value: 'endOfRun', label: 'the end of the run' },
];

/** Ending after a win and after a loss, each with its bar. */
export function EndingSentence({ here }: { here: LevelContext }) {
  return (
    <div className="flex flex-col gap-1.5">
      <Side here={here} side="won" />
      <Side here={here} side="lost" />
    </div>
  );
}

function Side({ here, side }: { here: LevelContext; side: 'won' | 'lost' }) {
  const edit = useEdit();
  const { level, project } = here;
  const ending = level.ending[side];
  const path = at('levels', level.id, 'ending', side);
  const word = side === 'won' ? 'a win' : 'a loss';
  const set = (name: string, value: unknown, label: string): void =>
    edit({ label: `After ${word} of ${level.name}: ${label}`, patch: [replaceAt(`${path}/${name}`, value)] });
  const { next } = ending;
  const goesOn = PARTS.filter(({ value }) => ending.goesOn.includes(value)).map(({ label }) => label);
  const slots = project.slots.map((slot, index) => ({
    value: `slot:${slot.id}`,
    label: `slot ${index + 1}, ${project.levels[slot.levelId]?.name ?? ''}`,
  }));
  return (
    <div>
      <div className="say">
        <span className="join">After {word}: freeze</span>
        <AmountChip
          here={here}
          label={`Freeze after ${word}`}
          amount={ending.freezeSeconds}
          path={`${path}/freezeSeconds`}
          step={0.1}
          min={0}
          max={30}
          unit="s"
        />
        <span className="join">, then</span>
        <Menu
          trigger={
            <button
              type="button"
              className="chip"
              aria-label={`What goes on after ${word}: ${goesOn.length === 0 ? 'nothing moves' : `${goesOn.join(', ')} go on`}`}
            >
              {goesOn.length === 0 ? 'nothing moves' : `${goesOn.join(', ')} go on`}
            </button>
          }
          entries={PARTS.map(({ value, label }) => ({
            label: `${ending.goesOn.includes(value) ? '✓ ' : ''}${label}`,
            onSelect: () =>
              set(
                'goesOn',
                ending.goesOn.includes(value)
                  ? ending.goesOn.filter((part) => part !== value)
                  : [...ending.goesOn, value],
                `${label} ${ending.goesOn.includes(value) ? 'stop' : 'go on'}`,
              ),
          }))}
        />
        {ending.message === '' ? null : <span className="join">, message</span>}
        <TextInPlace
          label={`Message after ${word}`}
          className={ending.message === '' ? 'act link text-[12px]' : 'chip'}
          value={ending.message}
          placeholder="+ message"
          refuse={(text) => (text.length > 400 ? 'At most 400 characters.' : undefined)}
          onCommit={(text) => set('message', text, `says ${text}`)}
        />
        <span className="join">, hold</span>
        <AmountChip
          here={here}
          label={`Hold after ${word}`}
          amount={ending.holdSeconds}
          path={`${path}/holdSeconds`}
          step={0.1}
          min={0}
          max={60}
          unit="s"
        />
        <span className="join">, then</span>
        <ChoiceChip
          label={`Next after ${word}`}
          value={next.to === 'slot' ? `slot:${next.slot}` : next.to}
          choices={[...NEXT, ...slots]}
          onChoose={(value) =>
            set(
              'next',
              value.startsWith('slot:') ? { to: 'slot', slot: value.slice(5) } : { to: value },
              `then ${[...NEXT, ...slots].find((entry) => entry.value === value)?.label ?? value}`,
            )
          }
        />
      </div>
      <Bar here={here} ending={ending} word={word} />
    </div>
  );
}

const WIDTH = 420;

/** The time after the end: freeze, then hold. */
function Bar({ here, ending, word }: { here: LevelContext; ending: EndingSide; word: string }) {
  const freeze = Math.max(0, resolveAmount(ending.freezeSeconds, here.values, here.placed));
  const hold = Math.max(0, resolveAmount(ending.holdSeconds, here.values, here.placed));
  const whole = freeze + hold;
  if (whole === 0) return null;
  const split = (freeze / whole) * WIDTH;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} 18`}
      className="mt-0.5 block w-full"
      style={{ maxWidth: WIDTH }}
      role="img"
      aria-label={`After ${word}: ${formatNumber(freeze)} s frozen, ${formatNumber(hold)} s held, ${formatNumber(whole)} s in all`}
    >
      <rect width={split} height="6" fill="var(--ink-3)" />
      <rect x={split} width={WIDTH - split} height="6" fill="var(--edit-line)" />
      <text x="0" y="16" fontSize="10.5" fill="var(--ink-3)">
        {split > 50 ? `freeze ${formatNumber(freeze)} s` : ''}
      </text>
      <text x={Math.min(WIDTH - 60, split + 3)} y="16" fontSize="10.5" fill="var(--ink-3)">
        {hold > 0 ? `hold ${formatNumber(hold)} s` : ''}
      </text>
      <text x={WIDTH} y="16" fontSize="10.5" textAnchor="end" fill="var(--ink-3)">
        {formatNumber(whole)} s
      </text>
    </svg>
  );
}
