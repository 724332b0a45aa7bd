import { at, replaceAt } from '@stadion/core/authoring/edits';
import { KINDS_OF_PIECE, type Piece } from '@stadion/core/document/model';
import { useEdit } from '../../store/hooks.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { ChoiceChip } from '../../ui/index.ts';

/** The kind of several held pieces: all of them change together. */
export function KindOfAll({ here, pieces }: { here: LevelContext; pieces: readonly Piece[] }) {
  const edit = useEdit();
  const { level, project } = here;
  const roles = new Set(pieces.map(({ piece }) => KINDS_OF_PIECE[piece]));
  const [role] = roles;
  if (roles.size !== 1 || role === undefined) return null;
  const kinds = new Set(pieces.flatMap((piece) => ('kind' in piece ? [piece.kind] : [])));
  const [kind = ''] = kinds;
  const part = here.section === undefined ? [] : ['sections', here.section];
  return (
    <>
      <span className="join">They are</span>
      <ChoiceChip
        label="Kind of all that is held"
        value={kinds.size === 1 ? kind : ''}
        {...(kinds.size === 1 ? {} : { shown: `of ${kinds.size} kinds` })}
        choices={project.kinds[role].map(({ id, name }) => ({ value: id, label: name }))}
        onChoose={(next) =>
          edit({
            label: `Kind of ${pieces.length} pieces, ${level.name}`,
            patch: pieces.map(({ id }) =>
              replaceAt(at('levels', level.id, 'ground', ...part, 'pieces', id, 'kind'), next),
            ),
          })
        }
      />
    </>
  );
}
