// A small game of its own. It moves and draws; what counts, when it is won and what it brings is judged by the runtime.
import { openHandOff } from '/sample/stadion-runtime.js';
import {
  chooseByKey,
  drawFight,
  endOfMeeting,
  enterFight,
  enterWay,
  fightAgain,
  isMeeting,
  meetOnWay,
  stepFight,
} from './fights.js';
import { carryOut, draw, enter, stepWorld, toldNow } from './world.js';

const query = new URLSearchParams(location.search);
const $ = (id) => document.getElementById(id);
const canvas = $('field');
const pen = canvas.getContext('2d');
const keys = new Set();

let project = query.get('project');
const token = query.get('token');
let handOff; // the document, kept up to date by merge patches (RFC 7396)
let game, run, level, judge, world;
let tries = 0;
let over = null;

const address = (path) => `/api/projects/${project}/${path}`;
const withToken = (path) =>
  token ? `${path}${path.includes('?') ? '&' : '?'}token=${encodeURIComponent(token)}` : path;

function merge(target, patch) {
  if (patch === null || typeof patch !== 'object' || Array.isArray(patch)) return patch;
  const result = target !== null && typeof target === 'object' && !Array.isArray(target) ? { ...target } : {};
  for (const [key, value] of Object.entries(patch))
    if (value === null) delete result[key];
    else result[key] = merge(result[key], value);
  return result;
}

// ---- the attempt -------------------------------------------------------------------------------------------------

function begin(position) {
  tries = position === level?.position ? tries + 1 : 1;
  level = game.level(position);
  judge = level.judge({ tries, lives: run.tallies.lives });
  const seed = Math.floor(Math.random() * 2 ** 31);
  world = level.isFight ? enterFight(handOff, position, seed) : enter(level, judge, (cue) => tell('cue', { cue }));
  if (level.isFight) judge.firstMove();
  else enterWay(handOff, level, seed);
  over = null;
  choose(position);
  tell('attempt.started', {});
  say('');
}

/** Shows which level is played; past the last one they come again. */
function choose(position) {
  $('level').value = String(((position - 1) % game.length) + 1);
}

/** Past the last level more come only where the ramps go on. */
function has(position) {
  try {
    return game.level(position) !== undefined;
  } catch {
    return false;
  }
}

function savedRun() {
  const kept = localStorage.getItem(`sample-run-${project}`);
  const saved = kept === null ? undefined : JSON.parse(kept);
  return saved?.over === false && has(saved.position) ? saved : undefined;
}

function end({ result, rule, cause, text, stars, score, next }) {
  const lost = Math.max(0, (run.tallies.lives ?? 0) - judge.reading('lives'));
  const after = run.after({
    won: result === 'won',
    stars,
    score,
    collected: Object.values(world.gathered).reduce((a, b) => a + b, 0),
    livesLost: lost,
  });
  localStorage.setItem(`sample-run-${project}`, JSON.stringify(after.saved));
  over = { since: 0, next: after.over ? 1 : next.to === 'retry' ? level.position : after.position };
  const shine = result === 'won' ? ' ' + '★'.repeat(stars) : '';
  say(`${result === 'won' ? 'Won' : `Lost: ${cause ?? 'out of time'}`}${shine}${text ? ` · ${text}` : ''}`);
  tell('attempt.ended', {
    result,
    cause: rule ?? cause ?? 'clock',
    seconds: world.time,
    stars,
    place: { x: world.me.x, y: world.me.y },
  });
}

// ---- drawing, time, line -----------------------------------------------------------------------------------------

const say = (text) => ($('said').textContent = text);

/** Of what rules bring, what a fight knows. */
function carryOutInFight(effect) {
  if (effect.effect === 'message') say(effect.text);
  if (effect.effect === 'cue') tell('cue', { cue: effect.name });
  if (effect.effect === 'loseLife' || effect.effect === 'back') fightAgain();
}

let before = performance.now();
function frame(now) {
  const seconds = Math.min(0.05, (now - before) / 1000);
  before = now;
  requestAnimationFrame(frame);
  if (!world) return;
  if (over) {
    over.since += seconds;
    if (over.since > 2) begin(over.next);
    return;
  }
  // A fight on the way: the ground and its clock wait.
  if (isMeeting()) return drawFight(pen, canvas);
  const passed = level.isFight ? stepFight(world) : { readings: stepWorld(keys, seconds), seconds };
  const { fired, ended, clock } = judge.tick(passed.readings, passed.seconds);
  for (const { effects } of fired) effects.forEach(level.isFight ? carryOutInFight : carryOut);
  if (!ended && !level.isFight) say(toldNow());
  const left = clock.left === Infinity ? '' : `${clock.left.toFixed(1)} s · `;
  $('readings').textContent =
    `${left}lives ${judge.reading('lives')} · score ${Math.round(judge.reading('score'))} · health ${Math.round(world.me.health)}`;
  document.body.dataset.speed = String(judge.value('hornetSpeed'));
  if (level.isFight) drawFight(pen, canvas);
  else draw(pen, canvas);
  if (ended) end(ended);
  else if (!level.isFight) meetOnWay(handOff, level, passed.readings);
}

/** After a key: is the fight on the way over, and does it lose the level? */
function goOnAfterMeeting(key) {
  if (endOfMeeting(key) !== 'lost' || level.data.meetings.whenLost !== 'lost') return;
  const { text, next } = level.data.ending.lost;
  const score = judge.reading('score');
  end({ result: 'lost', rule: null, cause: 'a fight on the way', stars: 0, score, text, next });
}

let waiting = [];
const source = `/sample/${crypto.randomUUID?.() ?? String(Math.random()).slice(2)}`;
let told = 0;
const tell = (type, data) =>
  waiting.push({
    specversion: '1.0',
    id: String(told++),
    source,
    type,
    time: new Date().toISOString(),
    data: { slot: level.id, try: tries, build: 'sample', ...data },
  });

/** Most events in one request: the server takes no more at once. */
const MOST_AT_ONCE = 1000;

setInterval(async () => {
  const sending = waiting.slice(0, MOST_AT_ONCE);
  if (sending.length === 0) return;
  waiting = waiting.slice(MOST_AT_ONCE);
  const headers = {
    'Content-Type': 'application/cloudevents-batch+json',
    ...(token ? { Authorization: `Bearer ${token}` } : {}),
  };
  const answer = await fetch(address('events'), { method: 'POST', headers, body: JSON.stringify(sending) }).catch(
    () => undefined,
  );
  // Events that were not accepted, or came too fast, are sent again: an event counts once however often it is sent.
  if (!answer || answer.status === 429 || answer.status >= 500) waiting = [...sending, ...waiting];
}, 1000);

function take(next) {
  handOff = next;
  game = openHandOff(handOff);
  $('name').textContent = game.name;
  $('level').replaceChildren(
    ...Array.from({ length: game.length }, (_, i) => new Option(`${i + 1} ${game.level(i + 1).name}`, String(i + 1))),
  );
  if (game.length === 0) return say('This project has no level yet.');
  if (!level) {
    run = game.run(savedRun());
    const asked = Number(query.get('level') ?? run.position);
    begin(has(asked) ? asked : game.length);
  } else if (has(level.position)) {
    choose(level.position);
    judge.retune(game.level(level.position));
  }
}

function connect() {
  const line = new EventSource(withToken(address('live?game=Sample%20game')));
  line.addEventListener('open', () => ($('line').textContent = 'connected'));
  line.addEventListener('error', () => ($('line').textContent = 'cut off: trying again'));
  line.addEventListener('hand-off', ({ data }) => take(JSON.parse(data)));
  line.addEventListener('patch', ({ data }) => take(merge(handOff, JSON.parse(data))));
  // A page that is only put aside would keep its line.
  addEventListener('pagehide', () => line.close(), { once: true });
  addEventListener('pageshow', ({ persisted }) => persisted && connect(), { once: true });
}

addEventListener('keydown', (event) => {
  if (event.target === $('level')) return;
  if (event.key.startsWith('Arrow')) event.preventDefault();
  keys.add(event.key);
  if ((level?.isFight || isMeeting()) && !over) chooseByKey(event.key);
  if (isMeeting() && !over) goOnAfterMeeting(event.key);
  if (event.key === 'r' && level) begin(level.position);
});
addEventListener('keyup', ({ key }) => keys.delete(key));
$('level').addEventListener('change', ({ target }) => {
  begin(Number(target.value));
  canvas.focus();
});

project ??= (await (await fetch(withToken('/api/projects'))).json()).projects[0]?.id;
if (project) connect();
else say('There is no project yet: make one in Stadion first.');
requestAnimationFrame(frame);
