import type { EnemyKind, Ground, Look, Project } from '../../document/model/index.ts';
import type { Figure, Tone } from './mark.ts';

/** The colours that a kind may have, by the names of the document. */
export const COLOURS: Readonly<Record<string, { label: string; tone: Tone }>> = {
  leaf: { label: 'leaf green', tone: 0 },
  violet: { label: 'violet', tone: 1 },
  rose: { label: 'rose', tone: 2 },
  spruce: { label: 'spruce', tone: 3 },
  marigold: { label: 'marigold', tone: 4 },
  cobalt: { label: 'cobalt', tone: 5 },
  claret: { label: 'claret', tone: 'loss' },
  ink: { label: 'dark', tone: 'ink' },
};

/** How a mark is drawn: within a radius round its middle. */
interface Pen {
  x: number;
  y: number;
  /** Units. */
  radius: number;
  tone: Tone;
  /** Filled with its colour, else with the sheet's. */
  filled: boolean;
}

type Draw = (pen: Pen) => Figure[];

/** Corners as shares of the radius from the middle: x, y, x, y … */
const polygon =
  (...corners: number[]): Draw =>
  ({ x, y, radius, tone, filled }) => [
    {
      is: 'polygon',
      points: corners.map((share, index) => (index % 2 === 0 ? x : y) + share * radius),
      fill: filled ? tone : 'sheet',
      stroke: filled ? 'ink' : tone,
      line: filled ? 0.07 : 0.1,
    },
  ];

const petals =
  (...places: number[]): Draw =>
  ({ x, y, radius, tone }) =>
    places.flatMap((dx, index): Figure[] => {
      const dy = places[index + 1];
      return index % 2 === 1 || dy === undefined
        ? []
        : [{ is: 'circle', x: x + dx * radius * 0.55, y: y + dy * radius * 0.55, radius: radius * 0.44, fill: tone }];
    });

const round =
  (inner: (pen: Pen) => Figure[]): Draw =>
  (pen) => [
    {
      is: 'circle',
      x: pen.x,
      y: pen.y,
      radius: pen.radius,
      fill: pen.filled ? pen.tone : 'sheet',
      stroke: pen.filled ? 'ink' : pen.tone,
      line: 0.08,
    },
    ...inner(pen),
  ];

/** A drawing on a filled mark must differ from it. */
const inside = ({ filled, tone }: Pen): Tone => (filled ? 'sheet' : tone);

const bar = (pen: Pen, x: number, y: number, width: number, height: number): Figure => ({
  is: 'rectangle',
  x: pen.x + x * pen.radius,
  y: pen.y + y * pen.radius,
  width: width * pen.radius,
  height: height * pen.radius,
  fill: inside(pen),
});

const strokes =
  (...lines: number[][]): Draw =>
  ({ x, y, radius, tone }) =>
    lines.map((corners): Figure => ({
      is: 'line',
      points: corners.map((share, index) => (index % 2 === 0 ? x : y) + share * radius),
      stroke: tone,
      line: radius * 0.26,
    }));

/** The marks that Stadion draws, by the names of the document. A mark more is an entry here. */
export const MARKS: Readonly<Record<string, { label: string; draw: Draw }>> = {
  trefoil: { label: 'three petals', draw: petals(0, -1, 0.87, 0.5, -0.87, 0.5) },
  quatrefoil: { label: 'four petals', draw: petals(0, -1, 1, 0, 0, 1, -1, 0) },
  cinquefoil: { label: 'five petals', draw: petals(0, -1, 0.95, -0.31, 0.59, 0.81, -0.59, 0.81, -0.95, -0.31) },
  sixfoil: { label: 'six petals', draw: petals(0, -1, 0.87, -0.5, 0.87, 0.5, 0, 1, -0.87, 0.5, -0.87, -0.5) },
  diamond: { label: 'diamond', draw: polygon(0, -1.15, 1.15, 0, 0, 1.15, -1.15, 0) },
  'barred-disc': {
    label: 'disc with bars',
    draw: round((pen) => [bar(pen, -0.6, -0.35, 1.2, 0.2), bar(pen, -0.6, 0.2, 1.2, 0.2)]),
  },
  dome: {
    label: 'dome',
    draw: polygon(
      -1,
      0.4,
      -0.92,
      0.02,
      -0.71,
      -0.31,
      -0.38,
      -0.52,
      0,
      -0.6,
      0.38,
      -0.52,
      0.71,
      -0.31,
      0.92,
      0.02,
      1,
      0.4,
    ),
  },
  disc: { label: 'disc', draw: round(() => []) },
  eye: {
    label: 'disc with a dot',
    draw: round((pen) => [{ is: 'circle', x: pen.x, y: pen.y, radius: pen.radius * 0.38, fill: inside(pen) }]),
  },
  square: { label: 'square', draw: polygon(-0.9, -0.9, 0.9, -0.9, 0.9, 0.9, -0.9, 0.9) },
  triangle: { label: 'triangle', draw: polygon(0, -1, 1, 0.8, -1, 0.8) },
  'upside-triangle': { label: 'triangle on its tip', draw: polygon(-1, -0.8, 1, -0.8, 0, 1) },
  hexagon: { label: 'hexagon', draw: polygon(0, -1, 0.87, -0.5, 0.87, 0.5, 0, 1, -0.87, 0.5, -0.87, -0.5) },
  drop: {
    label: 'drop',
    draw: polygon(0, -1.1, 0.45, -0.3, 0.7, 0.25, 0.55, 0.75, 0, 1, -0.55, 0.75, -0.7, 0.25, -0.45, -0.3),
  },
  arrow: { label: 'arrowhead', draw: polygon(1.1, 0, -0.8, -0.85, -0.35, 0, -0.8, 0.85) },
  spark: {
    label: 'four rays',
    draw: polygon(0, -1.15, 0.25, -0.25, 1.15, 0, 0.25, 0.25, 0, 1.15, -0.25, 0.25, -1.15, 0, -0.25, -0.25),
  },
  plus: {
    label: 'plus',
    draw: polygon(
      -0.33,
      -1,
      0.33,
      -1,
      0.33,
      -0.33,
      1,
      -0.33,
      1,
      0.33,
      0.33,
      0.33,
      0.33,
      1,
      -0.33,
      1,
      -0.33,
      0.33,
      -1,
      0.33,
      -1,
      -0.33,
      -0.33,
      -0.33,
    ),
  },
  leaf: {
    label: 'leaf',
    draw: polygon(0, -1.1, 0.55, -0.5, 0.65, 0.1, 0.35, 0.65, 0, 1.1, -0.35, 0.65, -0.65, 0.1, -0.55, -0.5),
  },
  crate: {
    label: 'box with bars',
    draw: (pen) => [
      ...polygon(-1.1, -0.7, 1.1, -0.7, 1.1, 0.7, -1.1, 0.7)(pen),
      bar(pen, -0.55, -0.55, 0.16, 1.1),
      bar(pen, -0.08, -0.55, 0.16, 1.1),
      bar(pen, 0.4, -0.55, 0.16, 1.1),
    ],
  },
  web: {
    label: 'web',
    draw: strokes(
      [-1, -1, 1, 1],
      [1, -1, -1, 1],
      [0, -1.1, 0, 1.1],
      [-1.1, 0, 1.1, 0],
      [0, -0.55, 0.55, 0, 0, 0.55, -0.55, 0, 0, -0.55],
    ),
  },
  waves: {
    label: 'waves',
    draw: strokes(
      [-1, -0.5, -0.5, -0.75, 0, -0.5, 0.5, -0.75, 1, -0.5],
      [-1, 0.05, -0.5, -0.2, 0, 0.05, 0.5, -0.2, 1, 0.05],
      [-1, 0.6, -0.5, 0.35, 0, 0.6, 0.5, 0.35, 1, 0.6],
    ),
  },
  cross: { label: 'cross', draw: strokes([-0.85, -0.85, 0.85, 0.85], [0.85, -0.85, -0.85, 0.85]) },
  gem: { label: 'gem', draw: polygon(-0.55, -0.85, 0.55, -0.85, 1.05, -0.2, 0, 1.05, -1.05, -0.2) },
  'ringed-dot': {
    label: 'ring',
    draw: (pen) => [
      { is: 'circle', x: pen.x, y: pen.y, radius: pen.radius * 0.8, stroke: pen.tone, line: pen.radius * 0.32 },
    ],
  },
};

/** Looks of the kinds of a project, by role, in the order of its lists. */
export interface Looks {
  collectables: readonly Look[];
  enemies: readonly Look[];
  hazards: readonly (Look | undefined)[];
  /** Marks of the level's goals and zones, in the order of the ground; undefined for a piece without a mark. */
  zones?: readonly (Look | undefined)[];
  /** The same for its spawners. */
  spawners?: readonly (Look | undefined)[];
}

const PETALS = ['trefoil', 'quatrefoil', 'cinquefoil', 'sixfoil'];
const COLLECTABLE_COLOURS = ['leaf', 'violet', 'rose', 'spruce', 'marigold', 'cobalt'];
const MOVEMENT_MARKS: Readonly<Record<EnemyKind['movement'], string>> = {
  chase: 'diamond',
  patrol: 'barred-disc',
  still: 'dome',
  walk: 'hexagon',
  cross: 'arrow',
  fall: 'drop',
  circle: 'ringed-dot',
};

/** The look of a kind of collectable that has none of its own. @param index its place in the project's list */
export const usualCollectableLook = (index: number): Look => ({
  mark: PETALS[index % PETALS.length] as string,
  colour: COLLECTABLE_COLOURS[index % COLLECTABLE_COLOURS.length] as string,
});
/** The look of a kind of enemy that has none of its own. */
export const usualEnemyLook = (movement: EnemyKind['movement']): Look => ({
  mark: MOVEMENT_MARKS[movement],
  colour: 'claret',
});

const known = new WeakMap<Project['kinds'], Looks>();

/** How the kinds of a project look, everywhere alike. */
export function looksOf({ kinds }: Pick<Project, 'kinds'>): Looks {
  const before = known.get(kinds);
  if (before) return before;
  const looks: Looks = {
    collectables: kinds.collectables.map(({ look }, index) => look ?? usualCollectableLook(index)),
    enemies: kinds.enemies.map(({ look, movement }) => look ?? usualEnemyLook(movement)),
    hazards: kinds.hazards.map(({ look }) => look),
  };
  known.set(kinds, looks);
  return looks;
}

/** Returns the looks of the project's kinds with the marks of one ground's pieces. */
export function looksAt(project: Pick<Project, 'kinds'>, { pieces }: Pick<Ground, 'pieces'>): Looks {
  return {
    ...looksOf(project),
    zones: pieces.flatMap((piece) => (piece.piece === 'goal' || piece.piece === 'zone' ? [piece.look] : [])),
    spawners: pieces.flatMap((piece) => (piece.piece === 'spawner' ? [piece.look] : [])),
  };
}

/** Radius of a mark that is drawn on a piece. Units. */
const SIGN_RADIUS = 0.42;

/** A mark in the middle of a piece's area; nothing for a piece without a mark. */
export function signFigures(
  look: Look | undefined,
  area: { x: number; y: number; width: number; height: number },
): Figure[] {
  if (!look) return [];
  const radius = Math.min(SIGN_RADIUS, 0.35 * Math.min(area.width, area.height));
  return markFigures(look, area.x + area.width / 2, area.y + area.height / 2, radius);
}

/** A kind's mark at a place. What the document names and Stadion does not know is drawn as a disc. @param radius units */
export function markFigures({ mark, colour }: Look, x: number, y: number, radius: number, filled = true): Figure[] {
  const tone = COLOURS[colour]?.tone ?? 'ink';
  return ((MARKS[mark] ?? MARKS['disc']) as { draw: Draw }).draw({ x, y, radius, tone, filled });
}
