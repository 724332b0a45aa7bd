import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { handOffOf, type HandOff } from '@stadion/core/exchange/formats';
import { projectOf } from '@stadion/core/document/model';
import { apply } from 'json-merge-patch';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { testApp } from '../../testing/testApp.ts';

let app: Awaited<ReturnType<typeof testApp>>;
let server: http.Server;
let id: string;
const open = new Set<http.ClientRequest>();
beforeAll(async () => {
  app = await testApp();
  ({ id } = await app.projects.create({ from: 'demo' }));
  await new Promise<void>((ready) => (server = app.express.listen(0, '127.0.0.1', () => ready())));
});
afterAll(async () => {
  for (const one of open) one.destroy();
  server.closeAllConnections();
  server.close();
  await app.end();
});

interface Told {
  event: string;
  id: string;
  data: unknown;
}

/** A game that listens, with the messages that it receives. */
function listen(query = '', lastId?: string) {
  const told: Told[] = [];
  const waiting: (() => void)[] = [];
  const { port } = server.address() as AddressInfo;
  const call = http.get(
    {
      port,
      host: '127.0.0.1',
      path: `/api/projects/${id}/live${query}`,
      headers: lastId === undefined ? {} : { 'Last-Event-ID': lastId },
    },
    (response) => {
      let text = '';
      response.setEncoding('utf8').on('data', (chunk: string) => {
        text += chunk;
        for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
          const fields = Object.fromEntries(
            text
              .slice(0, end)
              .split('\n')
              .map((line) => [line.slice(0, line.indexOf(':')), line.slice(line.indexOf(':') + 1).trim()]),
          );
          text = text.slice(end + 2);
          if (fields['event'] === undefined) continue;
          told.push({ event: fields['event'], id: fields['id'] ?? '', data: JSON.parse(fields['data'] ?? 'null') });
          for (const wake of waiting.splice(0)) wake();
        }
      });
    },
  );
  call.on('error', () => undefined);
  open.add(call);
  return {
    told,
    /** Returns the first `count` messages. */
    async first(count: number): Promise<Told[]> {
      while (told.length < count) await new Promise<void>((wake) => waiting.push(wake));
      return told.slice(0, count);
    },
    hangUp: () => void call.destroy(),
  };
}

let edits = 0;
async function pin(slot: string, value: number): Promise<void> {
  const { revision } = await app.projects.read(id);
  const patch = [{ op: 'add' as const, path: `/parameters/hornetSpeed/pins/${slot}`, value }];
  await app.projects.edit(id, { revision, editId: undefined }, [
    { id: `edit-${edits++}`, label: 'Hornet speed', patch },
  ]);
}
const handOff = async (): Promise<HandOff> => handOffOf(projectOf((await app.projects.read(id)).document));
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

describe('the live link', () => {
  it('tells the whole hand-off, then each change as a merge patch', async () => {
    const game = listen('?game=Sample');
    const [first] = await game.first(1);
    expect(first).toMatchObject({ event: 'hand-off', data: { format: 'stadion-hand-off' } });
    expect(app.live.connectedTo(id)).toMatchObject([{ game: 'Sample' }]);
    await pin('slot-3', 3.3);
    const [, patch] = await game.first(2);
    expect(patch).toMatchObject({ event: 'patch', data: { slots: { 'slot-3': { values: { hornetSpeed: 3.3 } } } } });
    expect(Object.keys((patch!.data as HandOff).slots)).toEqual(['slot-3']);
    expect(apply(structuredClone(first!.data), patch!.data)).toEqual(plain(await handOff()));
    game.hangUp();
  });

  it('refuses a slot that the project does not have, and keeps nothing of it', async () => {
    const { port } = server.address() as AddressInfo;
    const before = app.live.lines(id);
    const answers = await Promise.all(
      Array.from({ length: 20 }, (_, n) => fetch(`http://127.0.0.1:${port}/api/projects/${id}/live?slot=none-${n}`)),
    );
    expect(answers.map(({ status }) => status)).toEqual(answers.map(() => 404));
    expect(await answers[0]!.json()).toMatchObject({ detail: 'There is no slot none-0 in this project.' });
    expect(app.live.lines(id)).toBe(before);
  });

  it('lets a game that was away catch up, and begins again for one that knows no change', async () => {
    const game = listen();
    const [first] = await game.first(1);
    game.hangUp();
    await pin('slot-4', 3.1);
    await pin('slot-5', 3.2);
    const watcher = listen();
    await watcher.first(1);
    const back = listen('', first!.id);
    const told = await back.first(1);
    const all = told.reduce<unknown>(
      (known, { event, data }) => (event === 'patch' ? apply(known, data) : data),
      structuredClone(first!.data),
    );
    expect(told[0]!.event).toBe('patch');
    expect(all).toEqual(plain(await handOff()));
    const other = listen('', '99999');
    expect((await other.first(1))[0]!.event).toBe('hand-off');
    for (const one of [watcher, back, other]) one.hangUp();
  });

  it('tells one slot only, where a game asks for one', async () => {
    const game = listen('?slot=slot-7');
    const [first] = await game.first(1);
    expect(Object.keys((first!.data as HandOff).slots)).toEqual(['slot-7']);
    await pin('slot-8', 2.2);
    await pin('slot-7', 2.2);
    const [, patch] = await game.first(2);
    expect(patch!.data).toMatchObject({ slots: { 'slot-7': { values: { hornetSpeed: 2.2 } } } });
    game.hangUp();
  });
});
