/** A decision that a client was asked about in a critique, and which of its ways they chose; the coach's is the first, 0. */
export interface ForkChosen {
  /** What the decision is about; null where no principle is named. */
  principleId: string | null;
  choice: number;
}

/** Of the decisions that somebody was asked about, those at which they chose the coach's way. */
export interface Knowing {
  right: number;
  asked: number;
}

export const nothingAsked: Knowing = { right: 0, asked: 0 };

/**
 * What a client knows of each principle, by their answers to what they would do, apart from what they do on the mat (docs/domain.md §7):
 * the two are never added.
 */
export function knowingByPrinciple(chosen: readonly ForkChosen[]): Map<string, Knowing> {
  const known = new Map<string, Knowing>();
  for (const { principleId, choice } of chosen) {
    if (principleId === null) continue;
    const { right, asked } = known.get(principleId) ?? nothingAsked;
    known.set(principleId, { right: right + (choice === 0 ? 1 : 0), asked: asked + 1 });
  }
  return known;
}
