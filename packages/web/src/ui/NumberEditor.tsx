import { toSignificant } from '@stadion/core/document/ramps';
import { useEffect, useRef, useState } from 'react';
import { Button } from './Button.tsx';
import { formatNumber } from './format.ts';
import { refusal, type Binding, type NumberChipProps } from './number.ts';
import { parseNumber } from './parseNumber.ts';

interface Props extends NumberChipProps {
  focusOn: 'typing' | 'binding';
  /** Text typed already. */
  typed: string | undefined;
  onDone: () => void;
  clear: (() => void) | undefined;
}

/** The small editor of a number: type it, or choose what it follows. */
export function NumberEditor({ focusOn, typed, onDone, clear, ...props }: Props) {
  const { label, value, onCommit, onShare, binding, scale = 1, digits = 2, unit = '', units } = props;
  const [text, setText] = useState(
    typed ?? (value === null ? '' : formatNumber(value * scale, Math.max(digits, 4)).replace('−', '-')),
  );
  const [reason, setReason] = useState<string>();
  const commit = (): void => {
    const parsed = parseNumber(text, units, unit === '%');
    const isShare = parsed.ok && parsed.percent && unit !== '%';
    if (isShare && onShare && parsed.value >= 0 && parsed.value <= 100) {
      onShare(toSignificant(parsed.value / 100));
      return onDone();
    }
    const next = parsed.ok ? toSignificant(parsed.value / scale) : 0;
    const why = isShare
      ? shareRefused(parsed.value, onShare !== undefined, unit)
      : parsed.ok
        ? refusal(next, props)
        : parsed.reason;
    if (why !== undefined)
      return setReason(`${why} Kept: ${value === null ? 'none' : formatNumber(value * scale, digits)}.`);
    if (next !== value || binding?.bound !== undefined) onCommit(next);
    onDone();
  };
  const followed = binding?.options.find((option) => option.key === binding.bound);
  return (
    <div className="flex flex-col gap-2">
      <label className="flex flex-col gap-1">
        <span className="text-ink-2">{followed ? `${label}: a number of its own` : label}</span>
        <span className="flex items-center gap-1.5">
          <input
            autoFocus={focusOn === 'typing'}
            className="field w-28"
            inputMode="decimal"
            value={text}
            aria-invalid={reason !== undefined}
            aria-describedby="number-refused"
            onFocus={(event) => typed === undefined && event.target.select()}
            onChange={(event) => {
              setText(event.target.value);
              setReason(undefined);
            }}
            onKeyDown={(event) => {
              event.stopPropagation();
              if (event.key === 'Enter') commit();
              if (event.key === 'Escape') onDone();
            }}
          />
          <span className="text-ink-3">
            {unit}
            {units
              ? ` (or ${Object.keys(units)
                  .filter((name) => name !== unit)
                  .join(', ')})`
              : ''}
          </span>
          <Button className="ml-auto" onClick={commit}>
            Set
          </Button>
        </span>
      </label>
      <p id="number-refused" role="alert" className="text-[12px] text-loss empty:hidden">
        {reason}
      </p>
      {clear ? (
        <button type="button" className="link self-start" onClick={clear}>
          Take this number away
        </button>
      ) : null}
      {binding ? <Follow binding={binding} focus={focusOn === 'binding'} onDone={onDone} /> : null}
    </div>
  );
}

/** Why a percentage cannot be taken, with the remedy. */
function shareRefused(percent: number, takesShares: boolean, unit: string): string {
  if (takesShares) return 'A share of what is placed is from 0 to 100 %.';
  const what = unit === '' ? 'a number' : `a number of ${unit}`;
  return `${formatNumber(percent)} % of what? There is nothing here to be a share of. Enter ${what}.`;
}

/** A new parameter that begins with the present value. */
function NewParameter({ binding, onDone }: { binding: Binding; onDone: () => void }) {
  const [name, setName] = useState<string>();
  const add = (): void => {
    const wanted = (name ?? '').trim();
    if (wanted === '') return;
    binding.onNew?.(wanted);
    onDone();
  };
  if (name === undefined)
    return (
      <button type="button" className="link mt-1" onClick={() => setName(binding.newName ?? '')}>
        + new, from the present value on
      </button>
    );
  return (
    <span className="mt-1 flex gap-1.5">
      <input
        autoFocus
        className="field w-36"
        aria-label="Name of the new parameter"
        maxLength={80}
        value={name}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setName(event.target.value)}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Enter') add();
          if (event.key === 'Escape') setName(undefined);
        }}
      />
      <Button disabled={name.trim() === ''} onClick={add}>
        Add
      </Button>
    </span>
  );
}

function Follow({ binding, focus, onDone }: { binding: Binding; focus: boolean; onDone: () => void }) {
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (focus) first.current?.focus();
  }, [focus]);
  const added = binding.onNew ? <NewParameter binding={binding} onDone={onDone} /> : null;
  if (binding.options.length === 0)
    return (
      <div className="border-t border-line pt-2 text-ink-3">
        <p>There is no parameter to follow yet.</p>
        {added}
      </div>
    );
  const chosen = binding.options.findIndex((option) => option.key === binding.bound);
  return (
    <div className="border-t border-line pt-2">
      <p className="mb-1 text-ink-2">
        Follow a parameter <kbd>=</kbd>
      </p>
      <ul
        className="max-h-44 overflow-y-auto"
        onKeyDown={(event) => {
          if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
          event.preventDefault();
          event.stopPropagation();
          const buttons = [...event.currentTarget.querySelectorAll('button')];
          const index =
            buttons.indexOf(document.activeElement as HTMLButtonElement) + (event.key === 'ArrowDown' ? 1 : -1);
          buttons.at(index % buttons.length)?.focus();
        }}
      >
        {binding.options.map((option, index) => (
          <li key={option.key}>
            <button
              type="button"
              ref={index === Math.max(0, chosen) ? first : undefined}
              aria-pressed={option.key === binding.bound}
              className={`menu-item w-full justify-between hover:bg-edit-soft focus:bg-edit-soft ${option.key === binding.bound ? 'font-semibold text-edit-ink' : ''}`}
              onClick={() => {
                binding.onBind(option.key);
                onDone();
              }}
            >
              <span>{option.label}</span>
              <span className="text-ink-3">{option.shown}</span>
            </button>
          </li>
        ))}
      </ul>
      {added}
      {binding.bound !== undefined && binding.onOpen ? (
        <button
          type="button"
          className="link mt-1"
          onClick={() => {
            binding.onOpen?.(binding.bound as string);
            onDone();
          }}
        >
          Open its lane
        </button>
      ) : null}
    </div>
  );
}
