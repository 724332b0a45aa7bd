import { cellsOn, puttablesOn, type CellName, type Puttable } from '@stadion/core/authoring/building';
import { KINDS_OF_PIECE, type Ground, type Id, type PieceName, type Project } from '@stadion/core/document/model';
import { kindFigures, type Figure } from '@stadion/core/play/scene';
import { CELL_WORDS, type Hand } from './gestures.ts';

/** One of the things that can be in hand, as it is offered. */
export interface HandChoice {
  key: string;
  label: string;
  hand: Hand;
  figures: readonly Figure[];
  /** Counted on the ground by this key, or this sort of piece; cells are not counted. */
  counts?: string;
}

const RADIUS = 0.4;
const square = { is: 'rectangle', x: -RADIUS, y: -RADIUS, width: 2 * RADIUS, height: 2 * RADIUS } as const;

const CELL_FIGURES: Readonly<Record<CellName, Figure[]>> = {
  wall: [{ ...square, fill: 'wall' }],
  open: [{ ...square, fill: 'ground', stroke: 'ink', line: 0.05 }],
  ledge: [{ is: 'rectangle', x: -RADIUS, y: -RADIUS, width: 2 * RADIUS, height: 0.2, fill: 'wall' }],
  'no ground': [{ ...square, stroke: 'ink', line: 0.07, dash: [0.14, 0.1] }],
};

/** Sorts of piece that look alike whatever their kind. */
const PLAIN: Readonly<Partial<Record<PieceName, readonly Figure[]>>> = {
  start: [{ is: 'circle', x: 0, y: 0, radius: RADIUS, fill: 'mark', stroke: 'ink', line: 0.08 }],
  goal: [{ ...square, fill: 'winSoft', stroke: 'win', line: 0.1, round: 0.15 }],
  zone: [{ ...square, fill: 'sheet', stroke: 'win', line: 0.08, dash: [0.2, 0.12] }],
  checkpoint: [{ is: 'circle', x: 0, y: 0, radius: RADIUS, stroke: 'ink', line: 0.1, dash: [0.16, 0.14] }],
  latch: [{ ...square, fill: 'sheet', stroke: 'edit', line: 0.12 }],
  gate: [
    { ...square, stroke: 'edit', line: 0.12 },
    { is: 'line', points: [0, -RADIUS, 0, RADIUS], stroke: 'edit', line: 0.12 },
  ],
  spawner: [
    { is: 'circle', x: 0, y: 0, radius: RADIUS, stroke: 'loss', line: 0.1, dash: [0.16, 0.14] },
    { is: 'circle', x: 0, y: 0, radius: 0.12, fill: 'loss' },
  ],
  lane: [
    { is: 'line', points: [-RADIUS, -RADIUS, RADIUS, -RADIUS], stroke: 'ink', line: 0.06 },
    { is: 'line', points: [-RADIUS, RADIUS, RADIUS, RADIUS], stroke: 'ink', line: 0.06 },
    { is: 'rectangle', x: -0.3, y: -0.2, width: 0.6, height: 0.4, fill: 'loss' },
  ],
  emitter: [{ is: 'polygon', points: [0, -RADIUS, RADIUS, RADIUS, -RADIUS, RADIUS], fill: 'loss' }],
};

/** A spawner or emitter is placed with the first kind; its sentence says which kind. */
const GENERAL: Readonly<Partial<Record<PieceName, string>>> = { spawner: 'Spawner', emitter: 'Emitter', lane: 'Lane' };

/** Everything that can be put, of what sends or shoots one for all kinds. */
function offered(project: Project, on: Ground['kind']): Puttable[] {
  const things = puttablesOn(project, on);
  const isFirst = (thing: Puttable): boolean => things.find(({ piece }) => piece === thing.piece) === thing;
  const general = things.filter((thing) => GENERAL[thing.piece] !== undefined && isFirst(thing));
  const plain = things.filter(({ kind }) => kind === undefined);
  return [
    ...plain,
    ...general,
    ...things.filter(({ kind, piece }) => kind !== undefined && GENERAL[piece] === undefined),
  ];
}

/** Everything that can be in hand in a project, in the order in which it is offered. */
export function handChoices(project: Project, on: Ground['kind']): HandChoice[] {
  const figuresOf = ({ piece, kind }: Puttable): readonly Figure[] => {
    const role = KINDS_OF_PIECE[piece];
    if (PLAIN[piece] || !role) return PLAIN[piece] ?? [];
    return kindFigures(
      project,
      role,
      project.kinds[role].findIndex(({ id }) => id === kind),
      RADIUS,
    );
  };
  return [
    ...cellsOn(on).map((cells) => ({
      key: `cells ${cells}`,
      label: CELL_WORDS[cells],
      hand: { is: 'cells', cells } as const,
      figures: CELL_FIGURES[cells],
    })),
    ...offered(project, on).map((thing) => ({
      key: thing.key,
      label: GENERAL[thing.piece] ?? thing.label,
      hand: { is: 'thing', thing } as const,
      figures: figuresOf(thing),
      counts: GENERAL[thing.piece] === undefined ? thing.key : thing.piece,
    })),
  ];
}

/** Returns the choice that puts a thing of the kind itself, in place of what sends or shoots it. */
export const choiceOfKind = (choices: readonly HandChoice[], kind: Id): HandChoice | undefined =>
  choices.find(({ hand }) => hand.is === 'thing' && hand.thing.kind === kind && !(hand.thing.piece in GENERAL));

export const keyOfHand = (hand: Hand | null): string | undefined =>
  hand?.is === 'cells' ? `cells ${hand.cells}` : hand?.is === 'thing' ? hand.thing.key : undefined;

/** The key that leads from the ground back to the rules: it never chooses what is placed. */
const LEAVES_GROUND = 'g';

/** The choice for a digit or a letter: the n-th, or the next that begins with the letter. */
export function choiceByKey(
  choices: readonly HandChoice[],
  key: string,
  now: string | undefined,
): HandChoice | undefined {
  if (/^[1-9]$/.test(key)) return choices[Number(key) - 1];
  if (!/^[a-z]$/i.test(key) || key.toLowerCase() === LEAVES_GROUND) return undefined;
  const fitting = choices.filter(({ label }) => label.toLowerCase().startsWith(key.toLowerCase()));
  return fitting[(fitting.findIndex((choice) => choice.key === now) + 1) % Math.max(1, fitting.length)];
}
