import { letterSorts, type LetterKind, type LetterSort } from './kinds.ts';

/** Words of a letter in which fields stand in braces: "Hello {name}". */
export interface LetterTemplate {
  subject: string;
  body: string;
}

export const mostSubject = 150;
export const mostBody = 4000;

const field = /\{([a-z]+)\}/g;

const put = (text: string, values: Readonly<Record<string, string>>): string =>
  text.replace(field, (whole, name: string) => values[name] ?? whole);

/**
 * A letter with its fields filled. What is filled in is not looked at again, so nobody's words become a field. A paragraph of which
 * nothing is left, since its fields are empty, is left out; a subject is one line.
 */
export function fillTemplate({ subject, body }: LetterTemplate, values: Readonly<Record<string, string>>): LetterTemplate {
  const paragraphs = body.split(/\n{2,}/).map((paragraph) => put(paragraph, values).trim());
  return {
    subject: put(subject, values).replace(/\s+/g, ' ').trim(),
    body: paragraphs.filter((paragraph) => paragraph !== '').join('\n\n'),
  };
}

/** What a template of a kind is when nobody has worded it, filled in as an example. */
export const samplesOf = (kind: LetterKind): Record<string, string> =>
  Object.fromEntries(Object.entries((letterSorts[kind] as LetterSort).fields).map(([name, { sample }]) => [name, sample]));

const named = (text: string): string[] => [...text.matchAll(field)].map(([, name]) => name!);

/** What is wrong with one text of a template, but for what is missing in it. */
function textFaults(text: string, sort: LetterSort): string[] {
  const fields = Object.keys(sort.fields);
  const list = fields.map((name) => `{${name}}`).join(', ');
  const unknown = [...new Set(named(text))].filter((name) => !fields.includes(name));
  const stray = /.{0,12}[{}].{0,12}/.exec(text.replace(field, ''));
  return [
    ...unknown.map((name) => `“{${name}}” is no field of this letter. There are ${list}.`),
    ...(stray ? [`A brace stands alone near “${stray[0].trim()}”. Fields are written like {${fields[0]}}.`] : []),
  ];
}

/** What is wrong with a template of a kind, each in a sentence, by where it stands; nothing where it can be used. */
export function templateFaults(kind: LetterKind, { subject, body }: LetterTemplate): { subject: string[]; body: string[] } {
  const sort: LetterSort = letterSorts[kind];
  const empty = (text: string): string[] => (text.trim() === '' ? ['Write something here.'] : []);
  const long = (text: string, most: number): string[] => (text.length > most ? [`At most ${most} characters.`] : []);
  const missing = Object.entries(sort.needs)
    .filter(([name]) => !named(body).includes(name))
    .map(([name, why]) => `{${name}} must stand in it: ${why}.`);
  return {
    subject: [...empty(subject), ...long(subject, mostSubject), ...textFaults(subject, sort)],
    body: [...empty(body), ...long(body, mostBody), ...textFaults(body, sort), ...missing],
  };
}
