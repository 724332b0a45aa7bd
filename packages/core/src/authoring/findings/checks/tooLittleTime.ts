import { pointerOf, type Piece } from '../../../document/model/index.ts';
import { liveAmount } from '../../../play/rules/index.ts';
import { clockMayWin, neededIn, winning } from '../conditions.ts';
import { beside, startOf } from '../dangers.ts';
import { say, type Check } from '../finding.ts';
import type { SlotFacts } from '../scopes.ts';

type Area = Extract<Piece, { piece: 'goal' | 'zone' }>;

/** The shortest way that a rule asks for, in a straight line, units. Seen from aside only what lies beside counts: falls are as quick as they are. */
function shortestWay({ level }: SlotFacts, rule: SlotFacts['rules'][number], fromAbove: boolean): number {
  const start = startOf(level);
  const ways = neededIn(rule.rule.when).flatMap(({ leaf: { reading, ...leaf } }) => {
    if (reading.reading !== 'inside' || (leaf.is === 'onOff' && !leaf.on)) return [];
    const zone = level.ground.pieces.find((piece): piece is Area => piece.id === reading.zone && 'width' in piece);
    if (!zone) return [];
    const dx = beside(start.x, zone.at.x, zone.width);
    const dy = fromAbove ? beside(start.y, zone.at.y, zone.height) : 0;
    return [Math.sqrt(dx * dx + dy * dy)];
  });
  return Math.max(0, ...ways);
}

/** May somebody have more time than the limit, or be faster than the player walks? A lost life can set the clock back, a lane can carry. */
const mayGainTime = ({ rules, level }: SlotFacts): boolean =>
  rules.some(({ rule }) =>
    rule.then.some((effect) => effect.effect === 'loseLife' && effect.resets.includes('clock')),
  ) || level.ground.pieces.some((piece) => piece.piece === 'lane' && piece.carries === true);

/** The clock ends before anybody, at full speed and in a straight line, can be where a win takes place. */
export const tooLittleTime: Check<'judged'> = {
  code: 'too-little-time',
  title: 'Less time than the way takes',
  group: 'win',
  severity: 'stops play',
  source: 'judge',
  scope: 'judged',
  find(here) {
    const { level, slot, project, resolving } = here;
    const { limitSeconds, starts } = level.clock;
    const moves = project.player.moves[level.ground.kind];
    if (limitSeconds === null || clockMayWin(here) || starts === 'condition' || mayGainTime(here)) return [];
    if (!moves || !('speed' in moves) || liveAmount(limitSeconds, resolving) || liveAmount(moves.speed, resolving))
      return [];
    const ways = winning(here);
    if (ways.length === 0) return [];
    const way = Math.min(...ways.map((rule) => shortestWay(here, rule, !('gravity' in moves))));
    const speed = here.number(moves.speed);
    const limit = here.number(limitSeconds);
    // A clock of 0 s is reported as an ending before anybody acts.
    if (speed <= 0 || limit <= 0 || way / speed <= limit) return [];
    const enough = Math.ceil((way / speed) * 1.5);
    const path = pointerOf(['levels', level.id, 'clock', 'limitSeconds']);
    return [
      {
        slotId: slot.id,
        path,
        sentence: 'The clock ends before anybody can be where the level is won.',
        reason: `The straight way is ${say(way)} units: ${say(way / speed)} s at ${say(speed)} units/s, and the clock gives ${say(limit)} s.`,
        mend: {
          label: `Give ${say(enough)} s`,
          patch: [{ op: 'replace', path, value: { from: 'number', value: enough } }],
        },
      },
    ];
  },
};
