/** @jest-environment jsdom */
import '../../testing/browserGlobals.ts';
import { drawn } from '../../testing/drawn.ts';
import { beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import type { Action } from '@reduxjs/toolkit';
import { moveSlot, type NamedEdit } from '@stadion/core/authoring/edits';
import { documentOf, projectOf, type Project } from '@stadion/core/document/model';
import type { ForecastEvent } from '@stadion/core/exchange/contract';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';

// The track stays for all tests, and the counter has to be there before React is loaded.
process.env.RTL_SKIP_AUTO_CLEANUP = 'true';
const { act, render } = await import('@testing-library/react');
const { Provider } = await import('react-redux');
const { createMemoryRouter, RouterProvider } = await import('react-router');
const { forecastsArrived, stadionApi } = await import('../../api/stadionApi.ts');
const { edited, opened } = await import('../../store/documentSlice.ts');
const { makeStore } = await import('../../store/store.ts');
const { scrolledTo } = await import('../../store/viewSlice.ts');
const { Track } = await import('./Track.tsx');

const PROJECT = 'p';
const demo = homeBeforeDusk();
const [first] = demo.slots;
const level = demo.levels[first!.levelId]!;
const pacer = demo.pacers[1]!.id;
/** Positions in a jsdom window, 1024 px wide: all levels of the demo fit. */
const NARROW = 500;
const store = makeStore();
const now = (): Project => projectOf(store.getState().document.open!.document);

const changed = (change: () => void): Promise<void> =>
  // Answers of the store arrive in a later turn.
  act(async () => {
    change();
    await new Promise((resolve) => setTimeout(resolve, 20));
  });
const dispatch = (action: unknown): Action => store.dispatch(action as Action);

async function edit({ label, patch }: NamedEdit): Promise<Record<string, number>> {
  await changed(() => dispatch(edited({ id: label, label, patch })));
  return drawn();
}
const replace = (path: string, value: unknown): Promise<Record<string, number>> =>
  edit({ label: path, patch: [{ op: 'replace', path, value }] });

beforeAll(async () => {
  store.dispatch(opened({ projectId: PROJECT, revision: 1, document: documentOf(demo), log: [] }));
  dispatch(
    stadionApi.util.upsertQueryData('forecasts', { projectId: PROJECT, pacer }, { revision: 1, entries: [] } as never),
  );
  const router = createMemoryRouter([{ path: '/projects/:projectId/:screen/:slotId', element: <Track /> }], {
    initialEntries: [`/projects/${PROJECT}/level/${first!.id}`],
  });
  await changed(() => {
    render(
      <Provider store={store}>
        <RouterProvider router={router} />
      </Provider>,
    );
  });
});
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
