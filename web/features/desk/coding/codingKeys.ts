import type { Athlete, PositionCode, Posture } from '@lean-mentor/core/scoring';
import type { CodedEvent, CodedThreat } from '@lean-mentor/core/desk';
import { assertNever } from '@lean-mentor/core/never';
import { endedKeys, eventKeys, outcomeKeys, positionOfKey, postureKeys, techniqueKeys } from './paletteKeys.ts';

/** An attempt that is being told: when, then by whom and of what, by which name if one is typed, then how it went. */
export interface AttemptBegun {
  atFrame: number;
  athlete: Athlete | null;
  technique: string | null;
  letters: string;
  /** Which of those that the letters find. */
  choice: number;
}

/** What the palette asks for next; whatever else is pressed goes on without an answer. */
export type Asked =
  | { of: 'attempt'; attempt: AttemptBegun }
  /** A name for what was told last: letters, then which of those that they find. */
  | { of: 'name'; letters: string; choice: number }
  | { of: 'posture' }
  /** How a threat ended. */
  | { of: 'ended'; threatId: string };

/** What a key of the palette asks for. */
export type CodingAct =
  | { do: 'put'; position: PositionCode; partnerHolds: boolean }
  | { do: 'event'; fields: Partial<CodedEvent> & { kind: CodedEvent['kind'] }; atFrame: number }
  | { do: 'ask'; asked: Asked | null }
  /** Names what was told last by what the letters find. */
  | { do: 'name'; letters: string; choice: number }
  /** Tells how an attempt went, by the name that its letters find. */
  | { do: 'attempted'; attempt: AttemptBegun; outcome: (typeof outcomeKeys)[number][1] }
  | { do: 'posture'; posture: Posture }
  /** Begins an attack of this athlete, or ends the one that is on. */
  | { do: 'threat'; athlete: Athlete }
  | { do: 'lock'; athlete: Athlete }
  | { do: 'ended'; threatId: string; ended: CodedThreat['ended'] }
  | { do: 'stopOrRestart' }
  | { do: 'bringEdge' };

interface Pressed {
  /** The physical key, and what it writes on this layout. */
  code: string;
  key?: string;
  /** Shift: the partner. */
  shiftKey: boolean;
  /** It is held down. */
  repeat: boolean;
}

/** So many letters find a name. */
const nameLetters = 2;
const letterOf = ({ code, key = '' }: Pressed): string | null =>
  /^\p{L}$/u.test(key) ? key.toLowerCase() : (/^Key([A-Z])$/.exec(code)?.[1]?.toLowerCase() ?? null);

/** Whether letters are asked for, which then go before the keys that play the video. */
export const takesLetters = (asked: Asked | null): boolean =>
  asked?.of === 'name' ? asked.letters.length < nameLetters : asked?.of === 'attempt' && asked.attempt.technique !== null;

/**
 * What a key does while the palette is open, on the frame that is shown; several acts are done one after the other. Null: the key is not
 * the palette's. A key that is held acts once.
 */
export function codingActs(key: Pressed, asked: Asked | null, frame: number): CodingAct[] | null {
  if (asked?.of === 'attempt') return attemptActs(key, asked.attempt);
  const answer = asked === null ? null : answerActs(key, asked);
  if (answer) return answer;
  const { code, shiftKey, repeat } = key;
  const athlete: Athlete = shiftKey ? 'partner' : 'client';
  const position = positionOfKey(code);
  const event = eventKeys.find(([of]) => of === code)?.[1];
  if (!event && !position) return null;
  if (repeat) return [];
  // Whoever goes on needs no answer to what was asked.
  const goesOn: CodingAct[] = asked === null ? [] : [{ do: 'ask', asked: null }];
  return [...goesOn, position ? { do: 'put', position, partnerHolds: shiftKey } : eventAct(event!, athlete, frame)];
}

/** What the key, or the button, of an event asks for. */
export function eventAct(kind: (typeof eventKeys)[number][1], athlete: Athlete, atFrame: number): CodingAct {
  switch (kind) {
    case 'attempt':
      return { do: 'ask', asked: { of: 'attempt', attempt: { atFrame, athlete: null, technique: null, letters: '', choice: 0 } } };
    case 'stoppage':
      return { do: 'stopOrRestart' };
    case 'edge':
      return { do: 'bringEdge' };
    case 'name':
      return { do: 'ask', asked: { of: 'name', letters: '', choice: 0 } };
    case 'posture':
      return { do: 'ask', asked: { of: 'posture' } };
    case 'threat':
    case 'lock':
      return { do: kind, athlete };
    case 'finish':
      return { do: 'event', fields: { kind, athlete, technique: '' }, atFrame };
    case 'guard-pull':
    case 'penalty':
      return { do: 'event', fields: { kind, athlete }, atFrame };
    default:
      return assertNever(kind);
  }
}

/** Keys that answer what the palette asked; null: this one does not. */
function answerActs(key: Pressed, asked: Exclude<Asked, { of: 'attempt' }>): CodingAct[] | null {
  const { code, shiftKey, repeat } = key;
  if (asked.of === 'posture') {
    const posture = postureKeys.find(([of]) => of === code)?.[1];
    return posture
      ? [
          { do: 'posture', posture: posture(shiftKey ? 'partner' : 'client') },
          { do: 'ask', asked: null },
        ]
      : null;
  }
  if (asked.of === 'ended') {
    const ended = endedKeys.find(([of]) => of === code)?.[1];
    return ended
      ? [
          { do: 'ended', threatId: asked.threatId, ended },
          { do: 'ask', asked: null },
        ]
      : null;
  }
  if (repeat) return [];
  if (code === 'Backspace') return [{ do: 'ask', asked: { ...asked, letters: asked.letters.slice(0, -1), choice: 0 } }];
  if (code === nextName && asked.letters !== '') return [{ do: 'name', letters: asked.letters, choice: asked.choice + 1 }];
  const letter = asked.letters.length < nameLetters ? letterOf(key) : null;
  if (letter === null) return null;
  const letters = asked.letters + letter;
  return letters.length < nameLetters ? [{ do: 'ask', asked: { of: 'name', letters, choice: 0 } }] : [{ do: 'name', letters, choice: 0 }];
}

/** The next of those that the letters find. */
const nextName = 'Period';

/** How an attempt went, told where it began. */
export const outcomeActs = (attempt: AttemptBegun, outcome: (typeof outcomeKeys)[number][1]): CodingAct[] => [
  { do: 'attempted', attempt, outcome },
  { do: 'ask', asked: null },
];

/**
 * The attempt's own keys: which technique (with Shift the partner's), two letters of its name if one likes, then how it went. Enter says
 * that it failed.
 */
function attemptActs(key: Pressed, attempt: AttemptBegun): CodingAct[] | null {
  const { code, shiftKey } = key;
  const ask = (fields: Partial<AttemptBegun>): CodingAct[] => [{ do: 'ask', asked: { of: 'attempt', attempt: { ...attempt, ...fields } } }];
  if (!attempt.technique) {
    const technique = techniqueKeys.find(([of]) => of === code)?.[1];
    return technique ? ask({ technique, athlete: shiftKey ? 'partner' : 'client' }) : null;
  }
  const outcome = code === 'Enter' ? outcomeKeys[1][1] : outcomeKeys.find(([of]) => of === code)?.[1];
  if (outcome) return outcomeActs(attempt, outcome);
  if (key.repeat) return [];
  if (code === 'Backspace') return ask({ letters: attempt.letters.slice(0, -1), choice: 0 });
  if (code === nextName && attempt.letters !== '') return ask({ choice: attempt.choice + 1 });
  const letter = letterOf(key);
  // A third letter begins the name anew.
  return letter === null ? null : ask({ letters: attempt.letters.length < nameLetters ? attempt.letters + letter : letter, choice: 0 });
}
