import type { AttemptState } from '@stadion/core/attempt';
import type { Before } from './useAttempt.ts';

/** Colours of the page, read once per size or theme. */
export interface Paint {
  ground: string;
  wall: string;
  ink: string;
  mark: string;
  win: string;
  winSoft: string;
  loss: string;
  sheet: string;
  collectables: string[];
}

const mixed = (from: number, to: number, share: number): number => from + (to - from) * share;

/** Draw an attempt as it is, between two ticks. @param scale px per unit */
export function drawGround(
  context: CanvasRenderingContext2D,
  state: AttemptState,
  before: Before,
  between: number,
  scale: number,
  paint: Paint,
): void {
  const { grid, level } = state.world;
  const { width, height } = grid;
  context.save();
  context.scale(scale, scale);
  context.fillStyle = paint.ground;
  context.fillRect(0, 0, width, height);
  for (const goal of level.judging.goals) {
    context.fillStyle = paint.winSoft;
    context.strokeStyle = paint.win;
    context.lineWidth = 0.14;
    context.beginPath();
    context.roundRect(goal.x + 0.07, goal.y + 0.07, goal.width - 0.14, goal.height - 0.14, 0.25);
    context.fill();
    context.stroke();
  }
  context.fillStyle = paint.wall;
  for (let cell = 0; cell < grid.walls.length; cell++) {
    if (grid.walls[cell] === 1) context.fillRect(cell % width, Math.floor(cell / width), 1.01, 1.01);
  }
  for (const nest of level.motion.spawners) ring(context, nest.x, nest.y, 0.45, paint.loss);
  for (const piece of state.collectables) {
    if (!piece.gathered)
      flower(
        context,
        piece.x,
        piece.y,
        piece.kind,
        paint.collectables[piece.kind % paint.collectables.length] as string,
      );
  }
  state.enemies.forEach((enemy, index) => {
    if (!enemy.active) return;
    const x = mixed(before.enemies[index * 2] ?? enemy.x, enemy.x, between);
    const y = mixed(before.enemies[index * 2 + 1] ?? enemy.y, enemy.y, between);
    if (enemy.movement === 'chase') hornet(context, x, y, enemy.radius, enemy.memoryTicks > 0, paint);
    else wasp(context, x, y, enemy.radius, paint);
  });
  const { player } = state;
  // In grace the player is seen through.
  context.globalAlpha = state.graceTicks > 0 && Math.floor(state.graceTicks / 8) % 2 === 0 ? 0.45 : 1;
  disc(
    context,
    mixed(before.x, player.x, between),
    mixed(before.y, player.y, between),
    player.radius,
    paint.mark,
    paint.ink,
  );
  context.restore();
}

function disc(
  context: CanvasRenderingContext2D,
  x: number,
  y: number,
  radius: number,
  fill: string,
  edge: string,
): void {
  context.beginPath();
  context.arc(x, y, radius, 0, Math.PI * 2);
  context.fillStyle = fill;
  context.fill();
  context.lineWidth = 0.08;
  context.strokeStyle = edge;
  context.stroke();
}

function ring(context: CanvasRenderingContext2D, x: number, y: number, radius: number, colour: string): void {
  context.setLineDash([0.16, 0.14]);
  context.lineWidth = 0.1;
  context.strokeStyle = colour;
  context.beginPath();
  context.arc(x, y, radius, 0, Math.PI * 2);
  context.stroke();
  context.setLineDash([]);
}

/** Kinds differ in form besides colour: one petal more each. */
function flower(context: CanvasRenderingContext2D, x: number, y: number, kind: number, colour: string): void {
  const petals = 3 + (kind % 4);
  context.fillStyle = colour;
  for (let i = 0; i < petals; i++) {
    const angle = (i / petals) * Math.PI * 2 - Math.PI / 2;
    context.beginPath();
    context.arc(x + Math.cos(angle) * 0.15, y + Math.sin(angle) * 0.15, 0.12, 0, Math.PI * 2);
    context.fill();
  }
}

/** A hornet is a square on its corner; one that has seen the player is filled. */
function hornet(
  context: CanvasRenderingContext2D,
  x: number,
  y: number,
  radius: number,
  awake: boolean,
  paint: Paint,
): void {
  context.beginPath();
  context.moveTo(x, y - radius * 1.15);
  context.lineTo(x + radius * 1.15, y);
  context.lineTo(x, y + radius * 1.15);
  context.lineTo(x - radius * 1.15, y);
  context.closePath();
  context.fillStyle = awake ? paint.loss : paint.sheet;
  context.fill();
  context.lineWidth = 0.1;
  context.strokeStyle = paint.loss;
  context.stroke();
}

/** A wasp is a disc with two bars. */
function wasp(context: CanvasRenderingContext2D, x: number, y: number, radius: number, paint: Paint): void {
  disc(context, x, y, radius, paint.loss, paint.ink);
  context.fillStyle = paint.sheet;
  context.fillRect(x - radius * 0.6, y - radius * 0.35, radius * 1.2, radius * 0.2);
  context.fillRect(x - radius * 0.6, y + radius * 0.2, radius * 1.2, radius * 0.2);
}
