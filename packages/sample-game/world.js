// The sample game's own world: it moves, collides and draws simply. Nothing here decides what is won or lost.

const ASIDE = ['leap', 'run', 'lift'];
const AHEAD = { right: [1, 0], left: [-1, 0], down: [0, 1], up: [0, -1] };

let level, judge, world, tellCue;

/** Begins an attempt at a level of the runtime. @param onCue told of each cue by its name */
export function enter(nextLevel, nextJudge, onCue) {
  level = nextLevel;
  judge = nextJudge;
  tellCue = onCue;
  const { ground } = level.data;
  const rows = ground.rows.map((row) => [...row]);
  world = { kind: ground.kind, rows, pieces: [], gathered: {}, worth: {}, beaten: {}, shots: [], cues: [] };
  Object.assign(world, { time: 0, distance: 0, crossings: 0, passed: 0, ends: [rows[0].length], reload: 0 });
  Object.assign(world, { message: '', messageUntil: 0, safeUntil: 0 });
  addPieces(ground.pieces, 0);
  const start = world.pieces.find(({ piece }) => piece === 'start');
  world.start = world.back = { ...start.at };
  world.me = {
    ...start.at,
    vx: 0,
    vy: 0,
    health: judge.number('/player/health'),
    held: false,
    stepping: 0,
    floor: false,
  };
  if (ground.kind === 'run') for (let i = 0; i < 4; i++) layOn();
  return world;
}

/** One frame: everything moves. @returns the readings that the rules may look at */
export function stepWorld(keys, seconds) {
  world.time += seconds;
  const moved = movePlayer(keys, seconds);
  moveEnemies(seconds);
  shoot(keys, seconds);
  return show(moved, seconds);
}

/** What is told to the player now. */
export const toldNow = () =>
  (world.time < world.messageUntil ? world.message : world.cues.findLast(({ until }) => until > world.time)?.name) ??
  '';

function addPieces(pieces, left) {
  for (const [id, piece] of Object.entries(pieces)) {
    const at = { x: piece.at.x + left, y: piece.at.y };
    const one = { ...piece, id: left ? `${id}@${left}` : id, at, home: { ...at }, there: piece.hidden !== true };
    if (piece.piece === 'enemy') Object.assign(one, enemyOf(piece.kind), { leg: 0, heading: piece.heading ?? 0 });
    if (piece.piece === 'spawner')
      Object.assign(one, { sent: 0, due: piece.starts === 'load' ? piece.firstAfterSeconds : -1 });
    if (piece.piece === 'lane') one.next = 0;
    world.pieces.push(one);
  }
}

function enemyOf(kind) {
  const health = level.data.kinds.enemies[kind].health;
  return {
    health: health === undefined ? 0 : judge.number(`/kinds/enemies/${kind}/health`),
    strong: health !== undefined,
  };
}

/** Lays the next section of a run: from the pool of its tier, by weight. */
function layOn() {
  const { sections, bounds } = level.data.ground;
  const tier = Math.max(1, bounds.filter((from) => from <= world.passed).length);
  const pool = Object.values(sections).filter((one) => one.tier === tier && one.weight > 0);
  if (pool.length === 0) return;
  let at = Math.random() * pool.reduce((sum, { weight }) => sum + weight, 0);
  const section = pool.find(({ weight }) => (at -= weight) <= 0) ?? pool[0];
  addPieces(section.pieces, world.rows[0].length);
  section.rows.forEach((row, index) => world.rows[index].push(...row));
  world.ends.push(world.rows[0].length);
}

const cell = (x, y) =>
  world.rows[Math.floor(y)]?.[Math.floor(x)] ?? (ASIDE.includes(world.kind) && y >= world.rows.length ? '.' : '#');
const shut = (x, y) =>
  cell(x, y) === '#' || world.pieces.some((one) => one.piece === 'gate' && !one.open && within(one, { x, y }));
const within = ({ at, width = 1, height = 1 }, { x, y }) =>
  x >= at.x && x < at.x + width && y >= at.y && y < at.y + height;
const far = (one, other) => Math.hypot(one.x - other.x, one.y - other.y);
const of = (sort) => world.pieces.filter(({ piece, there }) => piece === sort && there);

/** Moves a box by its speed, axis by axis. @returns was it stopped: along x, along y */
function move(body, seconds, radius, ledges = false) {
  const stopped = [false, false];
  const x = body.x + Math.max(-0.45, Math.min(0.45, body.vx * seconds));
  const side = x + Math.sign(body.vx) * radius;
  if (shut(side, body.y - radius * 0.9) || shut(side, body.y + radius * 0.9)) {
    stopped[0] = true;
    body.vx = 0;
  } else body.x = x;
  const y = body.y + Math.max(-0.45, Math.min(0.45, body.vy * seconds));
  const end = y + Math.sign(body.vy) * radius;
  const onto =
    ledges && body.vy > 0 && cell(body.x, end) === '-' && Math.floor(end) > Math.floor(body.y + radius - 1e-6);
  if (onto || shut(body.x - radius * 0.9, end) || shut(body.x + radius * 0.9, end)) {
    if (body.vy > 0) body.y = Math.floor(end) - radius - 1e-6;
    stopped[1] = true;
    body.vy = 0;
  } else body.y = y;
  return stopped;
}

function movePlayer(keys, seconds) {
  const { me, kind } = world;
  const number = (name) => judge.number(`/player/moves/${name}`);
  const radius = judge.number('/player/radius');
  const side = (keys.has('ArrowRight') ? 1 : 0) - (keys.has('ArrowLeft') ? 1 : 0);
  const down = (keys.has('ArrowDown') ? 1 : 0) - (keys.has('ArrowUp') ? 1 : 0);
  const was = { x: me.x, y: me.y };
  let stopped = [false, false];
  if (side || down) judge.firstMove();
  if (kind === 'cross') {
    me.stepping -= seconds;
    if ((side || down) && me.stepping <= 0) {
      const to = { x: me.x + (side || 0), y: me.y + (side ? 0 : down) };
      if (cell(to.x, to.y) !== '#') Object.assign(me, to);
      me.stepping = number('stepSeconds') + number('restSeconds');
    }
  } else if (kind === 'roam') {
    const length = Math.hypot(side, down) || 1;
    me.vx = (side / length) * number('speed');
    me.vy = (down / length) * number('speed');
    stopped = move(me, seconds, radius);
  } else if (kind === 'lift') {
    if (down < 0) me.begun = true;
    if (!me.begun) return { stopped, was };
    me.vx = number('forward') + side * number('steer');
    const pull = down < 0 ? -number('rise') : number('gravity');
    me.vy = Math.max(-number('mostUp'), Math.min(number('mostDown'), me.vy + pull * seconds));
    stopped = move(me, seconds, radius);
  } else {
    me.vx = kind === 'run' ? number('speed') : side * number('speed');
    const take = Math.sqrt(2 * number('gravity') * number('jumpHeight'));
    if (down < 0 && me.floor && !me.held) me.vy = -take;
    if (down >= 0 && me.vy < -take * number('shortHop')) me.vy = -take * number('shortHop');
    me.held = down < 0;
    me.vy += number('gravity') * seconds;
    const falls = me.vy > 0;
    stopped = move(me, seconds, radius, true);
    me.floor = falls && stopped[1];
  }
  world.distance += far(me, was);
  return { stopped, was };
}

function moveEnemies(seconds) {
  const { me } = world;
  for (const one of of('enemy')) {
    const kind = level.data.kinds.enemies[one.kind];
    const speed = judge.number(`/kinds/enemies/${one.kind}/speed`);
    const goTo = (to) => {
      const way = far(one.at, to);
      if (way < speed * seconds) return true;
      const body = { ...one.at, vx: ((to.x - one.at.x) / way) * speed, vy: ((to.y - one.at.y) / way) * speed };
      move(body, seconds, kind.radius);
      one.at = { x: body.x, y: body.y };
      return false;
    };
    const angle = (one.heading * Math.PI) / 180;
    if (kind.movement === 'chase')
      goTo(far(one.at, me) < judge.number(`/kinds/enemies/${one.kind}/sight`) ? me : one.home);
    else if (kind.movement === 'patrol' && one.path?.length) {
      const stops = [one.home, ...one.path];
      if (goTo(stops[one.leg % stops.length])) one.leg++;
    } else if (kind.movement === 'cross' || kind.movement === 'walk') {
      const next = { x: one.at.x + Math.cos(angle) * speed * seconds, y: one.at.y + Math.sin(angle) * speed * seconds };
      if (kind.movement === 'walk' && (shut(next.x, next.y) || !shut(next.x, next.y + 1)))
        one.heading = (one.heading + 180) % 360;
      else one.at = { x: (next.x + world.rows[0].length) % world.rows[0].length, y: next.y };
    } else if (kind.movement === 'fall') {
      one.at.y += speed * seconds;
      if (shut(one.at.x, one.at.y + kind.radius)) one.at = { ...one.home };
    } else if (kind.movement === 'circle') {
      const turn = world.time * (speed / kind.distance);
      one.at = { x: one.home.x + Math.cos(turn) * kind.distance, y: one.home.y + Math.sin(turn) * kind.distance };
    }
  }
  for (const nest of of('spawner')) {
    if (nest.due < 0 || nest.sent >= nest.howMany || (nest.due -= seconds) > 0) continue;
    nest.due = nest.everySeconds;
    const at = { x: nest.at.x + (nest.spread ? (Math.random() - 0.5) * nest.spread.width : 0), y: nest.at.y };
    world.pieces.push({
      piece: 'enemy',
      id: `${nest.id}-${nest.sent++}`,
      kind: nest.kind,
      at,
      home: { ...at },
      there: true,
      leg: 0,
      heading: nest.heading ?? 0,
      ...enemyOf(nest.kind),
    });
  }
  for (const lane of of('lane')) {
    const [dx, dy] = AHEAD[lane.towards];
    const speed = judge.number(`/ground/pieces/${lane.id}/speed`);
    lane.traffic ??= Array.from(
      { length: 4 },
      (_, i) => i * (lane.length + (lane.spacing === 'seconds' ? lane.every * speed : lane.every)),
    );
    const span = lane.traffic.length * (lane.length + (lane.spacing === 'seconds' ? lane.every * speed : lane.every));
    lane.traffic = lane.traffic.map((at) => (at + speed * seconds) % span);
    lane.boxes = lane.traffic.map((at) => {
      const size = dx ? world.rows[0].length : world.rows.length;
      const place = dx + dy > 0 ? at - lane.length : size - at;
      return {
        at: { x: dx ? place : lane.at.x - 0.5, y: dx ? lane.at.y - 0.5 : place },
        width: dx ? lane.length : 1,
        height: dx ? 1 : lane.length,
      };
    });
    const on = lane.carries && lane.boxes.some((box) => within(box, me));
    if (on && within({ at: { x: 0, y: lane.at.y - 0.5 }, width: 999 }, me)) {
      me.x += dx * speed * seconds;
      me.y += dy * speed * seconds;
      world.carried = true;
    }
  }
}

function shoot(keys, seconds) {
  const { shooting } = level.data.player;
  world.reload -= seconds;
  if (!shooting || !keys.has('f') || world.reload > 0) return;
  const near = of('enemy').filter(({ strong, at }) => strong && far(at, world.me) < shooting.reach);
  const aim = near.toSorted((a, b) => far(a.at, world.me) - far(b.at, world.me))[0];
  if (!aim) return;
  world.reload = shooting.everySeconds;
  world.shots.push({ from: { x: world.me.x, y: world.me.y }, to: { ...aim.at }, until: world.time + 0.1 });
  if ((aim.health -= shooting.damage) > 0) return;
  aim.there = false;
  world.beaten[aim.kind] = (world.beaten[aim.kind] ?? 0) + 1;
}

/** What the rules may look at. */
function show({ stopped, was }, seconds) {
  const { me, rows } = world;
  const radius = judge.number('/player/radius');
  const { kinds } = level.data;
  const readings = { height: rows.length - me.y, distance: world.distance, row: Math.ceil(rows.length - me.y) };
  for (const piece of of('collectable'))
    if (far(piece.at, me) < radius + 0.3) {
      piece.there = false;
      world.gathered[piece.kind] = (world.gathered[piece.kind] ?? 0) + 1;
      world.worth[piece.kind] =
        (world.worth[piece.kind] ?? 0) + judge.number(`/kinds/collectables/${piece.kind}/worth`);
    }
  const count = (name, kindsOf, counted) => {
    for (const kind of Object.keys(kindsOf)) readings[`${name}.${kind}`] = counted(kind);
    readings[`${name}.any`] = Object.keys(kindsOf).reduce((sum, kind) => sum + readings[`${name}.${kind}`], 0);
  };
  count('worth', kinds.collectables, (kind) => world.worth[kind] ?? 0);
  count('collected', kinds.collectables, (kind) => world.gathered[kind] ?? 0);
  count('left', kinds.collectables, (kind) => of('collectable').filter((one) => one.kind === kind).length);
  count('enemiesBeaten', kinds.enemies, (kind) => world.beaten[kind] ?? 0);
  const toCome = (kind) =>
    of('spawner')
      .filter((one) => one.kind === kind && one.due >= 0)
      .reduce((sum, one) => sum + Math.max(0, one.howMany - one.sent), 0);
  count(
    'enemiesLeft',
    kinds.enemies,
    (kind) => of('enemy').filter((one) => one.kind === kind && one.strong).length + toCome(kind),
  );
  for (const kind of Object.keys(kinds.enemies)) {
    const met = of('enemy').some((one) => one.kind === kind && far(one.at, me) < kinds.enemies[kind].radius + radius);
    const run = of('lane').some(
      (lane) => !lane.carries && lane.kind === kind && lane.boxes?.some((box) => within(box, me)),
    );
    readings[`touching.${kind}`] = world.time > world.safeUntil && (met || run);
  }
  for (const kind of Object.keys(kinds.hazards)) {
    const met = of('hazard').some((one) => one.kind === kind && within(one, me));
    readings[`touching.${kind}`] = met;
    if (met)
      me.health -=
        judge.number(`/kinds/hazards/${kind}/damage`) * (kinds.hazards[kind].acts === 'perSecond' ? seconds : 0);
  }
  for (const sort of ['goal', 'zone'])
    for (const zone of of(sort)) {
      readings[`inside.${zone.id}`] = within(zone, me);
      if (sort === 'goal' && within(zone, me) && !within(zone, was)) world.crossings++;
    }
  for (const latch of of('latch')) {
    if (far(latch.at, me) < radius + 0.5) latch.on = true;
    if (latch.on) for (const gate of of('gate')) if (latch.opens.includes(gate.id)) gate.open = true;
    readings[`latch.${latch.id}`] = latch.on === true;
  }
  for (const gate of of('gate')) readings[`gate.${gate.id}`] = gate.open;
  for (const point of of('checkpoint')) if (far(point.at, me) < radius + 0.5) world.back = { ...point.at };
  const wet = cell(me.x, me.y) === '~' && !world.carried;
  world.carried = false;
  readings.offGround = wet || me.y + radius >= rows.length;
  Object.assign(readings, {
    crossings: world.crossings,
    onFloor: me.floor,
    fallSpeed: Math.max(0, me.vy),
    climbRate: -me.vy,
  });
  Object.assign(readings, { touchingWall: stopped[0] || stopped[1], blocked: world.kind === 'run' && stopped[0] });
  while (me.x >= (world.ends[world.passed] ?? Infinity)) {
    world.passed++;
    if (world.kind === 'run') layOn();
  }
  readings.sectionsPassed = Math.max(0, world.passed - 1);
  readings.health = me.health = Math.max(0, Math.min(judge.number('/player/health'), me.health));
  return readings;
}

/** What a rule brings that the judge does not do itself. */
export function carryOut(effect) {
  const { me } = world;
  const goBack = (to) => Object.assign(me, to === 'start' ? world.start : world.back, { vx: 0, vy: 0, begun: false });
  if (effect.effect === 'loseLife') {
    world.safeUntil = world.time + judge.number('/player/graceSeconds');
    if (effect.resets.includes('gathered')) {
      Object.assign(world, { gathered: {}, worth: {} });
      for (const one of world.pieces) if (one.piece === 'collectable') one.there = one.hidden !== true;
    }
    if (effect.resets.includes('health')) me.health = judge.number('/player/health');
    if (effect.back !== 'stay') goBack(effect.back);
  } else if (effect.effect === 'back') goBack(effect.to);
  else if (effect.effect === 'gate') world.pieces.find(({ id }) => id === effect.gate).open = effect.open;
  else if (effect.effect === 'wave') world.pieces.find(({ id }) => id === effect.spawner).due = 0;
  else if (effect.effect === 'reveal') world.pieces.find(({ id }) => id === effect.piece).there = true;
  else if (effect.effect === 'message') {
    world.message = effect.text;
    world.messageUntil = world.time + effect.seconds;
  } else if (effect.effect === 'cue') {
    world.cues.push({ ...effect, until: world.time + 1 });
    tellCue(effect.name);
  } else if (effect.effect === 'heal' || effect.effect === 'hurt') me.health = judge.reading('health');
}

export function draw(pen, canvas) {
  const { rows, me } = world;
  const size = Math.min(canvas.width / Math.min(rows[0].length, 30), canvas.height / rows.length);
  const left = Math.max(0, Math.min(me.x - 10, rows[0].length - canvas.width / size));
  pen.clearRect(0, 0, canvas.width, canvas.height);
  pen.save();
  pen.scale(size, size);
  pen.translate(-left, 0);
  const fill = (colour, x, y, width, height) => ((pen.fillStyle = colour), pen.fillRect(x, y, width, height));
  const dot = (colour, { x, y }, radius) => {
    pen.fillStyle = colour;
    pen.beginPath();
    pen.arc(x, y, radius, 0, 7);
    pen.fill();
  };
  rows.forEach((row, y) =>
    row.forEach(
      (one, x) =>
        one !== '.' &&
        fill(one === '#' ? '#3d4a3a' : one === '~' ? '#9cc7d8' : '#8a7250', x, y, 1.03, one === '-' ? 0.2 : 1.03),
    ),
  );
  for (const one of world.pieces.filter(({ there }) => there)) {
    if (one.piece === 'goal' || one.piece === 'zone')
      fill(one.piece === 'goal' ? '#f2c14e88' : '#c9b6e488', one.at.x, one.at.y, one.width, one.height);
    else if (one.piece === 'hazard') fill('#d1495b66', one.at.x, one.at.y, one.width, one.height);
    else if (one.piece === 'gate') fill(one.open ? '#3d4a3a33' : '#8a5a2b', one.at.x, one.at.y, one.width, one.height);
    else if (one.piece === 'collectable') dot('#5a9367', one.at, 0.25);
    else if (one.piece === 'enemy') dot('#d1495b', one.at, level.data.kinds.enemies[one.kind].radius);
    else if (one.piece === 'latch') dot(one.on ? '#5a9367' : '#8a5a2b', one.at, 0.3);
    else if (one.piece === 'lane')
      for (const box of one.boxes ?? [])
        fill(one.carries ? '#6a9f58' : '#d1495b', box.at.x, box.at.y + 0.1, box.width, box.height - 0.2);
  }
  for (const { from, to } of (world.shots = world.shots.filter(({ until }) => until > world.time))) {
    pen.lineWidth = 0.08;
    pen.beginPath();
    pen.moveTo(from.x, from.y);
    pen.lineTo(to.x, to.y);
    pen.stroke();
  }
  dot(world.time < world.safeUntil ? '#3a6ea588' : '#3a6ea5', me, judge.number('/player/radius'));
  pen.restore();
}
