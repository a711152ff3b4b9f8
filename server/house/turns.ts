import { ContractError } from './contractError.ts';

interface Waiting {
  who: string;
  begin: () => void;
}

/** How many may be at heavy work at once, and wait for it. */
export interface TurnLimits {
  overall: number;
  /** Of one person (or address of a reader with a link). */
  each: number;
  /** So many of one person may wait; the next one is refused as `busy`. */
  waitingEach: number;
}

/**
 * Heavy work of this process (stills, clips) in turns: few at once, fewer of one person, the others wait. Of those who wait the one goes
 * first of whom the fewest are at work, then the one who has waited longest, so that nobody's hundred stills hold up another's one.
 */
export class Turns {
  private running = 0;
  private readonly runningOf = new Map<string, number>();
  private readonly waiting: Waiting[] = [];

  constructor(private readonly limits: TurnLimits) {}

  /** Does the work when its turn comes. Throws `busy` where too many of the same person wait already. */
  async run<T>(who: string, work: () => Promise<T>): Promise<T> {
    if (!this.isFree(who)) {
      if (this.waiting.filter((one) => one.who === who).length >= this.limits.waitingEach) throw new ContractError('busy');
      await new Promise<void>((begin) => this.waiting.push({ who, begin }));
    } else this.count(who, 1);
    try {
      return await work();
    } finally {
      this.count(who, -1);
      this.next();
    }
  }

  private isFree(who: string): boolean {
    return this.running < this.limits.overall && (this.runningOf.get(who) ?? 0) < this.limits.each;
  }

  private count(who: string, by: 1 | -1): void {
    this.running += by;
    const now = (this.runningOf.get(who) ?? 0) + by;
    if (now > 0) this.runningOf.set(who, now);
    else this.runningOf.delete(who);
  }

  private next(): void {
    const able = this.waiting.filter(({ who }) => this.isFree(who));
    const [first] = able.sort((a, b) => (this.runningOf.get(a.who) ?? 0) - (this.runningOf.get(b.who) ?? 0));
    if (!first) return;
    this.waiting.splice(this.waiting.indexOf(first), 1);
    // Counted here, before anybody else can ask.
    this.count(first.who, 1);
    first.begin();
  }
}
