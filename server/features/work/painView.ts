import type { PainFlag } from '@lean-mentor/contract';
import type { PainRow } from './model.ts';

/** A pain as it goes over the wire. */
export const painView = ({ id, part, side, words, raisedOn, settledAt, settledBy, settledWords }: PainRow): PainFlag => ({
  ...{ id, part, side, words, raisedOn, settledBy, settledWords },
  settledAt: settledAt?.toISOString() ?? null,
});
