/** @jest-environment jsdom */
import '../../testing/browserGlobals.ts';
import { drawn } from '../../testing/drawn.ts';
import { beforeEach, describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';

process.env.RTL_SKIP_AUTO_CLEANUP = 'true';
// The list draws the lanes that its height holds; jsdom lays nothing out.
for (const name of ['clientHeight', 'clientWidth'] as const)
  Object.defineProperty(Element.prototype, name, { configurable: true, value: 800 });
const { openProject } = await import('../../testing/openProject.tsx');
const { scrolledTo } = await import('../../store/viewSlice.ts');
const { Lanes } = await import('./Lanes.tsx');

const demo = homeBeforeDusk();
const [first] = demo.slots;
const closed = await openProject(<Lanes open={undefined} />, { path: `ramps/${first!.id}` });
const lanes = (): number => document.querySelectorAll('li').length;

/** Lanes drawn by a change. */
async function lanesDrawnBy(change: Promise<void>): Promise<number> {
  await change;
  return drawn()['Lane'] ?? 0;
}
beforeEach(() => void drawn());

describe('lanes are drawn again', () => {
  it('not at all when a level, a rule or a note changes', async () => {
    expect(lanes()).toBe(demo.parameters.length);
    const { levelId } = first!;
    expect(await lanesDrawnBy(closed.replace(`/levels/${levelId}/name`, 'Clover Stairs'))).toBe(0);
    expect(
      await lanesDrawnBy(closed.replace(`/levels/${levelId}/clock/warnAtSeconds`, { from: 'number', value: 9 })),
    ).toBe(0);
  });

  it('one alone when its own ramp, label or pin changes', async () => {
    for (const [path, value] of [
      ['/parameters/nestRest/ramp/shape', { type: 'hold', value: 9 }],
      ['/parameters/nestRest/label', 'Rest of the nest'],
      ['/parameters/nestRest/pins', { [first!.id]: 7 }],
    ] as const)
      expect(await lanesDrawnBy(closed.replace(path, value))).toBe(1);
  });

  it('not at all when they are scrolled along within what is drawn', async () => {
    window.innerWidth = 500;
    await closed.changed(() => window.dispatchEvent(new Event('resize')));
    drawn();
    expect(await lanesDrawnBy(closed.changed(() => closed.dispatch(scrolledTo(2))))).toBe(0);
  });
});
