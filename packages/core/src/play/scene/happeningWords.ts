import { PIECES, type AttemptState, type Happening } from '../attempt/index.ts';
import type { Level } from '../../document/model/index.ts';
import { causeInWords, effectInWords, type Names, type RuleInForce } from '../rules/index.ts';

/** The facts of a level that words of happenings need. */
interface Telling {
  level: Pick<Level, 'ground'>;
  names: Names;
  rules: readonly RuleInForce[];
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Returns the name of a piece: that of its kind where it has one, else its own. */
function nameOf({ piece, index }: Extract<Happening, { what: 'piece' }>, here: Telling, state: AttemptState): string {
  const kind = PIECES[piece].kindOf?.(state, index);
  const named = kind && here.names.kinds[kind.of][kind.kind]?.name;
  if (named !== undefined) return named;
  const entry = here.level.ground.pieces.filter((other) => PIECES[other.piece].name === piece)[index];
  return entry ? (here.names.pieces[entry.id] ?? entry.id) : piece;
}

/** Returns a happening as one line. @example 'Clover gathered' */
export function happeningInWords(happening: Happening, here: Telling, state: AttemptState): string {
  switch (happening.what) {
    case 'piece':
      return `${capital(nameOf(happening, here, state))} ${happening.did}`;
    case 'milestone': {
      const effect = here.rules[happening.rule]?.rule.then[happening.effect];
      return effect ? `Milestone: ${effectInWords(effect, here.names)}` : 'Milestone';
    }
    case 'life lost': {
      const rule = here.rules[happening.rule]?.rule;
      return `Life lost: ${rule ? causeInWords(rule, here.names) : ''}`;
    }
    case 'fell':
      return 'Off the ground';
    case 'clock started':
      return 'The clock starts';
    case 'warned':
      return 'The clock warns';
    case 'won':
      return 'Won';
    case 'lost':
      return 'Lost';
  }
}
