import { rampValue, seriesOf } from '@stadion/core/document/ramps';
import { moveTier, READING_WORDS, removeTier, renameTier, tierLimits } from '@stadion/core/authoring/edits';
import { useEdit, useProject } from '../../store/hooks.ts';
import { NumberChip, TextInPlace } from '../../ui/index.ts';
import { boundsOf, extentOf } from './liveAxis.ts';
import type { PanelProps } from './preview.ts';
import { sayValue } from './words.ts';

/** The values of a live ramp just below, at and just above each of its bounds, which are counted in; and its tiers. */
export function BoundsPanel({ parameter, position }: PanelProps) {
  const project = useProject();
  const edit = useEdit();
  const context = seriesOf(project).contextOf(parameter, position);
  const { ramp } = parameter;
  const bounds = boundsOf(parameter, context, extentOf(ramp, context.bands));
  const word = READING_WORDS[ramp.axis ?? 'score'];
  const say = (reading: number): string => sayValue(parameter, rampValue(parameter, reading, context), 3);
  const tiers = ramp.shape.type === 'tiers' ? context.bands : [];
  if (bounds.length === 0)
    return <p className="text-ink-2">This ramp has no bounds: it changes all along {word}, or not at all.</p>;
  return (
    <div className="flex gap-10">
      <table aria-label={`${parameter.label} at its bounds`} className="text-right text-[12.5px]">
        <thead className="text-ink-3">
          <tr>
            <th scope="col" className="pr-6 text-left font-normal">
              bound, {word}
            </th>
            <th scope="col" className="pr-6 font-normal">
              1 below
            </th>
            <th scope="col" className="pr-6 font-normal">
              at it
            </th>
            <th scope="col" className="font-normal">
              1 above
            </th>
          </tr>
        </thead>
        <tbody>
          {bounds.map((bound) => (
            <tr key={bound} className="border-t border-line">
              <th scope="row" className="pr-6 text-left font-semibold">
                {bound}
              </th>
              <td className="pr-6">{bound === 0 ? '—' : say(bound - 1)}</td>
              <td className="pr-6 font-semibold">{say(bound)}</td>
              <td>{say(bound + 1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {tiers.length === 0 ? null : (
        <ul aria-label="Tiers of this reading" className="flex flex-col gap-1">
          {tiers.map((tier) => (
            <li key={tier.id} className="flex items-center gap-3">
              <TextInPlace
                label="Name of the tier"
                value={tier.name}
                refuse={(text) => (text === '' ? 'A tier needs a name.' : undefined)}
                onCommit={(name) => edit(renameTier(ramp.axis, tier.id, name))}
              />
              <span className="join">from</span>
              {tier.from === tierLimits(project, ramp.axis, tier.id).min && tier === tiers[0] ? (
                <b>{tier.from}</b>
              ) : (
                <NumberChip
                  label={`${tier.name} from`}
                  value={tier.from}
                  step={1}
                  whole
                  {...tierLimits(project, ramp.axis, tier.id)}
                  onCommit={(from) => edit(moveTier(project, ramp.axis, tier.id, from))}
                />
              )}
              <button type="button" className="link" onClick={() => edit(removeTier(project, ramp.axis, tier.id))}>
                Remove {tier.name}
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
