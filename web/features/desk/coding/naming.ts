import type { CodedBout } from '@lean-mentor/core/desk';
import type { PositionCode } from '@lean-mentor/core/scoring';
import { techniquesByLetters, type Named } from '@lean-mentor/core/techniques';
import type { AttemptBegun } from './codingKeys.ts';

/** What was told last, to be named. `at`: when it was told, in ms. */
export type Told = { of: 'span'; frame: number; at: number } | { of: 'event' | 'threat'; id: string; at: number };

/** What was told longer ago than this, in ms, is not what one means: then it is the stretch on the stage. */
const fresh = 8000;

/** What a name is for: what was told just now, else the stretch that is there at the frame on the stage. */
export function toBeNamed(told: Told | null, frame: number, now: number): Told {
  return told && now - told.at <= fresh ? told : { of: 'span', frame, at: now };
}

type Coded = Pick<CodedBout, 'spans' | 'events' | 'threats'>;

const positionAt = ({ spans }: Coded, frame: number): PositionCode | null =>
  spans.find(({ fromFrame, toFrame }) => fromFrame <= frame && frame < toFrame)?.position ?? null;

/** As what something is looked for in the table of techniques; null where it is not there any more, or has no name. */
export function namedAs(told: Told, coded: Coded): Named | null {
  if (told.of === 'span') {
    const position = positionAt(coded, told.frame);
    return position && { of: 'span', position };
  }
  if (told.of === 'threat') {
    const threat = coded.threats.find(({ id }) => id === told.id);
    return threat ? { of: 'act', technique: 'finish', position: positionAt(coded, threat.fromFrame) } : null;
  }
  const event = coded.events.find(({ id }) => id === told.id);
  if (event?.kind === 'finish' || event?.kind === 'catch-and-release')
    return { of: 'act', technique: 'finish', position: positionAt(coded, event.atFrame) };
  return event?.kind === 'attempt' && event.technique
    ? { of: 'act', technique: event.technique, position: positionAt(coded, event.atFrame) }
    : null;
}

/** The names that letters find, at most five, the first to be taken first. */
export const namesFound = (letters: string, named: Named | null, used: Readonly<Record<string, number>>): string[] =>
  named
    ? techniquesByLetters(letters, named, used)
        .slice(0, 5)
        .map(({ name }) => name)
    : [];

/** The name that an attempt is told by so far; null where no letters were typed, or they find nothing. */
export function attemptName(
  { technique, letters, choice, atFrame }: AttemptBegun,
  coded: Coded,
  used: Readonly<Record<string, number>>,
): string | null {
  if (!technique || letters === '') return null;
  const found = namesFound(letters, { of: 'act', technique, position: positionAt(coded, atFrame) }, used);
  return found[choice % Math.max(1, found.length)] ?? null;
}
