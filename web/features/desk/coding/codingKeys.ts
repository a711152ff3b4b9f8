import type { Athlete, PositionCode } from '@lean-mentor/core/scoring';
import type { CodedEvent } from '@lean-mentor/core/desk';
import { eventKeys, outcomeKeys, positionOfKey, techniqueKeys } from './paletteKeys.ts';

/** An attempt that is being told: when, then by whom and of what, then how it went. */
export interface AttemptBegun {
  atFrame: number;
  athlete: Athlete | null;
  technique: string | null;
}

/** What a key of the palette asks for. */
export type CodingAct =
  | { do: 'put'; position: PositionCode; partnerHolds: boolean }
  | { do: 'event'; fields: Partial<CodedEvent> & { kind: CodedEvent['kind'] }; atFrame: number }
  | { do: 'attempt'; attempt: AttemptBegun | null }
  | { do: 'stopOrRestart' }
  | { do: 'bringEdge' };

interface Pressed {
  /** The physical key. */
  code: string;
  /** Shift: the partner. */
  shiftKey: boolean;
  /** It is held down. */
  repeat: boolean;
}

/**
 * What a key does while the palette is open, on the frame that is shown; several acts are done one after the other. Null: the key is not
 * the palette's. A key that is held acts once.
 */
export function codingActs(key: Pressed, attempt: AttemptBegun | null, frame: number): CodingAct[] | null {
  if (attempt) return attemptActs(key, attempt);
  const { code, shiftKey, repeat } = key;
  const kind = eventKeys.find(([of]) => of === code)?.[1];
  const position = positionOfKey(code);
  if (!kind && !position) return null;
  if (repeat) return [];
  return [position ? { do: 'put', position, partnerHolds: shiftKey } : eventAct(kind!, shiftKey ? 'partner' : 'client', frame)];
}

/** What the key, or the button, of an event asks for. */
export function eventAct(kind: (typeof eventKeys)[number][1], athlete: Athlete, atFrame: number): CodingAct {
  if (kind === 'attempt') return { do: 'attempt', attempt: { atFrame, athlete: null, technique: null } };
  if (kind === 'stoppage') return { do: 'stopOrRestart' };
  if (kind === 'edge') return { do: 'bringEdge' };
  return { do: 'event', fields: { kind, athlete, ...(kind === 'finish' && { technique: '' }) }, atFrame };
}

/** How an attempt went, told where it began. */
export const outcomeActs = ({ atFrame, athlete, technique }: AttemptBegun, outcome: (typeof outcomeKeys)[number][1]): CodingAct[] => [
  { do: 'event', fields: { kind: 'attempt', athlete, technique, ...outcome }, atFrame },
  { do: 'attempt', attempt: null },
];

/** The attempt's own keys: which technique (with Shift the partner's), then how it went. Enter says that it failed. */
function attemptActs({ code, shiftKey }: Pressed, attempt: AttemptBegun): CodingAct[] | null {
  if (!attempt.technique) {
    const technique = techniqueKeys.find(([of]) => of === code)?.[1];
    return technique ? [{ do: 'attempt', attempt: { ...attempt, technique, athlete: shiftKey ? 'partner' : 'client' } }] : null;
  }
  const outcome = code === 'Enter' ? outcomeKeys[1][1] : outcomeKeys.find(([of]) => of === code)?.[1];
  return outcome ? outcomeActs(attempt, outcome) : null;
}
