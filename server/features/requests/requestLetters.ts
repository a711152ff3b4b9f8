import type { LetterToWord } from '@lean-mentor/core/letters';

interface Person {
  name: string;
}

/** To a guardian: something waits for their yes. */
export const guardianLetter = ({ name }: Person, clientName: string): LetterToWord => ({
  kind: 'guardian-first',
  values: { name, client: clientName },
});

/** To the client: the coach needs something first. */
export const needFirstLetter = ({ name }: Person, coachName: string, need: 'footage' | 'context', words: string): LetterToWord => ({
  kind: 'need-first',
  values: { name, coach: coachName, what: need === 'footage' ? 'other footage' : 'to know something', words },
});

/** To the client and guardian: a file cannot be read. `others`: how many videos of the same request can. */
export const unreadableLetter = ({ name }: Person, file: string, failure: string, others: number): LetterToWord => ({
  kind: 'unreadable',
  values: {
    ...{ name, file, failure, which: others > 0 ? 'One of your videos' : 'Your video' },
    rest:
      others > 0
        ? `The other ${others === 1 ? 'video is' : `${others} videos are`} looked at all the same.`
        : 'Until you have replaced it, the clock of the promised date stands.',
  },
});

/** To everyone of the client: the footage is gone. */
export const consentLetter = ({ name }: Person, byName: string): LetterToWord => ({
  kind: 'footage-removed',
  values: { name, by: byName },
});
