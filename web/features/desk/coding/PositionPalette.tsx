import { clockText } from '@lean-mentor/core/footage';
import { isNeutral, placeWords, positionName, postureText, sideNames, type PositionCode } from '@lean-mentor/core/scoring';
import { Combine, SplitSquareVertical, X } from 'lucide-react';
import { memo, useEffect, useState } from 'react';
import { IconButton } from '../../../shared/primitives/index.ts';
import { useFrame, useScene, useContents } from '../DeskScene.ts';
import { eventKeys, paletteRows } from './paletteKeys.ts';
import type { CodingControls } from './codingControls.ts';
import { AskedNext } from './AskedNext.tsx';
import { eventAct } from './codingKeys.ts';
import { KeyButton } from './KeyButton.tsx';
import { useControls } from '../DeskControls.tsx';

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
      {coding.asked ? (
        <AskedNext asked={coding.asked} />
      ) : (
        <div className="flex items-center gap-3 text-small">
          <p className="grow">
            {span && here ? (
              <>
                <span className="font-semibold">{placeWords(span, sideNames)}</span>
                {span.posture && <span className="text-reed">, {postureText(span.posture, sideNames)}</span>}, since{' '}
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
      )}
      {coding.asked?.of !== 'attempt' && (
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
            {eventKeys.map(([code, kind, words, title]) => (
              <KeyButton
                key={code}
                code={code}
                words={words}
                title={title}
                onClick={(shifted) => coding.act(eventAct(kind, shifted ? 'partner' : 'client', frame))}
              />
            ))}
          </div>
        </>
      )}
    </section>
  );
}
