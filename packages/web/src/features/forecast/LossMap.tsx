import { groundKindOf, prepareLevel } from '@stadion/core/play/movement';
import { sectionsOf } from '@stadion/core/play/grid';
import { looksAt, lossMarks, sceneOf, type Mark } from '@stadion/core/play/scene';
import type { Forecast } from '@stadion/core/forecast/trials';
import { useMemo } from 'react';
import type { LevelContext } from '../../readings/levelContext.ts';
import { formatNumber, GroundPicture } from '../../ui/index.ts';

interface Props {
  here: LevelContext;
  forecast: Pick<Forecast, 'lostAt' | 'parts'>;
}

/** Number of sections of a run that are drawn: those on which most attempts are lost. */
const MOST_SECTIONS = 3;

/** Where attempts are lost, on the ground, or on the sections of a run that end most of them. */
export function LossMap({ here, forecast }: Props) {
  const { lostAt, parts } = forecast;
  const prepared = useMemo(() => prepareLevel(here.project, here.position), [here.project, here.position]);
  const looks = useMemo(() => looksAt(here.project, here.level.ground), [here.project, here.level.ground]);
  const scenes = useMemo(
    () =>
      groundKindOf(prepared.kind)
        .parts?.(prepared)
        .map((part) => ({ part, marks: sceneOf(part, looks) })),
    [prepared, looks],
  );
  const ground = useMemo(() => sceneOf(prepared, looks), [prepared, looks]);
  if (!parts || !scenes)
    return (
      <Losses
        marks={ground}
        rows={prepared.motion.rows}
        lostAt={lostAt}
        label={`${Math.floor(lostAt.length / 2)} lost attempts, where they ended`}
      />
    );
  const worst = sectionsOf(here.level.ground)
    .map((section, index) => ({ section, index, lost: parts[index]?.lost ?? 0 }))
    .filter(({ lost }) => lost > 0)
    .toSorted((one, other) => other.lost - one.lost);
  const [shown, more] = [worst.slice(0, MOST_SECTIONS), worst.length - MOST_SECTIONS];
  if (shown.length === 0) return <p className="text-ink-3">No attempt is lost on a section.</p>;
  return (
    <>
      {shown.map(({ section, index, lost }) => (
        <figure key={section.id} className="mb-1.5">
          <Losses
            marks={scenes[index]?.marks ?? []}
            rows={section.rows}
            lostAt={parts[index]?.lostAt ?? []}
            label={`${lost} attempts lost on ${section.name}, where they ended`}
          />
          <figcaption className="text-[12px] text-ink-2">
            {section.name}: <b>{formatNumber(lost)}</b> of {formatNumber(parts[index]?.entered ?? 0)} who came to it
          </figcaption>
        </figure>
      ))}
      {more > 0 ? <p className="text-[12px] text-ink-3">and {more} more, listed under the ground</p> : null}
    </>
  );
}

interface LossesProps {
  marks: readonly Mark[];
  rows: readonly string[];
  lostAt: readonly number[];
  label: string;
}

function Losses({ marks, rows, lostAt, label }: LossesProps) {
  const all = useMemo(() => [...marks, ...lossMarks(lostAt)], [marks, lostAt]);
  return (
    <GroundPicture
      marks={all}
      width={rows[0]?.length ?? 1}
      height={rows.length}
      label={label}
      className="max-h-44 min-[1600px]:max-h-80"
    />
  );
}
