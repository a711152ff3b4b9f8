/** Whoever did nothing for so long is not at work any more, ms. */
export const restMs = 60_000;
const minuteMs = 60_000;
/** What could not be told within a day is not told. */
const keptMinutes = 1440;

/** Seconds of work, minute by minute of this machine's clock, until they have been told. */
export class DeskClock {
  private readonly seconds = new Map<number, number>();
  private activeAt = -Infinity;
  private tickedAt = -Infinity;

  /** Something was done at an instant (ms of any clock that only goes on). */
  act(now: number): void {
    this.activeAt = now;
  }

  /**
   * Time has gone on; called about every second while the page is seen. What lies between two calls counts as far as something was done
   * within the last minute; a gap of several seconds, as of a machine that slept, does not.
   */
  tick(now: number): void {
    const passed = (now - this.tickedAt) / 1000;
    this.tickedAt = now;
    if (passed <= 0 || passed > 5 || now - this.activeAt > restMs) return;
    const minute = Math.floor(now / minuteMs);
    this.seconds.set(minute, Math.min(60, (this.seconds.get(minute) ?? 0) + passed));
  }

  /** What is to be told at an instant: whole seconds, as so many minutes ago. */
  untold(now: number): { minutesAgo: number; seconds: number }[] {
    const thisMinute = Math.floor(now / minuteMs);
    for (const minute of this.seconds.keys()) if (thisMinute - minute > keptMinutes) this.seconds.delete(minute);
    return [...this.seconds]
      .map(([minute, seconds]) => ({ minutesAgo: thisMinute - minute, seconds: Math.round(seconds) }))
      .filter(({ seconds, minutesAgo }) => seconds > 0 && minutesAgo >= 0);
  }

  /** All but the minute that runs has been told; that one is told again when it is longer. */
  told(now: number): void {
    const thisMinute = Math.floor(now / minuteMs);
    for (const minute of this.seconds.keys()) if (minute < thisMinute) this.seconds.delete(minute);
  }
}
