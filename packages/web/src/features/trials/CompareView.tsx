import { useCompared, useRateChanges } from '../../readings/compared.ts';
import { useGoto, useSelection } from '../../address/address.ts';
import { usePacer, useProject } from '../../store/hooks.ts';
import { usePacerForecasts } from '../../answers/usePacerForecasts.ts';
import { useSnapshotsQuery } from '../../api/stadionApi.ts';
import { ChoiceChip, formatPercent } from '../../ui/index.ts';

const points = (share: number): string =>
  `${share > 0 ? '+' : share < 0 ? '−' : ''}${Math.abs(Math.round(share * 1000) / 10)}`;

/** Every slot of the project beside the same slot of a snapshot, the surest differences first. */
export function CompareView() {
  const project = useProject();
  const { projectId, compared } = useSelection();
  const goto = useGoto();
  const pacer = usePacer();
  const { data } = useSnapshotsQuery(projectId);
  const forecasts = usePacerForecasts();
  const changes = useRateChanges(forecasts);
  const state = useCompared();
  const snapshots = data?.snapshots ?? [];
  if (snapshots.length === 0)
    return (
      <p className="p-3.5 text-ink-2">
        There is no snapshot to compare with yet. Take one on Ramps, change something, and come back: every slot’s clear
        rate is then told beside what it was.
      </p>
    );
  const rows = project.slots
    .flatMap((slot, index) => {
      const change = changes.get(slot.id);
      return change ? [{ slot, position: index + 1, change }] : [];
    })
    .toSorted((one, other) => surenessOf(other.change) - surenessOf(one.change));
  return (
    <div className="min-h-0 grow overflow-y-auto px-3.5 py-2.5">
      <p className="say mb-2">
        {pacer.name}’s clear rates now against{' '}
        <ChoiceChip
          label="Snapshot compared with"
          value={compared ?? ''}
          shown={snapshots.find(({ id }) => id === compared)?.name ?? 'choose a snapshot'}
          choices={snapshots.map(({ id, name }) => ({ value: id, label: name }))}
          onChoose={(id) => goto({ compared: id })}
        />
        {compared === undefined ? null : (
          <span className="text-ink-3">
            {' '}
            {rows.length} of {project.slots.length} slots known{state ? '' : '…'}; surest differences first
          </span>
        )}
      </p>
      {compared === undefined || rows.length === 0 ? null : (
        <table aria-label="Differences of clear rates" className="w-full max-w-[820px] text-[13px]">
          <thead className="text-left text-ink-3">
            <tr>
              <th className="font-normal">level</th>
              <th className="text-right font-normal">was</th>
              <th className="text-right font-normal">is</th>
              <th className="text-right font-normal">difference, points</th>
              <th className="pl-4 font-normal">that means</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ slot, position, change }) => {
              const { before, difference, low, high, same } = change;
              const sure = !same && (low > 0 || high < 0);
              return (
                <tr key={slot.id} className={`border-t border-line ${sure ? '' : 'text-ink-3'}`}>
                  <td className="py-1">
                    <button type="button" className="link" onClick={() => goto({ screen: 'level', slotId: slot.id })}>
                      {position} {project.levels[slot.levelId]?.name ?? slot.levelId}
                    </button>
                  </td>
                  <td className="text-right">{formatPercent(before)}</td>
                  <td className="text-right">{formatPercent(forecasts.get(slot.id)?.summary?.clearRate ?? 0)}</td>
                  <td className="text-right">
                    {same ? '0' : `${points(difference)} ± ${Math.round((high - low) * 500) / 10}`}
                  </td>
                  <td className="pl-4">
                    {same ? 'the same question' : !sure ? 'not surely other' : difference > 0 ? 'easier' : 'harder'}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </div>
  );
}

/** How many half-widths of its interval a difference is away from none. */
function surenessOf({
  difference,
  low,
  high,
  same,
}: {
  difference: number;
  low: number;
  high: number;
  same: boolean;
}): number {
  const half = (high - low) / 2;
  return same || half === 0 ? 0 : Math.abs(difference) / half;
}
