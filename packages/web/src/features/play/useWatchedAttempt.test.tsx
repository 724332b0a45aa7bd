/** @jest-environment jsdom */
import '../../testing/browserGlobals.ts';
import { describe, expect, it } from '@jest/globals';
import { seedOf } from '@stadion/core/forecast/trials';
import { useProject } from '../../store/hooks.ts';
import { openProject } from '../../testing/openProject.tsx';
import { useWatchedAttempt } from './useWatchedAttempt.ts';

const seen: ReturnType<typeof useWatchedAttempt>[] = [];

function Watching() {
  seen.push(useWatchedAttempt(useProject()));
  return null;
}

describe('a watched attempt', () => {
  it('stays the same while edits arrive that have nothing to do with its player', async () => {
    const page = await openProject(<Watching />, { path: 'play/slot-9?attempt=steady.3' });
    const [first] = seen;
    expect(first).toMatchObject({ pacer: { id: 'steady' }, seed: seedOf(3) });
    await page.replace('/levels/clover-steps/name', 'Clover Stairs');
    await page.replace('/parameters/hornetSpeed/note', 'Slower.');
    expect(page.now().levels['clover-steps']!.name).toBe('Clover Stairs');
    // An object that is another would begin the attempt again.
    for (const later of seen) expect(later).toBe(first);
  });

  it.each(['play/slot-9', 'play/slot-9?attempt=nobody.3', 'play/slot-9?attempt=steady.x'])(
    'is none at %s',
    async (path) => {
      seen.length = 0;
      await openProject(<Watching />, { path });
      expect(seen[0]).toBeUndefined();
    },
  );
});
