import type { Parameter } from '@stadion/core/document/model';
import { conditionsIn, cyclesOf, formulaError, rowWith, seriesOf } from '@stadion/core/document/ramps';
import { useEffect, useId, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { setRamp } from '@stadion/core/authoring/edits';
import { useSelection } from '../../address/address.ts';
import { useEdit, useProject } from '../../store/hooks.ts';
import { completionsOf, wordBefore, wordsFor, type Completion } from './completions.ts';
import type { Preview } from './preview.ts';
import { positionsInWords, sayValue } from './words.ts';

interface Props {
  parameter: Parameter;
  /** As it is kept. */
  text: string;
  position: number;
  onPreview: (preview: Preview | null) => void;
}

/** Formulas typed and not yet taken, by project and parameter: a broken one is there again when its lane is opened again. */
const drafts = new Map<string, string>();

/** A formula as it is typed: its words are offered, its line is drawn at once, its first fault is shown with its place. */
export function FormulaField({ parameter, text, position, onPreview }: Props) {
  const project = useProject();
  const edit = useEdit();
  const id = useId();
  const field = useRef<HTMLInputElement>(null);
  const place = `${useSelection().projectId} ${parameter.key}`;
  const [draft, keepDraft] = useState<string | null>(drafts.get(place) ?? null);
  const setDraft = (next: string | null): void => {
    if (next === null) drafts.delete(place);
    else drafts.set(place, next);
    keepDraft(next);
  };
  const [caret, setCaret] = useState(0);
  const [chosen, setChosen] = useState(0);
  const [offering, setOffering] = useState(false);
  const shown = draft ?? text;
  const { parameters, slots } = project;
  const { axis } = parameter.ramp;

  const words = useMemo(() => wordsFor(parameters, parameter), [parameters, parameter]);
  const offered = offering ? completionsOf(shown, caret, words) : [];
  const changed = useMemo(
    (): Parameter => ({ ...parameter, ramp: { ...parameter.ramp, shape: { type: 'formula', text: shown } } }),
    [parameter, shown],
  );
  const error = useMemo(() => {
    if (shown.trim() === '') return { column: 1, message: 'A formula says something, such as 2 + 0.1 * level.' };
    const wrong = formulaError(
      shown,
      parameters.map(({ key }) => key),
      axis,
    );
    if (wrong) return wrong;
    const others = parameters.map((entry) => (entry.key === changed.key ? changed : entry));
    const circle = cyclesOf(others).find((cycle) => cycle.includes(changed.key));
    return circle && { column: 1, message: `It goes round in a circle: ${[...circle, circle[0]].join(' → ')}.` };
  }, [shown, parameters, changed, axis]);

  // A text that can be read is drawn; any other leaves the last line that could be drawn, dimmed.
  const lastGood = useRef(parameter);
  useEffect(() => {
    if (draft === null) return onPreview(null);
    if (!error) lastGood.current = changed;
    onPreview({ parameter: lastGood.current, as: 'line', broken: error !== undefined });
  }, [draft, changed, error, onPreview]);
  useEffect(() => () => onPreview(null), [onPreview]);

  const close = (): void => {
    setDraft(null);
    setOffering(false);
    lastGood.current = parameter;
  };
  const commit = (): void => {
    if (draft === null) return;
    if (error) return;
    if (draft.trim() !== text)
      edit(
        setRamp(
          project,
          parameter.key,
          { ...parameter.ramp, shape: { type: 'formula', text: draft.trim() } },
          `formula ${draft.trim().slice(0, 80)}`,
        ),
      );
    close();
  };
  const take = (completion: Completion): void => {
    const { from } = wordBefore(shown, caret);
    const next = `${shown.slice(0, from)}${completion.insert}${shown.slice(caret)}`;
    const to = from + completion.insert.length;
    setDraft(next);
    setCaret(to);
    setOffering(false);
    requestAnimationFrame(() => {
      field.current?.focus();
      field.current?.setSelectionRange(to, to);
    });
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    event.stopPropagation();
    const some = offered.length > 0;
    if (some && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
      event.preventDefault();
      setChosen((chosen + (event.key === 'ArrowDown' ? 1 : -1) + offered.length) % offered.length);
    } else if (some && (event.key === 'Tab' || event.key === 'Enter')) {
      event.preventDefault();
      take(offered[Math.min(chosen, offered.length - 1)] as Completion);
    } else if (event.key === 'Enter') commit();
    else if (event.key === 'Escape') {
      if (some) setOffering(false);
      else close();
    }
  };

  return (
    <span className="relative inline-flex grow basis-full flex-col">
      <span className="flex items-center gap-2">
        <input
          ref={field}
          role="combobox"
          aria-label={`Formula of ${parameter.label}`}
          aria-expanded={offered.length > 0}
          aria-controls={`${id}-words`}
          aria-activedescendant={offered.length > 0 ? `${id}-${chosen}` : undefined}
          aria-invalid={error !== undefined}
          aria-describedby={`${id}-said`}
          autoComplete="off"
          spellCheck={false}
          className="field w-full max-w-[640px] font-mono text-[12.5px]"
          value={shown}
          onChange={(event) => {
            setDraft(event.target.value);
            setCaret(event.target.selectionStart ?? event.target.value.length);
            setChosen(0);
            setOffering(true);
          }}
          onSelect={(event) => setCaret(event.currentTarget.selectionStart ?? 0)}
          onKeyDown={onKeyDown}
          onBlur={() => {
            setOffering(false);
            commit();
          }}
        />
        {draft !== null && error ? (
          <button type="button" className="link shrink-0" onClick={close}>
            Keep the last one
          </button>
        ) : null}
      </span>
      {offered.length > 0 ? (
        <ul
          id={`${id}-words`}
          role="listbox"
          aria-label="Words"
          className="pop absolute bottom-full left-0 z-20 mb-1 w-[420px] p-1"
        >
          {offered.map((completion, index) => (
            <li
              key={completion.word}
              id={`${id}-${index}`}
              role="option"
              aria-selected={index === chosen}
              className={`menu-item cursor-pointer justify-between gap-3 ${index === chosen ? 'bg-edit-soft' : ''}`}
              onPointerDown={(event) => {
                event.preventDefault();
                take(completion);
              }}
            >
              <code className="font-mono">{completion.word}</code>
              <span className="truncate text-[12px] text-ink-2">{completion.does}</span>
            </li>
          ))}
        </ul>
      ) : null}
      <span id={`${id}-said`} className="min-h-[17px] truncate text-[12px]">
        {error ? (
          <span role="alert" className="text-loss">
            <Pointed text={shown} column={error.column} /> Column {error.column}: {error.message}
            {draft === null ? '' : ` Kept: ${text}`}
          </span>
        ) : (
          <Reads parameter={changed} position={position} count={slots.length} />
        )}
      </span>
    </span>
  );
}

/** The few characters around a fault, the faulty one underlined. */
function Pointed({ text, column }: { text: string; column: number }) {
  const at = column - 1;
  return (
    <code className="font-mono">
      {at > 8 ? '…' : ''}
      {text.slice(Math.max(0, at - 8), at)}
      <u className="decoration-2">{text[at] ?? ' '}</u>
      {text.slice(at + 1, at + 9)}
    </code>
  );
}

/** The value of a formula at the selected level, and the levels at which its conditions hold. */
function Reads({ parameter, position, count }: { parameter: Parameter; position: number; count: number }) {
  const project = useProject();
  const { shape, axis } = parameter.ramp;
  const said = useMemo(() => {
    if (shape.type !== 'formula' || axis !== undefined) return { conditions: [], value: undefined };
    const context = seriesOf(project).contextOf(parameter, position);
    const positions = Array.from({ length: count }, (_, index) => index + 1);
    const row = rowWith(project, parameter);
    return { conditions: conditionsIn(shape.text, positions, context).slice(0, 3), value: row.ramp[position - 1] };
  }, [project, parameter, position, count, shape, axis]);
  return (
    <span className="text-ink-2">
      {said.value === undefined ? '' : `${sayValue(parameter, said.value, 3)} at level ${position}. `}
      {said.conditions.map(({ words, holdsAt }) => (
        <span key={words} className="mr-2">
          <code className="font-mono">{words}</code>{' '}
          {holdsAt.length === 0
            ? 'holds nowhere'
            : holdsAt.length === count
              ? 'holds everywhere'
              : `holds at ${positionsInWords(holdsAt)}`}
        </span>
      ))}
    </span>
  );
}
