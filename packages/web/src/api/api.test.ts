import { afterEach, describe, expect, it, jest } from '@jest/globals';
import type { ForecastEvent } from '@stadion/core/exchange/contract';
import { configureStore } from '@reduxjs/toolkit';
import { fetchJson, HttpProblem, Unreachable } from './http.ts';
import { forecastsArrived, stadionApi } from './stadionApi.ts';

const realFetch = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = realFetch;
});
const answer = (make: () => Response | Promise<Response>): void => {
  globalThis.fetch = jest.fn<typeof fetch>(async () => make());
};
const problem = {
  type: 'urn:stadion:problem:not-found',
  title: 'There is no such thing',
  status: 404,
  detail: 'There is no project “x”.',
  code: 'not-found',
  kept: 'Nothing was changed.',
};

describe('asking the server', () => {
  it('gives what it answers', async () => {
    answer(() => Response.json({ ok: true }));
    expect(await fetchJson('/api/health')).toEqual({ ok: true });
  });

  it('tells a refusal with its details', async () => {
    answer(() => Response.json(problem, { status: 404 }));
    await expect(fetchJson('/api/projects/x')).rejects.toMatchObject({ problem, message: problem.detail });
  });

  it('makes details of an answer that has none', async () => {
    answer(() => new Response('<h1>No</h1>', { status: 418 }));
    const error = await fetchJson('/').catch((thrown: unknown) => thrown);
    expect(error).toBeInstanceOf(HttpProblem);
    expect((error as HttpProblem).problem).toMatchObject({ status: 418, code: 'unknown' });
  });

  it.each([
    ['nobody answers', () => Promise.reject(new TypeError('failed'))],
    ['something in between answers for it', () => new Response('', { status: 502 })],
    ['the answer ends too soon', () => new Response('{"revision": 3', { status: 200 })],
  ])('knows that it is not reached when %s', async (_case, make) => {
    answer(make as () => Response);
    await expect(fetchJson('/api/projects')).rejects.toBeInstanceOf(Unreachable);
  });
});

describe('forecasts that come as events', () => {
  const entry = (slotId: string, key: string, clearRate: number | null, done: boolean): ForecastEvent => ({
    slotId,
    pacer: 'steady',
    key,
    motion: 'm',
    done,
    summary:
      clearRate === null
        ? null
        : { attempts: 100, clearRate, interval: { low: 0, high: 1 }, medianSeconds: 20, stars: [] },
  });

  async function after(...entries: ForecastEvent[]): Promise<ForecastEvent[]> {
    answer(() =>
      Response.json({ pacer: 'steady', entries: [entry('a', 'k1', 0.5, true), entry('b', 'k2', null, false)] }),
    );
    const store = configureStore({
      reducer: { api: stadionApi.reducer },
      middleware: (defaults) => defaults().concat(stadionApi.middleware),
    });
    await store.dispatch(stadionApi.endpoints.forecasts.initiate({ projectId: 'p', pacer: 'steady' }));
    for (const action of forecastsArrived('p', entries)) store.dispatch(action as never);
    return stadionApi.endpoints.forecasts.select({ projectId: 'p', pacer: 'steady' })(store.getState()).data!.entries;
  }

  it('take their place', async () => {
    expect((await after(entry('b', 'k2', 0.7, true)))[1]).toMatchObject({ done: true, summary: { clearRate: 0.7 } });
  });

  it('leave the old numbers until the new ones come, marked as not done', async () => {
    expect((await after(entry('a', 'k9', null, false)))[0]).toMatchObject({
      key: 'k9',
      done: false,
      summary: { clearRate: 0.5 },
    });
  });

  it('of a new slot are added', async () => {
    expect(await after(entry('c', 'k3', 0.1, true))).toHaveLength(3);
  });

  it('of another pacer are left to that pacer', async () => {
    expect((await after({ ...entry('a', 'k1', 0.9, true), pacer: 'sharp' }))[0]).toMatchObject({
      summary: { clearRate: 0.5 },
    });
  });
});
