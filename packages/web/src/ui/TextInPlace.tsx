import { useState } from 'react';

interface Props {
  label: string;
  value: string;
  /** Says why a text cannot be taken, or undefined. */
  refuse?: (text: string) => string | undefined;
  onCommit: (text: string) => void;
  placeholder?: string;
  className?: string;
  /** Starts out being edited. */
  editing?: boolean;
  onEditingChange?: (editing: boolean) => void;
}

/** Text that becomes a field where it stands. Enter keeps, Escape gives up, leaving keeps. */
export function TextInPlace({
  label,
  value,
  refuse,
  onCommit,
  placeholder = '',
  className = '',
  editing = false,
  onEditingChange,
}: Props) {
  const [draft, setDraft] = useState<string | null>(null);
  const open = editing || draft !== null;
  const text = draft ?? value;
  const reason = open ? refuse?.(text.trim()) : undefined;
  const close = (): void => {
    setDraft(null);
    onEditingChange?.(false);
  };
  const commit = (): void => {
    const trimmed = text.trim();
    if (refuse?.(trimmed) === undefined && trimmed !== value) onCommit(trimmed);
    close();
  };
  if (!open) {
    return (
      <button
        type="button"
        className={`rounded-r text-left hover:bg-edit-soft ${className}`}
        aria-label={`${label}: ${(value || placeholder || 'none').replace(/\.$/, '')}. Edit`}
        onClick={() => setDraft(value)}
      >
        {value === '' ? <span className="text-ink-3">{placeholder}</span> : value}
      </button>
    );
  }
  return (
    <span className="inline-flex grow flex-col">
      <input
        autoFocus
        aria-label={label}
        aria-invalid={reason !== undefined}
        className={`field ${className}`}
        value={text}
        placeholder={placeholder}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && reason === undefined) commit();
          if (event.key === 'Escape') close();
          event.stopPropagation();
        }}
      />
      {reason === undefined ? null : (
        <span role="alert" className="text-[12px] text-loss">
          {reason}
        </span>
      )}
    </span>
  );
}
