import type { Role } from '@lean-mentor/contract';
import type { LetterToWord } from '@lean-mentor/core/letters';

interface Person {
  name: string;
  role: Role;
}

const weekday = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });

/** Work was given: to whom it is for, and to whoever stands for them. */
export const workLetter = (person: Person, clientName: string, coachName: string, what: string, fromOn: string): LetterToWord => ({
  kind: 'work',
  values: {
    ...{ name: person.name, coach: coachName, whose: person.role === 'client' ? 'you' : clientName, what },
    day: weekday.format(new Date(`${fromOn}T12:00:00Z`)),
  },
});

/** Work is to be done today. */
export const todayLetter = ({ name }: Person, what: string): LetterToWord => ({ kind: 'work-today', values: { name, what } });

/** Pain was told. It names no part: letters travel on roads we do not own. */
export const painLetter = ({ name, role }: Person, clientName: string): LetterToWord => ({
  kind: 'pain',
  values: { name, whose: role === 'client' ? 'your' : `${clientName}’s` },
});

/** The two have spoken. */
export const settledLetter = ({ name }: Person, coachName: string, words: string): LetterToWord => ({
  kind: 'pain-settled',
  values: { name, coach: coachName, words },
});
