import type { PracticeFile } from '@lean-mentor/contract';
import { heading, paragraph, type CritiqueDoc } from '@lean-mentor/core/critique';
import { blankNote, emptyDesk } from '@lean-mentor/core/desk';
import { byId, principles } from './desks.ts';
import { stableId } from './stableId.ts';

type Desk = NonNullable<PracticeFile['requests'][number]['document']>;
type Note = Desk['notes'][string];

interface Count {
  principle: { id: string; name: string };
  mistakes: number;
  good: number;
  what: string;
  /** Whether it was sent as a fix. */
  sent: boolean;
}

/** What Bram sent before, newest first. The footage is not kept for so long; what was noted and sent is. */
export const bramEarlier: { daysAgo: number; question: string; minutes: number; deskMinutes: number; answer: string; counts: Count[] }[] = [
  {
    daysAgo: 38,
    question: 'The sweep works now. Why do I lose the top at once?',
    minutes: 6.2,
    deskMinutes: 17,
    answer: 'You break him down before you turn him now, nearly every time. The top is lost by sitting tall.',
    counts: [
      {
        principle: principles.mount,
        mistakes: 3,
        good: 1,
        what: 'Tall in mount as the bridge begins, hands between his arms.',
        sent: true,
      },
      { principle: principles.posture, mistakes: 1, good: 3, what: 'The sweep starts against a straight back.', sent: false },
    ],
  },
  {
    daysAgo: 72,
    question: 'Why do none of my sweeps tip anybody?',
    minutes: 5.5,
    deskMinutes: 19,
    answer: 'Because his back is straight when you begin. First down and forward, then over.',
    counts: [
      { principle: principles.posture, mistakes: 7, good: 0, what: 'The sweep starts against a straight back.', sent: true },
      { principle: principles.mount, mistakes: 4, good: 0, what: 'Tall in mount as the bridge begins.', sent: true },
    ],
  },
];

const noteOf = (footageId: string, i: number, kind: Note['kind'], principleId: string, what: string): Note =>
  blankNote({ id: stableId(`note ${footageId} ${i}`), footageId, fromFrame: i * 300, kind, what, principleId });

export function earlierDesk(footageId: string, counts: readonly Count[]): Desk {
  const notes: Note[] = [];
  for (const { principle, mistakes, good, what } of counts) {
    for (let i = 0; i < mistakes; i++) notes.push(noteOf(footageId, notes.length, 'mistake', principle.id, what));
    for (let i = 0; i < good; i++)
      notes.push(noteOf(footageId, notes.length, 'good', principle.id, `Good: ${principle.name.toLowerCase()}.`));
  }
  return { ...emptyDesk(), principles: byId(Object.values(principles)), notes: byId(notes) };
}

export const earlierCritique = (question: string, answer: string, counts: readonly Count[]): CritiqueDoc => ({
  type: 'doc',
  content: [
    heading(2, 'What you asked'),
    { type: 'blockquote', content: [paragraph(question)] },
    paragraph(answer),
    ...counts
      .filter(({ sent }) => sent)
      .map(({ principle, mistakes, what }) => ({
        type: 'fix' as const,
        attrs: { fixId: principle.id, principleId: principle.id, name: principle.name },
        content: [paragraph(`This came up ${mistakes} times. ${what}`)],
      })),
  ],
});
