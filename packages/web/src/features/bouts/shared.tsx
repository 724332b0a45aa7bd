import type { Bouts } from '@stadion/core/document/model';
import type { ReactNode } from 'react';
import type { LevelContext } from '../../readings/levelContext.ts';
import { nameRefused, TextInPlace } from '../../ui/index.ts';

/** Context of every part of the screen. */
export interface BoutsHere {
  here: LevelContext;
  bouts: Bouts;
}

/** A part of the screen with its title, and what can be added. */
export function Part({
  title,
  says,
  acts,
  children,
}: {
  title: string;
  says?: string;
  acts?: ReactNode;
  children: ReactNode;
}) {
  return (
    <section aria-label={title}>
      <div className="mt-5 flex items-baseline gap-3 border-b border-line pb-1">
        <h2 className="text-[13px]">{title}</h2>
        <span className="grow text-[12px] text-ink-3">{says}</span>
        {acts}
      </div>
      {children}
    </section>
  );
}

interface RowProps {
  name: string;
  /** The named thing, as a refusal calls it. @example 'An action' */
  what: string;
  onRename: (name: string) => void;
  onRemove: () => void;
  /** Names of the levels that need it: it stays while there are any. */
  needed?: readonly string[];
  /** Words after its name. */
  children?: ReactNode;
  /** Parts below the sentence. */
  below?: ReactNode;
}

/** One thing of a part: its name, its sentence, and the way to take it away. */
export function Row({ name, what, onRename, onRemove, needed = [], children, below }: RowProps) {
  return (
    <div className="act-row flex items-start border-b border-line py-1">
      <div className="min-w-0 grow">
        <div className="say">
          <TextInPlace
            label={`Name of ${name}`}
            value={name}
            className="font-semibold"
            refuse={(text) => nameRefused(text, what)}
            onCommit={onRename}
          />
          {children}
        </div>
        {below}
      </div>
      <span className="act act-end">
        {needed.length > 0 ? (
          <span className="text-[12px] text-ink-3">
            needed by {needed[0]}
            {needed.length > 1 ? ` and ${needed.length - 1} more` : ''}
          </span>
        ) : (
          <button type="button" className="link" onClick={onRemove}>
            Remove <span className="sr-only">{name}</span>
          </button>
        )}
      </span>
    </div>
  );
}
