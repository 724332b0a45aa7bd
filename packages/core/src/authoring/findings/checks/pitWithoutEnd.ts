import { addRules } from '../../edits/index.ts';
import { literal, pointerOf, type Rule } from '../../../document/model/index.ts';
import { leaves } from '../../../play/rules/index.ts';
import { counted } from '../../../basics/wording/index.ts';
import type { Check } from '../finding.ts';
import { stretchesOf, type Stretch } from '../parts.ts';
import type { SlotFacts } from '../scopes.ts';

/** Kinds of ground on which the player falls out at the lower edge and cannot move any more. */
const FALLING: ReadonlySet<string> = new Set(['leap', 'run']);

/** Does something lie there that rules may act on? */
const isCovered = ({ pieces, rows }: Stretch, x: number): boolean =>
  pieces.some(
    (piece) =>
      'width' in piece &&
      piece.piece !== 'gate' &&
      x + 1 > piece.at.x &&
      x < piece.at.x + piece.width &&
      piece.at.y + piece.height >= rows.length - 1,
  );

/** The number of columns at which a stretch is open below. */
const pitsOf = (stretch: Stretch): number =>
  [...(stretch.rows.at(-1) ?? '')].filter((cell, x) => cell === '.' && !isCovered(stretch, x)).length;

/** Does a rule do something about a fall: by leaving the ground, or by a height that a fallen player has? */
const seesFall = ({ rules, number }: SlotFacts, radius: number): boolean =>
  rules.some(
    ({ rule }) =>
      rule.then.some(
        ({ effect }) => effect === 'lose' || effect === 'loseLife' || effect === 'back' || effect === 'win',
      ) &&
      leaves(rule.when).some(({ leaf }) => {
        if (leaf.reading.reading === 'offGround' || leaf.reading.reading === 'fallSpeed') return true;
        if (leaf.is !== 'compare' || leaf.reading.reading !== 'height') return false;
        const asked = number(leaf.amount);
        return (leaf.comparison === 'lessThan' || leaf.comparison === 'atMost') && asked > radius;
      }),
  );

/** A pit in which the player lies, and nothing follows from it. */
export const pitWithoutEnd: Check<'judged'> = {
  code: 'pit-without-end',
  title: 'Pit that nothing follows from',
  group: 'loss',
  severity: 'surely wrong',
  source: 'judge',
  scope: 'judged',
  find(here) {
    const { level, slot, project, prepared } = here;
    if (level.bout || !FALLING.has(level.ground.kind)) return [];
    const { jumpsInAir = 0 } = prepared.motion.body as { jumpsInAir?: number };
    // A jump in the air may lead out again.
    if (jumpsInAir >= 1 || seesFall(here, prepared.motion.player.radius)) return [];
    const pits = stretchesOf(level).reduce((sum, stretch) => sum + pitsOf(stretch), 0);
    if (pits === 0) return [];
    const costsLives = here.rules.some(({ rule }) => rule.then.some(({ effect }) => effect === 'loseLife'));
    const rule: Rule = {
      id: 'fell',
      when: { id: 'falls', is: 'onOff', reading: { reading: 'offGround' }, on: true },
      then: costsLives
        ? [{ effect: 'loseLife', lives: literal(1), back: 'checkpoint', resets: [] }]
        : [{ effect: 'lose', cause: 'Fell' }],
      fires: costsLives ? 'eachTime' : 'once',
    };
    const until = level.clock.limitSeconds === null ? 'for ever' : 'until the clock ends';
    return [
      {
        slotId: slot.id,
        path: pointerOf(['levels', level.id, 'rules']),
        sentence: 'Nothing follows from falling into a pit.',
        reason: `The ground is open below at ${counted(pits, 'column')}. A player who falls there lies there ${until}.`,
        mend: {
          label: costsLives ? 'A fall costs a life' : 'A fall loses the level',
          patch: addRules(project, level, [rule], '').patch,
        },
      },
    ];
  },
};
