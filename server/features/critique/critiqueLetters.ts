import type { Role } from '@lean-mentor/contract';
import type { LetterToWord } from '@lean-mentor/core/letters';
import type { VersionRow } from './model.ts';

interface Person {
  name: string;
  role: Role;
}

const things = (count: number): string => (count === 1 ? 'one thing' : `${['no', '', 'two', 'three'][count] ?? count} things`);
const whose = ({ role }: Person, clientName: string): string => (role === 'client' ? 'your footage' : `${clientName}’s footage`);

/** The letter that says a critique, or a new version of it, is there. It names no detail: letters travel on roads we do not own. */
export function critiqueLetter(
  person: Person,
  clientName: string,
  { fixes, version, coachName }: Pick<VersionRow, 'fixes' | 'version' | 'coachName'>,
  code: string,
): LetterToWord {
  const values = { name: person.name, coach: coachName, whose: whose(person, clientName), link: `/c/${code}` };
  return version === 1
    ? { kind: 'critique', values: { ...values, things: things(fixes.length) } }
    : { kind: 'critique-changed', values: { ...values, version: String(version) } };
}

/** The letter that says it is not there any more, for now. */
export const takenBackLetter = (person: Person, clientName: string, coachName: string, version: number): LetterToWord => ({
  kind: 'critique-taken-back',
  values: {
    ...{ name: person.name, coach: coachName, whose: whose(person, clientName) },
    what:
      version === 1
        ? 'the critique went out too early and comes again soon.'
        : 'the change went out too early; the version before it stands again.',
  },
});

/** The letter that says a question was answered. */
export const answerLetter = (person: Person, coachName: string, code: string): LetterToWord => ({
  kind: 'answer',
  values: { name: person.name, coach: coachName, link: `/c/${code}` },
});
