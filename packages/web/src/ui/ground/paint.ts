import type { Figure, Mark, Tone } from '@stadion/core/play/scene';

/** The colour of every tone, as the page has it now. */
export type Palette = (tone: Tone) => string;

const TOKENS: Readonly<Record<Exclude<Tone, number>, string>> = {
  ground: '--ground',
  wall: '--wall',
  ink: '--ink',
  mark: '--mark',
  win: '--win',
  winSoft: '--win-soft',
  loss: '--loss',
  lossSoft: '--loss-soft',
  edit: '--edit',
  sheet: '--sheet',
};
/** Kinds of collectable, by their place in the project's list. */
const COLLECTABLES = ['--clover', '--lavender', '--bloom', '--win-2', '--mark', '--edit'];

const tokenOf = (tone: Tone): string =>
  typeof tone === 'number' ? (COLLECTABLES[tone % COLLECTABLES.length] as string) : TOKENS[tone];

/** A tone as the page's style sheet says it. */
export const colourOfTone = (tone: Tone): string => `var(${tokenOf(tone)})`;

/** Reads the page's colours: to be done again when its theme changes. */
export function readPalette(): Palette {
  const style = getComputedStyle(document.documentElement);
  const known = new Map<Tone, string>();
  return (tone) => {
    const before = known.get(tone);
    if (before !== undefined) return before;
    const colour = style.getPropertyValue(tokenOf(tone)).trim();
    known.set(tone, colour);
    return colour;
  };
}

type Context = CanvasRenderingContext2D;

/** Distance between the strokes of a hatched area, units. */
const HATCH_GAP = 0.34;

function trace(context: Context, figure: Figure): void {
  context.beginPath();
  switch (figure.is) {
    case 'circle':
      context.arc(figure.x, figure.y, figure.radius, 0, Math.PI * 2);
      return;
    case 'rectangle':
      if (figure.round === undefined) context.rect(figure.x, figure.y, figure.width, figure.height);
      else context.roundRect(figure.x, figure.y, figure.width, figure.height, figure.round);
      return;
    case 'polygon':
    case 'line':
      for (let i = 0; i + 1 < figure.points.length; i += 2)
        context.lineTo(figure.points[i] as number, figure.points[i + 1] as number);
      if (figure.is === 'polygon') context.closePath();
      return;
    case 'hatch':
      context.rect(figure.x, figure.y, figure.width, figure.height);
      context.clip();
      context.beginPath();
      for (let at = -figure.height; at < figure.width; at += HATCH_GAP) {
        context.moveTo(figure.x + at, figure.y + figure.height);
        context.lineTo(figure.x + at + figure.height, figure.y);
      }
  }
}

function paintFigure(context: Context, figure: Figure, palette: Palette): void {
  if (figure.is === 'hatch') context.save();
  trace(context, figure);
  if (figure.fill !== undefined) {
    context.fillStyle = palette(figure.fill);
    context.fill();
  }
  if (figure.stroke !== undefined) {
    context.strokeStyle = palette(figure.stroke);
    context.lineWidth = figure.line ?? 0.1;
    context.setLineDash(figure.dash ? [...figure.dash] : []);
    context.stroke();
  }
  if (figure.is === 'hatch') context.restore();
}

/** Draws marks, the first one lowest. @param scale px per unit */
export function paint(context: Context, marks: readonly Mark[], scale: number, palette: Palette): void {
  context.save();
  context.scale(scale, scale);
  for (const { figures, opacity = 1 } of marks) {
    context.globalAlpha = opacity;
    for (const figure of figures) paintFigure(context, figure, palette);
  }
  context.restore();
}
