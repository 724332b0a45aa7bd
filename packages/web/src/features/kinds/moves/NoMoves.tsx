import { at, setOptional } from '@stadion/core/authoring/edits';
import type { Ground, Project } from '@stadion/core/document/model';
import { useEdit } from '../../../store/hooks.ts';
import type { LevelContext } from '../../../readings/levelContext.ts';

type Moves = Project['player']['moves'];

interface Props<K extends keyof Moves> {
  here: LevelContext;
  kind: K & Ground['kind'];
  /** Its usual movement, in words. */
  says: string;
  does: string;
  usual: NonNullable<Moves[K]>;
}

/** Where a project does not say how the player moves on a kind of ground: offers to, once a level is of that kind. */
export function NoMoves<K extends keyof Moves>({ here, kind, says, does, usual }: Props<K>) {
  const edit = useEdit();
  const isUsed = Object.values(here.project.levels).some(({ ground }) => ground.kind === kind);
  if (!isUsed) return null;
  return (
    <div className="say">
      <span className="text-ink-3">{says}</span>
      <button
        type="button"
        className="link"
        onClick={() => edit({ label: does, patch: setOptional(at('player', 'moves', kind), undefined, usual) })}
      >
        {does}
      </button>
    </div>
  );
}
