import type { AttemptState, Shot } from '@stadion/core/attempt';
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
  lossSoft: string;
  edit: string;
  sheet: string;
  collectables: string[];
}

const mixed = (from: number, to: number, share: number): number => from + (to - from) * share;

type Context = CanvasRenderingContext2D;

/** Draw an attempt as it is, between two ticks. @param scale px per unit */
export function drawGround(
  context: Context,
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
  drawAreas(context, state, paint);
  context.fillStyle = paint.wall;
  for (let cell = 0; cell < grid.walls.length; cell++) {
    if (grid.walls[cell] === 1) context.fillRect(cell % width, Math.floor(cell / width), 1.01, 1.01);
  }
  drawFittings(context, state, paint);
  for (const nest of level.motion.spawners) if (nest.spreadWidth === 0) ring(context, nest.x, nest.y, 0.45, paint.loss);
  for (const piece of state.collectables) {
    if (!piece.gathered && !piece.hidden)
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
    if (enemy.movement === 'chase') chaser(context, x, y, enemy.radius, enemy.memoryTicks > 0, paint);
    else if (enemy.movement === 'still') sitter(context, x, y, enemy.radius, paint);
    else patroller(context, x, y, enemy.radius, paint);
    if (enemy.health > 0) healthBar(context, x, y - enemy.radius - 0.18, enemy.health / enemy.source.health, paint);
  });
  for (const shot of state.shots) if (shot.active) drawShot(context, shot, paint);
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

/** Goals, zones, hazards and where there is no ground. */
function drawAreas(context: Context, state: AttemptState, paint: Paint): void {
  const { level, holes, grid } = state.world;
  context.fillStyle = paint.sheet;
  for (let cell = 0; cell < holes.length; cell++) {
    if (holes[cell] !== 1) continue;
    const x = cell % grid.width;
    const y = Math.floor(cell / grid.width);
    context.fillRect(x, y, 1.01, 1.01);
    strokes(context, x, y, 1, 1, paint.ink, 0.04);
  }
  level.judging.zones.forEach((zone, index) => {
    const cued = (state.cuedTick[index] as number) >= 0;
    context.fillStyle = zone.goal ? paint.winSoft : paint.sheet;
    context.strokeStyle = cued ? paint.mark : paint.win;
    context.lineWidth = cued ? 0.26 : 0.14;
    context.setLineDash(zone.goal ? [] : [0.3, 0.2]);
    context.beginPath();
    context.roundRect(zone.x + 0.07, zone.y + 0.07, zone.width - 0.14, zone.height - 0.14, 0.25);
    context.fill();
    context.stroke();
    context.setLineDash([]);
  });
  for (const hazard of level.motion.hazards) {
    context.fillStyle = paint.lossSoft;
    context.fillRect(hazard.x, hazard.y, hazard.width, hazard.height);
    // Kinds differ by their strokes: one that hurts by the second lies, one that hurts at a touch stands.
    const lies = level.motion.kindsOfHazard[hazard.kind]?.perSecond === true;
    strokes(context, hazard.x, hazard.y, hazard.width, hazard.height, paint.loss, lies ? 0.03 : 0.07);
  }
}

/** Diagonal strokes over an area. */
function strokes(
  context: Context,
  x: number,
  y: number,
  width: number,
  height: number,
  colour: string,
  line: number,
): void {
  context.save();
  context.beginPath();
  context.rect(x, y, width, height);
  context.clip();
  context.strokeStyle = colour;
  context.lineWidth = line;
  context.beginPath();
  for (let at = -height; at < width; at += 0.34) {
    context.moveTo(x + at, y + height);
    context.lineTo(x + at + height, y);
  }
  context.stroke();
  context.restore();
}

/** Gates, latches, checkpoints and emitters. */
function drawFittings(context: Context, state: AttemptState, paint: Paint): void {
  const { motion } = state.world.level;
  motion.gates.forEach((gate, index) => {
    const isOpen = state.observed.gates[index] === 1;
    context.strokeStyle = paint.edit;
    context.lineWidth = 0.12;
    context.setLineDash(isOpen ? [0.15, 0.2] : []);
    context.strokeRect(gate.x + 0.08, gate.y + 0.08, gate.width - 0.16, gate.height - 0.16);
    context.setLineDash([]);
    if (isOpen) return;
    context.fillStyle = paint.edit;
    for (let at = 0.2; at < gate.width; at += 0.4) context.fillRect(gate.x + at, gate.y + 0.1, 0.14, gate.height - 0.2);
  });
  motion.latches.forEach((latch, index) => {
    const isOn = state.observed.latches[index] === 1;
    context.fillStyle = isOn ? paint.edit : paint.sheet;
    context.strokeStyle = paint.edit;
    context.lineWidth = 0.1;
    context.beginPath();
    context.rect(latch.x - 0.26, latch.y - 0.26, 0.52, 0.52);
    context.fill();
    context.stroke();
    context.beginPath();
    context.moveTo(latch.x, latch.y);
    context.lineTo(latch.x + (isOn ? 0.3 : -0.3), latch.y - 0.42);
    context.stroke();
  });
  motion.checkpoints.forEach((place, index) => {
    ring(context, place.x, place.y, 0.4, state.checkpoint === index ? paint.win : paint.ink);
    if (state.checkpoint === index) disc(context, place.x, place.y, 0.16, paint.win, paint.win);
  });
  for (const emitter of motion.emitters) {
    context.fillStyle = paint.loss;
    context.beginPath();
    context.moveTo(emitter.x, emitter.y - 0.42);
    context.lineTo(emitter.x + 0.38, emitter.y + 0.3);
    context.lineTo(emitter.x - 0.38, emitter.y + 0.3);
    context.closePath();
    context.fill();
  }
}

function drawShot(context: Context, shot: Shot, paint: Paint): void {
  disc(context, shot.x, shot.y, 0.12, shot.kind < 0 ? paint.mark : paint.loss, paint.ink);
}

function healthBar(context: Context, x: number, y: number, share: number, paint: Paint): void {
  context.fillStyle = paint.sheet;
  context.fillRect(x - 0.4, y - 0.06, 0.8, 0.12);
  context.fillStyle = paint.loss;
  context.fillRect(x - 0.4, y - 0.06, 0.8 * share, 0.12);
}

function disc(context: Context, x: number, y: number, radius: number, fill: string, edge: string): void {
  context.beginPath();
  context.arc(x, y, radius, 0, Math.PI * 2);
  context.fillStyle = fill;
  context.fill();
  context.lineWidth = 0.08;
  context.strokeStyle = edge;
  context.stroke();
}

function ring(context: Context, x: number, y: number, radius: number, colour: string): void {
  context.setLineDash([0.16, 0.14]);
  context.lineWidth = 0.1;
  context.strokeStyle = colour;
  context.beginPath();
  context.arc(x, y, radius, 0, Math.PI * 2);
  context.stroke();
  context.setLineDash([]);
}

/** Kinds differ in form besides colour: one petal more each. */
function flower(context: Context, x: number, y: number, kind: number, colour: string): void {
  const petals = 3 + (kind % 4);
  context.fillStyle = colour;
  for (let i = 0; i < petals; i++) {
    const angle = (i / petals) * Math.PI * 2 - Math.PI / 2;
    context.beginPath();
    context.arc(x + Math.cos(angle) * 0.15, y + Math.sin(angle) * 0.15, 0.12, 0, Math.PI * 2);
    context.fill();
  }
}

/** A chaser is a square on its corner; one that has seen the player is filled. */
function chaser(context: Context, x: number, y: number, radius: number, awake: boolean, paint: Paint): void {
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

/** A patroller is a disc with two bars. */
function patroller(context: Context, x: number, y: number, radius: number, paint: Paint): void {
  disc(context, x, y, radius, paint.loss, paint.ink);
  context.fillStyle = paint.sheet;
  context.fillRect(x - radius * 0.6, y - radius * 0.35, radius * 1.2, radius * 0.2);
  context.fillRect(x - radius * 0.6, y + radius * 0.2, radius * 1.2, radius * 0.2);
}

/** One that sits still is half a disc on its flat side. */
function sitter(context: Context, x: number, y: number, radius: number, paint: Paint): void {
  context.beginPath();
  context.arc(x, y + radius * 0.4, radius, Math.PI, 0);
  context.closePath();
  context.fillStyle = paint.loss;
  context.fill();
  context.lineWidth = 0.08;
  context.strokeStyle = paint.ink;
  context.stroke();
}
