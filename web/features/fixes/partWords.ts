import type { OwnHarm, RankPart } from '@lean-mentor/core/fixes';

/** What each part of a score is, in a word and in a sentence. */
export const partNames: Readonly<Record<RankPart, { word: string; words: string }>> = {
  C: { word: 'Cost', words: 'What it cost: points, finishes and control, carried back along the chains' },
  F: { word: 'Often', words: 'How often it came up for the time it could have' },
  R: { word: 'Again', words: 'How often it was there in the past six requests' },
  G: { word: 'Asked', words: 'Whether they asked about it, or it touches their plan' },
  B: { word: 'Ground', words: 'How much of the rest is built on it' },
};

/** "3 points, control −45": what a note's own harm is made of; empty where there was none. */
export function harmWords({ finish, points, near, forgone, leanDrop, called }: OwnHarm): string {
  if (called) return 'by how heavy you called it';
  const parts = [
    ...(finish ? ['the finish'] : []),
    ...(points > 0 ? [`${points} ${points === 1 ? 'point' : 'points'}`] : []),
    ...(near > 0 ? [`${near} near`] : []),
    ...(forgone > 0 ? [`${forgone} forgone`] : []),
    ...(leanDrop >= 1 ? [`control −${Math.round(leanDrop)}`] : []),
  ];
  return parts.join(', ');
}
