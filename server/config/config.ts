import { resolve } from 'node:path';
import { z } from 'zod';

/** What the environment says. Every name is in README's table. */
export interface Config {
  port: number;
  dataDir: string;
  database: { port: number; user: string; password: string; name: string };
  /** Secret that signs session cookies. */
  secret: string;
  logLevel: string;
  webDir: string;
}

const port = (name: string, fallback: number) =>
  z.coerce
    .number({ error: `${name} must be a port number.` })
    .int()
    .min(0, `${name} must be a port number.`)
    .max(65535, `${name} must be at most 65535.`)
    .default(fallback);

const environment = z.object({
  PORT: port('PORT', 4170),
  LEAN_DATA_DIR: z.string().default('.data'),
  LEAN_DB_PORT: port('LEAN_DB_PORT', 4171),
  LEAN_DB_NAME: z
    .string()
    .regex(/^[a-z_0-9]+$/)
    .default('lean_mentor'),
  LEAN_DB_PASSWORD: z.string({ error: 'LEAN_DB_PASSWORD is missing; scripts/start.mjs sets it.' }).min(8),
  LEAN_SECRET: z.string({ error: 'LEAN_SECRET is missing; scripts/start.mjs sets it.' }).min(16),
  LEAN_LOG: z.enum(['debug', 'info', 'warn', 'error', 'silent']).default('info'),
});

/** Reads and checks the environment. Throws one sentence that names the variable at fault. */
export function readConfig(env: NodeJS.ProcessEnv = process.env): Config {
  const read = environment.safeParse(env);
  if (!read.success) throw new Error(read.error.issues.map((issue) => issue.message).join(' '));
  const e = read.data;
  return {
    port: e.PORT,
    dataDir: resolve(e.LEAN_DATA_DIR),
    database: { port: e.LEAN_DB_PORT, user: 'lean', password: e.LEAN_DB_PASSWORD, name: e.LEAN_DB_NAME },
    secret: e.LEAN_SECRET,
    logLevel: e.LEAN_LOG,
    webDir: resolve(import.meta.dirname, '../../web/dist'),
  };
}
