import { LOOKS_LIKE_A_FORMULA } from '@stadion/core/exchange/formats';
import papaparse from 'papaparse';
import { useProject } from '../../store/hooks.ts';
import { Menu } from '../../ui/index.ts';
import type { Shown } from './measures.ts';
import type { PacerRow, useShown } from './useTrials.ts';

interface Props {
  rows: readonly PacerRow[];
  shown: ReturnType<typeof useShown>;
}

interface Line {
  position: number;
  slot: string;
  level: string;
  pacer: string;
  attempts: number | null;
  clearRate: number;
  low: number;
  high: number;
  triesToClear: number | null;
  medianSeconds: number | null;
  stars0: number;
  stars1: number;
  stars2: number;
  stars3: number;
}

const rounded = (value: number | null): number | null => (value === null ? null : Number(value.toFixed(4)));

function save(name: string, type: string, text: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** The forecasts of the table as a file: one line per slot and pacer, the audience last. */
export function TakeOut({ rows, shown }: Props) {
  const { slots, levels } = useProject();
  const lines = (): Line[] =>
    slots.flatMap(({ id, levelId }, index) => {
      const line = (pacer: string, attempts: number | null, known: Shown | undefined): Line[] =>
        known
          ? [
              {
                ...{ position: index + 1, slot: id, level: levels[levelId]?.name ?? levelId, pacer, attempts },
                ...{ clearRate: rounded(known.clearRate)!, low: rounded(known.interval.low)! },
                ...{ high: rounded(known.interval.high)!, triesToClear: rounded(known.triesToClear) },
                medianSeconds: rounded(known.medianSeconds),
                ...{ stars0: rounded(known.stars[0]!)!, stars1: rounded(known.stars[1]!)! },
                ...{ stars2: rounded(known.stars[2]!)!, stars3: rounded(known.stars[3]!)! },
              },
            ]
          : [];
      return [
        ...rows.flatMap(({ pacer, entries }, at) =>
          line(pacer.name, entries.get(id)?.summary?.attempts ?? null, shown.pacers[at]?.get(id)),
        ),
        ...line('Audience', null, shown.audience.get(id)),
      ];
    });
  return (
    <Menu
      trigger={
        <button type="button" className="btn">
          Save as <span aria-hidden>▾</span>
        </button>
      }
      entries={[
        {
          label: 'CSV: a line per slot and pacer',
          onSelect: () =>
            save(
              'trials.csv',
              'text/csv',
              `${papaparse.unparse(lines(), { newline: '\r\n', escapeFormulae: LOOKS_LIKE_A_FORMULA })}\r\n`,
            ),
        },
        { label: 'JSON', onSelect: () => save('trials.json', 'application/json', JSON.stringify(lines(), null, 2)) },
      ]}
    />
  );
}
