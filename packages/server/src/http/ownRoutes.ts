import { z } from 'zod';
import { openApiDocument } from './openapi.ts';
import { json, type Route } from './route.ts';

/** The routes about the API itself. @param others the routes that the description has besides these */
export function ownRoutes(others: readonly Route[]): Route[] {
  let description: unknown;
  const own: Route[] = [
    {
      method: 'get',
      path: '/health',
      summary: 'Whether the server answers',
      responses: { 200: { description: 'It does.', ...json(z.object({ ok: z.literal(true) })) } },
      handle: (_request, response) => response.json({ ok: true }),
    },
    {
      method: 'get',
      path: '/openapi.json',
      summary: 'This description',
      responses: { 200: { description: 'OpenAPI 3.1.', ...json(z.looseObject({})) } },
      handle: (_request, response) => {
        description ??= openApiDocument([...others, ...own]);
        response.json(description);
      },
    },
  ];
  return own;
}
