import { positionOf } from '@stadion/core/document/model';
import { causeInWords, conditionInWords, ticksToSeconds, type Observed, type Verdicts } from '@stadion/core/play/rules';
import { LOST_FIGHT } from '@stadion/core/forecast/trials';
import type { LevelContext } from '../../readings/levelContext.ts';
import { Button, formatNumber } from '../../ui/index.ts';

/** An attempt that has ended, on a ground or in a bout. */
export interface Ended {
  phase: string;
  tick: number;
  lastLifeRule: number;
  verdicts: Verdicts;
  observed: Pick<Observed, 'lives'>;
}

/** Why it ended, in a sentence. */
function whyInWords(here: LevelContext, state: Ended): string {
  const { rule } = state.verdicts.ending;
  if (rule === LOST_FIGHT) return 'A fight on the way was lost, and here that loses the level.';
  if (rule === -1) {
    if (here.level.clock.atExpiry === 'grade')
      return state.phase === 'won' ? 'The clock ran out, and it earned a star.' : 'The clock ran out without a star.';
    return state.phase === 'won' ? 'The clock ran out: survived.' : 'The clock ran out.';
  }
  const ended = here.rules[rule]?.rule;
  if (!ended) return '';
  if (state.phase === 'won') return `It holds: ${conditionInWords(ended.when, here.names)}.`;
  const life = here.rules[state.lastLifeRule]?.rule;
  return `${causeInWords(ended, here.names)}${life ? `, the last to ${causeInWords(life, here.names)}` : ''}.`;
}

interface Props {
  here: LevelContext;
  state: Ended;
  onRestart: () => void;
  onLeave: () => void;
  onLookBack?: () => void;
  /** Stands where it is put, and not over all else. */
  inline?: boolean;
  /** Plays another slot. */
  onGo: (slotId: string) => void;
}

/** Where the ending leads, as a button; a retry needs none of its own. */
function nextOf(
  { project, level, slotId }: LevelContext,
  side: 'won' | 'lost',
): { slotId: string; words: string } | undefined {
  const { next } = level.ending[side];
  const position = positionOf(project, slotId);
  const to = next.to === 'slot' ? positionOf(project, next.slot) : next.to === 'nextSlot' ? position + 1 : 0;
  const slot = project.slots[to - 1];
  return slot && slot.id !== slotId ? { slotId: slot.id, words: `On to ${to}` } : undefined;
}

/** Why it ended and at which tick, and what can follow. */
export function End({ here, state, onRestart, onLeave, onLookBack, onGo, inline = false }: Props) {
  const won = state.phase === 'won';
  const side = won ? 'won' : 'lost';
  const { stars } = state.verdicts;
  const { message } = here.level.ending[side];
  const next = nextOf(here, side);
  return (
    <div
      role="alert"
      className={`border-t-4 p-4 ${inline ? 'my-2 max-w-[560px] border border-line-strong bg-sheet' : 'pop absolute top-1/2 left-1/2 w-[430px] -translate-x-1/2 -translate-y-1/2'} ${won ? 'border-t-win' : 'border-t-loss'}`}
    >
      <p className="text-[21px] font-[680] [font-stretch:106%]">
        {won ? 'Won' : 'Lost'}{' '}
        <span className="text-mark-ink" aria-label={won ? `${stars} stars` : undefined}>
          {'★'.repeat(stars)}
        </span>
      </p>
      {message === '' ? null : <p className="text-[15px]">{message}</p>}
      <p className="my-1.5 text-ink-2">{whyInWords(here, state)}</p>
      <p className="mb-3 text-ink-2">
        At tick <b>{state.tick}</b>, {formatNumber(ticksToSeconds(state.tick), 2)} s after the load, with{' '}
        {state.observed.lives} lives.
      </p>
      <div className="flex flex-wrap gap-2">
        <Button look="main" onClick={onRestart}>
          Play again <kbd>R</kbd>
        </Button>
        {next ? <Button onClick={() => onGo(next.slotId)}>{next.words}</Button> : null}
        {onLookBack ? <Button onClick={onLookBack}>Look back</Button> : null}
        <Button onClick={onLeave}>
          Back to the level <kbd>Esc</kbd>
        </Button>
      </div>
    </div>
  );
}
