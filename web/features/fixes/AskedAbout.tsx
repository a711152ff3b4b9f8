import { X } from 'lucide-react';
import { IconButton } from '../../shared/primitives/index.ts';
import type { LadderData } from './api.ts';
import type { LadderControls } from './useLadder.ts';

interface AskedAboutProps {
  deciding: LadderControls;
  guessed: LadderData['guessedAsked'];
  nameOf: (id: string) => string;
}

/** What the question was taken to be about, and by which of its words; the coach may say otherwise, or none. */
export function AskedAbout({ deciding: { asked, choice, change }, guessed, nameOf }: AskedAboutProps) {
  const wordsOf = (id: string): string => guessed.find(({ principleId }) => principleId === id)?.words.join(', ') ?? '';
  return (
    <section aria-label="What they asked about" className="text-small">
      <h2 className="mb-1 text-desk">What they asked about</h2>
      {asked.length === 0 ? (
        <p className="text-reed">
          {choice.asked === null ? 'No principle of the book shares the words of the question.' : 'None, you say.'} A rung’s menu says
          otherwise.
        </p>
      ) : (
        <ul className="flex flex-col gap-0.5">
          {asked.map((id) => (
            <li key={id} className="flex items-center gap-2">
              <span className="grow">
                {nameOf(id)}
                {choice.asked === null && <span className="text-reed"> (by “{wordsOf(id)}”)</span>}
              </span>
              <IconButton
                icon={X}
                words={`They did not ask about “${nameOf(id)}”`}
                onClick={() => change({ asked: asked.filter((one) => one !== id) })}
              />
            </li>
          ))}
        </ul>
      )}
      {choice.asked !== null && (
        <button type="button" className="text-reed hover:underline" onClick={() => change({ asked: null })}>
          Guess again from the question
        </button>
      )}
    </section>
  );
}
