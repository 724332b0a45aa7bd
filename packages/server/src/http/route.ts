import type { RouteConfig } from '@asteasolutions/zod-to-openapi';
import * as contract from '@stadion/core/exchange/contract';
import { Router, type Request, type RequestHandler, type Response } from 'express';
import { z } from 'zod';

export type Responses = RouteConfig['responses'];

/** One address of the API: its description, and the code that answers. */
export interface Route {
  method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  /** Below /api, parameters in braces. @example '/projects/{id}' */
  path: string;
  summary: string;
  request?: RouteConfig['request'];
  responses: Responses;
  /** An address that is kept for those who know it. */
  deprecated?: true;
  /** Reads a body that is not plain JSON. */
  readBody?: RequestHandler;
  handle: (request: Request, response: Response) => unknown;
}

/** The routes as Express takes them. */
export function routerOf(routes: readonly Route[]): Router {
  const router = Router();
  for (const { method, path, readBody, handle } of routes)
    router[method](path.replaceAll(/\{(\w+)\}/g, ':$1'), ...(readBody ? [readBody] : []), async (request, response) => {
      await handle(request, response);
    });
  return router;
}

/** A body of JSON. */
export const json = (schema: z.ZodType) => ({ content: { 'application/json': { schema } } });

/** An error as problem details. */
export const problem = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: contract.Problem } },
});

/** A body of text. @param type media type */
export const textOf = (type: string) => ({ content: { [type]: { schema: z.string() } } });

/** An answer of JSON about a project, and that there is no such project. */
export const found = (description: string, schema: z.ZodType): Responses => ({
  200: { description, ...json(schema) },
  404: problem('There is no such project.'),
});

/** An answer of text about a project, and that there is no such project. @param type media type */
export const foundText = (description: string, type: string): Responses => ({
  200: { description, ...textOf(type) },
  404: problem('There is no such project.'),
});

/** An answer without a body. @param what is addressed, with its article left out */
export const done = (description: string, what = 'project'): Responses => ({
  204: { description },
  404: problem(`There is no such ${what}.`),
});

/** Parameters of an address within a project. */
export const ofProject = z.object({ id: z.string().describe('Of the project.') });
