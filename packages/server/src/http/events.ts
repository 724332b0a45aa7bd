import type { ServerEventName } from '@stadion/core/contract';
import { createChannel, createSession, type Channel } from 'better-sse';
import type { Request, Response } from 'express';

/** Who listens to which project, by server-sent events. */
export class ProjectEvents {
  readonly #channels = new Map<string, Channel>();
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
    channel.register(session);
    session.push({}, 'hello');
  }

  /** Tells everyone who has the project open. */
  tell(projectId: string, name: ServerEventName, data: unknown): void {
    this.#channels.get(projectId)?.broadcast(data, name);
  }

  isHeard(projectId: string): boolean {
    return (this.#channels.get(projectId)?.sessionCount ?? 0) > 0;
  }
}
