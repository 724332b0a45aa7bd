import type { AttemptState, Happening } from '@stadion/core/attempt';
import { causeInWords, effectInWords } from '@stadion/core/rules';
import type { LevelHere } from '../../app/levelHere.ts';

type PieceSort = 'latch' | 'gate' | 'checkpoint';

/** The name of the n-th piece of a sort. */
function nameOf(here: LevelHere, sort: PieceSort, index: number): string {
  const piece = here.level.ground.pieces.filter((entry) => entry.piece === sort)[index];
  return piece ? (here.names.pieces[piece.id] ?? piece.id) : sort;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What happened, in a line. */
export function happeningInWords(happening: Happening, here: LevelHere, state: AttemptState): string {
  const { project, names, rules } = here;
  const enemyName = (enemy: number): string =>
    project.kinds.enemies[state.enemies[enemy]?.kind ?? -1]?.name ?? 'An enemy';
  switch (happening.what) {
    case 'gathered':
      return `${project.kinds.collectables[happening.kind]?.name ?? 'A piece'} gathered`;
    case 'revealed':
      return `${project.kinds.collectables[happening.kind]?.name ?? 'A piece'} appears`;
    case 'sent':
      return `${enemyName(happening.enemy)} sent`;
    case 'beaten':
      return `${enemyName(happening.enemy)} beaten`;
    case 'latched':
      return `${capital(nameOf(here, 'latch', happening.latch))} is on`;
    case 'gate':
      return `${capital(nameOf(here, 'gate', happening.gate))} ${happening.open ? 'opens' : 'closes'}`;
    case 'checkpoint':
      return `Checkpoint: ${nameOf(here, 'checkpoint', happening.checkpoint)}`;
    case 'wave':
      return 'A wave is sent';
    case 'milestone': {
      const effect = rules[happening.rule]?.rule.then[happening.effect];
      return effect ? `Milestone: ${effectInWords(effect, names)}` : 'Milestone';
    }
    case 'life lost': {
      const rule = rules[happening.rule]?.rule;
      return `Life lost: ${rule ? causeInWords(rule, names) : ''}`;
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
