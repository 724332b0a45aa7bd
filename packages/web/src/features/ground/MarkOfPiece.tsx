import type { Look, MarkedPiece, Project } from '@stadion/core/document/model';
import { freeLook, takenMarks } from '../../readings/looks.ts';
import { LookChip } from '../../sentences/index.ts';

interface Props {
  project: Project;
  piece: MarkedPiece;
  name: string;
  /** @param look undefined to remove the mark */
  onLook: (look: Look | undefined) => void;
}

/** The mark drawn on a piece that has no kind to take it from. */
export function MarkOfPiece({ project, piece, name, onLook }: Props) {
  return (
    <>
      {piece.look ? <span className="join">, drawn with</span> : null}
      <LookChip
        name={name}
        look={piece.look}
        taken={takenMarks(project)}
        free={freeLook(project, piece.piece === 'spawner' ? 'enemies' : 'collectables')}
        onLook={onLook}
        onNone={() => onLook(undefined)}
      />
    </>
  );
}
