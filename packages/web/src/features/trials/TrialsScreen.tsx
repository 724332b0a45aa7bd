import { useMemo } from 'react';
import { FirstStep } from '../../parts/FirstStep.tsx';
import { useGoto, useSelection, type TrialsShown } from '../../address/address.ts';
import { useProject } from '../../store/hooks.ts';
import { ChoiceChip, Segmented } from '../../ui/index.ts';
import { CompareView } from './CompareView.tsx';
import { Jobs } from './Jobs.tsx';
import { MEASURES, type Measure } from './measures.ts';
import { PacerTable } from './PacerTable.tsx';
import { RunView } from './RunView.tsx';
import { SweepView } from './SweepView.tsx';
import { TakeOut } from './TakeOut.tsx';
import { WantedView } from './WantedView.tsx';
import { usePacerRows, useShown } from './useTrials.ts';

const VIEWS = [
  { value: 'sequence', label: 'Sequence' },
  { value: 'sweep', label: 'Sweep' },
  { value: 'wanted', label: 'Wanted' },
  { value: 'compare', label: 'Compare' },
] as const;
type View = (typeof VIEWS)[number]['value'];

/** The whole sequence at once: what every pacer makes of every level, and what runs through it come to. */
export function TrialsScreen() {
  const { slots } = useProject();
  return slots.length === 0 ? <FirstStep /> : <Trials />;
}

function Trials() {
  const { trials } = useSelection();
  const goto = useGoto();
  const view: View = VIEWS.find(({ value }) => value === trials.show)?.value ?? 'sequence';
  const measure: Measure = MEASURES.find(({ value }) => value === trials.measure)?.value ?? 'clearRate';
  const rows = usePacerRows();
  const shown = useShown(rows, measure === 'cause');
  const causes = useMemo(() => {
    const all = new Map<string, number>();
    for (const { causes } of shown.audience.values())
      for (const [name, share] of causes ?? []) all.set(name, (all.get(name) ?? 0) + share);
    return [...all].toSorted((one, other) => other[1] - one[1]).map(([name]) => name);
  }, [shown]);
  const cause = causes.find((name) => name === trials.cause) ?? causes[0] ?? '';
  const put = (name: keyof TrialsShown, value: string): void => goto({ trials: { ...trials, [name]: value } });
  return (
    <main className="flex min-h-0 min-w-0 grow flex-col">
      <div className="flex min-h-10 shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-b border-line px-3.5 py-1">
        <Segmented label="Trials of" value={view} options={VIEWS} onChange={(value) => put('show', value)} />
        {view === 'sequence' ? (
          <>
            <Segmented label="Shown" value={measure} options={MEASURES} onChange={(value) => put('measure', value)} />
            {measure === 'cause' && causes.length > 0 ? (
              <ChoiceChip
                label="Cause of the loss"
                value={cause}
                choices={causes.map((value) => ({ value, label: value }))}
                onChoose={(value) => put('cause', value)}
              />
            ) : null}
          </>
        ) : null}
        <span className="grow" />
        <Jobs rows={rows} />
        <TakeOut rows={rows} shown={shown} />
      </div>
      {view === 'sequence' ? (
        <div className="min-h-0 grow overflow-y-auto bg-sheet">
          <PacerTable rows={rows} shown={shown} measure={measure} cause={cause} />
          <RunView rows={rows} />
        </div>
      ) : null}
      {view === 'sweep' ? <SweepView /> : null}
      {view === 'wanted' ? <WantedView /> : null}
      {view === 'compare' ? <CompareView /> : null}
    </main>
  );
}
