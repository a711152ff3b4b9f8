import { writeSync } from 'node:fs';

/**
 * Writes a log's lines where `fd` leads. A full disk must not end whoever logs: a line for which there is no room is lost, and once there
 * is room the next one begins a new line. (pino's own writer throws there, and on the way out tries again for ever.)
 */
export function lineWriter(fd: number, write: (fd: number, bytes: Buffer) => number = writeSync): { write: (line: string) => void } {
  let cut = false;
  return {
    write: (line) => {
      const bytes = Buffer.from(cut ? `\n${line}` : line);
      try {
        cut = write(fd, bytes) < bytes.length;
      } catch {
        // Nobody could be told: this is where it would be said.
      }
    },
  };
}
