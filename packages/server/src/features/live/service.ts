import type { GameLink } from '@stadion/core/exchange/contract';
import { handOffOf, type HandOff } from '@stadion/core/exchange/formats';
import { projectOf, type ProjectDocument } from '@stadion/core/document/model';
import { createSession, type Session } from 'better-sse';
import type { Request, Response } from 'express';
import { generate } from 'json-merge-patch';
import type { Logger } from 'pino';
import { StadionError } from '../../http/errors.ts';
import { Soon } from '../../jobs/soon.ts';

interface Dependencies {
  read(id: string): Promise<{ document: ProjectDocument; revision: number }>;
  now: () => Date;
  log: Logger;
  /** Called when a game comes or goes. */
  onGames: (projectId: string) => void;
}

/** The line of games of one project: all of it, or one slot. */
interface Line {
  slot: string | undefined;
  sessions: Map<Session, { game: GameLink['connected'][number]; response: Response }>;
  /** The revision that its hand-off last changed with. */
  revision: number;
  handOff: HandOff;
  /** The hand-off as JSON text; undefined until a game asks for it at this revision. */
  text: string | undefined;
  /** Forgets the line some time after its last game has gone. */
  forgetting?: NodeJS.Timeout;
  /** The last changes, oldest first, by the revision that they lead to. */
  changes: { before: number; revision: number; patch: string }[];
}

/** Number of changes that are kept for games that were away; a game that was away for longer begins again. */
const KEPT_CHANGES = 300;
/** Edits within this time are sent as one message. Milliseconds. */
const TOGETHER_MS = 30;
/** Time for which a line and its changes are kept after its last game has gone. Milliseconds. */
const KEPT_MS = 120_000;
/** A game that is further behind than this is disconnected; it connects again and catches up. Bytes. */
const MOST_BEHIND_BYTES = 4_000_000;

export type LiveService = ReturnType<typeof makeLiveService>;

const only = (handOff: HandOff, slot: string | undefined): HandOff => {
  if (slot === undefined) return handOff;
  const alone = <T>(all: Readonly<Record<string, T>>): Record<string, T> => (all[slot] ? { [slot]: all[slot] } : {});
  const rounds = handOff.rounds && Object.entries(handOff.rounds).map(([round, slots]) => [round, alone(slots)]);
  return { ...handOff, slots: alone(handOff.slots), ...(rounds ? { rounds: Object.fromEntries(rounds) } : {}) };
};

/** Events are sent as the JSON text that is given: a text is made once for all who get it. */
const AS_IT_IS = (text: unknown): string => text as string;

/** A hand-off without the slots that another has as the very same objects: they need not be compared. */
const without = (handOff: HandOff, other: HandOff): HandOff => ({
  ...handOff,
  slots: Object.fromEntries(Object.entries(handOff.slots).filter(([id, slot]) => other.slots[id] !== slot)),
});

export function makeLiveService({ read, onGames, now: clock, log }: Dependencies) {
  /** Lines by project, then by slot. */
  const lines = new Map<string, Map<string, Line>>();

  const now = async (projectId: string): Promise<{ handOff: HandOff; revision: number }> => {
    const { document, revision } = await read(projectId);
    return { handOff: handOffOf(projectOf(document)), revision };
  };

  async function tell(projectId: string): Promise<void> {
    const open = [...(lines.get(projectId)?.values() ?? [])];
    if (open.length === 0) return;
    const { handOff, revision } = await now(projectId);
    for (const line of open) {
      // A line that was opened meanwhile may know more.
      if (revision <= line.revision) continue;
      const next = only(handOff, line.slot);
      const patch = generate(without(line.handOff, next), without(next, line.handOff)) as unknown;
      if (patch === undefined) continue;
      const text = JSON.stringify(patch);
      line.changes.push({ before: line.revision, revision, patch: text });
      line.handOff = next;
      line.text = undefined;
      line.revision = revision;
      if (line.changes.length > KEPT_CHANGES) line.changes.shift();
      for (const [session, { response }] of line.sessions) {
        session.push(text, 'patch', String(revision));
        if (response.writableLength > MOST_BEHIND_BYTES) response.destroy();
      }
    }
  }

  const telling = new Soon(tell, TOGETHER_MS, log);

  function forget(projectId: string, line: Line): void {
    const ofProject = lines.get(projectId);
    ofProject?.delete(line.slot ?? '');
    if (ofProject?.size === 0) lines.delete(projectId);
  }

  function leave(projectId: string, line: Line, session: Session): void {
    line.sessions.delete(session);
    if (line.sessions.size === 0) {
      line.forgetting = setTimeout(() => forget(projectId, line), KEPT_MS);
      line.forgetting.unref();
    }
    onGames(projectId);
  }

  async function lineOf(projectId: string, slot: string | undefined): Promise<Line> {
    const there = lines.get(projectId)?.get(slot ?? '');
    if (there) return there;
    const { handOff, revision } = await now(projectId);
    if (slot !== undefined && !(slot in handOff.slots))
      throw new StadionError('not-found', `There is no slot ${slot} in this project.`);
    const ofProject = lines.get(projectId) ?? new Map<string, Line>();
    lines.set(projectId, ofProject);
    const line = ofProject.get(slot ?? '') ?? {
      ...{ slot, revision, changes: [], text: undefined },
      sessions: new Map<Session, never>(),
      handOff: only(handOff, slot),
    };
    ofProject.set(slot ?? '', line);
    return line;
  }

  return {
    /** Connects a game until it goes away. @param game its name @param slot id of the one slot that it follows */
    async connect(projectId: string, game: string, slot: string | undefined, request: Request, response: Response) {
      const line = await lineOf(projectId, slot);
      // Before anything is waited for: the line must not be forgotten meanwhile.
      clearTimeout(line.forgetting);
      const session = await createSession(request, response, { retry: 1000, serializer: AS_IT_IS });
      const since = clock().toISOString();
      line.sessions.set(session, { game: { game, ...(slot === undefined ? {} : { slot }), since }, response });
      response.once('close', () => leave(projectId, line, session));
      const known = line.changes.findIndex((change) => String(change.before) === session.lastId);
      if (known >= 0)
        for (const change of line.changes.slice(known)) session.push(change.patch, 'patch', String(change.revision));
      else if (session.lastId !== String(line.revision))
        session.push((line.text ??= JSON.stringify(line.handOff)), 'hand-off', String(line.revision));
      onGames(projectId);
    },

    /** The project has changed: its games hear of it within a moment. */
    changed(projectId: string): void {
      if (lines.has(projectId)) telling.ask(projectId);
    },

    /** The number of lines that are kept for a project. */
    lines: (projectId: string): number => lines.get(projectId)?.size ?? 0,

    connectedTo: (projectId: string): GameLink['connected'] =>
      [...(lines.get(projectId)?.values() ?? [])].flatMap(({ sessions }) =>
        [...sessions.values()].map(({ game }) => game),
      ),

    close(): void {
      telling.close();
      for (const ofProject of lines.values()) for (const line of ofProject.values()) clearTimeout(line.forgetting);
    },
  };
}
