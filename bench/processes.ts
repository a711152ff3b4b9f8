import { readdirSync, readFileSync } from 'node:fs';

const read = (pid: string, name: string): string => {
  try {
    return readFileSync(`/proc/${pid}/${name}`, 'latin1');
  } catch {
    return '';
  }
};

/** Memory of the house's process that runs `main`, in MB: now, and the most it ever was. Linux only, like the whole bench. */
export function memoryOf(base: string, main: string): { now: number; most: number } {
  const { port } = new URL(base);
  const pid = readdirSync('/proc').find(
    (name) => /^\d+$/.test(name) && read(name, 'cmdline').includes(main) && read(name, 'environ').split('\0').includes(`PORT=${port}`),
  );
  const status = pid ? read(pid, 'status') : '';
  const kilobytes = (field: string): number => Number(new RegExp(`${field}:\\s+(\\d+) kB`).exec(status)?.[1] ?? NaN);
  return { now: Math.round(kilobytes('VmRSS') / 1000), most: Math.round(kilobytes('VmHWM') / 1000) };
}
