import { z } from 'zod';

export const id = z.uuid();
/** Index into a footage's frame table. */
export const frame = z.int().min(0).max(10_000_000);
/** ISO 8601 instant in UTC. */
export const instant = z.iso.datetime();
/** What a link carries that opens something: 256 bits. */
export const linkToken = z.string().regex(/^[A-Za-z0-9_-]{43}$/);
/** Text a person wrote: trimmed, at least one character. */
export const written = (most: number) => z.string().trim().min(1, 'Write something here.').max(most, `At most ${most} characters.`);
/** What a position, a try or a finish is called. */
export const techniqueName = z.string().trim().min(1).max(80);
/** Largest file that is taken. */
export const mostFileBytes = 20 * 1024 ** 3;
export const done = z.object({ done: z.literal(true) });
