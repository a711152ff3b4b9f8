import { useEffect, useRef, useState } from 'react';
import { getCritiqueStill, type Critique, type SentFix } from '@lean-mentor/contract';
import { drawingsAtFrame } from '@lean-mentor/core/desk';
import { frameAtSeconds, secondsOfFrame } from '@lean-mentor/core/footage';
import { Play, Square } from 'lucide-react';
import { Button } from '../../shared/primitives/index.ts';
import { addressOf } from '../../shared/wire/index.ts';
import { useGetFrameTableQuery, useViewing } from '../footage/index.ts';
import { DrawingOverlay } from './DrawingOverlay.tsx';

type Footage = Critique['footages'][number];

/** A fix's picture: the still with its drawing, and on demand the seconds around it, with the drawing on its own frames. */
export function FixClip({ critiqueId, footage, fix }: { critiqueId: string; footage: Footage; fix: SentFix }) {
  const [speed, setSpeed] = useState<number | null>(null);
  const still = addressOf(getCritiqueStill, { critiqueId, position: fix.position });
  const words = `Fix ${fix.position}, the moment itself${fix.drawings.length > 0 ? ' with the coach’s drawing' : ''}`;
  return (
    <figure data-fix={fix.position} className="print:max-w-[84mm]">
      <div className="relative w-full overflow-hidden bg-stage" style={{ aspectRatio: `${footage.width} / ${footage.height}` }}>
        <Still address={still} words={words} />
        {speed !== null && <Clip key={speed} footage={footage} fix={fix} speed={speed} onEnd={() => setSpeed(null)} />}
      </div>
      <figcaption className="not-printed flex flex-wrap gap-2 pt-2">
        {speed === null ? (
          <>
            <Button look="plain" className="min-h-11" onClick={() => setSpeed(1)}>
              <Play size={16} aria-hidden /> Play from 2 s before
            </Button>
            <Button look="plain" className="min-h-11" onClick={() => setSpeed(0.5)}>
              At half speed
            </Button>
          </>
        ) : (
          <Button look="plain" className="min-h-11" onClick={() => setSpeed(null)}>
            <Square size={14} aria-hidden /> Back to the still
          </Button>
        )}
      </figcaption>
    </figure>
  );
}

/** A still is looked for again this long, in ms, after it could not be had: the footage may be on its way to being ready. */
const lookAgainMs = 4000;

function Still({ address, words }: { address: string; words: string }) {
  const [tries, setTries] = useState(0);
  const [missing, setMissing] = useState(false);
  useEffect(() => {
    if (!missing) return;
    const timer = setTimeout(() => {
      setTries((n) => n + 1);
      setMissing(false);
    }, lookAgainMs);
    return () => clearTimeout(timer);
  }, [missing]);
  if (missing)
    return (
      <p className="absolute inset-0 flex items-center justify-center p-6 text-center text-linen">
        The still is not there yet. It is looked for again.
      </p>
    );
  return (
    <img
      src={tries === 0 ? address : `${address}?again=${tries}`}
      alt={words}
      onError={() => setMissing(true)}
      className="absolute inset-0 size-full object-contain"
    />
  );
}

function Clip({ footage, fix, speed, onEnd }: { footage: Footage; fix: SentFix; speed: number; onEnd: () => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const { data: table } = useGetFrameTableQuery(footage.id);
  const { addresses } = useViewing(footage.id);
  const [frame, setFrame] = useState(-1);
  const [fault, setFault] = useState(false);
  const ended = useRef(onEnd);
  useEffect(() => {
    ended.current = onEnd;
  });

  useEffect(() => {
    const element = video.current;
    if (!element) return;
    let asked = 0;
    const begin = (): void => {
      element.currentTime = fix.clipFromSeconds;
      element.playbackRate = speed;
      element.play().catch(() => setFault(true));
    };
    const watch = (): void => {
      asked = element.requestVideoFrameCallback((_, { mediaTime }) => {
        if (table) setFrame(frameAtSeconds(table, mediaTime + 0.0005));
        if (mediaTime >= fix.clipToSeconds) ended.current();
        else watch();
      });
    };
    watch();
    if (element.readyState >= HTMLMediaElement.HAVE_METADATA) begin();
    else element.addEventListener('loadedmetadata', begin, { once: true });
    return () => {
      element.removeEventListener('loadedmetadata', begin);
      element.cancelVideoFrameCallback(asked);
    };
  }, [fix, speed, table]);

  return (
    <>
      <video
        ref={video}
        src={addresses?.reviewCopy}
        playsInline
        preload="auto"
        aria-label={`Clip of fix ${fix.position}`}
        onEnded={onEnd}
        onError={() => setFault(true)}
        className="absolute inset-0 size-full object-contain"
      />
      {table && (
        <DrawingOverlay
          drawings={drawingsAtFrame(fix.drawings, frame)}
          width={footage.width}
          height={footage.height}
          frame={frame}
          secondsAt={(at) => secondsOfFrame(table, at)}
        />
      )}
      {fault && (
        <p role="alert" className="absolute inset-x-0 bottom-0 bg-ink/85 p-3 text-linen">
          The clip does not play here. The still above it shows the moment.
        </p>
      )}
    </>
  );
}
