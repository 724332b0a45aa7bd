import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import request from 'supertest';
import { testApp } from '../../testing/testApp.ts';

let app: Awaited<ReturnType<typeof testApp>>;
let id: string;
beforeAll(async () => {
  app = await testApp();
  ({ id } = await app.projects.create({ from: 'demo' }));
});
afterAll(() => app.end());

const ended = (key: string, change: object = {}) => ({
  specversion: '1.0',
  id: key,
  source: '/games/dusk',
  type: 'attempt.ended',
  time: '2030-01-01T08:00:00Z',
  data: { slot: 'slot-7', result: 'won', seconds: 21.5, stars: 2 },
  ...change,
});
const send = (body: unknown, type = 'application/cloudevents-batch+json') =>
  request(app.express).post(`/api/projects/${id}/events`).type(type).send(JSON.stringify(body));
const link = async () => (await request(app.express).get(`/api/projects/${id}/games`)).body as Record<string, unknown>;

describe('events of games', () => {
  it('are kept, one or many, and each counts once', async () => {
    expect((await send(ended('one'), 'application/cloudevents+json')).body).toEqual({ kept: 1, known: 0, refused: [] });
    const again = await send([ended('one'), ended('two'), ended('two')]);
    expect([again.status, again.body]).toEqual([202, { kept: 1, known: 2, refused: [] }]);
    expect(await link()).toMatchObject({
      events: 2,
      attemptsToday: 2,
      last: { type: 'attempt.ended', slot: 'slot-7' },
    });
  });

  it('that are wrong are refused with their place, while the rest is kept', async () => {
    const answer = await send([
      ended('three'),
      ended('four', { data: { slot: 'slot-7', result: 'drawn', seconds: 2 } }),
      ended('five', { type: 'attempt.paused' }),
      { ...ended('six'), specversion: '0.3' },
    ]);
    expect(answer.status).toBe(202);
    expect(answer.body).toMatchObject({
      kept: 1,
      refused: [
        { index: 1, pointer: '/1/data/result' },
        { index: 2, pointer: '/2/type' },
        { index: 3, pointer: '/3/specversion' },
      ],
    });
  });

  it('with ids that a database would not tell apart are refused', async () => {
    const answer = await send(
      ['nul\u0000', 'half \ud800', 'half \ud801', 'line\nbreak'].map((key) => ended(key)).concat(ended('sound 🐝')),
    );
    expect(answer.body).toMatchObject({ kept: 1, known: 0 });
    expect((answer.body as { refused: { pointer: string }[] }).refused.map(({ pointer }) => pointer)).toEqual(
      [0, 1, 2, 3].map((index) => `/${index}/id`),
    );
  });

  it('of which none can be read are refused as a whole, with what was kept', async () => {
    const answer = await send({ specversion: '1.0' }, 'application/json');
    expect(answer.status).toBe(422);
    expect(answer.body).toMatchObject({ code: 'bad-event', kept: 'None of these events was kept.' });
    expect((await send('hello', 'text/plain')).status).toBe(415);
    expect((await send(Array.from({ length: 1001 }, (_, i) => ended(`x${i}`)))).status).toBe(400);
    expect(
      (
        await request(app.express)
          .post('/api/projects/nothing/events')
          .send([ended('x')])
      ).status,
    ).toBe(404);
  });

  it('come out again as lines of JSON, in the order of time', async () => {
    await send([ended('early', { time: '2029-12-31T23:00:00+01:00' })]);
    const { text } = await request(app.express)
      .get(`/api/projects/${id}/events.jsonl`)
      .buffer(true)
      .parse((response, done) => {
        let all = '';
        response.on('data', (chunk: Buffer) => (all += chunk.toString()));
        response.on('end', () => done(null, all));
      })
      .then(({ body }) => ({ text: body as string }));
    const lines = text
      .trimEnd()
      .split('\n')
      .map((line) => JSON.parse(line) as { id: string; time: string });
    expect(lines).toHaveLength(5);
    expect(lines[0]).toMatchObject({ id: 'early', time: '2029-12-31T22:00:00.000Z', type: 'attempt.ended' });
  });

  it('from fifty games at once are all there', async () => {
    const before = (await link())['events'] as number;
    const answers = await Promise.all(
      Array.from({ length: 50 }, (_, game) =>
        send(Array.from({ length: 40 }, (_each, i) => ended(`g${game}-${i}`, { source: `/games/${game % 7}` }))),
      ),
    );
    expect(answers.map(({ status }) => status)).toEqual(answers.map(() => 202));
    expect((await link())['events']).toBe(before + 2000);
  });
});

describe('requests in a minute', () => {
  it('may be more for events that come in, and for nothing else', async () => {
    const limit = (headers: Record<string, string>) => headers['ratelimit-policy'];
    expect(limit((await send(ended('limited'))).headers)).toBe('300000;w=60');
    for (const path of ['games', 'events.jsonl', 'hand-offs'])
      expect(limit((await request(app.express).get(`/api/projects/${id}/${path}`)).headers)).toBe('3000;w=60');
  });
});
