import { boutTrials } from '@stadion/core/play/bouts';
import { groupOf, hiveBout, hiveBouts } from '@stadion/core/testing';

/** Time of bouts of four against four on one core, by planning of the party. */
export function speedOfBouts(say: (what: string, value: string, bar?: string) => void): void {
  const bouts = hiveBouts();
  const party = ['bee', 'guard', 'bee', 'guard'];
  const bout = hiveBout(groupOf({ 'wasp-captain': 1, ant: 2, 'soldier-ant': 1 }), { bouts, party });
  for (const [name, planning] of [
    ['by chance and harm', 0.4],
    ['two turns ahead', 0.8],
  ] as const) {
    const trials = boutTrials(bout, () => ({ planning }));
    trials.play(500);
    const start = performance.now();
    trials.play(10_000);
    const seconds = (performance.now() - start) / 1000;
    const { won, rounds } = trials.read();
    say(
      `10,000 bouts of 4 against 4, ${name}, s`,
      `${seconds.toFixed(2)} (${(won.share * 100).toFixed(0)} % won, ${rounds?.[1]} rounds)`,
      'at most 2',
    );
  }
}
