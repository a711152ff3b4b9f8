import type { TakeRecording } from '@lean-mentor/contract';
import type { DeskTake } from '@lean-mentor/core/desk';
import type { CoachShape } from '@lean-mentor/core/takes';
import { clockText } from '@lean-mentor/core/footage';
import { Mic, Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { Button, FileButton, IconButton, Select, smallSelect, type Option } from '../../../shared/primitives/index.ts';
import { useListTakesQuery } from '../../takes/index.ts';
import { useControls } from '../DeskControls.tsx';
import { useContents, useScene } from '../DeskScene.ts';
import { useKeyName } from '../keys/keyMap.ts';
import { newId } from '../newId.ts';
import { readTakeZip, takePieces } from './bringTake.ts';
import { LevelQuill } from './LevelQuill.tsx';
import { PieceKeeper } from './pieceKeeper.ts';
import { RunningOrder } from './RunningOrder.tsx';
import { devicesOf } from './voice.ts';

/** What is put together is asked after this often, in ms. */
const lookAgainMs = 2000;

/** Under the stage while nothing is being said: the microphone, and the takes that are there. */
export function TakePanel() {
  const take = useControls('take');
  const keyName = useKeyName();
  const { phase, takeId, why, anew } = take.state;
  const says = takeId ? 'Go on' : 'Begin';
  return (
    <section aria-label="Spoken critique" className="flex min-h-0 grow flex-col gap-3 overflow-y-auto px-3 py-3">
      <div className="flex flex-wrap items-center gap-3">
        <Mic size={18} aria-hidden />
        <LevelQuill level={take.level} />
        <Microphones />
        <SeenAsWell />
        <span className="ml-auto flex gap-2">
          <Button onClick={take.press} disabled={phase === 'asking' || phase === 'ending'}>
            {says} <kbd className="time font-normal">{keyName('take')}</kbd>
          </Button>
          <Button look="plain" onClick={take.done}>
            {takeId ? 'Done' : 'Not now'} <kbd className="time font-normal">Esc</kbd>
          </Button>
        </span>
      </div>
      {why && (
        <p role="alert" className="text-brick">
          {why}
        </p>
      )}
      <p className="text-reed">
        {phase === 'asking'
          ? 'The browser asks for the microphone.'
          : takeId
            ? `${anew === null ? `Paused at ${clockText(take.seconds())}` : `What was said from ${clockText(anew)} on is said anew`}. Look around, draw, write: what you do now is not in it until you go on.`
            : 'Everything on the desk works while you speak, and is shown as you did it. The footage is silent meanwhile.'}
      </p>
      <OrderChoice />
      {take.order.on && (
        <div className="shrink-0">
          <RunningOrder />
        </div>
      )}
      <TakesHere />
      {!takeId && <BringTake />}
    </section>
  );
}

/** Whether things are said as they come, or one after another as the ladder has them. */
function OrderChoice() {
  const { order } = useControls('take');
  const keyName = useKeyName();
  return (
    <label className="flex items-center gap-2">
      <input type="checkbox" checked={order.on} onChange={(e) => order.choose(e.target.checked)} className="size-4 accent-pine" />
      In the order of the ladder
      <span className="text-reed">
        <kbd className="time">{keyName('lulls')}</kbd> brings the next
      </span>
    </label>
  );
}

/** What there is to hear or to see with, also when something is plugged in. */
function useDevices(kind: 'audioinput' | 'videoinput'): MediaDeviceInfo[] {
  const { phase } = useControls('take').state;
  const [found, setFound] = useState<MediaDeviceInfo[]>([]);
  useEffect(() => {
    const look = (): void => void devicesOf(kind).then(setFound);
    look();
    navigator.mediaDevices.addEventListener('devicechange', look);
    return () => navigator.mediaDevices.removeEventListener('devicechange', look);
  }, [kind, phase]);
  return found;
}

const wideSelect = `${smallSelect} max-w-56`;
const shapeOptions: Option[] = [
  { value: '', words: 'Heard only' },
  { value: 'round', words: 'Seen, round' },
  { value: 'square', words: 'Seen, square' },
];

/** Whether the coach is seen in a corner while speaking: where there is a camera, and not unless it is wanted. */
function SeenAsWell() {
  const { how, record } = useControls('take');
  const { coach, camera } = how;
  const found = useDevices('videoinput');
  const named = found.filter(({ deviceId }) => deviceId !== '');
  if (found.length === 0 && coach === null) return null;
  return (
    <>
      <Select
        label="Whether you are seen"
        value={coach ?? ''}
        onChange={(shape) => record({ coach: (shape || null) as CoachShape | null })}
        options={shapeOptions}
        className={wideSelect}
      />
      {coach !== null && named.length > 1 && (
        <Select
          label="Camera"
          value={camera}
          onChange={(chosen) => record({ camera: chosen })}
          options={deviceOptions('The usual camera', named)}
          className={wideSelect}
        />
      )}
    </>
  );
}

/** Cameras or microphones, the one the browser takes by itself first. */
const deviceOptions = (usual: string, named: readonly MediaDeviceInfo[]): Option[] => [
  { value: '', words: usual },
  ...named.map(({ deviceId, label }) => ({ value: deviceId, words: label })),
];

function Microphones() {
  const { how, record } = useControls('take');
  const found = useDevices('audioinput');
  const named = found.filter(({ deviceId }) => deviceId !== '');
  if (named.length < 2) return null;
  return (
    <Select
      label="Microphone"
      value={how.microphone ?? ''}
      onChange={(chosen) => record({ microphone: chosen || null })}
      options={deviceOptions('The usual microphone', named)}
      className={wideSelect}
    />
  );
}

/** A take out of a file comes onto the desk as if it had been spoken here. */
function BringTake() {
  const { subject, footage, table, actions } = useScene();
  const [bringing, setBringing] = useState(false);
  const refresh = useListTakesQuery(subject.request.id).refetch;
  const bring = async (file: File): Promise<void> => {
    const read = readTakeZip(new Uint8Array(await file.arrayBuffer()), table);
    if ('faults' in read) return void toast.error(`${file.name} was not taken. ${read.faults.slice(0, 4).join(' ')}`, { duration: 15_000 });
    setBringing(true);
    const id = newId();
    const { cuts, captions, chapters } = read;
    const title = file.name.replace(/\.zip$/i, '').slice(0, 120);
    actions.prepare((_, make) => [make.created('take', id, { id, footageId: footage.id, title, cuts, captions, chapters })]);
    const keeper = new PieceKeeper({ requestId: subject.request.id, takeId: id }, [], () => undefined);
    for (const piece of takePieces(read)) keeper.add(0, piece);
    await keeper.finish();
    setBringing(false);
    void refresh();
  };
  return (
    <p className="text-small">
      {bringing ? (
        <span role="status">The take is on its way.</span>
      ) : (
        <FileButton words="Bring a take from a file" accept=".zip,application/zip" onFile={(file) => void bring(file)} />
      )}
    </p>
  );
}

/** The takes on this footage, other than the one that is being spoken. */
function TakesHere() {
  const { subject } = useScene();
  const { document } = useContents();
  const { takeId } = useControls('take').state;
  const { data = [] } = useListTakesQuery(subject.request.id, { pollingInterval: lookAgainMs });
  // What says a note is found with that note.
  const takes = Object.values(document.takes).filter(({ id, noteId }) => id !== takeId && !(noteId && document.notes[noteId]));
  if (takes.length === 0) return null;
  return (
    <ul className="border-t border-seam">
      {takes.map((one, i) => (
        <TakeRow key={one.id} take={one} place={i + 1} recording={data.find(({ id }) => id === one.id)} />
      ))}
    </ul>
  );
}

const stateWords: Readonly<Record<TakeRecording['state'], string>> = {
  recording: 'not all of it has arrived',
  waiting: 'is being put together',
  ready: '',
  failed: 'could not be put together',
};

function TakeRow({ take, place, recording }: { take: DeskTake; place: number; recording: TakeRecording | undefined }) {
  const { subject, actions } = useScene();
  const controls = useControls('take');
  const name = take.title || `Take ${place}`;
  const free = controls.state.takeId === null && recording?.state === 'ready';
  const goOn = (from: number | null): void => {
    if (!recording) return;
    controls.leave();
    controls.arm({ takeId: take.id, seconds: recording.seconds, pieces: recording.pieces, from });
  };
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-seam py-1.5" data-take={take.id}>
      <span className="font-semibold">{name}</span>
      {recording && recording.seconds > 0 && <span className="time">{clockText(recording.seconds)}</span>}
      <span className="text-reed">
        {recording ? stateWords[recording.state] : stateWords.recording}
        {recording?.failure && `: ${recording.failure}`}
      </span>
      <span className="ml-auto flex items-center gap-2">
        {free && (
          <>
            <Button look="plain" onClick={() => goOn(null)}>
              Go on with it
            </Button>
            {take.chapters.length > 0 && <SayAnew take={take} onChosen={goOn} />}
            <Link className="linked" to={`/requests/${subject.request.id}/takes/${take.id}`}>
              Read and mend
            </Link>
          </>
        )}
        <IconButton icon={Trash2} words={`Take ${name} off the desk`} onClick={() => actions.remove('take', take.id)} />
      </span>
    </li>
  );
}

/** From the beginning of a chapter all is said anew. */
function SayAnew({ take, onChosen }: { take: DeskTake; onChosen: (from: number) => void }) {
  return (
    <Select
      label="Say it anew from"
      value=""
      placeholder="Say it anew from …"
      options={take.chapters.map(({ from, title }) => ({ value: String(from), words: `${clockText(from)} ${title}` }))}
      onChange={(from) => onChosen(Number(from))}
      className={`${smallSelect} max-w-48`}
    />
  );
}
