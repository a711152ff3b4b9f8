import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fillTemplate, letterKinds, letterSorts, samplesOf, templateFaults, type LetterSort } from './index.ts';

describe('the words a letter begins with', () => {
  it.each(letterKinds)('of the kind %s hold what they must and nothing unknown, and their sample has no brace left', (kind) => {
    expect(templateFaults(kind, letterSorts[kind])).toEqual({ subject: [], body: [] });
    const { subject, body } = fillTemplate(letterSorts[kind], samplesOf(kind));
    expect(`${subject}${body}`).not.toMatch(/[{}]/);
    const sort: LetterSort = letterSorts[kind];
    for (const name of Object.keys(sort.needs)) expect(Object.keys(sort.fields)).toContain(name);
  });
});

describe('a letter', () => {
  it('is filled once: what somebody wrote never becomes a field', () => {
    const filled = fillTemplate({ subject: '{coach} needs it', body: '{words}' }, { coach: 'Cora', words: 'Write {name} and {words}.' });
    expect(filled.body).toBe('Write {name} and {words}.');
    const text = fc.string();
    fc.assert(fc.property(text, (words) => fillTemplate({ subject: 's', body: 'a {words} b' }, { words }).body === `a ${words} b`.trim()));
  });

  it('leaves a paragraph out of which nothing is left, and has its subject on one line', () => {
    const template = { subject: 'About {about}', body: 'Hello.\n\n{words}\n\nCora' };
    expect(fillTemplate(template, { about: 'two\nlines', words: '' })).toEqual({ subject: 'About two lines', body: 'Hello.\n\nCora' });
    expect(fillTemplate(template, { about: '', words: 'Yes.\n\nNo.' }).body).toBe('Hello.\n\nYes.\n\nNo.\n\nCora');
  });
});

describe('words of the coach’s own', () => {
  const faults = (subject: string, body: string) => templateFaults('answer', { subject, body });

  it('are taken with every field in any order', () => {
    expect(faults('Antwort von {coach}', '{link}\n\nGruß, {coach}')).toEqual({ subject: [], body: [] });
  });

  it('are told what is wrong with them: a field that is none, a brace alone, something missing, nothing there, too much', () => {
    expect(faults('{coahc}', '{link}').subject).toEqual(['“{coahc}” is no field of this letter. There are {name}, {coach}, {link}.']);
    expect(faults('x', '{link} and { link').body).toEqual(['A brace stands alone near “and { link”. Fields are written like {name}.']);
    expect(faults('x', 'Come and see.').body).toEqual(['{link} must stand in it: without it nobody finds the critique.']);
    expect(faults(' ', '{link}').subject).toEqual(['Write something here.']);
    expect(faults('x'.repeat(151), '{link}').subject).toEqual(['At most 150 characters.']);
  });
});
