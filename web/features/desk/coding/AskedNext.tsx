import { clockText } from '@lean-mentor/core/footage';
import { placeWords, sideNames } from '@lean-mentor/core/scoring';
import type { Named } from '@lean-mentor/core/techniques';
import { assertNever } from '@lean-mentor/core/never';
import type { ReactNode } from 'react';
import { useControls } from '../DeskControls.tsx';
import { useContents, useScene } from '../DeskScene.ts';
import type { CodedBout } from '@lean-mentor/core/desk';
import { outcomeActs, type Asked, type AttemptBegun } from './codingKeys.ts';
import { KeyButton } from './KeyButton.tsx';
import { namedAs, namesFound, type Told } from './naming.ts';
import { endedKeys, outcomeKeys, postureKeys, techniqueKeys } from './paletteKeys.ts';

/** What the palette asks next. The video may go on meanwhile, and whatever else is pressed goes on without an answer. */
export function AskedNext({ asked }: { asked: Asked }) {
  const coding = useControls('coding');
  switch (asked.of) {
    case 'attempt':
      return <AttemptSteps attempt={asked.attempt} />;
    case 'name':
      return <NameStep letters={asked.letters} choice={asked.choice} />;
    case 'posture':
      return (
        <Step label="Posture" words="How are they? Of hands: Shift for the partner’s. The same again takes it back.">
          {postureKeys.map(([code, posture, words]) => (
            <KeyButton
              key={code}
              code={code}
              words={words}
              onClick={(shifted) =>
                coding.act({ do: 'posture', posture: posture(shifted ? 'partner' : 'client') }, { do: 'ask', asked: null })
              }
            />
          ))}
        </Step>
      );
    case 'ended':
      return (
        <Step label="How the attack ended" words="The attack is over. It ended with">
          {endedKeys.map(([code, ended, words]) => (
            <KeyButton
              key={code}
              code={code}
              words={words}
              onClick={() => coding.act({ do: 'ended', threatId: asked.threatId, ended }, { do: 'ask', asked: null })}
            />
          ))}
        </Step>
      );
    default:
      return assertNever(asked);
  }
}

const Step = ({ label, words, children }: { label: string; words: string; children: ReactNode }) => (
  <div role="group" aria-label={label} className="flex min-h-8 flex-wrap items-center gap-1">
    <p className="mr-2 text-small">{words}</p>
    {children}
  </div>
);

/** What is coded of the bout that a frame is in. */
function useCodedHere(frame: number): CodedBout | undefined {
  const { bouts } = useContents();
  return (bouts.findLast(({ bout }) => bout.fromFrame <= frame) ?? bouts[0])?.coded;
}

/** Names that letters find: the one that is taken stands out. */
function Found({
  names,
  choice,
  letters,
  onTake,
}: {
  names: readonly string[];
  choice: number;
  letters: string;
  onTake: (choice: number) => void;
}) {
  if (letters === '') return <span className="text-small text-reed">Two letters of its name: “bu” or “bg” for butterfly guard.</span>;
  if (names.length === 0) return <span className="text-small text-reed">Nothing here is called “{letters} …”.</span>;
  return (
    <>
      {names.map((name, i) => (
        <button
          key={name}
          type="button"
          aria-pressed={i === choice % names.length}
          onClick={() => onTake(i)}
          className="rounded-sm border border-seam bg-linen px-1.5 text-tiny whitespace-nowrap hover:border-pine aria-pressed:border-pine aria-pressed:font-semibold"
        >
          {name}
        </button>
      ))}
      {names.length > 1 && <span className="text-tiny text-reed">. for the next</span>}
    </>
  );
}

/** What a name is given to, in words. */
function toldWords(told: Told, coded: CodedBout | undefined, secondsAt: (frame: number) => number): string {
  if (told.of === 'span') {
    const span = coded?.spans.find(({ fromFrame, toFrame }) => fromFrame <= told.frame && told.frame < toFrame);
    return span
      ? `${placeWords(span, sideNames)}, ${clockText(secondsAt(span.fromFrame) - secondsAt(coded!.spans[0]!.fromFrame))}`
      : 'nothing here yet';
  }
  if (told.of === 'threat') return 'the attack';
  const event = coded?.events.find(({ id }) => id === told.id);
  return event
    ? `the ${event.kind === 'attempt' ? `attempt (${(event.technique ?? '').replaceAll('-', ' ')})` : 'finish'}`
    : 'nothing here yet';
}

function NameStep({ letters, choice }: { letters: string; choice: number }) {
  const { toName, used, act } = useControls('coding');
  const { secondsAt } = useScene();
  const coded = useCodedHere(toName.of === 'span' ? toName.frame : 0);
  const named: Named | null = coded ? namedAs(toName, coded) : null;
  return (
    <Step label="Name" words={`Names ${toldWords(toName, coded, secondsAt)}: ${letters}`}>
      <Found
        names={namesFound(letters, named, used)}
        choice={choice}
        letters={letters}
        onTake={(i) => act({ do: 'name', letters, choice: i })}
      />
    </Step>
  );
}

/** Which attempt it was, by which name, and how it went. */
function AttemptSteps({ attempt }: { attempt: AttemptBegun }) {
  const coding = useControls('coding');
  const coded = useCodedHere(attempt.atFrame);
  const { technique, letters, choice } = attempt;
  const ask = (fields: Partial<AttemptBegun>): void => coding.ask({ of: 'attempt', attempt: { ...attempt, ...fields } });
  if (!technique)
    return (
      <Step label="Which attempt" words="An attempt at what? Shift: the partner’s.">
        {techniqueKeys.map(([code, of, words]) => (
          <KeyButton
            key={code}
            code={code}
            words={words}
            onClick={(shifted) => ask({ technique: of, athlete: shifted ? 'partner' : 'client' })}
          />
        ))}
      </Step>
    );
  const position =
    coded?.spans.find(({ fromFrame, toFrame }) => fromFrame <= attempt.atFrame && attempt.atFrame < toFrame)?.position ?? null;
  return (
    <>
      <Step label="Name of the attempt" words={`The ${attempt.athlete}’s ${technique.replace('-', ' ')}: ${letters}`}>
        <Found
          names={namesFound(letters, { of: 'act', technique, position }, coding.used)}
          choice={choice}
          letters={letters}
          onTake={(i) => ask({ choice: i })}
        />
      </Step>
      <div role="group" aria-label="How it went" className="flex flex-wrap items-center gap-1">
        {outcomeKeys.map(([code, outcome, words]) => (
          <KeyButton key={code} code={code} words={words} onClick={() => coding.act(...outcomeActs(attempt, outcome))} />
        ))}
      </div>
    </>
  );
}
