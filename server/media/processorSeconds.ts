import { readFileSync } from 'node:fs';

/** In these the kernel counts processor time, a second, whatever its own clock (proc(5), sysconf(3) `_SC_CLK_TCK`). */
const ticksASecond = 100;
/** Places of `utime` and `stime` behind the program's name, which is in parentheses and may hold spaces. */
const [userTicks, systemTicks] = [11, 12];

/** Processor time that a process has used so far, all its threads together, in seconds; 0 where it has ended or that is not told. */
export function processorSecondsOf(pid: number | undefined): number {
  if (pid === undefined) return 0;
  try {
    const told = readFileSync(`/proc/${pid}/stat`, 'latin1');
    const fields = told.slice(told.lastIndexOf(')') + 2).split(' ');
    return (Number(fields[userTicks]) + Number(fields[systemTicks])) / ticksASecond;
  } catch {
    return 0;
  }
}
