import { Popover } from 'radix-ui';
import { useCallback, useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { Button } from './Button.tsx';
import { formatNumber } from './format.ts';
import { parseNumber } from './parseNumber.ts';

/** What a number may be. */
export interface NumberLimits {
  min?: number;
  max?: number;
  whole?: boolean;
  /** What an arrow key or 4 px of dragging change, in the number's own unit. */
  step: number;
  /** Shown and typed times this: 100 for a share in percent. */
  scale?: number;
  /** Written after the number. */
  unit?: string;
}

/** A parameter that the number can follow in place of its own value. */
export interface Binding {
  options: readonly { key: string; label: string; shown: string }[];
  /** The key followed now. */
  bound: string | undefined;
  onBind: (key: string) => void;
  /** Goes to where the parameter itself is edited. */
  onOpen?: (key: string) => void;
}

interface Props extends NumberLimits {
  label: string;
  /** Null where there may be no number. */
  value: number | null;
  onCommit: (value: number) => void;
  /** Makes “none” possible. */
  onClear?: () => void;
  binding?: Binding;
  /** Digits after the point. */
  digits?: number;
  /** In place of the number. */
  shown?: string;
}

const COMMIT_AFTER_MS = 350;
const PX_PER_STEP = 4;

const tidy = (value: number): number => Number(value.toPrecision(10));

/** Why a number cannot be taken, or undefined. */
function refusal(value: number, { min, max, whole, scale = 1, unit = '' }: NumberLimits): string | undefined {
  const say = (limit: number): string => `${formatNumber(limit * scale)}${unit === '' ? '' : ` ${unit}`}`;
  if (min !== undefined && value < min) return `At least ${say(min)}.`;
  if (max !== undefined && value > max) return `At most ${say(max)}.`;
  if (whole && !Number.isInteger(value)) return 'A whole number.';
  return undefined;
}

/** A number in a sentence: click or Enter to type, arrows to nudge, drag to scrub, = to follow a parameter. */
export function NumberChip(props: Props) {
  const { label, value, onCommit, onClear, binding, digits = 2, shown, step, scale = 1, unit = '', min, max } = props;
  const [open, setOpen] = useState<'typing' | 'binding' | null>(null);
  const [typed, setTyped] = useState<string>();
  const [draft, setDraft] = useState<number | null>(null);
  const [hint, setHint] = useState(false);
  const chip = useRef<HTMLButtonElement>(null);
  const drag = useRef<{ x: number; from: number; moved: boolean } | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const waiting = useRef<number | null>(null);
  const commitRef = useRef(onCommit);
  useEffect(() => {
    commitRef.current = onCommit;
  });
  const bound = binding?.bound !== undefined;

  const flush = useCallback((): void => {
    clearTimeout(timer.current);
    const next = waiting.current;
    waiting.current = null;
    setDraft(null);
    if (next !== null) commitRef.current(next);
  }, []);

  // What has been nudged but not yet committed must not go with the page or the part of the screen.
  useEffect(() => {
    window.addEventListener('pagehide', flush);
    return () => {
      window.removeEventListener('pagehide', flush);
      flush();
    };
  }, [flush]);

  const propose = (next: number, soon: boolean): void => {
    const kept = tidy(Math.min(max ?? Number.POSITIVE_INFINITY, Math.max(min ?? Number.NEGATIVE_INFINITY, next)));
    waiting.current = kept;
    setDraft(kept);
    clearTimeout(timer.current);
    if (soon) timer.current = setTimeout(flush, COMMIT_AFTER_MS);
  };

  const current = draft ?? value;
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === '=' && binding) {
      event.preventDefault();
      setOpen('binding');
      return;
    }
    if (/^[\d.,-]$/.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey) {
      // Typing on a chip is typing its number.
      event.preventDefault();
      event.stopPropagation();
      flush();
      setTyped(event.key);
      setOpen('typing');
      return;
    }
    const direction =
      event.key === 'ArrowUp' || event.key === 'ArrowRight'
        ? 1
        : event.key === 'ArrowDown' || event.key === 'ArrowLeft'
          ? -1
          : 0;
    if (direction === 0 || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    if (bound) setHint(true);
    else propose((current ?? 0) + direction * step * (event.shiftKey ? 10 : 1), true);
  };
  const onPointerDown = (event: PointerEvent<HTMLButtonElement>): void => {
    if (event.button !== 0 || bound || current === null) return;
    drag.current = { x: event.clientX, from: current, moved: false };
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const onPointerMove = (event: PointerEvent): void => {
    const held = drag.current;
    if (!held) return;
    const steps = Math.round((event.clientX - held.x) / PX_PER_STEP);
    if (steps !== 0) held.moved = true;
    if (held.moved) propose(held.from + steps * step, false);
  };
  const onPointerUp = (): void => {
    if (drag.current?.moved) flush();
  };
  const onClick = (): void => {
    const scrubbed = drag.current?.moved === true;
    drag.current = null;
    if (!scrubbed) {
      flush();
      setOpen('typing');
    }
  };

  const text =
    current === null
      ? '—'
      : `${shown !== undefined && draft === null ? shown : formatNumber(current * scale, digits)}${unit === '' ? '' : ` ${unit}`}`;
  return (
    <Popover.Root
      open={open !== null}
      onOpenChange={(next) => {
        setOpen(next ? 'typing' : null);
        setTyped(undefined);
      }}
    >
      <Popover.Anchor asChild>
        <button
          ref={chip}
          type="button"
          className={`chip chip-number ${bound ? 'chip-bound' : ''}`}
          aria-label={`${label}: ${text}`}
          aria-haspopup="dialog"
          aria-expanded={open !== null}
          onKeyDown={onKeyDown}
          onPointerDown={onPointerDown}
          onPointerMove={onPointerMove}
          onPointerUp={onPointerUp}
          onClick={onClick}
          onBlur={() => {
            setHint(false);
            if (!drag.current) flush();
          }}
        >
          {text}
        </button>
      </Popover.Anchor>
      {hint ? (
        <span role="status" className="text-[12px] text-mark-ink">
          follows a parameter: Enter to change that
        </span>
      ) : null}
      <Popover.Portal>
        <Popover.Content
          className="pop w-64"
          align="start"
          sideOffset={4}
          collisionPadding={8}
          aria-label={label}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            // Back to the chip, unless the focus has gone elsewhere by a click.
            if (document.activeElement === document.body) chip.current?.focus();
          }}
        >
          {open === null ? null : (
            <Editor
              {...props}
              focusOn={open}
              typed={typed}
              onDone={() => {
                setOpen(null);
                setTyped(undefined);
              }}
              clear={
                onClear && value !== null
                  ? () => {
                      onClear();
                      setOpen(null);
                    }
                  : undefined
              }
            />
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

interface EditorProps extends Props {
  focusOn: 'typing' | 'binding';
  /** What has been typed already. */
  typed: string | undefined;
  onDone: () => void;
  clear: (() => void) | undefined;
}

/** The small editor of a number: type it, or choose what it follows. */
function Editor({ focusOn, typed, onDone, clear, ...props }: EditorProps) {
  const { label, value, onCommit, binding, scale = 1, digits = 2, unit = '' } = props;
  const [text, setText] = useState(
    typed ?? (value === null ? '' : formatNumber(value * scale, Math.max(digits, 4)).replace('−', '-')),
  );
  const [reason, setReason] = useState<string>();
  const commit = (): void => {
    const parsed = parseNumber(text);
    const next = parsed.ok ? tidy(parsed.value / scale) : 0;
    const why = parsed.ok ? refusal(next, props) : parsed.reason;
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
          <span className="text-ink-3">{unit}</span>
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

function Follow({ binding, focus, onDone }: { binding: Binding; focus: boolean; onDone: () => void }) {
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (focus) first.current?.focus();
  }, [focus]);
  if (binding.options.length === 0)
    return (
      <p className="border-t border-line pt-2 text-ink-3">There are no parameters to follow yet: add one on Ramps.</p>
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
