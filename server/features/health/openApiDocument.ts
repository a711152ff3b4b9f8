import { OpenAPIRegistry, OpenApiGeneratorV31, type RouteConfig } from '@asteasolutions/zod-to-openapi';
import { operations, wireError } from '@lean-mentor/contract';

/** The contract as an OpenAPI 3.1 document; each operation states who may call it. */
export function openApiDocument(): Record<string, unknown> {
  const registry = new OpenAPIRegistry();
  for (const o of operations) {
    const content = o.response
      ? { 'application/json': { schema: o.response } }
      : { [o.stream ?? 'application/octet-stream']: { schema: { type: 'string' as const, format: 'binary' } } };
    registry.registerPath({
      method: o.method,
      path: o.path.replace(/:(\w+)/g, '{$1}'),
      operationId: o.name,
      tags: [o.room],
      summary: o.summary,
      description: `Access: ${o.access === 'anyone' ? 'anyone' : o.access.join(', ')}.`,
      request: {
        ...(o.params && { params: o.params as never }),
        ...(o.body && { body: { content: { 'application/json': { schema: o.body } } } }),
      },
      responses: {
        200: { description: 'The answer.', content },
        default: { description: 'What went wrong.', content: { 'application/json': { schema: wireError } } },
      },
    } as RouteConfig);
  }
  const document = new OpenApiGeneratorV31(registry.definitions).generateDocument({
    openapi: '3.1.0',
    info: { title: 'Lean Mentor', version: '0.1.0' },
  });
  return document as unknown as Record<string, unknown>;
}
