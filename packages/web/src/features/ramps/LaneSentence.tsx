import type { Parameter, Ramp, ShapeType } from '@stadion/core/model';
import { rampValue, SHAPES, shapeDefinition, valuesAt, type ShapeField } from '@stadion/core/ramps';
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

/** What a shape's number may be, by what it measures. */
const FIELD_LIMITS: Readonly<Record<ShapeField['measure'], (value: NumberLimits) => NumberLimits>> = {
  value: (limits) => limits,
  levels: () => ({ step: 1, min: 1, max: 1000, whole: true }),
  position: () => ({ step: 1, min: 1, max: 1000, whole: true }),
  span: () => ({ step: 0.5, min: 0.01, max: 1000 }),
  share: () => ({ step: 0.01, min: -0.99, max: 10, scale: 100, unit: '%' }),
};

const TAKES = [
  { value: 'times', label: 'times' },
  { value: 'earlier', label: 'the value of' },
];

/** Levels made easier on purpose, as words. */
function BreatherWords({
  parameter,
  limits,
  onChange,
}: {
  parameter: Parameter;
  limits: NumberLimits;
  onChange: (ramp: Ramp, what: string) => void;
}) {
  const { ramp, label } = parameter;
  const { breather } = ramp;
  if (!breather) {
    return (
      <button
        type="button"
        className="link"
        onClick={() =>
          onChange(
            { ...ramp, breather: { every: 6, startingAt: 6, takes: { is: 'times', factor: 0.85 } } },
            'a breather',
          )
        }
      >
        + breather
      </button>
    );
  }
  const { takes } = breather;
  const set = (next: NonNullable<Ramp['breather']>, what: string): void => onChange({ ...ramp, breather: next }, what);
  const counted = { step: 1, max: 1000, whole: true };
  return (
    <span className="say inline-flex">
      <span className="join">; a breather every</span>
      <NumberChip
        {...counted}
        label={`${label} breather every`}
        min={2}
        value={breather.every}
        onCommit={(every) => set({ ...breather, every }, `a breather every ${every}`)}
        onClear={() => {
          const { breather: _gone, ...rest } = ramp;
          onChange(rest, 'no breather');
        }}
      />
      <span className="join">from level</span>
      <NumberChip
        {...counted}
        label={`${label} breather from level`}
        min={1}
        value={breather.startingAt}
        onCommit={(startingAt) => set({ ...breather, startingAt }, `breathers from level ${startingAt}`)}
      />
      <ChoiceChip
        label={`${label} breather takes`}
        value={takes.is}
        choices={TAKES}
        onChoose={(is) =>
          set(
            { ...breather, takes: is === 'times' ? { is: 'times', factor: 0.85 } : { is: 'earlier', levels: 3 } },
            'what a breather takes',
          )
        }
      />
      {takes.is === 'times' ? (
        <NumberChip
          {...limits}
          scale={1}
          unit=""
          step={0.05}
          label={`${label} breather factor`}
          value={takes.factor}
          onCommit={(factor) => set({ ...breather, takes: { is: 'times', factor } }, `a breather takes × ${factor}`)}
        />
      ) : (
        <>
          <NumberChip
            {...counted}
            label={`${label} breather levels earlier`}
            min={1}
            value={takes.levels}
            onCommit={(levels) =>
              set({ ...breather, takes: { is: 'earlier', levels } }, `a breather takes ${levels} earlier`)
            }
          />
          <span className="join">levels earlier</span>
        </>
      )}
    </span>
  );
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
    <div className="say absolute right-3 bottom-1.5 min-h-[56px] content-start" style={{ left: GUTTER }}>
      <ChoiceChip
        label={`Shape of ${parameter.label}`}
        value={ramp.shape.type}
        choices={SHAPE_CHOICES}
        onChoose={(type) => edit(setShape(project, key, type as ShapeType))}
      />
      {definition.fields.map((field) => {
        const value = (ramp.shape as unknown as Record<string, number>)[field.name] ?? 0;
        return (
          <span key={field.name} className="say inline-flex">
            <span className="join">{field.before}</span>
            <NumberChip
              {...FIELD_LIMITS[field.measure](limits)}
              label={`${parameter.label} ${field.before}`}
              value={value}
              digits={4}
              onCommit={(next) => setField(field.name, next, field.before)}
            />
            {field.after === undefined ? null : <span className="join">{field.after}</span>}
          </span>
        );
      })}
      {(definition.choices ?? []).map((choice) => (
        <span key={choice.name} className="say inline-flex">
          <span className="join">{choice.before}</span>
          <ChoiceChip
            label={`${parameter.label} ${choice.before}`}
            value={String((ramp.shape as unknown as Record<string, unknown>)[choice.name])}
            choices={choice.options}
            onChoose={(value) =>
              change(
                { ...ramp, shape: { ...ramp.shape, [choice.name]: value } as Ramp['shape'] },
                `${choice.before} ${choice.options.find((option) => option.value === value)?.label ?? value}`,
              )
            }
          />
        </span>
      ))}
      {definition.addHandle ? (
        <button
          type="button"
          className="link"
          onClick={() => {
            const shape = definition.addHandle?.(ramp.shape, position, rampValue({ shape: ramp.shape }, position));
            if (shape) change({ ...ramp, shape }, `a point at level ${position}`);
          }}
        >
          + point at level {position}
        </button>
      ) : null}
      <BreatherWords parameter={parameter} limits={limits} onChange={change} />
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
