import { applyDeskChange, emptyDesk, mergeDeskChange, itemsOf, type DeskChange, type DeskDocument } from '@lean-mentor/core/desk';

/** Mulberry32: a small seeded generator, 0 inclusive to 1 exclusive. */
export const seeded = (seed: number) => () => {
  seed = (seed + 0x6d2b79f5) | 0;
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
};

/** The server's side of saving, in memory: takes each edit once, merges, and answers as the weather lets it. */
export class FakeServer {
  document: DeskDocument = emptyDesk();
  sequence = 0;
  /** Each edit that was taken, and how often. */
  taken = new Map<string, number>();
  lots: DeskChange[][] = [];
  /** Edits that may not be, and edits whose whole lot is answered as not readable. */
  refuses = new Set<string>();
  cannotRead = new Set<string>();
  /** What happens to the next calls: not reached, or taken with the answer lost on the way. */
  weather: ('away' | 'answer-lost')[] = [];
  dropsEveryThird = false;
  private log: { sequence: number; effects: DeskChange[] }[] = [];
  private removed = new Map<string, Record<string, unknown>>();
  private calls = 0;

  take(change: DeskChange, by: string): void {
    if (this.taken.has(change.changeId)) return;
    this.taken.set(change.changeId, (this.taken.get(change.changeId) ?? 0) + 1);
    const present = itemsOf(this.document, change.entity)[change.id] as Record<string, unknown> | undefined;
    const meeting = {
      present: present ?? null,
      removed: this.removed.get(change.id) ?? null,
      by,
      lastBy: () => 'somebody',
      newId: () => crypto.randomUUID(),
    };
    const effects = mergeDeskChange(change, meeting);
    for (const effect of effects) {
      if (effect.after === null && present) this.removed.set(effect.id, present);
      this.document = applyDeskChange(this.document, effect);
    }
    this.log.push({ sequence: (this.sequence += 1), effects });
  }

  async answer({ changes, since }: { changes: DeskChange[]; since: number }): Promise<Response> {
    this.calls += 1;
    const weather = this.weather.shift() ?? (this.dropsEveryThird && this.calls % 3 === 0 ? 'answer-lost' : null);
    await new Promise((resolve) => setTimeout(resolve, 1));
    if (weather === 'away') throw new TypeError('no network');
    this.lots.push(changes);
    if (changes.some((change) => this.cannotRead.has(change.changeId)))
      return new Response(JSON.stringify({ code: 'not-valid', message: 'Not readable.' }), { status: 400 });
    const refused = changes.filter((change) => this.refuses.has(change.changeId));
    const accepted = changes.filter((change) => !refused.includes(change));
    for (const change of accepted) this.take(change, 'Marit');
    if (weather === 'answer-lost') throw new TypeError('the answer was lost');
    const news = this.log.filter((entry) => entry.sequence > since);
    return new Response(
      JSON.stringify({
        saved: accepted.map((change) => change.changeId),
        refused: refused.map(({ changeId }) => ({ changeId, why: 'No.' })),
        sequence: this.sequence,
        changes: news.flatMap((entry) => entry.effects),
      }),
    );
  }
}
