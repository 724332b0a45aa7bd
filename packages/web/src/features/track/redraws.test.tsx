/** @jest-environment jsdom */
import '../../testing/browserGlobals.ts';
import { drawn } from '../../testing/drawn.ts';
import { beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { moveSlot, type NamedEdit } from '@stadion/core/authoring/edits';
import type { ForecastEvent } from '@stadion/core/exchange/contract';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';

// The track stays for all tests, and the counter has to be there before React is loaded.
process.env.RTL_SKIP_AUTO_CLEANUP = 'true';
const { openProject } = await import('../../testing/openProject.tsx');
const { forecastsArrived, stadionApi } = await import('../../api/stadionApi.ts');
const { edited } = await import('../../store/documentSlice.ts');
const { scrolledTo } = await import('../../store/viewSlice.ts');
const { Track } = await import('./Track.tsx');

const demo = homeBeforeDusk();
const [first] = demo.slots;
const level = demo.levels[first!.levelId]!;
const pacer = demo.pacers[1]!.id;
/** Positions in a jsdom window, 1024 px wide: all levels of the demo fit. */
const NARROW = 500;
const { projectId: PROJECT, dispatch, changed, now } = await openProject(<Track />);

async function edit({ label, patch }: NamedEdit): Promise<Record<string, number>> {
  await changed(() => dispatch(edited({ id: label, label, patch })));
  return drawn();
}
const replace = (path: string, value: unknown): Promise<Record<string, number>> =>
  edit({ label: path, patch: [{ op: 'replace', path, value }] });

beforeAll(() =>
  changed(() =>
    dispatch(
      stadionApi.util.upsertQueryData('forecasts', { projectId: PROJECT, pacer }, {
        revision: 1,
        entries: [],
      } as never),
    ),
  ),
);
beforeEach(() => void drawn());

describe('the track is drawn again', () => {
  it('not at all when a number of a level changes', async () => {
    expect(await replace(`/levels/${level.id}/clock/warnAtSeconds`, { from: 'literal', value: 12 })).toEqual({});
  });

  it('not at all when the ramp of a parameter changes', async () => {
    const { key } = demo.parameters[0]!;
    expect(await replace(`/parameters/${key}/ramp/shape`, { type: 'hold', value: 2 })).toEqual({});
  });

  it('not at all when a note changes', async () => {
    const { key } = demo.parameters[0]!;
    expect(await replace(`/parameters/${key}/note`, 'Slower after playtests.')).toEqual({});
  });

  it('in one column when a level gets another name', async () => {
    expect(await replace(`/levels/${level.id}/name`, 'Clover Stairs')).toMatchObject({ Column: 1 });
    expect(await replace(`/levels/${demo.slots[4]!.levelId}/name`, 'Fifth')).toEqual({ Column: 1 });
  });

  it('in one column and one bar when a forecast arrives', async () => {
    const forecast = { slotId: demo.slots[2]!.id, pacer, key: 'known', done: true } as ForecastEvent;
    await changed(() => forecastsArrived(PROJECT, [forecast]).forEach(dispatch));
    expect(drawn()).toEqual({ Bar: 1, Column: 1 });
  });

  it('when the order changes', async () => {
    const { Column, Bar } = await edit(moveSlot(now(), demo.slots[3]!.id, 2)!);
    expect([Column, Bar].every((count) => count !== undefined && count <= demo.slots.length)).toBe(true);
  });

  it('not at all when it is scrolled within what is drawn, but for names of tiers and the window of the overview', async () => {
    window.innerWidth = NARROW;
    await changed(() => window.dispatchEvent(new Event('resize')));
    drawn();
    await changed(() => dispatch(scrolledTo(2)));
    const { ColumnShift, Overview, SelectionInSight, TierNames, ...others } = drawn();
    expect([ColumnShift, Overview, SelectionInSight, TierNames]).toEqual([1, 1, 1, 1]);
    expect(others).toEqual({});
    expect(document.querySelector<SVGGElement>('svg > g > g')?.style.transform).not.toBe('translateX(184px)');
  });
});
