import type { Pacer } from '@stadion/core/document/model';
import type { Forecast } from '@stadion/core/forecast/trials';
import { at, expectClearRate, removeAt, replaceAt } from '@stadion/core/authoring/edits';
import { useEdit } from '../../store/hooks.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { NumberChip } from '../../ui/index.ts';

/** The expectation of this forecast, if there is one. */
export function ExpectRate({ here, forecast, pacer }: { here: LevelContext; forecast: Forecast; pacer: Pacer }) {
  const { project, slotId, position } = here;
  const edit = useEdit();
  const kept = project.expectations.find(
    (entry) => entry.is === 'clearRate' && entry.slotId === slotId && entry.pacer === pacer.id,
  );
  if (kept?.is !== 'clearRate') {
    return (
      <button
        type="button"
        className="link mt-1.5 text-[12px]"
        onClick={() => edit(expectClearRate(project, slotId, pacer, forecast.interval))}
      >
        expect a clear rate about this from now on
      </button>
    );
  }
  const path = at('expectations', kept.id);
  const bound = (side: 'low' | 'high', min: number, max: number) => (
    <NumberChip
      label={`Expected clear rate, ${side === 'low' ? 'from' : 'to'}`}
      value={kept[side]}
      scale={100}
      unit="%"
      step={0.01}
      min={min}
      max={max}
      digits={1}
      onCommit={(value) =>
        edit({
          label: `Expect ${pacer.name} at ${position} ${side === 'low' ? 'from' : 'up to'} ${Math.round(value * 100)} %`,
          patch: [replaceAt(`${path}/${side}`, value)],
        })
      }
    />
  );
  const met = forecast.clearRate >= kept.low && forecast.clearRate <= kept.high;
  return (
    <div className="say mt-1.5">
      <span className="join">{pacer.name} is expected to clear it between</span>
      {bound('low', 0, kept.high)}
      <span className="join">and</span>
      {bound('high', kept.low, 1)}
      <span className={met ? 'text-ink-3' : 'font-semibold text-loss'}>{met ? 'met' : 'not met'}</span>
      <button
        type="button"
        className="link text-[12px]"
        onClick={() => edit({ label: `Expect no clear rate at ${position}`, patch: [removeAt(path)] })}
      >
        drop
      </button>
    </div>
  );
}
