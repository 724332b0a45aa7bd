import type { Problem } from '@stadion/core/exchange/contract';
import type { ZodType } from 'zod';

/** An answer that is not what was asked for, as problem details. */
export class HttpProblem extends Error {
  readonly problem: Problem;

  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }
}

/** The server could not be reached, or went away before it had answered. */
export class Unreachable extends Error {}

/** Loads the schema of problem details: before there is one, since a page may outlive the server that it came from. */
export const loadProblemSchema = async (): Promise<ZodType<Problem>> =>
  (await import('@stadion/core/exchange/contract')).Problem;

/** Reads problem details. @returns undefined for any other answer */
async function readProblem(response: Response): Promise<Problem | undefined> {
  const answer: unknown = await response.json().catch(() => undefined);
  return (await loadProblemSchema()).safeParse(answer).data;
}

async function problemOf(response: Response): Promise<Problem> {
  const problem = await readProblem(response).catch(() => undefined);
  if (problem) return problem;
  const { status, statusText } = response;
  return {
    type: 'about:blank',
    title: statusText,
    status,
    detail: `The server answered ${status} ${statusText}.`,
    code: 'unknown',
    kept: 'Nothing was changed.',
  };
}

/** Fetch JSON. @throws HttpProblem for an error answer, Unreachable when there is none */
export async function fetchJson<T>(address: string, init?: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(address, init);
  } catch {
    throw new Unreachable('The server cannot be reached.');
  }
  // A proxy in front of a server that is down answers in its place.
  if (response.status === 502 || response.status === 503 || response.status === 504)
    throw new Unreachable('The server cannot be reached.');
  if (!response.ok) throw new HttpProblem(await problemOf(response));
  // “No content” says that it is done, and nothing else.
  if (response.status === 204) return undefined as T;
  return (await response.json().catch(() => {
    throw new Unreachable('The answer ended too soon.');
  })) as T;
}

export const jsonBody = (
  method: 'POST' | 'PATCH' | 'PUT',
  body: unknown,
  headers: Record<string, string> = {},
): RequestInit => ({
  method,
  headers: { 'Content-Type': 'application/json', ...headers },
  body: JSON.stringify(body),
});
