import { toSignificant } from '@stadion/core/document/ramps';
import { Popover } from 'radix-ui';
import { useCallback, useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { formatNumber } from './format.ts';
import type { NumberChipProps } from './number.ts';
import { NumberEditor } from './NumberEditor.tsx';

const COMMIT_AFTER_MS = 350;
const PX_PER_STEP = 4;

/** A number in a sentence: click or Enter to type, arrows to nudge, drag to scrub, = to follow a parameter. */
export function NumberChip(props: NumberChipProps) {
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

  // A nudged number that is not yet committed must not be lost with the page or the part of the screen.
  useEffect(() => {
    window.addEventListener('pagehide', flush);
    return () => {
      window.removeEventListener('pagehide', flush);
      flush();
    };
  }, [flush]);

  const propose = (next: number, soon: boolean): void => {
    const kept = toSignificant(
      Math.min(max ?? Number.POSITIVE_INFINITY, Math.max(min ?? Number.NEGATIVE_INFINITY, next)),
    );
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
            <NumberEditor
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
