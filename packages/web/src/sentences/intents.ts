import {
  fromParameter,
  literal,
  type Amount,
  type Condition,
  type Effect,
  type Rule,
} from '@stadion/core/document/model';
import { groundKindOf } from '@stadion/core/play/movement';
import { addRules, at, removeRule, replaceAt, type NamedEdit } from '@stadion/core/authoring/edits';
import { mintId } from '../store/mintId.ts';
import type { LevelContext } from '../readings/levelContext.ts';
import { boutIntents } from './boutIntents.ts';
import { conditionOn, readingsHere } from './conditions.ts';
import { readingInWords } from '@stadion/core/play/rules';
import { all, condition, loses, rule, so, wins, type Intent } from './saying.ts';
import { topicOf, type Topic } from './ruleTopics.ts';

const costsALife = (id: string, when: Condition, resets: string[] = []): Rule[] => [
  rule(id, when, [{ effect: 'loseLife', lives: literal(1), back: 'checkpoint', resets }], 'eachTime'),
];
const BACK: Effect[] = [{ effect: 'back', to: 'start' }];
const half = (measure: 'worth' | 'count'): Amount => ({ from: 'share', share: literal(0.5), of: 'any', measure });
/** Every placed piece of a kind, or of all kinds, is gathered. */
const everyOf = (of: string): Condition =>
  condition(`enough-${of}`, { reading: 'collected', of }, { from: 'placed', of, measure: 'count' });
const nameOf = (here: LevelContext, id: string): string => here.names.pieces[id] ?? id;

interface Found {
  goals: string[];
  zones: string[];
  gates: string[];
  latches: string[];
  waves: string[];
  hidden: string[];
  kinds: { id: string; name: string }[];
}

function found({ level, project }: LevelContext): Found {
  const { pieces } = level.ground;
  const ids = (sort: string): string[] => pieces.filter((piece) => piece.piece === sort).map((piece) => piece.id);
  const placed = new Set(pieces.flatMap((piece) => (piece.piece === 'collectable' ? [piece.kind] : [])));
  return {
    goals: ids('goal'),
    zones: ids('zone'),
    gates: ids('gate'),
    latches: ids('latch'),
    waves: pieces.flatMap((piece) => (piece.piece === 'spawner' && piece.starts === 'milestone' ? [piece.id] : [])),
    hidden: pieces.flatMap((piece) => (piece.piece === 'collectable' && piece.hidden ? [piece.id] : [])),
    kinds: project.kinds.collectables.filter((kind) => placed.has(kind.id)),
  };
}

function waysToWin(here: LevelContext): Intent[] {
  const { goals, zones, gates, latches, kinds } = found(here);
  const { project, names } = here;
  const { worth, player } = names.words;
  const [goal] = goals;
  const inside = (id: string, zone: string): Condition => so(id, { reading: 'inside', zone });
  const win = (say: string, also: string, rules: Rule[], clock?: Intent['clock']): Intent => ({
    say,
    also,
    topic: 'won',
    rules,
    ...(clock ? { clock } : {}),
  });
  const gathered = (of: string, amount: Amount | number): Condition =>
    condition(`enough-${of}`, { reading: 'collected', of }, amount);
  const worthOf = (amount: Amount | number): Condition =>
    condition('enough-worth', { reading: 'worth', of: 'any' }, amount);
  const home = goal === undefined ? [] : [inside('at-goal', goal)];
  const then = goal === undefined ? '' : `, then reach ${nameOf(here, goal)}`;
  const oneEach = kinds.map((kind) => gathered(kind.id, 1));
  return [
    ...[...goals, ...zones].map((zone) =>
      win(`Reach ${nameOf(here, zone)}`, 'place exit goal', wins(inside(`at-${zone}`, zone))),
    ),
    ...(groundKindOf(here.level.ground.kind).readings.includes('crossings')
      ? [
          win('Cross a number of times', 'crossings lanes goal row', [
            ...wins(condition('often', { reading: 'crossings' }, 3)),
            rule('crossed', all('over', so('in-goal', { reading: 'inside', zone: goal ?? 'goal' })), BACK, 'eachTime'),
          ]),
          win(
            'Get as far as a row',
            'rows lanes',
            wins(condition('high', { reading: 'row' }, here.level.ground.rows.length)),
          ),
        ].filter(({ rules }) => goal !== undefined || rules.length === 1)
      : []),
    ...(groundKindOf(here.level.ground.kind).readings.includes('sectionsPassed')
      ? [
          win(
            'Pass a number of sections',
            'sections run far endless',
            wins(condition('far-enough', { reading: 'sectionsPassed' }, 6)),
          ),
        ]
      : []),
    ...gates.flatMap((gate) =>
      goals.map((zone) =>
        win(
          `Reach ${nameOf(here, zone)} while ${nameOf(here, gate)} is open`,
          'only after latch exit locked',
          wins(so('gate-open', { reading: 'gate', gate }), inside('at-goal', zone)),
        ),
      ),
    ),
    ...latches.flatMap((latch) =>
      goals.map((zone) =>
        win(
          `Touch ${nameOf(here, latch)} first, then reach ${nameOf(here, zone)}`,
          'only after order key',
          wins({
            id: 'in-turn',
            is: 'inOrder',
            of: [so('latched', { reading: 'latch', latch }), inside('at-goal', zone)],
          }),
        ),
      ),
    ),
    win(`Gather half of all ${worth}${then}`, 'share amount worth collect', wins(worthOf(half('worth')), ...home)),
    win(`Gather a set amount of ${worth}${then}`, 'amount points collect', wins(worthOf(50), ...home)),
    win(`Gather everything${then}`, 'all pieces collect', wins(everyOf('any'), ...home)),
    win(`Gather a number of pieces${then}`, 'count collect', wins(gathered('any', 5), ...home)),
    ...kinds.map((kind) =>
      win(`Gather every ${kind.name.toLowerCase()}${then}`, 'all collect', wins(everyOf(kind.id), ...home)),
    ),
    ...(kinds.length > 1 && goal !== undefined
      ? [
          win(`Gather one of each kind${then}, which shows a cue when it is time`, 'several kinds collect exit', [
            ...wins(...oneEach, ...home),
            rule('all-kinds', all('one-each', ...oneEach), [{ effect: 'cue', name: 'Ready', at: goal }]),
          ]),
        ]
      : []),
    ...(kinds.length > 1
      ? [
          win(`At least 2 of ${kinds.length} kinds${then}`, 'k of n some', [
            ...wins({ id: 'some', is: 'atLeast', count: literal(2), of: oneEach }, ...home),
          ]),
        ]
      : []),
    ...(zones.length > 1
      ? [
          win(
            `Visit ${zones.map((zone) => nameOf(here, zone)).join(', then ')}`,
            'in order one after the other',
            wins({ id: 'in-turn', is: 'inOrder', of: zones.map((zone) => inside(`at-${zone}`, zone)) }),
          ),
        ]
      : []),
    win(
      'Beat every enemy that can be beaten',
      'defeat all boss',
      wins(condition('none-left', { reading: 'enemiesLeft', of: 'any' }, 0, 'atMost')),
    ),
    ...project.parameters
      .filter((parameter) => parameter.number === 'whole')
      .map((parameter) =>
        win(
          `Beat as many enemies as “${parameter.label}” says`,
          'defeat number ramp',
          wins(condition('enough-beaten', { reading: 'enemiesBeaten', of: 'any' }, fromParameter(parameter.key))),
        ),
      ),
    win('Survive until the clock ends', 'last hold out time', [], {
      atExpiry: 'win',
      starts: 'load',
      limitSeconds: here.level.clock.limitSeconds ?? literal(30),
    }),
    win('When time is up, be graded by stars', 'expiry clock weigh', [], {
      atExpiry: 'grade',
      limitSeconds: here.level.clock.limitSeconds ?? literal(30),
    }),
    win(
      `Get the ${player} above a height, and hold it for a moment`,
      'metres feet climb',
      wins({
        ...(condition('high', { reading: 'height' }, Math.round(here.level.ground.rows.length * 0.8)) as Extract<
          Condition,
          { is: 'compare' }
        >),
        heldSeconds: literal(0.5),
      }),
    ),
    win('Reach a score', 'points', wins(condition('score', { reading: 'score' }, 100))),
  ];
}

function waysToLose(here: LevelContext): Intent[] {
  const { project, names } = here;
  const { enemies, hazards } = project.kinds;
  const lose = (say: string, also: string, rules: Rule[], clock?: Intent['clock']): Intent => ({
    say,
    also,
    topic: 'lost',
    rules,
    ...(clock ? { clock } : {}),
  });
  const touch = (kind: string): Condition => so(`touches-${kind}`, { reading: 'touching', kind });
  const noHealth = condition('no-health', { reading: 'health' }, 0, 'atMost');
  return [
    ...[...enemies, ...hazards].flatMap((kind) => [
      lose(
        `A ${kind.name.toLowerCase()}'s touch costs a life`,
        'lose lives enemy hazard',
        costsALife(`${kind.id}-touch`, touch(kind.id)),
      ),
      lose(
        `A ${kind.name.toLowerCase()}'s touch ends it at once`,
        'lose hazard immediately',
        loses(`${kind.id}-ends`, kind.name, touch(kind.id)),
      ),
    ]),
    lose(
      'Lives reach 0',
      'out of lives',
      loses('out-of-lives', 'Out of lives', condition('no-lives', { reading: 'lives' }, 0, 'atMost')),
    ),
    lose('Health is gone', 'damage', loses('no-health-left', 'Health gone', noHealth)),
    lose(
      'When health is gone a life is lost, and health comes back',
      'damage',
      costsALife('worn', noHealth, ['health']),
    ),
    lose(
      `The ${names.words.player} leaves the ground`,
      'fall pit hole',
      loses('fell', 'Left the ground', so('off', { reading: 'offGround' })),
    ),
    lose(
      'Leaving the ground costs a life and what was gathered',
      'fall pit hole',
      costsALife('fell-life', so('off', { reading: 'offGround' }), ['gathered']),
    ),
    ...(groundKindOf(here.level.ground.kind).readings.includes('touchingWall')
      ? [
          lose(
            'A wall or an edge that is touched costs a life',
            'walls crash',
            costsALife('touch-wall', so('wall', { reading: 'touchingWall' })),
          ),
          lose(
            'A wall or an edge is touched',
            'walls crash',
            loses('hit-wall', 'Touched a wall', so('wall', { reading: 'touchingWall' })),
          ),
        ]
      : []),
    ...(groundKindOf(here.level.ground.kind).readings.includes('blocked')
      ? [
          lose(
            'A wall stops who runs',
            'blocked crash',
            loses('stopped', 'Stopped by a wall', so('is-blocked', { reading: 'blocked' })),
          ),
        ]
      : []),
    lose('The clock runs out', 'time expiry', [], {
      atExpiry: 'lose',
      limitSeconds: here.level.clock.limitSeconds ?? literal(60),
    }),
    lose(
      'Time taken passes a number',
      'too slow',
      loses('too-slow', 'Too slow', condition('slow', { reading: 'timeElapsed' }, 60)),
    ),
    lose(
      'The way gone passes a number',
      'distance',
      loses('too-far', 'Too far', condition('far', { reading: 'distance' }, 200)),
    ),
    ...project.tallies.map((tally) =>
      lose(
        `“${tally.name}” reaches a number`,
        'tally counter',
        loses(`${tally.id}-full`, tally.name, condition('full', { reading: 'tally', tally: tally.id }, 3)),
      ),
    ),
  ];
}

function milestones(here: LevelContext): Intent[] {
  const { gates, latches, waves, hidden, kinds } = found(here);
  const { project, names } = here;
  const halfWay = condition('half-way', { reading: 'worth', of: 'any' }, half('worth'));
  const says = (text: string): Effect => ({ effect: 'message', text, seconds: literal(3) });
  const then = (say: string, also: string, ...rules: Rule[]): Intent => ({ say, also, topic: 'milestone', rules });
  const { worth } = names.words;
  const when = `At half of the ${worth}, `;
  return [
    ...gates.map((gate) =>
      then(
        `${when}open ${nameOf(here, gate)}`,
        'middle share',
        rule('half-opens', halfWay, [{ effect: 'gate', gate, open: true }]),
      ),
    ),
    ...gates.flatMap((gate) => [
      ...kinds.map((kind) =>
        then(
          `When every ${kind.name.toLowerCase()} is gathered, open ${nameOf(here, gate)}`,
          'keys all door',
          rule('keys-open', everyOf(kind.id), [{ effect: 'gate', gate, open: true }]),
        ),
      ),
      ...(latches.length > 1
        ? [
            then(
              `When all ${latches.length} latches have been touched, open ${nameOf(here, gate)}`,
              'keys switches door',
              rule(
                'latches-open',
                all('latches', ...latches.map((latch) => so(`at-${latch}`, { reading: 'latch', latch }))),
                [{ effect: 'gate', gate, open: true }],
              ),
            ),
          ]
        : []),
    ]),
    ...gates.map((gate) =>
      then(
        `Shut ${nameOf(here, gate)} again after a time`,
        'close',
        rule('shuts', condition('late', { reading: 'timeElapsed' }, 20), [{ effect: 'gate', gate, open: false }]),
      ),
    ),
    ...latches.map((latch) =>
      then(
        `When ${nameOf(here, latch)} is touched, show a message`,
        'key',
        rule('latch-told', so('latched', { reading: 'latch', latch }), [says('Something opens.')]),
      ),
    ),
    ...waves.map((spawner) =>
      then(
        // Not once nobody is left: a win by beating all would come in the same tick.
        `When at most one enemy is left, send the wave of ${nameOf(here, spawner)}`,
        'spawn enemies next beaten',
        rule('next-wave', condition('one-left', { reading: 'enemiesLeft', of: 'any' }, 1, 'atMost'), [
          { effect: 'wave', spawner },
        ]),
      ),
    ),
    ...waves.map((spawner) =>
      then(
        `${when}send the wave of ${nameOf(here, spawner)}`,
        'spawn enemies middle',
        rule('half-wave', halfWay, [{ effect: 'wave', spawner }]),
      ),
    ),
    ...hidden.map((piece) =>
      then(
        `${when}reveal ${nameOf(here, piece)}`,
        'hidden show',
        rule('half-reveals', halfWay, [{ effect: 'reveal', piece }]),
      ),
    ),
    ...project.parameters.map((parameter) =>
      then(
        `${when}change “${parameter.label}”`,
        'speed up faster enemies parameter',
        rule('half-changes', halfWay, [
          { effect: 'parameter', parameter: parameter.key, change: 'times', by: literal(1.2) },
        ]),
      ),
    ),
    then(`${when}show a message`, 'text say', rule('half-said', halfWay, [says('Half way!')])),
    then(
      `${when}cue the game`,
      'sound effect signal',
      rule('half-cue', halfWay, [{ effect: 'cue', name: 'Half way' }]),
    ),
    then(
      'At a number of pieces, add points to the score',
      'bonus',
      rule('bonus', condition('pieces', { reading: 'collected', of: 'any' }, 5), [
        { effect: 'score', add: literal(20) },
      ]),
    ),
    then('While it holds, heal again and again', 'regenerate zone every', {
      ...rule(
        'heals',
        condition('low', { reading: 'health' }, 50, 'atMost'),
        [{ effect: 'heal', by: literal(5) }],
        'every',
      ),
      everySeconds: literal(1),
    }),
    then(
      'When little time is left, show a message',
      'warn clock',
      rule('hurry', condition('little-time', { reading: 'timeLeft' }, 10, 'atMost'), [says('Hurry!')]),
    ),
    ...project.tallies.map((tally) =>
      then(
        `Count “${tally.name}” each time something happens`,
        'tally counter',
        rule(
          `counts-${tally.id}`,
          condition('one-more', { reading: 'collected', of: 'any' }, 1),
          [{ effect: 'tally', tally: tally.id, add: literal(1) }],
          'eachTime',
        ),
      ),
    ),
  ];
}

/** A condition of one's own on anything that can be read, for each heading. */
function ownConditions(here: LevelContext): Intent[] {
  const { project, level, names } = here;
  return readingsHere({ project, level }).flatMap((reading): Intent[] => {
    const words = readingInWords(reading, names);
    const when = conditionOn(reading, here, 'own');
    return [
      { say: `Won by a condition of your own: ${words}`, topic: 'won', rules: wins(when) },
      { say: `Lost by a condition of your own: ${words}`, topic: 'lost', rules: loses('own-loss', 'Lost', when) },
      {
        say: `When a condition of your own holds: ${words}`,
        topic: 'milestone',
        rules: [rule('own-milestone', when, [{ effect: 'message', text: 'Well done!', seconds: literal(3) }])],
      },
    ];
  });
}

/** Everything that can be said at this level under a heading, likeliest first. */
export const intentsFor = (here: LevelContext, topic: Topic): Intent[] =>
  [
    ...(here.level.bout ? boutIntents(here) : { won: waysToWin, lost: waysToLose, milestone: milestones }[topic](here)),
    ...ownConditions(here),
  ].filter((intent) => intent.topic === topic);

/** The rules of the level itself that win it. Standing rules are left alone: other levels have them, too. */
export const ownWaysToWin = ({ level }: LevelContext): Rule[] => level.rules.filter((rule) => topicOf(rule) === 'won');

/**
 * Returns the edit that adds an intent to the level.
 * @param instead the intent takes the place of the level's own ways to win, and of winning when time is up
 */
export function sayIntent(here: LevelContext, intent: Intent, instead = false): NamedEdit {
  const { project, level } = here;
  const label = `${level.name}: ${intent.say}`;
  const removed = instead ? ownWaysToWin(here) : [];
  const clock = { ...(instead && level.clock.atExpiry !== 'lose' ? { atExpiry: 'lose' } : {}), ...intent.clock };
  return {
    label,
    patch: [
      ...removed.flatMap(({ id }) => removeRule(project, ['levels', level.id, 'rules', id], '').patch),
      ...addRules(project, level, intent.rules, label, mintId).patch,
      ...(Object.keys(clock).length > 0
        ? [replaceAt(at('levels', level.id, 'clock'), { ...level.clock, ...clock })]
        : []),
    ],
  };
}
