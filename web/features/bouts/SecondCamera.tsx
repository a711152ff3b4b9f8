import type { Alignment, Footage, Request } from '@lean-mentor/contract';
import { frameAtSeconds, secondsOfFrame, seekSecondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import { useEffect, useRef, useState } from 'react';
import { Button, FaultNote, Field, inputClass, Select } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useGetFrameTableQuery, useGetMotionQuery, useGetSoundQuery, useSaveAlignmentMutation, useViewing } from '../footage/index.ts';
import type { AlignAnswer, Camera } from './alignWorker.ts';

interface SecondCameraProps {
  request: Request;
  footage: Footage;
  table: FrameTable;
  atFrame: number;
}

/** Works out in a worker how two cameras lie against one another. */
const alignInWorker = (first: Camera, second: Camera): Promise<AlignAnswer> =>
  new Promise((resolve, reject) => {
    const worker = new Worker(new URL('./alignWorker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<AlignAnswer>) => (worker.terminate(), resolve(data));
    worker.onerror = () => (worker.terminate(), reject(new Error('The two could not be compared in this browser.')));
    worker.postMessage({ first, second });
  });

/** What a footage's camera saw and heard, once it is all there. */
function useCamera(footageId: string, skip: boolean): Camera | null {
  const table = useGetFrameTableQuery(footageId, { skip }).data;
  const motion = useGetMotionQuery(footageId, { skip }).data;
  const sound = useGetSoundQuery(footageId, { skip }).data;
  return table && motion && sound ? { table, level: motion.level, sound } : null;
}

const byWords: Record<Alignment['by'], string> = { sound: 'by sound', motion: 'by movement, there is not enough sound', hand: 'by hand' };
const confidenceWords = (confidence: number | null): string =>
  confidence === null
    ? ''
    : confidence >= 0.5
      ? 'clearly'
      : confidence >= 0.2
        ? 'probably; look whether it fits'
        : 'hardly more than a guess; set it by hand';

/** This footage as a second camera of another one's bouts: found by sound or movement, shown side by side, set right by a frame. */
export function SecondCamera({ request, footage, table, atFrame }: SecondCameraProps) {
  const others = request.footages.filter((other) => other.state === 'ready' && other.id !== footage.id && !other.alignment);
  const [otherId, setOtherId] = useState(footage.alignment?.toFootageId ?? '');
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const [alignment, setAlignment] = useState(footage.alignment);
  const [save, saving] = useSaveAlignmentMutation();
  const first = useCamera(otherId, otherId === '');
  const second = useCamera(footage.id, false);
  const frameSeconds = table.endSeconds / table.times.length;

  const keep = (next: Alignment | null): void => {
    setAlignment(next);
    void save({ footageId: footage.id, alignment: next });
  };
  const find = async (): Promise<void> => {
    if (!first || !second) return;
    setBusy(true);
    setFault(null);
    try {
      const { found, by } = await alignInWorker(first, second);
      if (found) keep({ toFootageId: otherId, ...found, by });
      else {
        setFault('Neither sound nor movement tells how the two lie. Set it by hand.');
        keep({ toFootageId: otherId, offsetSeconds: 0, confidence: null, by: 'hand' });
      }
    } catch (error) {
      setFault((error as Error).message);
    }
    setBusy(false);
  };
  const nudge = (frames: number): void => {
    if (alignment) keep({ ...alignment, offsetSeconds: alignment.offsetSeconds + frames * frameSeconds, confidence: null, by: 'hand' });
  };

  return (
    <section aria-label="Second camera" className="flex flex-col gap-3 border-t border-seam pt-3">
      <Field label="Does this video show the same bouts as another one?">
        {(field) => (
          <Select
            {...field}
            value={otherId}
            options={[
              { value: '', words: 'No' },
              ...others.map((other) => ({ value: other.id, words: `${request.footages.indexOf(other) + 1}. ${other.fileName}` })),
            ]}
            onChange={(id) => (setOtherId(id), id === '' && keep(null))}
            className={`${inputClass} max-w-sm py-1 text-desk`}
          />
        )}
      </Field>
      {otherId !== '' && (
        <Button look="plain" className="self-start" busy={busy} disabled={!first || !second} onClick={() => void find()}>
          Find how they lie
        </Button>
      )}
      {alignment && alignment.toFootageId === otherId && (
        <>
          <p data-offset={alignment.offsetSeconds}>
            It {alignment.offsetSeconds < 0 ? 'began' : 'begins'}{' '}
            <span className="time">{Math.abs(alignment.offsetSeconds).toFixed(3)} s</span> {alignment.offsetSeconds < 0 ? 'before' : 'into'}{' '}
            the other one, found {byWords[alignment.by]}
            {alignment.confidence !== null && `: ${Math.round(alignment.confidence * 100)} %, ${confidenceWords(alignment.confidence)}`}.
          </p>
          <div className="flex flex-wrap gap-2">
            <Button look="plain" onClick={() => nudge(-1)}>
              A frame earlier
            </Button>
            <Button look="plain" onClick={() => nudge(1)}>
              A frame later
            </Button>
            <Button look="quiet" onClick={() => nudge(-10)}>
              10 earlier
            </Button>
            <Button look="quiet" onClick={() => nudge(10)}>
              10 later
            </Button>
          </div>
          <OtherPicture footageId={otherId} seconds={secondsOfFrame(table, atFrame) + alignment.offsetSeconds} />
        </>
      )}
      {(fault ?? saving.error) && <FaultNote>{fault ?? faultWords(saving.error)}</FaultNote>}
    </section>
  );
}

/** What the other camera shows at the same moment. */
function OtherPicture({ footageId, seconds }: { footageId: string; seconds: number }) {
  const { addresses, askAgain } = useViewing(footageId);
  const { data: table } = useGetFrameTableQuery(footageId);
  const video = useRef<HTMLVideoElement>(null);
  const inside = table && seconds >= 0 && seconds < table.endSeconds;
  useEffect(() => {
    if (video.current && table && inside) video.current.currentTime = seekSecondsOfFrame(table, frameAtSeconds(table, seconds));
  }, [table, inside, seconds, addresses]);
  return (
    <figure className="max-w-xs">
      <video
        ref={video}
        src={addresses?.reviewCopy}
        onError={askAgain}
        muted
        playsInline
        preload="auto"
        aria-label="The other camera at the same moment"
        className={`w-full bg-stage ${inside ? '' : 'opacity-20'}`}
      />
      <figcaption className="text-small text-reed">
        {inside ? 'The other camera at the same moment.' : 'The other camera was not running at this moment.'}
      </figcaption>
    </figure>
  );
}
