import { fileURLToPath } from 'node:url';

// The scripts are plain JavaScript, which runs before anything is installed.
const script: string = new URL('../../scripts/build.mjs', import.meta.url).href;
const { buildServer, builtProgram } = (await import(script)) as {
  buildServer: (root: string, say: (words: string) => void) => void;
  builtProgram: (root: string, file: string) => string[];
};

const root = fileURLToPath(new URL('../..', import.meta.url));

/** How Node runs a program of the house in a process of its own, built first where it has changed: `server/commands/prepare.ts`. */
export function program(file: string): string[] {
  buildServer(root, () => undefined);
  return builtProgram(root, file);
}
