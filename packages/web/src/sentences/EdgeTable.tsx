import { startingJudgeAt } from '@stadion/core/forecast/trials';
import type { Rule } from '@stadion/core/document/model';
import { edgeCasesOf, endingOfRule } from '@stadion/core/play/rules';
import { useMemo } from 'react';
import { useEdit } from '../store/hooks.ts';
import type { LevelContext } from '../readings/levelContext.ts';
import { edgeRows, isKept, keepExpectation, type EdgeRow } from './edgeWords.ts';

const TONES = { won: 'text-win', lost: 'text-loss', goesOn: 'text-ink-2' } as const;

/** A rule's edge cases, judged by the judge itself, each to be kept as an expectation. */
export function EdgeTable({ here, rule }: { here: LevelContext; rule: Rule }) {
  const rows = useMemo(() => {
    const index = here.rules.findIndex((entry) => entry.rule === rule);
    const starting = startingJudgeAt(here.project, here.position);
    const cases = edgeCasesOf(starting, index, starting.worth);
    return edgeRows(cases, rule.when, endingOfRule(rule) !== null, here);
  }, [here, rule]);
  return <CaseTable here={here} rows={rows} label="Edge cases" />;
}

/** Cases with the judge's verdict, as a table. */
export function CaseTable({ here, rows, label }: { here: LevelContext; rows: readonly EdgeRow[]; label: string }) {
  const edit = useEdit();
  return (
    <table className="my-1.5 ml-3 border-l-2 border-edit-line text-[12.5px]" aria-label={label}>
      <thead className="text-left text-ink-3">
        <tr>
          <th className="px-2.5 font-normal">When</th>
          <th className="px-2.5 text-right font-normal">is</th>
          <th className="px-2.5 font-normal">that is</th>
          <th className="px-2.5 font-normal">the judge says</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {rows.map((row, index) => (
          <tr key={row.key} className={index > 0 && rows[index - 1]?.what !== row.what ? 'border-t border-line' : ''}>
            <td className="px-2.5">{index > 0 && rows[index - 1]?.what === row.what ? '' : row.what}</td>
            <td className="px-2.5 text-right font-[550]">{row.value}</td>
            <td className="px-2.5 text-ink-2">{row.place}</td>
            <td className={`px-2.5 font-semibold ${TONES[row.tone]}`}>{row.verdict}</td>
            <td className="px-2.5">
              {isKept(here, row) ? (
                <span className="text-ink-3">kept</span>
              ) : (
                <button
                  type="button"
                  className="link"
                  aria-label={`Expect this from now on: ${row.what} ${row.value} ${row.place}`}
                  onClick={() => edit(keepExpectation(here, row))}
                >
                  expect
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
