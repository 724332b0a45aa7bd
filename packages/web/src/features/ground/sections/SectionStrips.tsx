import { flatSection } from '@stadion/core/authoring/building';
import {
  addSection,
  addTier,
  moveTier,
  READING_WORDS,
  renameTier,
  setDrawnBy,
  tierLimits,
} from '@stadion/core/authoring/edits';
import { groundKindOf, tierAt } from '@stadion/core/play/movement';
import type { Id, LiveAxis, Section } from '@stadion/core/document/model';
import { prepareLevel } from '@stadion/core/play/movement';
import { looksOf, sceneOf, type Mark } from '@stadion/core/play/scene';
import { useMemo, type ReactNode } from 'react';
import { useEdit } from '../../../store/hooks.ts';
import type { LevelContext } from '../../../readings/levelContext.ts';
import { mintId } from '../../../store/mintId.ts';
import { ChoiceChip, GroundPicture, NumberChip, TextInPlace } from '../../../ui/index.ts';

interface Props {
  /** The level with its whole run. */
  here: LevelContext;
  /** The section that is edited; the opening when absent. */
  now: Id | undefined;
  onOpen: (section: Id | undefined) => void;
}

/** Cells of a new section. */
const NEW_WIDTH = 24;
/** Height of a small picture, px. */
const SMALL = 44;

/** The pools of a run beside each other: the opening, then each tier with its sections. One of them is edited. */
export function SectionStrips({ here, now, onOpen }: Props) {
  const edit = useEdit();
  const { level, project } = here;
  const { ground } = level;
  const scenes = useMemo((): { opening: Mark[]; sections: Mark[][] } => {
    const prepared = prepareLevel(project, here.position);
    const looks = looksOf(project);
    const parts = groundKindOf(prepared.kind).parts?.(prepared) ?? [];
    return { opening: sceneOf(prepared, looks), sections: parts.map((part) => sceneOf(part, looks)) };
  }, [project, here.position]);
  if (!('sections' in ground)) return null;
  const tiers = project.liveTiers?.[ground.drawnBy] ?? [];
  const last = Math.max(1, tiers.length, ...ground.sections.map(({ tier }) => tier));
  const high = ground.rows.length;
  const picture = (
    id: Id | undefined,
    name: string,
    rows: readonly string[],
    marks: Mark[],
    note: string,
  ): ReactNode => (
    <button
      key={id ?? 'opening'}
      type="button"
      aria-pressed={now === id}
      title={note}
      className={`shrink-0 rounded-r border p-0.5 text-left text-[11.5px] leading-tight ${now === id ? 'border-edit bg-edit-soft font-semibold text-edit-ink' : 'border-line hover:border-line-strong'}`}
      onClick={() => onOpen(id)}
    >
      <span className="block overflow-hidden" style={{ width: (SMALL * (rows[0]?.length ?? 1)) / high, height: SMALL }}>
        <GroundPicture marks={marks} width={rows[0]?.length ?? 1} height={high} label="" />
      </span>
      <span className="block max-w-28 truncate px-0.5">{name}</span>
    </button>
  );
  const sectionOf = (section: Section, index: number): ReactNode =>
    picture(
      section.id,
      section.name,
      section.rows,
      scenes.sections[index] ?? [],
      `${section.name}: weight ${section.weight}`,
    );
  return (
    <section aria-label="Sections of the run" className="mb-1 border-y border-line py-1">
      <div className="flex items-start gap-3 overflow-x-auto pb-1">
        <div>
          <p className="text-[11.5px] text-ink-3">Opening</p>
          {picture(undefined, 'Where it starts', ground.rows, scenes.opening, 'The opening comes first, once')}
        </div>
        {Array.from({ length: last }, (_, index) => index + 1).map((tier) => (
          <div key={tier} className="border-l border-line pl-3">
            <p className="flex items-baseline gap-2 text-[11.5px] whitespace-nowrap text-ink-3">
              <PoolName axis={ground.drawnBy} tier={tier} band={tiers[tier - 1]} />
              <button
                type="button"
                className="link"
                onClick={() => {
                  const added = addSection(level, { ...flatSection(ground, NEW_WIDTH), tier }, mintId);
                  if (!added) return;
                  edit(added);
                  onOpen(added.id);
                }}
              >
                + section
              </button>
            </p>
            <div className="flex gap-1">
              {ground.sections.map((section, at) => (section.tier === tier ? sectionOf(section, at) : null))}
              {ground.sections.some((section) => section.tier === tier) ? null : (
                <p className="max-w-36 text-[11.5px] text-ink-3">
                  {tier === 1 ? 'Nothing yet: the nearest pool is drawn from.' : 'Empty: the pool below is drawn from.'}
                </p>
              )}
            </div>
          </div>
        ))}
      </div>
      <Bounds here={here} />
    </section>
  );
}

/** The name of a pool: that of its tier, renamed in place. */
function PoolName({
  axis,
  tier,
  band,
}: {
  axis: LiveAxis;
  tier: number;
  band: { id: string; name: string } | undefined;
}) {
  const edit = useEdit();
  if (!band) return <span>Tier {tier}</span>;
  return (
    <TextInPlace
      label={`Name of tier ${tier}`}
      value={band.name}
      refuse={(text) => (text === '' ? 'A tier needs a name.' : undefined)}
      onCommit={(name) => edit(renameTier(axis, band.id, name))}
    />
  );
}

/** The reading that tiers follow and the bound of each tier, with the tiers just before, at and after each bound. */
function Bounds({ here }: { here: LevelContext }) {
  const edit = useEdit();
  const { level, project } = here;
  const { ground } = level;
  if (!('sections' in ground)) return null;
  const { drawnBy } = ground;
  const tiers = project.liveTiers?.[drawnBy] ?? [];
  const bounds = tiers.map(({ from }) => from);
  const nameAt = (reading: number): string => tiers[tierAt(bounds, reading) - 1]?.name ?? 'Tier 1';
  return (
    <div className="say text-[12px]">
      <span className="join">Tiers go by</span>
      <ChoiceChip
        label="What tiers go by"
        value={drawnBy}
        choices={(Object.keys(READING_WORDS) as LiveAxis[]).map((axis) => ({
          value: axis,
          label: READING_WORDS[axis],
        }))}
        onChoose={(axis) => edit(setDrawnBy(level, axis as LiveAxis))}
      />
      <span className="join">:</span>
      {tiers.map((tier, index) => (
        <span key={tier.id} className="say inline-flex">
          <span className="join">
            {index === 0 ? '' : '· '}
            {tier.name} from
          </span>
          {index === 0 ? (
            <b>{tier.from}</b>
          ) : (
            <>
              <NumberChip
                label={`Where ${tier.name} begins`}
                value={tier.from}
                step={1}
                whole
                {...tierLimits(project, drawnBy, tier.id)}
                onCommit={(from) => edit(moveTier(project, drawnBy, tier.id, from))}
              />
              <span className="text-ink-3">
                ({tier.from - 1}: {nameAt(tier.from - 1)}, {tier.from}: {nameAt(tier.from)}, {tier.from + 1}:{' '}
                {nameAt(tier.from + 1)})
              </span>
            </>
          )}
        </span>
      ))}
      <button
        type="button"
        className="link"
        onClick={() => edit(addTier(project, drawnBy, (bounds.at(-1) ?? 0) + 5, mintId))}
      >
        + tier
      </button>
      {tiers.length === 0 ? <span className="text-ink-3">there is one pool as yet.</span> : null}
    </div>
  );
}
