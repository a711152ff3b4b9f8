import { clockText } from '@lean-mentor/core/footage';
import { isNeutral, placeWords, positionName, sideNames, type PositionCode } from '@lean-mentor/core/scoring';
import { Combine, SplitSquareVertical, X } from 'lucide-react';
import { memo, useEffect, useState } from 'react';
import { IconButton } from '../../../shared/primitives/index.ts';
import { useFrame, useScene, useContents } from '../DeskScene.ts';
import { codeWords } from './codeWords.ts';
import { eventKeys, outcomeKeys, paletteRows, techniqueKeys } from './paletteKeys.ts';
import type { CodingControls } from './codingControls.ts';
import { eventAct, outcomeActs, type AttemptBegun } from './codingKeys.ts';
import { useControls } from '../DeskControls.tsx';

interface KeyButtonProps {
  code: string;
  words: string;
  pressed?: boolean;
  onClick: (shift: boolean) => void;
}

function KeyButton({ code, words, pressed = false, onClick }: KeyButtonProps) {
  return (
    <button
      type="button"
      aria-pressed={pressed}
      onClick={(event) => onClick(event.shiftKey)}
      className="flex h-[23px] items-center gap-1 rounded-sm border border-seam bg-linen pr-1 text-tiny whitespace-nowrap hover:border-pine aria-pressed:border-pine aria-pressed:bg-pine aria-pressed:text-linen"
    >
      <kbd className="time flex h-full min-w-5 items-center justify-center border-r border-inherit px-1 text-tiny">{codeWords(code)}</kbd>
      {words}
    </button>
  );
}

/** One position; redrawn only when it becomes the present one, or stops being it. */
const PositionKey = memo(function PositionKey({
  code,
  position,
  pressed,
  put,
}: {
  code: string;
  position: PositionCode;
  pressed: boolean;
  put: CodingControls['put'];
}) {
  return <KeyButton code={code} words={positionName(position)} pressed={pressed} onClick={(shifted) => put(position, shifted)} />;
});

/** Whether Shift is held, so that the palette says who a key is for. */
function useShift(): boolean {
  const [held, setHeld] = useState(false);
  useEffect(() => {
    const see = (event: KeyboardEvent): void => setHeld(event.shiftKey);
    addEventListener('keydown', see);
    addEventListener('keyup', see);
    return () => {
      removeEventListener('keydown', see);
      removeEventListener('keyup', see);
    };
  }, []);
  return held;
}

/** One key per position, while the video plays: what it is from here on. With Shift the partner holds, or does it. */
export function PositionPalette() {
  const coding = useControls('coding');
  const { secondsAt } = useScene();
  const { bouts } = useContents();
  const frame = useFrame();
  const shift = useShift();
  const here = bouts.findLast(({ bout }) => bout.fromFrame <= frame) ?? bouts[0];
  const span = here?.bout.spans.find(({ fromFrame, toFrame }) => fromFrame <= frame && frame < toFrame);
  const now: PositionCode | undefined = span?.position;
  const who = shift ? 'Partner' : 'Client';
  return (
    <section aria-label="Positions" className="flex min-h-0 grow flex-col gap-[3px] overflow-y-auto px-3 py-1">
      <div className="flex items-center gap-3 text-small">
        <p className="grow">
          {span && here ? (
            <>
              <span className="font-semibold">{placeWords(span, sideNames)}</span>, since{' '}
              <span className="time">{clockText(secondsAt(span.fromFrame) - secondsAt(here.bout.fromFrame))}</span>
            </>
          ) : (
            'Nothing is coded yet. Press what they begin in; it holds from the bout’s start.'
          )}
        </p>
        <p aria-live="polite" className={`font-semibold ${shift ? 'text-partner' : 'text-client'}`}>
          {who} on top or in control{shift ? '' : '; Shift: the partner'}
        </p>
        <IconButton icon={SplitSquareVertical} words="Split the span here" onClick={coding.split} disabled={!span} />
        <IconButton
          icon={Combine}
          words="Join this span to the one before it"
          onClick={() => span && coding.merge(span.fromFrame)}
          disabled={!span || span.fromFrame === here?.bout.fromFrame}
        />
        <IconButton icon={X} words="Close the positions (Esc)" onClick={coding.toggle} />
      </div>
      {coding.attempt ? (
        <AttemptSteps attempt={coding.attempt} />
      ) : (
        <>
          {paletteRows.map(({ words, keys }) => (
            <div key={words} role="group" aria-label={words} className="flex flex-wrap gap-0.5">
              {keys.map(([code, position]) => (
                <PositionKey
                  key={code}
                  code={code}
                  position={position}
                  pressed={now === position && (isNeutral(position) || span?.holder === (shift ? 'partner' : 'client'))}
                  put={coding.put}
                />
              ))}
            </div>
          ))}
          <div role="group" aria-label="What happens" className="flex flex-wrap gap-0.5 border-t border-seam pt-1">
            {eventKeys.map(([code, kind, words]) => (
              <KeyButton
                key={code}
                code={code}
                words={words}
                onClick={(shifted) => coding.act(eventAct(kind, shifted ? 'partner' : 'client', frame))}
              />
            ))}
          </div>
        </>
      )}
    </section>
  );
}

/** Which attempt it was and how it went; the video may go on meanwhile. */
function AttemptSteps({ attempt }: { attempt: AttemptBegun }) {
  const coding = useControls('coding');
  if (!attempt.technique)
    return (
      <div role="group" aria-label="Which attempt" className="flex flex-wrap items-center gap-1">
        <p className="mr-2">An attempt at what? Shift: the partner’s.</p>
        {techniqueKeys.map(([code, technique, words]) => (
          <KeyButton
            key={code}
            code={code}
            words={words}
            onClick={(shifted) => coding.setAttempt({ ...attempt, technique, athlete: shifted ? 'partner' : 'client' })}
          />
        ))}
      </div>
    );
  return (
    <div role="group" aria-label="How it went" className="flex flex-wrap items-center gap-1">
      <p className="mr-2">
        The {attempt.athlete}’s {attempt.technique.replace('-', ' ')}
      </p>
      {outcomeKeys.map(([code, outcome, words]) => (
        <KeyButton key={code} code={code} words={words} onClick={() => coding.act(...outcomeActs(attempt, outcome))} />
      ))}
    </div>
  );
}
