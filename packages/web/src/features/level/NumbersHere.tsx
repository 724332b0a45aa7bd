import { deriveValue } from '@stadion/core/document/ramps';
import { READING_WORDS } from '@stadion/core/authoring/edits';
import { useGoto } from '../../address/address.ts';
import { formatNumber, Tip } from '../../ui/index.ts';
import type { LevelContext } from '../../readings/levelContext.ts';

/** Every parameter's value at this slot, each with the chain that made it and the way to its lane. */
export function NumbersHere({ here }: { here: LevelContext }) {
  const goto = useGoto();
  const { project, position } = here;
  if (project.parameters.length === 0)
    return <p className="text-ink-3">No parameters yet: press = on a number after adding one on Ramps.</p>;
  return (
    <div className="say">
      {project.parameters.map((parameter) => {
        const chain = deriveValue(project, parameter, position);
        const value = chain.at(-1)?.value ?? 0;
        const said = chain
          .map(
            (step) =>
              `${step.step}${step.by === undefined ? '' : ` ${formatNumber(step.by, 3)}`}: ${formatNumber(step.value, 3)}`,
          )
          .join(' → ');
        const scale = parameter.number === 'share' ? 100 : 1;
        return (
          <Tip key={parameter.key} text={said}>
            <button type="button" className="chip" onClick={() => goto({ screen: 'ramps', lane: parameter.key })}>
              <span className="font-normal text-ink-2">{parameter.label}</span> {formatNumber(value * scale)}
              {scale === 100 ? ' %' : ''}
              {parameter.ramp.axis !== undefined && chain.at(-1)?.step !== 'pinned' ? (
                <span className="font-normal text-ink-2">at first, along {READING_WORDS[parameter.ramp.axis]}</span>
              ) : null}
              {chain.at(-1)?.step === 'pinned' ? (
                <span aria-label="pinned" className="text-mark-ink">
                  ◆
                </span>
              ) : null}
            </button>
          </Tip>
        );
      })}
    </div>
  );
}
