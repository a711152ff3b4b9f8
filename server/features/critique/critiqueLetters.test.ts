import { fillTemplate, letterSorts, type LetterTemplate, type LetterToWord } from '@lean-mentor/core/letters';
import { describe, expect, it } from 'vitest';
import { answerLetter, critiqueLetter, takenBackLetter } from './critiqueLetters.ts';
import { shortCodeOf } from './shortCode.ts';
import { takeBackUntil } from './takeBack.ts';

const client = { name: 'Ada Moor', role: 'client' } as const;
const guardian = { name: 'Ivo Moor', role: 'guardian' } as const;
const fixes = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ position: i + 1, fixId: `f${i}`, principleId: null, name: 'The secret elbow', noteIds: [] }));
const sent = (count: number, version = 1) => ({ fixes: fixes(count), version, coachName: 'Cora Lind' });

/** A letter in the words it came with. */
const said = ({ kind, values }: LetterToWord): LetterTemplate => fillTemplate(letterSorts[kind], values);

describe('a letter about a critique', () => {
  it.each([
    [1, 'one thing to work on'],
    [2, 'two things to work on'],
    [3, 'three things to work on'],
    [0, 'no things to work on'],
  ])('of %i fixes speaks of %s', (count, words) => {
    expect(said(critiqueLetter(client, 'Ada Moor', sent(count), 'abcdefgh')).body).toContain(words);
  });

  it('says whose footage it is to whoever reads it', () => {
    expect(said(critiqueLetter(client, 'Ada Moor', sent(1), 'x')).subject).toBe('Cora Lind has looked at your footage');
    expect(said(critiqueLetter(guardian, 'Ada Moor', sent(1), 'x')).subject).toBe('Cora Lind has looked at Ada Moor’s footage');
    expect(said(critiqueLetter(client, 'Ada Moor', sent(1, 2), 'x'))).toMatchObject({
      subject: 'Cora Lind has changed what was said about your footage',
      body: expect.stringContaining('This is version 2'),
    });
  });

  it('says what was taken back, and that nothing is to be done', () => {
    expect(said(takenBackLetter(client, 'Ada Moor', 'Cora Lind', 1)).body).toContain('comes again soon');
    expect(said(takenBackLetter(guardian, 'Ada Moor', 'Cora Lind', 2)).body).toContain('the version before it stands again');
  });

  it('never tells what is in the critique', () => {
    const letters = [
      critiqueLetter(client, 'Ada Moor', sent(3), 'abcdefgh'),
      takenBackLetter(client, 'Ada Moor', 'Cora Lind', 1),
      answerLetter(client, 'Cora Lind', 'abcdefgh'),
    ].map(said);
    for (const { subject, body } of letters) expect(`${subject} ${body}`).not.toMatch(/secret|elbow/);
    expect(letters[0]!.body).toContain('/c/abcdefgh');
  });
});

describe('a short link', () => {
  it('has letters that are not mistaken for one another', () => {
    expect(shortCodeOf('00000000-0000-4000-8000-0123456789ab')).toBe('456789ab');
    expect(shortCodeOf('00000000-0000-4000-8000-000001010101')).toBe('ghghghgh');
  });
});

describe('taking back', () => {
  const at = (ms: number) => ({ now: () => new Date(ms) }) as never;
  it('is open for ten minutes, and no longer', () => {
    const sentAt = new Date(0);
    expect(takeBackUntil(at(0), { sentAt })).toBe('1970-01-01T00:10:00.000Z');
    expect(takeBackUntil(at(599_999), { sentAt })).not.toBeNull();
    expect(takeBackUntil(at(600_000), { sentAt })).toBeNull();
    expect(takeBackUntil(at(0), { sentAt: null })).toBeNull();
  });
});
