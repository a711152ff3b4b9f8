import type { z } from 'zod';

/** "spans[3].toSeconds" */
const placeOf = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (place, part) => (typeof part === 'number' ? `${place}[${part}]` : place ? `${place}.${String(part)}` : String(part)),
    '',
  );

const valueAt = (json: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>((value, part) => (value as Record<PropertyKey, unknown> | null | undefined)?.[part], json);

/** What the schema does not take, in words with the offending value. */
export function schemaFault(json: unknown, issue: z.core.$ZodIssue): string[] {
  // Of a union it is told what is wrong with the reading that came furthest.
  if (issue.code === 'invalid_union' && issue.errors.length > 0) {
    const object = typeof valueAt(json, issue.path) === 'object';
    const nearest = issue.errors[object ? issue.errors.length - 1 : 0]!;
    return nearest.flatMap((inner) => schemaFault(json, { ...inner, path: [...issue.path, ...inner.path] }));
  }
  const value = valueAt(json, issue.path);
  const given = value === undefined ? 'is missing' : `${JSON.stringify(value)?.slice(0, 60)} is not right`;
  return [`${placeOf(issue.path) || 'The file'} ${given}: ${issue.message.replace(/\.$/, '')}.`];
}
