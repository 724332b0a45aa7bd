import { at, replaceAt } from '@stadion/core/authoring/edits';
import type { Project } from '@stadion/core/document/model';
import { useEdit } from '../../store/hooks.ts';
import { ChoiceChip, NumberChip } from '../../ui/index.ts';

const LENGTHS = [
  { value: 'units', label: 'units' },
  { value: 'metres', label: 'metres' },
  { value: 'feet', label: 'feet' },
];

/** How heights and distances are typed and shown. */
export function Lengths({ lengths }: Pick<Project, 'lengths'>) {
  const edit = useEdit();
  const set = (label: string, path: string, value: unknown): void => edit({ label, patch: [replaceAt(path, value)] });
  return (
    <div className="say">
      <span className="join">Lengths are shown in</span>
      <ChoiceChip
        label="Lengths are shown in"
        value={lengths.shown}
        choices={LENGTHS}
        onChoose={(shown) => set(`Lengths in ${shown}`, at('lengths', 'shown'), shown)}
      />
      <span className="join">; a unit is</span>
      <NumberChip
        label="Metres in a unit"
        value={lengths.metresPerUnit}
        unit="m"
        units={{ m: 1, ft: 0.3048 }}
        step={0.1}
        min={0.001}
        max={1000}
        digits={4}
        onCommit={(value) => set(`A unit is ${value} m`, at('lengths', 'metresPerUnit'), value)}
      />
    </div>
  );
}
