import { runServer } from '../harness/server.ts';

const SECONDS = 6;
const PER_SECOND = 2000;
const BATCH = 100;

/** Events of games, from one and from fifty: how many a second are on the disk, and how long an answer takes. */
export async function eventsTold(say: (what: string, value: string, bar?: string) => void): Promise<void> {
  const server = await runServer();
  try {
    const { projects } = (await (await fetch(`${server.address}/api/projects`)).json()) as {
      projects: { id: string }[];
    };
    const address = `${server.address}/api/projects/${projects[0]!.id}`;
    let wanted = 0;
    for (const games of [1, 50]) {
      const took: number[] = [];
      let serial = 0;
      const send = async (game: number): Promise<void> => {
        const events = Array.from({ length: BATCH }, () => ({
          specversion: '1.0',
          id: `${games}-${serial++}`,
          source: `/bench/${game}`,
          type: 'attempt.ended',
          data: { slot: 'slot-7', result: 'lost', seconds: 12.5, cause: 'clock' },
        }));
        const start = performance.now();
        const answer = await fetch(`${address}/events`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/cloudevents-batch+json' },
          body: JSON.stringify(events),
        });
        took.push(performance.now() - start);
        if (answer.status === 202) wanted += BATCH;
      };
      const start = performance.now();
      const running: Promise<void>[] = [];
      for (let batch = 0; batch < (SECONDS * PER_SECOND) / BATCH; batch++) {
        const due = start + (batch * BATCH * 1000) / PER_SECOND;
        await new Promise((wake) => setTimeout(wake, Math.max(0, due - performance.now())));
        running.push(send(batch % games));
      }
      await Promise.all(running);
      const rate = (SECONDS * PER_SECOND) / ((performance.now() - start) / 1000);
      const slow = took.toSorted((a, b) => a - b)[Math.floor(took.length * 0.95)]!;
      say(
        `events told by ${games}, kept a second; p95 of an answer`,
        `${rate.toFixed(0)}; ${slow.toFixed(0)} ms`,
        'bar 2,000',
      );
    }
    const { events } = (await (await fetch(`${address}/games`)).json()) as { events: number };
    say('events answered with 202 that are lost', String(wanted - events), 'bar 0');
  } finally {
    await server.stop();
  }
}
