import type { Role } from '@lean-mentor/contract';
import type { CritiqueRow } from './model.ts';

/** The letter that says a critique is there. It names no detail of the critique: letters travel on roads we do not own. */
export function critiqueLetter(
  person: { name: string; role: Role },
  clientName: string,
  coachName: string,
  critique: Pick<CritiqueRow, 'id' | 'fixes'>,
): { subject: string; body: string } {
  const count = critique.fixes.length;
  const things = count === 1 ? 'one thing' : `${['', '', 'two', 'three'][count] ?? count} things`;
  const own = person.role === 'client';
  return {
    subject: own ? `${coachName} has looked at your footage` : `${coachName} has looked at ${clientName}’s footage`,
    body: `${person.name},\n\nthe critique is ready, with ${things} to work on. It takes about five minutes to read and watch.\n\nOpen it: /critiques/${critique.id}\n\n${coachName}`,
  };
}
