import { keyOf } from '@stadion/core/authoring/building';
import { KIND_DEEDS, type KindDeed } from '@stadion/core/authoring/edits';
import type { Ground } from '@stadion/core/document/model';
import { useMemo, useState } from 'react';
import { FigureMark, Menu } from '../../ui/index.ts';
import type { HandChoice } from './choices.ts';

interface Props {
  choices: readonly HandChoice[];
  ground: Ground;
  /** Key of what is in hand. */
  now: string | undefined;
  onChoose: (choice: HandChoice | null) => void;
  /** Adds a kind and takes it in hand. */
  onAddKind: (deed: KindDeed) => void;
}

/** Number of choices from which on they can be searched. */
const SEARCHED_FROM = 14;

/** Choices to place on the ground, with the number placed; one is chosen or none. */
export function Palette({ choices, ground, now, onChoose, onAddKind }: Props) {
  const [typed, setTyped] = useState('');
  const counts = useMemo(() => {
    const all = new Map<string, number>();
    for (const piece of ground.pieces)
      for (const key of new Set([keyOf(piece), piece.piece])) all.set(key, (all.get(key) ?? 0) + 1);
    return all;
  }, [ground.pieces]);
  const shown = choices.filter(
    ({ label, key }) => key === now || label.toLowerCase().includes(typed.toLowerCase().trim()),
  );
  return (
    <div role="toolbar" aria-label="What can be put" className="my-2 flex flex-wrap items-center gap-1">
      {choices.length >= SEARCHED_FROM ? (
        <input
          className="field w-24 py-0 text-[12px]"
          aria-label="Show only what is called"
          placeholder="Filter"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      ) : null}
      {shown.map((choice) => {
        const isNow = choice.key === now;
        return (
          <button
            key={choice.key}
            type="button"
            aria-pressed={isNow}
            className={`inline-flex h-[24px] items-center gap-1 rounded-r border px-1.5 text-[12px] font-medium ${isNow ? 'border-bar bg-bar text-bar-ink' : 'border-line-strong bg-sheet hover:bg-edit-soft'}`}
            onClick={() => onChoose(isNow ? null : choice)}
          >
            <span className={isNow ? 'rounded-[3px] bg-sheet' : ''}>
              <FigureMark figures={choice.figures} />
            </span>
            {choice.label}{' '}
            {choice.counts === undefined ? null : (
              <span className={`min-w-[2ch] text-right ${isNow ? 'text-bar-ink-2' : 'text-ink-3'}`}>
                {counts.get(choice.counts) ?? 0}
              </span>
            )}
          </button>
        );
      })}
      {shown.length === 0 ? <span className="text-ink-3">No match. Try other words.</span> : null}
      <Menu
        trigger={
          <button type="button" className="link text-[12px]">
            + kind
          </button>
        }
        entries={(Object.keys(KIND_DEEDS) as KindDeed[]).map((deed) => ({
          label: `One that ${KIND_DEEDS[deed].label}`,
          onSelect: () => onAddKind(deed),
        }))}
      />
    </div>
  );
}
