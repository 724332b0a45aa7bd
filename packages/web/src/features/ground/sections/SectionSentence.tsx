import { endsThatDoNotJoin, sectionAlone } from '@stadion/core/authoring/building';
import { addSection, removeSection, setSection } from '@stadion/core/authoring/edits';
import { Limits, type Id, type Section } from '@stadion/core/document/model';
import { useMemo, useState } from 'react';
import { useEdit, usePacer } from '../../../store/hooks.ts';
import type { LevelContext } from '../../../readings/levelContext.ts';
import { mintId } from '../../../store/mintId.ts';
import { useSectionForecast } from '../../../answers/useForecast.ts';
import { formatNumber, formatPercent, nameRefused, NumberChip, TextInPlace } from '../../../ui/index.ts';

interface Props {
  /** The level with its whole run. */
  here: LevelContext;
  section: Section;
  onOpen: (section: Id | undefined) => void;
}

const ENDS = { start: 'first two', end: 'last two' } as const;

/** A section's name, tier and weight, and how it goes alone. */
export function SectionSentence({ here, section, onOpen }: Props) {
  const edit = useEdit();
  const { level } = here;
  const { ground } = level;
  const [tried, setTried] = useState<Id | null>(null);
  const apart = endsThatDoNotJoin(ground, section.rows);
  return (
    <div className="say">
      <TextInPlace
        label={`Name of ${section.name}`}
        value={section.name}
        refuse={(text) => nameRefused(text, 'A section')}
        onCommit={(name) => edit(setSection(level, section, { name }))}
        className="font-semibold"
      />
      <span className="join">is drawn in tier</span>
      <NumberChip
        label={`Tier of ${section.name}`}
        value={section.tier}
        step={1}
        whole
        min={1}
        max={Limits.tiers}
        onCommit={(tier) => edit(setSection(level, section, { tier }))}
      />
      <span className="join">with weight</span>
      <NumberChip
        label={`Weight of ${section.name}`}
        value={section.weight}
        step={0.5}
        min={0}
        max={100}
        onCommit={(weight) => edit(setSection(level, section, { weight }))}
      />
      {section.weight === 0 ? <span className="text-ink-3">(it never comes)</span> : null}
      {tried === section.id ? (
        <Alone here={here} section={section} />
      ) : (
        <button type="button" className="link" onClick={() => setTried(section.id)}>
          try this section alone
        </button>
      )}
      <button
        type="button"
        className="link"
        onClick={() => {
          const copy = addSection(level, section, mintId);
          if (!copy) return;
          edit(copy);
          onOpen(copy.id);
        }}
      >
        duplicate
      </button>
      <button
        type="button"
        className="link"
        onClick={() => {
          edit(removeSection(level, section.id));
          onOpen(undefined);
        }}
      >
        remove
      </button>
      {apart.length === 0 ? null : (
        <p role="note" className="w-full text-loss">
          The floor of its {apart.map((end) => ENDS[end]).join(' and its ')} columns is not where the opening ends: who
          comes from one section to the next meets a step or a pit.
        </p>
      )}
    </div>
  );
}

/** The forecast of one section by itself. */
function Alone({ here, section }: { here: LevelContext; section: Section }) {
  const pacer = usePacer();
  const project = useMemo(() => sectionAlone(here.project, here.level, section.id), [here, section.id]);
  const { forecast, stale, paused } = useSectionForecast(project, here.position, pacer);
  if (!forecast) return <span className="text-ink-3">{paused ? 'its forecast is paused' : 'is being tried…'}</span>;
  const half = ((forecast.interval.high - forecast.interval.low) / 2) * 100;
  return (
    <span role="status" className={stale ? 'text-ink-3' : ''}>
      alone, <b>{formatPercent(forecast.clearRate)}</b> of {pacer.name} pass it, ±{formatNumber(half, 1)} points
    </span>
  );
}
