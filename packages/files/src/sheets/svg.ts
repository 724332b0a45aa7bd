import type { Figure, Mark, Tone } from '@stadion/core/play/scene';
import type { XMLBuilder } from 'xmlbuilder2/lib/interfaces.js';

/** Colours on paper. */
const COLOURS: Readonly<Record<Exclude<Tone, number>, string>> = {
  ground: '#eef2f0',
  wall: '#1a4238',
  ink: '#10261f',
  mark: '#f2a81d',
  win: '#0d7d62',
  winSoft: '#d8efe7',
  loss: '#ad2456',
  lossSoft: '#f9e0e9',
  edit: '#2a49d6',
  sheet: '#ffffff',
};
/** Kinds of collectable, by their place in the project's list. */
const COLLECTABLES = ['#4f8f3a', '#7d63c4', '#c2337a', '#3c8f78', '#f2a81d', '#2a49d6'];
/** Distance between the strokes of a hatched area, units. */
const HATCH_GAP = 0.34;

const colourOf = (tone: Tone): string =>
  typeof tone === 'number' ? (COLLECTABLES[tone % COLLECTABLES.length] as string) : COLOURS[tone];

const short = (value: number): number => Number(value.toFixed(3));

/** The strokes of a hatched area, cut at its edges: x, y, x, y each. */
function hatched({ x, y, width, height }: { x: number; y: number; width: number; height: number }): number[][] {
  const strokes: number[][] = [];
  for (let at = HATCH_GAP / 2 - height; at < width; at += HATCH_GAP) {
    const from = Math.max(0, at);
    const to = Math.min(width, at + height);
    strokes.push([x + from, y + height - (from - at), x + to, y + height - (to - at)]);
  }
  return strokes;
}

function addFigure(parent: XMLBuilder, figure: Figure): void {
  const ink = {
    fill: figure.fill === undefined ? 'none' : colourOf(figure.fill),
    ...(figure.stroke === undefined
      ? {}
      : {
          stroke: colourOf(figure.stroke),
          'stroke-width': short(figure.line ?? 0.1),
          ...(figure.dash ? { 'stroke-dasharray': figure.dash.map(short).join(' ') } : {}),
        }),
  };
  switch (figure.is) {
    case 'circle':
      parent.ele('circle', { cx: short(figure.x), cy: short(figure.y), r: short(figure.radius), ...ink });
      return;
    case 'rectangle':
      parent.ele('rect', {
        ...{ x: short(figure.x), y: short(figure.y), width: short(figure.width), height: short(figure.height) },
        ...(figure.round === undefined ? {} : { rx: short(figure.round) }),
        ...ink,
      });
      return;
    case 'polygon':
    case 'line':
      parent.ele(figure.is === 'polygon' ? 'polygon' : 'polyline', {
        points: figure.points.map(short).join(' '),
        ...ink,
      });
      return;
    case 'hatch':
      for (const points of hatched(figure)) parent.ele('polyline', { points: points.map(short).join(' '), ...ink });
  }
}

/** A picture of a ground: the same marks as in the application. @param width in units @param height in units */
export function addPicture(
  parent: XMLBuilder,
  marks: readonly Mark[],
  width: number,
  height: number,
  label: string,
): void {
  const svg = parent.ele('svg', {
    ...{ xmlns: 'http://www.w3.org/2000/svg', class: 'ground', viewBox: `0 0 ${width} ${height}` },
    ...{ role: 'img', 'aria-label': label },
  });
  svg.ele('rect', { x: 0, y: 0, width, height, fill: COLOURS.ground });
  for (const { figures, opacity } of marks) {
    const group = opacity === undefined ? svg : svg.ele('g', { opacity });
    for (const figure of figures) addFigure(group, figure);
  }
}

/** A line over the positions, with its ends written beside it. Values that are no numbers leave a gap. */
export function addLine(parent: XMLBuilder, values: readonly number[], label: string): void {
  const [width, height] = [400, 60];
  const known = values.filter((value) => Number.isFinite(value));
  const low = Math.min(...known);
  const span = Math.max(...known) - low;
  const x = (index: number): number => ((index + 0.5) / Math.max(1, values.length)) * width;
  const y = (value: number): number => (span === 0 ? height / 2 : height - 4 - ((value - low) / span) * (height - 8));
  const svg = parent.ele('svg', {
    ...{ xmlns: 'http://www.w3.org/2000/svg', class: 'line', viewBox: `0 0 ${width} ${height}` },
    ...{ role: 'img', 'aria-label': label, preserveAspectRatio: 'none' },
  });
  const points = values.flatMap((value, index) =>
    Number.isFinite(value) ? [`${short(x(index))},${short(y(value))}`] : [],
  );
  svg.ele('polyline', { points: points.join(' '), fill: 'none', stroke: COLOURS.win, 'stroke-width': 2 });
}
