import { setPin, setRampAndPins } from '@stadion/core/authoring/edits';
import { applyRangeEdit, wantedAt } from '@stadion/core/document/ramps';
import {
  lineOf,
  onlyLevelAt,
  wantedShare,
  type BringAsked,
  type Brought,
  type Goal,
} from '@stadion/core/forecast/tuning';
import { useMemo, useState } from 'react';
import { useSelection } from '../../address/address.ts';
import { useEdit, usePacer, useProject } from '../../store/hooks.ts';
import { StopAndGo } from '../../answers/StopAndGo.tsx';
import { searchHook } from '../../answers/useSearch.ts';
import { Button, ChoiceChip, formatNumber, formatPercent, NumberChip } from '../../ui/index.ts';
import type { Question } from '../../answers/searchStore.ts';
import { useMovers } from '../../answers/useMovers.ts';
import { ResponseChart } from './ResponseChart.tsx';

const useBring = searchHook('bring', (project, { position }) => onlyLevelAt(project, position));

/** All parameters that surely move the level, together. */
const TOGETHER = '';
const GOALS = [
  { value: 'clearRate', label: 'a clear rate of' },
  { value: 'stars', label: '★★★ for a share of those who clear it' },
  { value: 'time', label: 'a median time of' },
] as const;

/** A goal of a kind as it stands at first. @param wanted clear rate of the level */
function usualGoal(is: Goal['is'], wanted: number): Goal {
  if (is === 'stars') return { is, stars: 3, share: 0.15 };
  return is === 'time' ? { is, seconds: 20 } : { is, share: wanted };
}

/** Searches the value of a parameter, or of several, at which the level comes to what is wanted. */
export function BringThere() {
  const project = useProject();
  const pacer = usePacer();
  const { position } = useSelection();
  const wanted = wantedAt(project, position) ?? 0.8;
  const search = useBring();
  const { question, found, isRunning, ask, isSame } = search;
  // As it was asked last of this level, until something else is chosen.
  const last = question?.asked.position === position ? question.asked : undefined;
  const [chosen, choose] = useState<{ goal?: Goal; key?: string }>({});
  const movers = useMovers(project, position, pacer);
  const goal = chosen.goal ?? last?.goal ?? usualGoal('clearRate', wanted);
  const setGoal = (next: Goal): void => choose({ ...chosen, goal: next });
  const acting = useMemo(() => new Set(movers.answer?.found.keys), [movers.answer]);
  const sure = (movers.answer?.found.movers ?? []).filter(({ interval }) => interval.low > 0 || interval.high < 0);
  const choices = [
    ...project.parameters
      .filter((parameter) => parameter.ramp.axis === undefined && (acting.size === 0 || acting.has(parameter.key)))
      .map((parameter) => ({ value: parameter.key, label: parameter.label })),
    ...(sure.length > 1
      ? [{ value: TOGETHER, label: `what moves it most (${Math.min(4, sure.length)} together)` }]
      : []),
  ];
  // A parameter that does not act here is not offered: then the first one that acts is chosen.
  const before = typeof last?.by === 'string' ? last.by : last && TOGETHER;
  const picked = chosen.key ?? before ?? project.parameters[0]?.key ?? TOGETHER;
  const key = choices.some(({ value }) => value === picked) ? picked : (choices[0]?.value ?? picked);
  const by = key === TOGETHER ? sure.slice(0, 4) : key;
  const asking: BringAsked = { position, goal, by };
  return (
    <div>
      <p className="say">
        Bring level {position} to{' '}
        <ChoiceChip
          label="What to bring it to"
          value={goal.is}
          choices={GOALS}
          onChoose={(is) => setGoal(usualGoal(is as Goal['is'], wanted))}
        />{' '}
        {goal.is === 'clearRate' ? (
          <NumberChip
            label="Wanted clear rate"
            value={goal.share}
            step={0.01}
            scale={100}
            unit="%"
            min={0.01}
            max={0.99}
            onCommit={(share) => setGoal({ ...goal, share })}
          />
        ) : goal.is === 'stars' ? (
          <NumberChip
            label="Wanted share of three stars"
            value={goal.share}
            step={0.01}
            scale={100}
            unit="%"
            min={0.01}
            max={0.99}
            onCommit={(share) => setGoal({ ...goal, share })}
          />
        ) : (
          <NumberChip
            label="Wanted median time"
            value={goal.seconds}
            step={1}
            unit="s"
            min={1}
            max={240}
            onCommit={(seconds) => setGoal({ ...goal, seconds })}
          />
        )}{' '}
        for {pacer.name} by{' '}
        <ChoiceChip
          label="By which parameter"
          value={key}
          choices={choices}
          onChoose={(next) => choose({ ...chosen, key: next })}
        />
      </p>
      <div className="mt-1.5 flex gap-2">
        <Button disabled={choices.length === 0} onClick={() => ask(asking)}>
          {question === null ? 'Search' : 'Search again'}
        </Button>
        <StopAndGo of={search} />
      </div>
      {question !== null && found ? (
        <Found brought={found} question={question} isRunning={isRunning} isOther={!isSame(asking)} />
      ) : question !== null ? (
        <p role="status" className="mt-2 text-ink-3">
          The first attempts are being played…
        </p>
      ) : null}
    </div>
  );
}

interface FoundProps {
  brought: Brought;
  question: Question<'bring'>;
  isRunning: boolean;
  /** Another question than the one that stands above it now. */
  isOther: boolean;
}

/** Result until now, and the ways to apply it. */
function Found({ brought, question, isRunning, isOther }: FoundProps) {
  const project = useProject();
  const edit = useEdit();
  const { goal, by, position } = question.asked;
  const parameter = typeof by === 'string' ? project.parameters.find(({ key }) => key === by) : undefined;
  const line = lineOf(question.project, question.asked);
  const slot = project.slots[position - 1];
  const { answer, nearest, stage, attempts, crossings } = brought;
  const say = (at: number): string => {
    if (!parameter) return `${formatNumber(at, 1)} steps`;
    return parameter.number === 'share' ? formatPercent(at, 1) : `${formatNumber(at, 3)} ${parameter.unit}`.trim();
  };
  const wanted = wantedShare(goal);
  const pin = (): void => {
    if (!answer || !slot) return;
    const values = line.values(answer.at);
    if (parameter) return edit(setPin(project, parameter.key, slot.id, answer.at));
    const pins = (by as readonly { key: string }[]).map(({ key }) => setPin(project, key, slot.id, values[key] ?? 0));
    edit({ label: `Bring level ${position} there by ${pins.length} pins`, patch: pins.flatMap(({ patch }) => patch) });
  };
  const ramped =
    parameter && answer
      ? applyRangeEdit(project, parameter, { from: position, to: position }, { edit: 'set', value: answer.at }, 'own')
      : undefined;
  return (
    <div className={isOther && stage === 'done' ? 'opacity-60' : ''} aria-busy={isRunning}>
      <ResponseChart brought={brought} line={line} wanted={wanted} say={say} />
      <p role="status" className="mt-1 text-[12.5px]">
        {isOther ? `Level ${position}, ${question.pacer.name}: ` : ''}
        {answer ? (
          <>
            <b>{say(answer.at)}</b>: {formatPercent(answer.share)} ({formatPercent(answer.interval.low)} to{' '}
            {formatPercent(answer.interval.high)}) in attempts of its own
            {crossings[0] && parameter?.number !== 'whole'
              ? `; the value is between ${say(Math.max(line.min, crossings[0].low))} and ${say(Math.min(line.max, crossings[0].high))}`
              : ''}
            .
          </>
        ) : stage === 'done' ? (
          <>
            <b>None</b> between {say(line.min)} and {say(line.max)} does it.
            {nearest
              ? ` ${say(nearest.at)} comes nearest: ${formatPercent(nearest.met / Math.max(1, nearest.attempts))}.`
              : ''}
          </>
        ) : !isRunning ? (
          'Stopped; what was played is kept.'
        ) : stage === 'scanning' ? (
          'Looking over the whole range…'
        ) : stage === 'narrowing' ? (
          `Narrowing it down${crossings[0] ? `: about ${say(crossings[0].at)}` : ''}…`
        ) : (
          'Trying the answer by attempts of its own…'
        )}{' '}
        <span className="text-ink-3">{formatNumber(attempts)} attempts</span>
      </p>
      {crossings.length > 1 ? (
        <p className="text-[12.5px] text-ink-2">
          It is also met at about{' '}
          {crossings
            .slice(1)
            .map(({ at }) => say(at))
            .join(' and ')}
          : the rate does not go one way along this parameter.
        </p>
      ) : null}
      {answer && slot ? (
        <div className="mt-1.5 flex flex-wrap gap-2">
          <Button onClick={pin}>{parameter ? 'Pin it here' : 'Pin them here'}</Button>
          {ramped && parameter ? (
            <Button
              onClick={() =>
                edit(setRampAndPins(project, parameter.key, ramped, `bring level ${position} to ${say(answer.at)}`))
              }
            >
              Turn the ramp
            </Button>
          ) : null}
        </div>
      ) : null}
    </div>
  );
}
