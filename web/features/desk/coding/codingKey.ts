import type { CodingHand } from './codingHand.ts';
import { eventKeys, outcomeKeys, positionOfKey, techniqueKeys } from './paletteKeys.ts';

/** What a key does while the palette is open; Shift: the partner. Answers whether it was the palette's. */
export function codingKey({ code, shiftKey, repeat }: KeyboardEvent, hand: CodingHand, frame: number): boolean {
  if (hand.attempt) return attemptKey(code, shiftKey, hand);
  const athlete = shiftKey ? 'partner' : 'client';
  const kind = eventKeys.find(([of]) => of === code)?.[1];
  const position = positionOfKey(code);
  if (!kind && !position) return false;
  if (repeat) return true;
  if (position) hand.put(position, shiftKey);
  else if (kind === 'attempt') hand.setAttempt({ atFrame: frame, athlete: null, technique: null });
  else if (kind === 'stoppage') hand.stopOrRestart();
  else if (kind === 'edge') hand.bringEdge();
  else if (kind === 'finish') hand.addEvent({ kind, athlete, technique: '' });
  else if (kind) hand.addEvent({ kind, athlete });
  return true;
}

/** The attempt's own keys: which technique (with Shift the partner's), then how it went. Enter says that it failed. */
function attemptKey(code: string, shiftKey: boolean, hand: CodingHand): boolean {
  const attempt = hand.attempt!;
  if (!attempt.technique) {
    const technique = techniqueKeys.find(([of]) => of === code)?.[1];
    if (technique) hand.setAttempt({ ...attempt, technique, athlete: shiftKey ? 'partner' : 'client' });
    return technique !== undefined;
  }
  const outcome = code === 'Enter' ? outcomeKeys[1][1] : outcomeKeys.find(([of]) => of === code)?.[1];
  if (!outcome) return false;
  hand.addEvent({ kind: 'attempt', athlete: attempt.athlete, technique: attempt.technique, ...outcome }, attempt.atFrame);
  hand.setAttempt(null);
  return true;
}
