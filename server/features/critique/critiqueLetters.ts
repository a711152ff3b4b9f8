import type { Role } from '@lean-mentor/contract';
import type { VersionRow } from './model.ts';

interface Person {
  name: string;
  role: Role;
}
interface Letter {
  subject: string;
  body: string;
}

const things = (count: number): string => (count === 1 ? 'one thing' : `${['no', '', 'two', 'three'][count] ?? count} things`);
const whose = ({ role }: Person, clientName: string): string => (role === 'client' ? 'your footage' : `${clientName}’s footage`);

/** The letter that says a critique, or a new version of it, is there. It names no detail: letters travel on roads we do not own. */
export function critiqueLetter(
  person: Person,
  clientName: string,
  { fixes, version, coachName }: Pick<VersionRow, 'fixes' | 'version' | 'coachName'>,
  code: string,
): Letter {
  const what =
    version === 1
      ? `the critique is ready, with ${things(fixes.length)} to work on. It takes about five minutes to read and watch.`
      : `the critique was changed. This is version ${version}; the page shows what is different.`;
  return {
    subject:
      version === 1
        ? `${coachName} has looked at ${whose(person, clientName)}`
        : `${coachName} has changed what was said about ${whose(person, clientName)}`,
    body: `${person.name},\n\n${what}\n\nOpen it: /c/${code}\n\n${coachName}`,
  };
}

/** The letter that says it is not there any more, for now. */
export const takenBackLetter = (person: Person, clientName: string, coachName: string, version: number): Letter => ({
  subject: `${coachName} has taken back what was just sent about ${whose(person, clientName)}`,
  body: `${person.name},\n\n${version === 1 ? 'the critique went out too early and comes again soon.' : 'the change went out too early; the version before it stands again.'} There is nothing for you to do.\n\n${coachName}`,
});

/** The letter that says a question was answered. */
export const answerLetter = (person: Person, coachName: string, code: string): Letter => ({
  subject: `${coachName} has answered`,
  body: `${person.name},\n\nthere is an answer to the question about the critique.\n\nRead it: /c/${code}\n\n${coachName}`,
});
