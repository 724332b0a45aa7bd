import { useId, useState } from 'react';
import { Button } from '../../ui/index.ts';

interface Props {
  onLeave: (why: string) => void;
  onCancel: () => void;
}

/** Asks why a finding is left as it is. */
export function LeaveForm({ onLeave, onCancel }: Props) {
  const [why, setWhy] = useState('');
  const id = useId();
  return (
    <form
      className="mt-1.5 flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onLeave(why.trim());
      }}
      onKeyDown={(event) => {
        // The arrows and letters of the list are no commands here.
        event.stopPropagation();
        if (event.key === 'Escape') onCancel();
      }}
    >
      <label htmlFor={id} className="text-ink-2">
        Why?
      </label>
      <input
        id={id}
        className="field grow"
        value={why}
        maxLength={400}
        placeholder="It is meant so"
        autoFocus
        onChange={(event) => setWhy(event.target.value)}
      />
      <Button type="submit" look="main">
        Leave it so
      </Button>
      <Button onClick={onCancel}>Cancel</Button>
    </form>
  );
}
