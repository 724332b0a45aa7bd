import { applyRangeEdit, type RangeEditResult, type RangeEditForm, type RangeEdit } from '@stadion/core/document/ramps';
import { useEffect, useMemo, useState } from 'react';
import { setRampAndPins } from '@stadion/core/authoring/edits';
import { useAppDispatch, useAppSelector, useEdit, useProject } from '../../store/hooks.ts';
import { rampsOf } from '../../readings/ramps.ts';
import { stretchMarked } from '../../store/viewSlice.ts';
import { Button, ChoiceChip, NumberChip, Segmented } from '../../ui/index.ts';
import type { PanelProps } from './preview.ts';
import { sayValue, scaleOf } from './words.ts';

type Kind = RangeEdit['edit'];

const KINDS: readonly { value: Kind; label: string }[] = [
  { value: 'add', label: 'add' },
  { value: 'times', label: 'multiply by' },
  { value: 'set', label: 'set to' },
  { value: 'smooth', label: 'smooth' },
  { value: 'spread', label: 'spread evenly from end to end' },
  { value: 'copy', label: 'copy from' },
];

const WAYS: readonly { value: RangeEditForm; label: string }[] = [
  { value: 'own', label: 'the ramp’s own numbers' },
  { value: 'points', label: 'a ramp through points' },
  { value: 'pins', label: 'pins' },
];

/** The edit of several levels at once: what is asked for, how it is to be held, and what that would come to. */
export function StretchPanel({ parameter, row, position, onPreview }: PanelProps) {
  const project = useProject();
  const edit = useEdit();
  const dispatch = useAppDispatch();
  const marked = useAppSelector((state) => state.view.stretch);
  const count = project.slots.length;
  const [kind, setKind] = useState<Kind>('times');
  const [numbers, setNumbers] = useState({ add: 0, times: 1.1, set: row.values[position - 1] ?? 0 });
  const [source, setSource] = useState({ key: parameter.key, from: 1 });
  const [wanted, setWanted] = useState<RangeEditForm>('own');

  const stretch = useMemo(
    () => ({ from: Math.min(count, marked?.from ?? 1), to: Math.min(count, marked?.to ?? count) }),
    [marked, count],
  );
  const asked = useMemo((): RangeEdit => {
    switch (kind) {
      case 'add':
      case 'times':
        return { edit: kind, by: numbers[kind] };
      case 'set':
        return { edit: 'set', value: numbers.set };
      case 'copy': {
        const from = rampsOf(project).rows.get(source.key)?.values ?? new Float64Array();
        return { edit: 'copy', values: [...from.slice(source.from - 1, source.from + stretch.to - stretch.from)] };
      }
      default:
        return { edit: kind };
    }
  }, [kind, numbers, project, source, stretch]);
  const ways = useMemo(
    () => new Map(WAYS.map(({ value }) => [value, applyRangeEdit(project, parameter, stretch, asked, value)])),
    [project, parameter, stretch, asked],
  );
  // An edit that the ramp's own numbers cannot express becomes points.
  const as: RangeEditForm = ways.get(wanted) ? wanted : 'points';
  const held = ways.get(as);
  useEffect(() => {
    onPreview(held ? { parameter: { ...parameter, ramp: held.ramp, pins: held.pins }, as: 'ghost' } : null);
  }, [held, parameter, onPreview]);
  useEffect(() => () => onPreview(null), [onPreview]);

  const words = KINDS.find(({ value }) => value === kind)?.label ?? kind;
  const number = kind === 'add' || kind === 'times' || kind === 'set' ? numbers[kind] : undefined;
  const apply = (): void => {
    if (!held) return;
    const said = `${words}${number === undefined ? '' : ` ${Number(number.toPrecision(6))}`}`;
    edit(setRampAndPins(project, parameter.key, held, `levels ${stretch.from} to ${stretch.to}: ${said}`));
  };
  const end = (which: 'from' | 'to') => (
    <NumberChip
      label={`Stretch ${which} level`}
      value={stretch[which]}
      step={1}
      whole
      min={which === 'from' ? 1 : stretch.from}
      max={which === 'from' ? stretch.to : count}
      onCommit={(value) => dispatch(stretchMarked({ ...stretch, [which]: value }))}
    />
  );
  const scale = kind === 'times' ? 1 : scaleOf(parameter);
  return (
    <section aria-label={`Change a stretch of ${parameter.label}`} className="flex flex-col gap-2.5">
      <div className="say">
        <span className="join">Levels</span>
        {end('from')}
        <span className="join">to</span>
        {end('to')}
        <span className="text-[12px] text-ink-3">{marked ? '' : '(drag over the lane to mark a stretch)'}</span>
        <ChoiceChip
          label="What to do with the stretch"
          value={kind}
          choices={KINDS}
          onChoose={(next) => setKind(next as Kind)}
        />
        {number === undefined ? null : (
          <NumberChip
            label={`Stretch: ${words}`}
            value={number}
            step={
              kind === 'times' ? 0.05 : parameter.number === 'share' ? 0.01 : parameter.number === 'real' ? 0.05 : 1
            }
            scale={scale}
            unit={scale === 100 ? '%' : ''}
            digits={4}
            onCommit={(value) => setNumbers({ ...numbers, [kind]: value })}
          />
        )}
        {kind === 'copy' ? (
          <>
            <ChoiceChip
              label="Parameter to copy from"
              value={source.key}
              choices={project.parameters.map(({ key, label }) => ({ value: key, label }))}
              onChoose={(key) => setSource({ ...source, key })}
            />
            <span className="join">from level</span>
            <NumberChip
              label="Level to copy from"
              value={source.from}
              step={1}
              whole
              min={1}
              max={count}
              onCommit={(from) => setSource({ ...source, from })}
            />
            <span className="join">on</span>
          </>
        ) : null}
      </div>
      <div className="flex items-center gap-2">
        <span className="text-ink-2">held by</span>
        <Segmented
          label="Held by"
          value={as}
          options={WAYS.filter(({ value }) => ways.get(value))}
          onChange={(value) => setWanted(value as RangeEditForm)}
        />
      </div>
      <p role="status" className="max-w-[760px] text-[12.5px] text-ink-2">
        {held ? outcome(held, as, (value) => sayValue(parameter, value, 3)) : ''}
        {ways.get('own') ? '' : ' By its own numbers this ramp cannot do that.'}
      </p>
      <div className="flex gap-2">
        <Button look="main" onClick={apply}>
          Change levels {stretch.from} to {stretch.to}
        </Button>
        {marked ? <Button onClick={() => dispatch(stretchMarked(null))}>Unmark the stretch</Button> : null}
      </div>
    </section>
  );
}

const NEAR = 1e-6;

/** Result of one way to express an edit. */
function outcome(
  { offBy, elsewhere, pins }: RangeEditResult,
  as: RangeEditForm,
  say: (value: number) => string,
): string {
  const exact = offBy < NEAR ? 'Gives exactly that' : `Comes within ${say(offBy)} of it (shape, cap and rounding)`;
  const others = elsewhere < NEAR ? 'no other level changes' : `other levels move too, by up to ${say(elsewhere)}`;
  const many = as === 'pins' ? `, ${Object.keys(pins).length} pins in all` : '';
  return `${exact}; ${others}${many}. The dashed line shows it.`;
}
