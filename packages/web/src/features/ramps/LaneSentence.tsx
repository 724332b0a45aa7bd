import { placedOn } from '@stadion/core/play/attempt';
import type { LiveAxis, Parameter, Project, Ramp, ShapeType } from '@stadion/core/document/model';
import {
  numberOf,
  rawValue,
  seriesOf,
  shapeDefinition,
  shapeFields,
  SHAPES,
  toSignificant,
  valuesAt,
  withNumber,
  type ShapeField,
} from '@stadion/core/document/ramps';
import { useMemo } from 'react';
import { GUTTER } from '../../columns/columns.ts';
import { addTier, READING_WORDS, removePin, setAxis, setPin, setRamp, setShape } from '@stadion/core/authoring/edits';
import { useEdit, useProject } from '../../store/hooks.ts';
import { mintId } from '../../store/mintId.ts';
import { FIELD_LIMITS } from '../../readings/fieldLimits.ts';
import { ChoiceChip, NumberChip, type NumberLimits } from '../../ui/index.ts';
import { BreatherWords } from './BreatherWords.tsx';
import { FormulaField } from './FormulaField.tsx';
import { extentOf } from './liveAxis.ts';
import type { Preview } from './preview.ts';
import { sayValue, scaleOf } from './words.ts';

const SHAPE_CHOICES = Object.values(SHAPES).map(({ type, label }) => ({ value: type, label }));

/** Range of a value of this parameter in a chip. Outside the sane range it is allowed: that is for findings to say. */
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

const AXES = [
  { value: 'position', label: 'along the sequence' },
  ...Object.entries(READING_WORDS).map(([value, words]) => ({ value, label: `along ${words}` })),
];

/** Range of a shape's number along a reading, which goes further than a sequence and begins at 0. */
const alongReading = (field: ShapeField, limits: NumberLimits): NumberLimits =>
  field.measure === 'levels' || field.measure === 'position' || field.measure === 'span'
    ? { ...limits, min: field.measure === 'position' ? 0 : (limits.min ?? 0), max: 1_000_000 }
    : limits;

/** Words of a shape that count levels count something else along a reading. */
const wordAlong = (words: string, axis: LiveAxis | undefined): string =>
  axis === undefined ? words : words.replace(/\blevels?\b/, '').trim();

interface Props {
  parameter: Parameter;
  position: number;
  /** Height of the parts below the sentence, px. */
  bottom: number;
  onPreview: (preview: Preview | null) => void;
}

/** Returns how much of a reading is placed at a position, as a bound for its tiers; 0 for readings of which nothing is placed. */
function placedAlong(project: Project, axis: LiveAxis | undefined, position: number): number {
  const level = project.levels[project.slots[position - 1]?.levelId ?? ''];
  if (!level || (axis !== 'score' && axis !== 'collected')) return 0;
  const { count, worth } = placedOn(project, level, valuesAt(project, position));
  return (axis === 'score' ? worth : count)['any'] ?? 0;
}

/** The open lane's ramp as a sentence of chips, and the pin at the selected slot. */
export function LaneSentence({ parameter, position, bottom, onPreview }: Props) {
  const project = useProject();
  const edit = useEdit();
  const { ramp, key } = parameter;
  const { axis, shape } = ramp;
  const definition = shapeDefinition(shape);
  const context = useMemo(() => seriesOf(project).contextOf(parameter, position), [project, parameter, position]);
  const limits = valueLimits(parameter);
  const placedHere = placedAlong(project, axis, position);
  const change = (next: Ramp, what: string): void => edit(setRamp(project, key, next, what));
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
  const setNumber = (field: ShapeField, value: number): void =>
    change({ ...ramp, shape: withNumber(shape, field, value) }, `${field.before} ${Number(value.toPrecision(6))}`);
  const slotId = project.slots[position - 1]?.id;
  const pinned = slotId !== undefined && Object.hasOwn(parameter.pins, slotId);
  const here = valuesAt(project, position)[key] ?? 0;
  // A new point of a live ramp stands in the middle of its lane; of any other, at the selected level.
  const newPoint = axis === undefined ? position : Math.round(extentOf(ramp, context.bands) / 2);
  return (
    <div className="say absolute right-3 min-h-[56px] content-start" style={{ left: GUTTER, bottom: bottom + 6 }}>
      <ChoiceChip
        label={`Axis of ${parameter.label}`}
        value={axis ?? 'position'}
        choices={AXES}
        onChoose={(next) => edit(setAxis(project, key, next === 'position' ? undefined : (next as LiveAxis)))}
      />
      <ChoiceChip
        label={`Shape of ${parameter.label}`}
        value={shape.type}
        choices={SHAPE_CHOICES}
        onChoose={(type) => edit(setShape(project, key, type as ShapeType))}
      />
      {shapeFields(shape, context).map((field) => (
        <span key={field.name} className="say inline-flex">
          <span className="join">{wordAlong(field.before, axis)}</span>
          <NumberChip
            {...(axis === undefined
              ? FIELD_LIMITS[field.measure](limits)
              : alongReading(field, FIELD_LIMITS[field.measure](limits)))}
            label={`${parameter.label} ${field.before.replace(/:$/, '')}`}
            value={numberOf(ramp, field, context)}
            digits={4}
            onCommit={(next) => setNumber(field, next)}
          />
          {field.after === undefined ? null : <span className="join">{wordAlong(field.after, axis)}</span>}
        </span>
      ))}
      {(definition.choices ?? []).map((choice) => (
        <span key={choice.name} className="say inline-flex">
          <span className="join">{choice.before}</span>
          <ChoiceChip
            label={`${parameter.label} ${choice.before}`}
            value={String((shape as unknown as Record<string, unknown>)[choice.name])}
            choices={choice.options}
            onChoose={(value) =>
              change(
                { ...ramp, shape: { ...shape, [choice.name]: value } as Ramp['shape'] },
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
            const value = toSignificant(rawValue(ramp, newPoint, context));
            const next = definition.addHandle?.(shape, newPoint, value);
            if (next) change({ ...ramp, shape: next }, `a point at ${newPoint}`);
          }}
        >
          + point at {axis === undefined ? `level ${newPoint}` : newPoint}
        </button>
      ) : null}
      {shape.type === 'tiers' && axis !== undefined ? (
        <button
          type="button"
          className="link"
          onClick={() =>
            edit(addTier(project, axis, nextTierAt(context.bands, extentOf(ramp, context.bands), placedHere), mintId))
          }
        >
          + tier
        </button>
      ) : null}
      {shape.type === 'formula' ? (
        <FormulaField parameter={parameter} text={shape.text} position={position} onPreview={onPreview} />
      ) : null}
      {axis === undefined ? <BreatherWords parameter={parameter} limits={limits} onChange={change} /> : null}
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

/**
 * Where a new tier may begin along a reading: at half of what is placed, then at three quarters; where nothing is
 * placed to count, half as far again as the last.
 *
 * @param placed what there is of the reading at this level; 0 where that is not known
 */
function nextTierAt(bands: readonly { from: number }[], extent: number, placed: number): number {
  const last = bands.at(-1)?.from ?? 0;
  const taken = new Set(bands.map(({ from }) => from));
  const offered = [0.5, 0.75, 0.9].map((share) => Math.round(placed * share)).find((at) => at > last && !taken.has(at));
  return offered ?? (last === 0 ? Math.round(extent / 2) : Math.max(last + 1, Math.round(last * 1.5)));
}
