import { afterAll, afterEach, beforeAll, describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import {
  addTally,
  emptyTally,
  isPreciseEnough,
  playBatch,
  levelRunner,
  trialQuestion,
  type Precision,
  type Tally,
} from '@stadion/core/forecast/trials';
import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { Redis } from 'ioredis';
import { pino } from 'pino';
import { freePort } from '../testing/freePort.ts';
import type { WorkQueue } from './queue.ts';
import { QUEUE, redisQueue } from './redis.ts';

const warnings: string[] = [];
const log = pino({ level: 'warn' }, { write: (line: string) => void warnings.push(line) });
const project = homeBeforeDusk();
const steady = project.pacers.find(({ id }) => id === 'steady')!;
const POSITIONS = [3, 7, 13];
const PRECISION: Precision = { halfWidth: 0.08, fewest: 100, limit: 160 };
const question = (position: number) => trialQuestion(project, position, steady, PRECISION);

/** Plays a question to its end, batch after batch. */
async function playThrough(queue: WorkQueue, position: number): Promise<Tally> {
  const name = `q${position}`;
  queue.blobs.put(name, question(position));
  const tally = emptyTally();
  while (!isPreciseEnough(tally, PRECISION)) {
    const task = { question: name, first: tally.attempts, count: 20 - (tally.attempts % 20) };
    addTally(tally, await queue.put(task, { group: 'dusk', rank: task.first }));
  }
  return tally;
}

function here(position: number): Tally {
  const game = levelRunner(question(position).level);
  const tally = emptyTally();
  while (!isPreciseEnough(tally, PRECISION)) {
    const batch = emptyTally();
    playBatch(game, steady, tally.attempts, 20, batch);
    addTally(tally, batch);
  }
  return tally;
}

const ended = (child: ChildProcess): Promise<void> => new Promise((resolve) => child.once('exit', () => resolve()));

describe('trials over Redis', () => {
  let port: number;
  let redis: ChildProcess;
  let queue: WorkQueue;
  const workers: ChildProcess[] = [];

  const startRedis = async (): Promise<void> => {
    redis = spawn(
      '/usr/bin/redis-server',
      ['--port', `${port}`, '--bind', '127.0.0.1', '--save', '', '--appendonly', 'no'],
      { cwd: fs.mkdtempSync(path.join(os.tmpdir(), 'stadion-redis-')), stdio: ['ignore', 'pipe', 'inherit'] },
    );
    await new Promise<void>((resolve) =>
      redis.stdout!.on('data', (data: Buffer) => String(data).includes('Ready to accept') && resolve()),
    );
  };
  const url = (): string => `redis://127.0.0.1:${port}`;
  const startWorker = async (): Promise<void> => {
    const worker = spawn(
      process.execPath,
      ['--conditions=source', '--import', 'tsx', path.join(import.meta.dirname, '../workerMain.ts')],
      {
        env: { ...process.env, STADION_REDIS: url(), STADION_THREADS: '1', NODE_OPTIONS: '' },
        stdio: ['ignore', 'pipe', 'inherit'],
      },
    );
    workers.push(worker);
    await new Promise<void>((resolve) => worker.stdout!.once('data', () => resolve()));
  };

  beforeAll(async () => {
    port = await freePort();
    await startRedis();
    await Promise.all([startWorker(), startWorker()]);
    queue = redisQueue(url(), log);
  }, 60_000);
  afterEach(() => queue.drop('dusk'));
  afterAll(async () => {
    await queue.close();
    for (const worker of workers) worker.kill('SIGKILL');
    const end = ended(redis);
    redis.kill('SIGKILL');
    await end;
  });

  it('are the same bit for bit as played here, also where one worker is killed in the middle', async () => {
    const playing = POSITIONS.map((position) => playThrough(queue, position));
    await new Promise((later) => setTimeout(later, 700));
    workers[0]!.kill('SIGKILL');
    expect(await Promise.all(playing)).toEqual(POSITIONS.map(here));
  }, 60_000);

  it('go on after Redis itself was restarted, with nothing kept', async () => {
    const playing = playThrough(queue, 13);
    await new Promise((later) => setTimeout(later, 500));
    const end = ended(redis);
    redis.kill('SIGKILL');
    await end;
    await startRedis();
    expect(await playing).toEqual(here(13));
  }, 60_000);

  it('still arrive after an entry of the queue that cannot be read', async () => {
    const client = new Redis(url());
    await client.xadd(`bull:${QUEUE}:events`, '*', 'event', 'completed', 'jobId', '1', 'returnvalue', '{"half');
    await client.quit();
    // The reading begins again after half a second; the batches are then reported by events.
    await new Promise((later) => setTimeout(later, 800));
    queue.blobs.put('q3', question(3));
    // A batch ends early where it takes long.
    for (let first = 0; first < 100; first += 20) {
      const { attempts } = await queue.put({ question: 'q3', first, count: 20 }, { group: 'dusk', rank: 0 });
      expect(attempts).toBeGreaterThan(0);
    }
    expect(warnings).toEqual(expect.arrayContaining([expect.stringContaining('reading begins again')]));
  }, 60_000);

  it('of a question that nobody knows are refused, and those that are dropped wait no more', async () => {
    await expect(queue.put({ question: 'none', first: 0, count: 1 }, { group: 'dusk', rank: 0 })).rejects.toThrow(
      'There is no question none.',
    );
    queue.blobs.put('q3', question(3));
    const dropped = queue.put({ question: 'q3', first: 0, count: 20 }, { group: 'dusk', rank: 0 });
    queue.drop('dusk');
    await expect(dropped).rejects.toThrow('Nobody waits for it any more.');
  });
});
