import type { Parameter, Ramp, ShapeType } from '@stadion/core/model';
import { SHAPES, shapeDefinition, valuesAt } from '@stadion/core/ramps';
import { GUTTER } from '../../app/columns.ts';
import { removePin, setPin, setRamp, setShape } from '../../app/commands/index.ts';
import { useEdit, useProject } from '../../app/hooks.ts';
import { ChoiceChip, NumberChip, type NumberLimits } from '../../ui/index.ts';
import { sayValue, scaleOf } from './words.ts';

const SHAPE_CHOICES = Object.values(SHAPES).map(({ type, label }) => ({ value: type, label }));

/** What a value of this parameter may be in a chip. Outside the sane range it is allowed: that is for findings to say. */
function valueLimits(parameter: Parameter): NumberLimits {
  const { min, max } = parameter.sane;
  const step =
    parameter.number === 'whole'
      ? 1
      : parameter.number === 'share'
        ? 0.01
        : parameter.number === 'seconds'
          ? 1
          : Math.max(0.01, Number(((max - min) / 100).toPrecision(1)));
  return { step, scale: scaleOf(parameter), ...(parameter.number === 'share' ? { unit: '%' } : {}) };
}

/** The open lane's ramp as a sentence of chips, and the pin at the selected slot. */
export function LaneSentence({ parameter, position }: { parameter: Parameter; position: number }) {
  const project = useProject();
  const edit = useEdit();
  const { ramp, key } = parameter;
  const definition = shapeDefinition(ramp.shape);
  const limits = valueLimits(parameter);
  const change = (next: Ramp, what: string): void => edit(setRamp(project, key, next, what));
  const setField = (name: string, value: number, words: string): void =>
    change({ ...ramp, shape: { ...ramp.shape, [name]: value } as Ramp['shape'] }, `${words} ${value}`);
  const modifier = (name: 'atMost' | 'atLeast' | 'roundTo', words: string, more: Partial<NumberLimits> = {}) => (
    <>
      <span className="join">{words}</span>
      <NumberChip
        {...limits}
        {...more}
        label={`${parameter.label} ${words}`}
        value={ramp[name] ?? null}
        digits={4}
        onCommit={(value) => change({ ...ramp, [name]: value }, `${words} ${sayValue(parameter, value)}`)}
        onClear={() => {
          const { [name]: _gone, ...rest } = ramp;
          change(rest, `no ${words}`);
        }}
      />
    </>
  );
  const slotId = project.slots[position - 1]?.id;
  const pinned = slotId !== undefined && Object.hasOwn(parameter.pins, slotId);
  const here = valuesAt(project, position)[key] ?? 0;
  return (
    <div className="say absolute right-3 bottom-1.5" style={{ left: GUTTER }}>
      <ChoiceChip
        label={`Shape of ${parameter.label}`}
        value={ramp.shape.type}
        choices={SHAPE_CHOICES}
        onChoose={(type) => edit(setShape(project, key, type as ShapeType))}
      />
      {definition.fields.map((field) => {
        const value = (ramp.shape as unknown as Record<string, number>)[field.name] ?? 0;
        const counts = field.measure !== 'value';
        return (
          <span key={field.name} className="say inline-flex">
            <span className="join">{field.before}</span>
            <NumberChip
              {...(counts ? { step: 1, min: 1, max: 1000, whole: true } : limits)}
              label={`${parameter.label} ${field.before}`}
              value={value}
              digits={4}
              onCommit={(next) => setField(field.name, next, field.before)}
            />
            {field.after === undefined ? null : <span className="join">{field.after}</span>}
          </span>
        );
      })}
      {modifier('atMost', 'at most', ramp.atLeast === undefined ? {} : { min: ramp.atLeast })}
      {modifier('atLeast', 'at least', ramp.atMost === undefined ? {} : { max: ramp.atMost })}
      {modifier('roundTo', 'rounded to', { min: 0.0001, step: 0.05 })}
      {slotId === undefined ? null : (
        <span className="say ml-auto inline-flex">
          <span className="join">
            {pinned ? '◆ pinned at' : 'pin at'} {position}:
          </span>
          <NumberChip
            {...limits}
            label={`${parameter.label} pinned at level ${position}`}
            value={here}
            digits={4}
            onCommit={(value) => edit(setPin(project, key, slotId, value))}
          />
          {pinned ? (
            <button type="button" className="link" onClick={() => edit(removePin(project, key, slotId))}>
              Remove the pin
            </button>
          ) : null}
        </span>
      )}
    </div>
  );
}
