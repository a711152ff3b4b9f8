/** What of a request can be given into another hand: all of it, a bout to code, notes to draft. */
export const handOverParts = ['review', 'code', 'notes'] as const;
export type HandOverPart = (typeof handOverParts)[number];

/**
 * How a piece of handed work stands: asked for; offered as done; taken by who gave it; sent back undone by who got it; taken back by who
 * gave it.
 */
export const handOverStates = ['asked', 'offered', 'taken', 'declined', 'taken-back'] as const;
export type HandOverState = (typeof handOverStates)[number];

/** What can be done with it. `send-back` is the giver's: not yet as it should be. */
export const handOverActs = ['offer', 'decline', 'take', 'send-back', 'take-back'] as const;
export type HandOverAct = (typeof handOverActs)[number];

/** On which side of a piece of handed work somebody stands. */
export type HandOverSide = 'giver' | 'doer';

const ways: Readonly<Record<HandOverAct, { by: HandOverSide; from: readonly HandOverState[]; to: HandOverState; word: boolean }>> = {
  offer: { by: 'doer', from: ['asked'], to: 'offered', word: false },
  decline: { by: 'doer', from: ['asked'], to: 'declined', word: true },
  take: { by: 'giver', from: ['offered'], to: 'taken', word: false },
  'send-back': { by: 'giver', from: ['offered'], to: 'asked', word: true },
  'take-back': { by: 'giver', from: ['asked', 'offered'], to: 'taken-back', word: false },
};

/** How handed work stands after an act; null where that cannot be done from there, or not by this side. */
export function afterAct(state: HandOverState, act: HandOverAct, side: HandOverSide): HandOverState | null {
  const { by, from, to } = ways[act];
  return side === by && from.includes(state) ? to : null;
}

/** What can be done with handed work by one side, in the order it is offered. */
export const actsOf = (state: HandOverState, side: HandOverSide): HandOverAct[] =>
  handOverActs.filter((act) => afterAct(state, act, side) !== null);

/** Whether an act needs a word: whoever is sent something back is told why. */
export const needsWord = (act: HandOverAct): boolean => ways[act].word;
