import { everyPacer } from '@stadion/core/forecast/pacers';
import { Progress } from 'radix-ui';
import { useState } from 'react';
import { stadionApi, useChangeTrialsMutation, useTrialsStateQuery } from '../../api/stadionApi.ts';
import { useSelection } from '../../address/address.ts';
import { useAppDispatch, useProject } from '../../store/hooks.ts';
import { Button, formatMoment, formatRemaining, Tip } from '../../ui/index.ts';
import { progressOf, useSecondsLeft, type PacerRow } from './useTrials.ts';

/** How far the trials of the sequence have come, and holding them. */
export function Jobs({ rows }: { rows: readonly PacerRow[] }) {
  const project = useProject();
  const { projectId } = useSelection();
  const { data: state } = useTrialsStateQuery(projectId, { refetchOnMountOrArgChange: true });
  const [change] = useChangeTrialsMutation();
  const dispatch = useAppDispatch();
  const [cancelledAt, setCancelledAt] = useState<string>();
  const progress = progressOf(rows, project.slots.length);
  const { done, of, failed } = progress;
  const seconds = useSecondsLeft(progress);
  const asked = rows.map(({ entries }) => [...entries.values()].map(({ key }) => key).join()).join();
  // An edit requests trials again by itself.
  const cancelled = cancelledAt === asked;
  const paused = state?.paused ?? false;
  const isDone = done + failed >= of;
  const goOn = (): void => {
    setCancelledAt(undefined);
    for (const { pacer } of rows)
      void dispatch(
        stadionApi.endpoints.forecasts.initiate(
          { projectId, pacer: pacer.id },
          { forceRefetch: true, subscribe: false },
        ),
      );
  };
  const said = isDone
    ? failed > 0
      ? `${done} of ${of} forecasts known; ${failed} could not be tried`
      : `All ${of} forecasts known`
    : `${done} of ${of} forecasts known${cancelled ? ', cancelled' : paused ? ', paused' : formatRemaining(seconds)}`;
  const since = state?.asked.map(
    ({ pacer, at }) => `${everyPacer(project).find(({ id }) => id === pacer)?.name ?? pacer}: ${formatMoment(at)}`,
  );
  return (
    <>
      <Progress.Root
        aria-label="Forecasts known"
        value={done}
        max={Math.max(1, of)}
        className="h-2 w-28 overflow-hidden rounded-r bg-line"
      >
        <Progress.Indicator
          className="h-full bg-edit transition-[width] duration-150 motion-reduce:transition-none"
          style={{ width: `${(done / Math.max(1, of)) * 100}%` }}
        />
      </Progress.Root>
      <Tip text={since?.length ? `Asked for: ${since.join('; ')}` : 'Nothing is asked for.'}>
        <span role="status" tabIndex={0} className="text-[12.5px] whitespace-nowrap text-ink-2">
          {said}
        </span>
      </Tip>
      {isDone ? null : cancelled ? (
        <Button onClick={goOn}>Go on</Button>
      ) : (
        <>
          <Button onClick={() => void change({ projectId, do: paused ? 'goOn' : 'pause' })}>
            {paused ? 'Go on' : 'Pause'}
          </Button>
          <Button
            onClick={() => {
              setCancelledAt(asked);
              void change({ projectId, do: 'cancel' });
            }}
          >
            Cancel
          </Button>
        </>
      )}
    </>
  );
}
