import { parametersIn, pointerOf, type Effect } from '../../../document/model/index.ts';
import { effectInWords } from '../../../play/rules/index.ts';
import type { Check, Found } from '../finding.ts';
import type { SlotFacts } from '../scopes.ts';

/** Is a gate moved one way by anything in the level? */
function isMoved({ level, rules }: SlotFacts, gate: string, open: boolean): boolean {
  const byRule = rules.some(({ rule }) =>
    rule.then.some((effect) => effect.effect === 'gate' && effect.gate === gate && effect.open === open),
  );
  return byRule || (open && level.ground.pieces.some((piece) => piece.piece === 'latch' && piece.opens.includes(gate)));
}

/** The keys of the parameters that amounts of a part follow, not those that its effects change. */
const followedIn = (part: object): ReadonlySet<string> =>
  parametersIn(
    JSON.parse(
      JSON.stringify(part, (_key, value: unknown) =>
        (value as { effect?: unknown } | null)?.effect === 'parameter' ? { by: (value as { by: unknown }).by } : value,
      ),
    ),
  );

/** Why an effect changes nothing; undefined where it may. */
function idleBecause(effect: Effect, here: SlotFacts): string | undefined {
  const { level, project } = here;
  const pieceOf = (id: string) => level.ground.pieces.find((piece) => piece.id === id);
  switch (effect.effect) {
    case 'gate': {
      const gate = pieceOf(effect.gate);
      if (gate?.piece !== 'gate' || gate.open !== effect.open || isMoved(here, gate.id, !effect.open)) return undefined;
      return effect.open
        ? 'it is open from the start, and nothing closes it'
        : 'it is closed from the start, and nothing opens it';
    }
    case 'parameter': {
      const { kinds, player, standing, score, parameters } = project;
      const followed = [level, kinds, player, standing, score].some((part) => followedIn(part).has(effect.parameter));
      const live = parameters.some(({ key, ramp }) => key !== effect.parameter && ramp.shape.type === 'formula');
      return followed || live ? undefined : 'nothing in this level follows it';
    }
    case 'reveal': {
      const piece = pieceOf(effect.piece);
      return piece?.piece === 'collectable' && !piece.hidden ? 'it is not hidden' : undefined;
    }
    case 'score':
    case 'tally':
      return effect.add.from === 'number' && effect.add.value === 0 ? 'nothing is added' : undefined;
    case 'heal':
    case 'hurt':
      return effect.by.from === 'number' && effect.by.value === 0 ? 'it is by nothing' : undefined;
    case 'win':
    case 'lose':
    case 'loseLife':
    case 'back':
    case 'wave':
    case 'message':
    case 'cue':
      return undefined;
    default:
      return effect satisfies never;
  }
}

/** An effect that changes nothing. */
export const idleEffect: Check<'judged'> = {
  code: 'idle-effect',
  title: 'Effect without effect',
  group: 'rules',
  severity: 'doubtful',
  source: 'document',
  scope: 'judged',
  find: (here) =>
    here.rules.flatMap(({ rule, path, standing }) =>
      rule.then.flatMap((effect, index): Found[] => {
        const why = standing ? undefined : idleBecause(effect, here);
        if (why === undefined) return [];
        const at = pointerOf([...path, 'then', index]);
        return [
          {
            slotId: here.slot.id,
            path: at,
            sentence: 'An effect changes nothing.',
            reason: `The rule ${effectInWords(effect, here.names)}, and ${why}.`,
            mend: {
              label: rule.then.length > 1 ? 'Drop the effect' : 'Drop the rule',
              patch: [{ op: 'remove', path: rule.then.length > 1 ? at : pointerOf(path) }],
            },
          },
        ];
      }),
    ),
};
