import { setPin, setRampAndPins } from '@stadion/core/edits';
import { applyRangeEdit, wantedAt } from '@stadion/core/ramps';
import { moversLine, parameterLine, wantedShare, type Brought, type Goal } from '@stadion/core/tuning';
import { useMemo, useState } from 'react';
import { useEdit, usePacer, useProject, useSelection } from '../../project/hooks.ts';
import { handHook } from '../../project/useWorkerAnswer.ts';
import { Button, ChoiceChip, formatNumber, formatPercent, NumberChip } from '../../ui/index.ts';
import type { BringAnswer, BringRequest } from '../../workers/bring.worker.ts';
import { onlyLevelAt, useMovers } from '../../project/useMovers.ts';
import { ResponseChart } from './ResponseChart.tsx';

const useBring = handHook<BringRequest, BringAnswer>(
  () => new Worker(new URL('../../workers/bring.worker.ts', import.meta.url), { type: 'module' }),
  { kept: 20 },
);

/** All parameters that surely move the level, together. */
const TOGETHER = '';
const GOALS = [
  { value: 'clearRate', label: 'a clear rate of' },
  { value: 'stars', label: '★★★ for a share of those who clear it' },
  { value: 'time', label: 'a median time of' },
] as const;

/** Searches the value of a parameter, or of several, at which the level comes to what is wanted. */
export function BringThere() {
  const project = useProject();
  const pacer = usePacer();
  const { position } = useSelection();
  const wanted = wantedAt(project, position) ?? 0.8;
  const [is, setIs] = useState<Goal['is']>('clearRate');
  const [share, setShare] = useState<number>();
  const [starShare, setStarShare] = useState(0.15);
  const [seconds, setSeconds] = useState(20);
  const [picked, setPicked] = useState(project.parameters[0]?.key ?? TOGETHER);
  const movers = useMovers(project, position, pacer);
  const goal: Goal =
    is === 'clearRate'
      ? { is, share: share ?? wanted }
      : is === 'stars'
        ? { is, stars: 3, share: starShare }
        : { is, seconds };
  const acting = useMemo(() => new Set(movers.answer?.keys), [movers.answer]);
  const sure = (movers.answer?.movers.movers ?? []).filter(({ interval }) => interval.low > 0 || interval.high < 0);
  const choices = [
    ...project.parameters
      .filter((parameter) => parameter.ramp.axis === undefined && (acting.size === 0 || acting.has(parameter.key)))
      .map((parameter) => ({ value: parameter.key, label: parameter.label })),
    ...(sure.length > 1
      ? [{ value: TOGETHER, label: `what moves it most (${Math.min(4, sure.length)} together)` }]
      : []),
  ];
  // What does not act here is not offered: then it is the first one that does.
  const key = choices.some(({ value }) => value === picked) ? picked : (choices[0]?.value ?? picked);
  const by = key === TOGETHER ? sure.slice(0, 4) : key;
  const request = { project: onlyLevelAt(project, position), position, pacer, goal, by };
  const question = JSON.stringify([
    request.project.levels,
    project.parameters,
    project.kinds,
    project.player,
    project.standing,
    position,
    pacer,
    goal,
    by,
  ]);
  const { asked, answer, ask, stop } = useBring();
  const isThis = asked?.key === question;
  return (
    <div>
      <p className="say">
        Bring level {position} to{' '}
        <ChoiceChip
          label="What to bring it to"
          value={is}
          choices={GOALS}
          onChoose={(next) => setIs(next as Goal['is'])}
        />{' '}
        {is === 'clearRate' ? (
          <NumberChip
            label="Wanted clear rate"
            value={share ?? wanted}
            step={0.01}
            scale={100}
            unit="%"
            min={0.01}
            max={0.99}
            onCommit={setShare}
          />
        ) : is === 'stars' ? (
          <NumberChip
            label="Wanted share of three stars"
            value={starShare}
            step={0.01}
            scale={100}
            unit="%"
            min={0.01}
            max={0.99}
            onCommit={setStarShare}
          />
        ) : (
          <NumberChip
            label="Wanted median time"
            value={seconds}
            step={1}
            unit="s"
            min={1}
            max={240}
            onCommit={setSeconds}
          />
        )}{' '}
        for {pacer.name} by <ChoiceChip label="By which parameter" value={key} choices={choices} onChoose={setPicked} />
      </p>
      <div className="mt-1.5 flex gap-2">
        <Button disabled={choices.length === 0} onClick={() => ask({ key: question, request })}>
          {asked === null ? 'Search' : 'Search again'}
        </Button>
        {answer && !answer.done ? <Button onClick={stop}>Stop</Button> : null}
      </div>
      {asked && answer ? (
        <Found brought={answer.brought} asked={asked.request} dimmed={!isThis && answer.done} />
      ) : asked ? (
        <p role="status" className="mt-2 text-ink-3">
          The first attempts are being played…
        </p>
      ) : null}
    </div>
  );
}

/** What has been found so far, and the ways to take it. */
function Found({ brought, asked, dimmed }: { brought: Brought; asked: Omit<BringRequest, 'id'>; dimmed: boolean }) {
  const project = useProject();
  const edit = useEdit();
  const { goal, by, position } = asked;
  const parameter = typeof by === 'string' ? project.parameters.find(({ key }) => key === by) : undefined;
  const line = parameter
    ? parameterLine(asked.project, position, parameter)
    : moversLine(asked.project, position, typeof by === 'string' ? [] : by);
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
    <div className={dimmed ? 'opacity-60' : ''} aria-busy={stage !== 'done'}>
      <ResponseChart brought={brought} line={line} wanted={wanted} say={say} />
      <p role="status" className="mt-1 text-[12.5px]">
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
