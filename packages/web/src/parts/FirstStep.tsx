import { addLevel } from '@stadion/core/authoring/edits';
import { useSequenceEdit } from '../address/address.ts';
import { useProject } from '../store/hooks.ts';
import { mintId } from '../store/mintId.ts';
import { Button } from '../ui/index.ts';

/** A project without levels: what it will be, and the first step. */
export function FirstStep() {
  const project = useProject();
  const change = useSequenceEdit();
  return (
    <main className="grow p-10">
      <h1>No levels yet</h1>
      <p className="my-2 max-w-xl text-ink-2">
        The sequence of “{project.name}” will stand on the track above, one column per level. A new level comes with a
        small ground, something to gather, a goal and one enemy: enough to play and forecast it at once.
      </p>
      <Button look="main" onClick={() => change(addLevel(project, 0, mintId))}>
        Add the first level <kbd>N</kbd>
      </Button>
    </main>
  );
}
