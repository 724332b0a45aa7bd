import {
  asKind,
  growthRefused,
  grown,
  grownRun,
  heightOf,
  mirrored,
  scattered,
  turned,
  turnRefused,
  varied,
  widthOf,
} from '@stadion/core/authoring/building';
import { GROUND_KIND_NAMES, groundKindOf } from '@stadion/core/play/movement';
import { copyGround, lostByCopying, sentencesNaming, slotsNamed } from '@stadion/core/authoring/edits';
import { namesFor } from '@stadion/core/play/attempt';
import type { Ground, Level } from '@stadion/core/document/model';
import { useState } from 'react';
import { useEdit } from '../../store/hooks.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { mintId } from '../../store/mintId.ts';
import { Button, ChoiceChip, Menu, NumberChip } from '../../ui/index.ts';
import type { Outcome } from './gestures.ts';

export type GroundPanel = 'size' | 'scatter' | 'copy' | 'text';

interface Acts {
  here: LevelContext;
  /** With all of its ground, also while a section of it is shown. */
  whole: LevelContext;
  onOutcome: (outcome: Outcome) => void;
  onPanel: (panel: GroundPanel | null) => void;
  onSay: (words: string) => void;
  /** Empties the ground, once asked for. */
  onClear: () => void;
  /** A new level made from this one. */
  onVaryAsNew: () => void;
}

const throwOf = (): number => Math.floor(Math.random() * 1e6);

/** Another ground like this one. */
export const another = (ground: Ground): Ground => varied(mirrored(ground, 'leftRight'), throwOf());

/** Everything that is done to a ground as a whole. */
export function GroundMenu({ here, whole, onOutcome, onPanel, onSay, onClear, onVaryAsNew }: Acts) {
  const { ground } = here.level;
  const moveOtherwise = (kind: Ground['kind']): void => {
    const next = asKind(whole.level.ground, kind);
    const stays = new Set(next.pieces.map(({ id }) => id));
    const gone = new Set(whole.level.ground.pieces.flatMap(({ id }) => (stays.has(id) ? [] : [id])));
    const naming = sentencesNaming(whole.level, gone, whole.names);
    if (naming.length > 0)
      return onSay(
        `Nothing was changed. On a ground where the player ${groundKindOf(kind).label} what these rules name cannot stand: ${naming.join('; ')}. Change them first.`,
      );
    onOutcome({ ground, whole: next, label: `The player ${groundKindOf(kind).label}` });
  };
  const make = (label: string, next: Ground): void => onOutcome({ ground: next, label });
  return (
    <Menu
      trigger={
        <button type="button" className="link whitespace-nowrap">
          Whole ground ▾
        </button>
      }
      entries={[
        {
          label: 'Size…',
          note: `${widthOf(ground)} × ${heightOf(ground)}`,
          onSelect: () => onPanel('size'),
        },
        { label: 'Mirror left and right', onSelect: () => make('Mirror', mirrored(ground, 'leftRight')) },
        { label: 'Mirror up and down', onSelect: () => make('Mirror', mirrored(ground, 'upDown')) },
        {
          label: 'Turn by a quarter',
          onSelect: () => {
            const refused = turnRefused(ground);
            if (refused === undefined) make('Turn', turned(ground));
            else onSay(refused);
          },
        },
        'line',
        { label: 'Scatter a kind…', onSelect: () => onPanel('scatter') },
        {
          label: 'Vary: mirror and scatter anew',
          onSelect: () => make('Vary', another(ground)),
        },
        { label: 'Vary as a new level', onSelect: onVaryAsNew },
        'line',
        { label: 'Copy the ground to other levels…', onSelect: () => onPanel('copy') },
        { label: 'Clear…', onSelect: onClear },
        'line',
        ...GROUND_KIND_NAMES.map((kind) => ({
          label: `The player ${groundKindOf(kind).label}`,
          note: kind === ground.kind ? 'here' : '',
          disabled: kind === ground.kind,
          onSelect: () => moveOtherwise(kind),
        })),
      ]}
    />
  );
}

interface PanelProps {
  here: LevelContext;
  onOutcome: (outcome: Outcome) => void;
  onClose: () => void;
}

const SIDES = ['left', 'right', 'top', 'bottom'] as const;

/** Rows and columns added or taken away at each side. */
export function SizePanel({ here, whole, onOutcome, onClose }: PanelProps & { whole: Ground }) {
  const { ground } = here.level;
  const [growth, setGrowth] = useState({ left: 0, right: 0, top: 0, bottom: 0 });
  const width = widthOf(ground) + growth.left + growth.right;
  const height = heightOf(ground) + growth.top + growth.bottom;
  const refused = growthRefused(ground, growth, here.section !== undefined);
  return (
    <section aria-label="Size of the ground" className="mb-2 border border-line bg-sheet p-3">
      <div className="say">
        <span className="join">Add or take away (−) at the</span>
        {SIDES.map((side) => (
          <span key={side} className="say inline-flex">
            <span className="join">{side}</span>
            <NumberChip
              label={`Cells at the ${side}`}
              value={growth[side]}
              step={1}
              whole
              min={-60}
              max={60}
              onCommit={(value) => setGrowth({ ...growth, [side]: value })}
            />
          </span>
        ))}
        <span className="join">
          : {width} × {height} cells.
        </span>
        <Button
          look="main"
          disabled={refused !== undefined || SIDES.every((side) => growth[side] === 0)}
          onClick={() => {
            onOutcome({
              ground: grown(ground, growth),
              ...('sections' in whole ? { whole: grownRun(whole, here.section, growth) } : {}),
              label: `Size ${width} × ${height}`,
            });
            onClose();
          }}
        >
          Make it so
        </Button>
        <Button onClick={onClose}>Close</Button>
      </div>
      {refused === undefined ? null : (
        <p role="alert" className="text-loss">
          {refused}
        </p>
      )}
    </section>
  );
}

/** Scatters a number of pieces of a kind evenly over the free cells. */
export function ScatterPanel({ here, onOutcome, onClose, onSay }: PanelProps & { onSay: (words: string) => void }) {
  const { ground } = here.level;
  const { collectables } = here.project.kinds;
  const [kind, setKind] = useState(collectables[0]?.id ?? '');
  const lie = ground.pieces.filter(
    (piece) => piece.piece === 'collectable' && piece.kind === kind && !piece.hidden,
  ).length;
  const [count, setCount] = useState<number>();
  const [fromStart, setFromStart] = useState(3);
  const [apart, setApart] = useState(2);
  const [thrown, setThrown] = useState(0);
  if (collectables.length === 0)
    return <p className="text-ink-3">There is nothing to gather in this project: add a kind first.</p>;
  const wanted = count ?? Math.max(lie, 8);
  return (
    <section aria-label="Scatter a kind" className="mb-2 border border-line bg-sheet p-3">
      <div className="say">
        <span className="join">Throw</span>
        <NumberChip label="How many" value={wanted} step={1} whole min={0} max={200} onCommit={setCount} />
        <ChoiceChip
          label="Kind that is thrown"
          value={kind}
          choices={collectables.map(({ id, name }) => ({ value: id, label: name }))}
          onChoose={setKind}
        />
        <span className="join">(now {lie}), at least</span>
        <NumberChip label="From the start" value={fromStart} step={0.5} min={0} max={40} onCommit={setFromStart} />
        <span className="join">units from the start and</span>
        <NumberChip label="From each other" value={apart} step={0.5} min={0} max={20} onCommit={setApart} />
        <span className="join">from each other.</span>
        <Button
          look="main"
          onClick={() => {
            const result = scattered(ground, { kind, count: wanted, fromStart, apart, seed: throwOf() }, mintId);
            const name = collectables.find(({ id }) => id === kind)?.name ?? kind;
            onOutcome({ ground: result.ground, label: `Scatter ${result.thrown} × ${name}` });
            onSay(
              result.thrown < wanted
                ? `Only ${result.thrown} of ${wanted} found room: let them lie nearer to each other.`
                : `${wanted} × ${name} scattered.`,
            );
            setThrown(thrown + 1);
          }}
        >
          {thrown === 0 ? 'Scatter' : 'Another throw'}
        </Button>
        <Button onClick={onClose}>Close</Button>
      </div>
    </section>
  );
}

/** Gives the ground to other levels, with what they lose. */
export function CopyPanel({ here, onClose }: Omit<PanelProps, 'onOutcome'>) {
  const { project, level, position } = here;
  const edit = useEdit();
  const [typed, setTyped] = useState('');
  const named = slotsNamed(typed, project.slots.length);
  const targets = named
    ? [...new Set(named.map((slot) => project.slots[slot - 1]?.levelId))].flatMap((id): Level[] =>
        id === undefined || id === level.id || !project.levels[id] ? [] : [project.levels[id]],
      )
    : [];
  const losing = targets.map((target) => ({ target, lost: lostByCopying(level, target, namesFor(project, target)) }));
  const blocked = losing.filter(({ lost }) => lost.length > 0);
  const free = losing.filter(({ lost }) => lost.length === 0).map(({ target }) => target);
  return (
    <section aria-label="Copy the ground" className="mb-2 border border-line bg-sheet p-3">
      <div className="say">
        <label className="join" htmlFor="copy-ground-to">
          To the levels
        </label>
        <input
          id="copy-ground-to"
          className="field w-40"
          placeholder={`${position + 1}-${Math.min(project.slots.length, position + 3)}, 12`}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button
          look="main"
          disabled={free.length === 0}
          onClick={() => {
            edit(copyGround(level, free));
            onClose();
          }}
        >
          Copy to {free.length} level{free.length === 1 ? '' : 's'}
        </Button>
        <Button onClick={onClose}>Close</Button>
      </div>
      {typed !== '' && !named ? <p className="text-loss">Write levels like 4, 7-9.</p> : null}
      {free.length > 0 ? (
        <p className="text-ink-2">
          Their walls and pieces go:{' '}
          {free.map((target) => `${target.name} loses ${target.ground.pieces.length}`).join(', ')}.
        </p>
      ) : null}
      {blocked.map(({ target, lost }) => (
        <p key={target.id} className="text-loss">
          {target.name} keeps its own: its rules name what this ground does not have ({lost.slice(0, 3).join('; ')}).
        </p>
      ))}
    </section>
  );
}
