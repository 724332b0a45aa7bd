import type { ServerEventName } from '@stadion/core/exchange/contract';
import { createChannel, createSession, type Channel } from 'better-sse';
import type { Request, Response } from 'express';

/** Limit of unsent bytes for one listener: beyond it the connection is closed, and the page fetches the missed events. */
const MOST_BEHIND_BYTES = 4_000_000;

/** Listeners of each project, by server-sent events. */
export class ProjectEvents {
  readonly #channels = new Map<string, Channel>();
  /** Connections of listeners, by project. */
  readonly #connections = new Map<string, Set<Response>>();
  readonly #onLeft: (projectId: string) => void;

  /** @param onLeft called once nobody listens to a project any more */
  constructor(onLeft: (projectId: string) => void) {
    this.#onLeft = onLeft;
  }

  /** Connects a listener until it goes away. */
  async connect(projectId: string, request: Request, response: Response): Promise<void> {
    const session = await createSession(request, response, { retry: 1000 });
    let channel = this.#channels.get(projectId);
    if (!channel) {
      channel = createChannel();
      channel.on('session-deregistered', () => {
        if (!this.isHeard(projectId)) this.#onLeft(projectId);
      });
      this.#channels.set(projectId, channel);
    }
    const connections = this.#connections.get(projectId) ?? new Set();
    this.#connections.set(projectId, connections.add(response));
    response.once('close', () => {
      connections.delete(response);
      if (connections.size === 0) this.#connections.delete(projectId);
    });
    channel.register(session);
    session.push({}, 'hello');
  }

  /** Tells everyone who has the project open. */
  tell(projectId: string, name: ServerEventName, data: unknown): void {
    this.#channels.get(projectId)?.broadcast(data, name);
    for (const connection of this.#connections.get(projectId) ?? [])
      if (connection.writableLength > MOST_BEHIND_BYTES) connection.destroy();
  }

  isHeard(projectId: string): boolean {
    return (this.#channels.get(projectId)?.sessionCount ?? 0) > 0;
  }
}
