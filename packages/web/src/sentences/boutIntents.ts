import { literal, type Effect, type Rule } from '@stadion/core/document/model';
import type { LevelContext } from '../readings/levelContext.ts';
import type { Topic } from './ruleTopics.ts';
import { condition, loses, rule, so, wins, type Intent } from './saying.ts';

const THEIRS = { reading: 'sideBeaten', side: 'theirs' } as const;
const OURS = { reading: 'sideBeaten', side: 'ours' } as const;

/** Fighters in the level's bout: each once, the party first. */
function fightersHere({ project, level }: LevelContext): { id: string; name: string; isOurs: boolean }[] {
  const { fighters = [], groups = [] } = project.bouts ?? {};
  const ours = new Set(level.bout?.party.map(({ fighter }) => fighter));
  const theirs = new Set(groups.find(({ id }) => id === level.bout?.group)?.members.map(({ fighter }) => fighter));
  return fighters
    .filter(({ id }) => ours.has(id) || theirs.has(id))
    .map(({ id, name }) => ({ id, name, isOurs: ours.has(id) }));
}

/** Everything that can be said of a level that a bout decides, likeliest first. */
export function boutIntents(here: LevelContext): Intent[] {
  const fighters = fightersHere(here);
  const say = (topic: Topic, words: string, also: string, rules: Rule[]): Intent => ({
    ...{ say: words, also, topic, rules },
  });
  const message = (text: string): Effect => ({ effect: 'message', text, seconds: literal(3) });
  return [
    say('won', 'The other side is beaten', 'enemies fall win', wins(so('they-are-beaten', THEIRS))),
    say(
      'won',
      'The other side is beaten while nobody of the party has fallen',
      'perfect unhurt',
      wins(so('they-are-beaten', THEIRS), condition('all-stand', { reading: 'fallen' }, 0, 'atMost')),
    ),
    say('won', 'The party stands after a number of rounds', 'survive hold out', [
      ...wins(condition('held-out', { reading: 'rounds' }, 8)),
    ]),
    say('lost', 'The party is beaten', 'fall lose', loses('we-are-beaten', 'The party is beaten', so('beaten', OURS))),
    say('lost', 'It takes more rounds than a number', 'too slow', [
      ...loses('too-long', 'Too long', condition('late', { reading: 'rounds' }, 12)),
    ]),
    ...fighters
      .filter(({ isOurs }) => isOurs)
      .map(({ id, name }) =>
        say('lost', `${name} falls`, 'protect guard', [
          ...loses(
            `${id}-fell`,
            `${name} fell`,
            condition(`${id}-down`, { reading: 'healthShare', fighter: id }, 0, 'atMost'),
          ),
        ]),
      ),
    say('lost', 'A beaten party costs a life, and the bout begins anew', 'retry', [
      rule(
        'costs-a-life',
        so('we-fell', OURS),
        [{ effect: 'loseLife', lives: literal(1), back: 'start', resets: [] }],
        'eachTime',
      ),
    ]),
    ...fighters
      .filter(({ isOurs }) => !isOurs)
      .map(({ id, name }) =>
        say('milestone', `When ${name} has half of its health left, show a message`, 'phase boss', [
          rule(`${id}-hurt`, condition(`${id}-half`, { reading: 'healthShare', fighter: id }, 0.5, 'atMost'), [
            message(`${name} changes its mind.`),
          ]),
        ]),
      ),
    say('milestone', 'After a number of rounds, heal the party', 'help rest', [
      rule('rests', condition('worn', { reading: 'rounds' }, 5), [{ effect: 'heal', by: literal(20) }]),
    ]),
    say('milestone', 'When somebody of the party falls, take points off the score', 'penalty', [
      rule('costs-points', condition('one-fell', { reading: 'fallen' }, 1), [{ effect: 'score', add: literal(-50) }]),
    ]),
  ];
}
