import { boxOf, boxOn, cellsAlong, heightOf, isArea, widthOf, type Cell } from '@stadion/core/authoring/building';
import { prepareLevel } from '@stadion/core/play/movement';
import type { PreparedLevel } from '@stadion/core/play/attempt';
import type { Ground, Id, Level, Piece } from '@stadion/core/document/model';
import {
  hiddenMarks,
  looksAt,
  patrolMarks,
  sceneOf,
  tieMarks,
  wayFromMarks,
  type Figure,
  type Mark,
} from '@stadion/core/play/scene';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { LevelContext } from '../../readings/levelContext.ts';
import { mintId } from '../../store/mintId.ts';
import { GroundPicture, useDragged } from '../../ui/index.ts';
import {
  boxOfDrag,
  cellUnder,
  nextAt,
  outcomeOf,
  piecesAt,
  put,
  type Drag,
  type Hand,
  type Outcome,
} from './gestures.ts';
import { cellInWords, nameOfPiece } from './words.ts';

interface Props {
  here: LevelContext;
  /** The level as it stands, made ready. */
  prepared: PreparedLevel;
  hand: Hand | null;
  held: ReadonlySet<Id>;
  /** Overlays of the level as it is being changed. */
  drawn: (level: Level) => { below: readonly Mark[]; above: readonly Mark[] };
  onHold: (ids: readonly Id[]) => void;
  onOutcome: (outcome: Outcome) => void;
  onSay: (words: string) => void;
  /** Clears the choice, then the selection. */
  onLetGo: () => void;
  onRemove: () => void;
  /** Takes in hand what a key stands for; false where it stands for nothing. */
  onKeyChoice: (key: string) => boolean;
  onCopy: (cuts: boolean) => string | undefined;
  onPaste: (text: string, at: Cell) => void;
}

const HANDLE = 0.3;

const outline = (ground: Ground, piece: Piece): Figure => {
  const { x, y, width, height } = boxOn(ground, piece);
  return { is: 'rectangle', x, y, width, height, stroke: 'edit', line: 0.1, round: 0.12 };
};

/** Lines between cells. */
function gridMark(width: number, height: number): Mark {
  const lines: Figure[] = [];
  for (let x = 1; x < width; x++) lines.push({ is: 'line', points: [x, 0, x, height], stroke: 'ink', line: 0.03 });
  for (let y = 1; y < height; y++) lines.push({ is: 'line', points: [0, y, width, y], stroke: 'ink', line: 0.03 });
  return { key: 'grid', figures: lines, opacity: 0.14 };
}

/** The ground as it is edited: what is put, held and moved on it, by the pointer and by keys. */
export function Stage(props: Props) {
  const {
    here,
    prepared,
    hand,
    held,
    drawn,
    onHold,
    onOutcome,
    onSay,
    onLetGo,
    onRemove,
    onKeyChoice,
    onCopy,
    onPaste,
  } = props;
  const { project, level, position } = here;
  const { ground } = level;
  const [width, height] = [widthOf(ground), heightOf(ground)];
  const box = useRef<HTMLDivElement>(null);
  const [drag, dragged] = useDragged<Drag>();
  const [hovered, setHovered] = useState<Cell | null>(null);
  const [cursor, setCursor] = useState<Cell>(() =>
    cellUnder(ground.pieces.find(({ piece }) => piece === 'start')?.at ?? { x: 1, y: 1 }),
  );
  const [byKeys, setByKeys] = useState(false);
  /** Where a gesture of keys began: of an area that is spanned, or of what is carried. */
  const [begun, setBegun] = useState<{ does: 'span' | 'carry'; at: Cell } | null>(null);

  const only = held.size === 1 ? ground.pieces.find(({ id }) => held.has(id)) : undefined;

  const outcome = useMemo(
    () => (drag === null || drag.does === 'hold' ? null : outcomeOf(ground, hand, held, drag, mintId)),
    [drag, ground, hand, held],
  );
  const now: Ground = outcome?.ground ?? ground;
  const marks = useMemo((): Mark[] => {
    const changed: Level = { ...level, ground: now };
    const changing = { ...project, levels: { ...project.levels, [level.id]: changed } };
    const ids = new Set(outcome?.held ?? held);
    const heldPieces = now.pieces.filter(({ id }) => ids.has(id));
    const justHeld: Level = {
      ...level,
      ground: { ...now, pieces: now.pieces.filter(({ id, piece }) => ids.has(id) || piece === 'gate') },
    };
    const [bottom, ...standing] = sceneOf(
      now === ground ? prepared : prepareLevel(changing, position),
      looksAt(project, now),
    ) as [Mark, ...Mark[]];
    const { below, above } = drawn(changed);
    return [
      bottom,
      ...below,
      gridMark(width, height),
      ...standing,
      ...above,
      ...hiddenMarks(changed),
      ...patrolMarks(project, justHeld).map((mark) => ({ ...mark, key: `held-${mark.key}` })),
      ...tieMarks(justHeld).map((mark) => ({ ...mark, key: `held-${mark.key}` })),
      { key: 'held', figures: heldPieces.map((piece) => outline(now, piece)) },
      {
        key: 'handles',
        figures: heldPieces.length === 1 ? heldPieces.flatMap((piece) => handles(piece)) : [],
      },
    ];
  }, [level, project, position, prepared, ground, now, outcome, held, drawn, width, height]);
  const pointed = useMemo((): Mark[] => {
    const figures: Figure[] = [];
    if (drag?.does === 'hold')
      figures.push({ is: 'rectangle', ...boxOfDrag(drag), stroke: 'edit', line: 0.07, dash: [0.3, 0.2] });
    if (byKeys)
      figures.push({ is: 'rectangle', ...cursor, width: 1, height: 1, stroke: 'edit', line: 0.13, dash: [0.25, 0.12] });
    return figures.length === 0 ? marks : [...marks, { key: 'pointed', figures }];
  }, [marks, drag, byKeys, cursor]);
  // How the body can go on from the cell that is looked at: what a number means is seen in cells.
  const from = byKeys ? cursor : hovered;
  const ways = useMemo(() => (from && !drag ? wayFromMarks(prepared, from) : []), [from, drag, prepared]);

  const unitsOf = (event: PointerEvent): { x: number; y: number } => {
    const { left, top, width: across, height: down } = (box.current as HTMLDivElement).getBoundingClientRect();
    const scale = Math.min(across / width, down / height);
    const into = (value: number, most: number): number => Math.min(most - 0.001, Math.max(0, value));
    return {
      x: into((event.clientX - left - (across - width * scale) / 2) / scale, width),
      y: into((event.clientY - top - (down - height * scale) / 2) / scale, height),
    };
  };

  const begin = (at: { x: number; y: number }, more: Partial<Drag> & Pick<Drag, 'does'>): void =>
    dragged.set({ from: at, to: at, cells: [cellUnder(at)], copies: false, ...more });

  /** Was what lies there held before the pointer came down? Only then a click means the next one. */
  const wasHeld = useRef(false);
  const onPointerDown = (event: PointerEvent<HTMLDivElement>): void => {
    if (event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const at = unitsOf(event);
    setByKeys(false);
    setBegun(null);
    setCursor(cellUnder(at));
    const hit = piecesAt(ground, cellUnder(at));
    wasHeld.current = hit.some(({ id }) => held.has(id));
    if (hand) return begin(at, { does: 'put' });
    if (only && isArea(only) && near(at, corner(only))) return begin(at, { does: 'size', piece: only.id });
    const point = only?.piece === 'enemy' ? (only.path ?? []).findIndex((place) => near(at, place)) : -1;
    if (only && point >= 0) return begin(at, { does: 'point', piece: only.id, point });
    if (wasHeld.current) return begin(at, { does: 'move', copies: event.altKey });
    const [first] = hit;
    if (!first) return begin(at, { does: 'hold' });
    onHold(event.shiftKey ? [...held, first.id] : [first.id]);
    return begin(at, { does: 'move', copies: event.altKey });
  };
  const onPointerMove = (event: PointerEvent<HTMLDivElement>): void => {
    const to = unitsOf(event);
    const drag = dragged.now();
    if (!drag) {
      const under = cellUnder(to);
      if (under.x !== hovered?.x || under.y !== hovered.y) setHovered(under);
      onSay(cellInWords(here, ground, under, held));
      return;
    }
    const line = cellsAlong(drag.cells.at(-1) as Cell, cellUnder(to)).slice(1);
    dragged.set({ ...drag, to, cells: [...drag.cells, ...line], copies: drag.does === 'move' && event.altKey });
  };
  const onPointerUp = (event: PointerEvent<HTMLDivElement>): void => {
    const drag = dragged.now();
    if (!drag) return;
    const done = outcomeOf(ground, hand, held, drag, mintId);
    dragged.set(null);
    const isClick = Math.hypot(drag.to.x - drag.from.x, drag.to.y - drag.from.y) < 0.25;
    if (drag.does === 'move' && isClick) {
      // A click on what is held takes the next that lies there.
      const next = nextAt(ground, cellUnder(drag.from), held);
      if (
        next &&
        !event.shiftKey &&
        held.size === 1 &&
        piecesAt(ground, cellUnder(drag.from)).length > 1 &&
        wasHeld.current
      )
        onHold([next.id]);
      return;
    }
    onOutcome(done);
  };

  const say = (cell: Cell): void => onSay(cellInWords(here, now, cell, held));
  const dragOf = (to: Cell): Drag | null => {
    if (!begun) return null;
    const middle = ({ x, y }: Cell): { x: number; y: number } => ({ x: x + 0.5, y: y + 0.5 });
    const does = begun.does === 'carry' ? 'move' : 'put';
    return { does, from: middle(begun.at), to: middle(to), cells: [begun.at, to], copies: false };
  };

  const act = (adds: boolean): void => {
    if (begun) {
      const done = dragOf(cursor);
      setBegun(null);
      dragged.set(null);
      if (done) onOutcome(outcomeOf(ground, hand, held, done, mintId));
      return;
    }
    if (hand?.is === 'thing' && hand.thing.by === 'area') {
      setBegun({ does: 'span', at: cursor });
      onSay('One corner is set: go to the other with the arrows, then Enter');
      return;
    }
    if (hand) return onOutcome(put(ground, hand, [cursor], mintId));
    const next = nextAt(ground, cursor, held);
    if (!next) {
      onHold([]);
      return onSay(`Nothing to hold in ${cellInWords(here, ground, cursor, held)}`);
    }
    onHold(adds ? [...held, next.id] : [next.id]);
    onSay(`${nameOfPiece(here, next)} is held: M moves it, Delete removes it`);
  };

  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.altKey) return;
    const ARROWS: Readonly<Record<string, [number, number]>> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, -1],
      ArrowDown: [0, 1],
    };
    const taken = (): void => {
      event.preventDefault();
      event.stopPropagation();
      setByKeys(true);
    };
    const arrow = ARROWS[event.key];
    if (arrow) {
      taken();
      const by = event.shiftKey ? 5 : 1;
      const next = {
        x: Math.min(width - 1, Math.max(0, cursor.x + arrow[0] * by)),
        y: Math.min(height - 1, Math.max(0, cursor.y + arrow[1] * by)),
      };
      setCursor(next);
      if (begun) dragged.set(dragOf(next));
      return say(next);
    }
    if (event.ctrlKey || event.metaKey) {
      if (event.key.toLowerCase() !== 'a') return;
      taken();
      onHold(ground.pieces.map(({ id }) => id));
      return onSay(`${ground.pieces.length} pieces are held`);
    }
    if (event.key === 'Enter' || event.key === ' ') {
      taken();
      return act(event.shiftKey);
    }
    if (event.key === 'Escape') {
      taken();
      if (begun) {
        setBegun(null);
        return dragged.set(null);
      }
      return onLetGo();
    }
    if (event.key === 'Delete' || event.key === 'Backspace') {
      taken();
      return onRemove();
    }
    if (event.key.toLowerCase() === 'm' && held.size > 0 && !hand) {
      taken();
      const [first] = ground.pieces.filter(({ id }) => held.has(id));
      const from = first ? cellUnder(first.at) : cursor;
      setCursor(from);
      setBegun({ does: 'carry', at: from });
      return onSay('Carried: go with the arrows, Enter puts down, Escape leaves it where it was');
    }
    if (onKeyChoice(event.key)) taken();
  };

  // Copying and pasting are the browser's own, while the ground has the focus.
  const clipboard = useRef({ onCopy, onPaste, cursor });
  useEffect(() => {
    clipboard.current = { onCopy, onPaste, cursor };
  });
  useEffect(() => {
    const isHere = (): boolean => document.activeElement === box.current;
    const copy = (event: ClipboardEvent): void => {
      if (!isHere()) return;
      const text = clipboard.current.onCopy(event.type === 'cut');
      if (text === undefined) return;
      event.clipboardData?.setData('text/plain', text);
      event.preventDefault();
    };
    const paste = (event: ClipboardEvent): void => {
      if (!isHere()) return;
      event.preventDefault();
      clipboard.current.onPaste(event.clipboardData?.getData('text/plain') ?? '', clipboard.current.cursor);
    };
    document.addEventListener('copy', copy);
    document.addEventListener('cut', copy);
    document.addEventListener('paste', paste);
    return () => {
      document.removeEventListener('copy', copy);
      document.removeEventListener('cut', copy);
      document.removeEventListener('paste', paste);
    };
  }, []);

  return (
    <div
      ref={box}
      role="application"
      tabIndex={0}
      aria-label={`Ground of ${level.name}, ${width} × ${height} cells. Arrows move the cell, Enter places or selects a piece, letters choose what is placed, M moves, Delete removes, G leads back to the rules.`}
      className={`relative min-h-[260px] grow touch-none select-none ${hand ? 'cursor-crosshair' : 'cursor-default'}`}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerCancel={() => dragged.set(null)}
      onKeyDown={onKeyDown}
      onPointerLeave={() => setHovered(null)}
      onBlur={() => setByKeys(false)}
    >
      <GroundPicture
        fills
        marks={ways.length === 0 ? pointed : [...pointed, ...ways]}
        width={width}
        height={height}
        label={`The ground of ${level.name}`}
      />
    </div>
  );
}

const corner = (piece: Piece): { x: number; y: number } => {
  const { x, y, width, height } = boxOf(piece);
  return { x: x + width, y: y + height };
};

const near = (one: { x: number; y: number }, other: { x: number; y: number }): boolean =>
  Math.abs(one.x - other.x) < 0.35 && Math.abs(one.y - other.y) < 0.35;

/** Handle of a selected piece that can be dragged: the corner of an area. Points of a way are drawn with the way. */
const handles = (piece: Piece): Figure[] => {
  if (!isArea(piece)) return [];
  const { x, y } = corner(piece);
  return [
    {
      is: 'rectangle',
      x: x - HANDLE / 2,
      y: y - HANDLE / 2,
      width: HANDLE,
      height: HANDLE,
      fill: 'sheet',
      stroke: 'edit',
      line: 0.08,
    },
  ];
};
