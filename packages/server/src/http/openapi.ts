import { OpenApiGeneratorV31, OpenAPIRegistry } from '@asteasolutions/zod-to-openapi';
import * as contract from '@stadion/core/exchange/contract';
import { PROJECT_VERSION } from '@stadion/core/document/model';
import { z } from 'zod';
import type { Route } from './route.ts';

/** The description of an API, made from the routes that answer and the schemas that check every request. */
export function openApiDocument(routes: readonly Route[]): unknown {
  const registry = new OpenAPIRegistry();
  for (const { method, path, summary, request, responses, deprecated } of routes)
    registry.registerPath({ method, path: `/api${path}`, summary, request, responses, deprecated });
  for (const [name, schema] of Object.entries({
    ForecastEvent: contract.ForecastEvent,
    RevisionEvent: contract.RevisionEvent,
  })) {
    registry.registerComponent('schemas', name, z.toJSONSchema(schema, { io: 'input' }) as never);
  }
  return new OpenApiGeneratorV31(registry.definitions).generateDocument({
    openapi: '3.1.0',
    info: {
      title: 'Stadion',
      version: String(PROJECT_VERSION),
      description: 'Level rules, ramps, forecasts and hand-off of a project.',
    },
  });
}
