import { describe, expect, it } from 'vitest';
import { deskChange, errorTable, operations, wireError } from './index.ts';

const id = '3f2a9d10-1111-4111-8111-111111111111';

describe('the error table', () => {
  it('has for each code a status of failure and one or two plain sentences', () => {
    for (const [code, { status, words }] of Object.entries(errorTable)) {
      expect(status, code).toBeGreaterThanOrEqual(400);
      expect(words, code).toMatch(/^[A-Z].*\.$/);
      expect(words, code).not.toMatch(/!|submit|invalid|error/i);
      expect(wireError.safeParse({ code, message: words }).success).toBe(true);
    }
  });
});

describe('an operation', () => {
  it('has a schema for each parameter of its way', () => {
    for (const { name, path, params } of operations) {
      const wanted = [...path.matchAll(/:(\w+)/g)].map((m) => m[1]);
      const shape = (params as { shape?: Record<string, unknown> } | undefined)?.shape ?? {};
      expect(Object.keys(shape).sort(), name).toEqual(wanted.sort());
    }
  });

  it('answers with JSON or with a stream, never both', () => {
    for (const { name, response, stream } of operations) expect(Boolean(response) !== Boolean(stream), name).toBe(true);
  });
});

describe('a desk edit', () => {
  it('names the field that a new thing lacks', () => {
    const read = deskChange.safeParse({ changeId: id, entity: 'mark', id, before: null, after: { atFrame: 3 } });
    expect(read.error?.issues.map((i) => i.path.join('.'))).toEqual(['after.footageId', 'after.state']);
  });

  it('may name any few fields of what exists, but only its own', () => {
    const change = { changeId: id, entity: 'note', id, before: { what: 'a' }, after: { what: 'b', drawn: true } };
    expect(deskChange.parse(change).after).toEqual({ what: 'b' });
  });

  it('keeps frames and points within their ranges', () => {
    const edit = (after: object) => deskChange.safeParse({ changeId: id, entity: 'drawing', id, before: {}, after }).success;
    expect(edit({ points: [{ x: 0.5, y: 1.2 }] })).toBe(true);
    expect(edit({ points: [{ x: 0.5, y: 400 }] })).toBe(false);
    expect(edit({ fromFrame: -1 })).toBe(false);
    expect(edit({ fromFrame: 1.5 })).toBe(false);
  });
});
