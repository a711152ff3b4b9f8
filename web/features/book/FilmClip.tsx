import { clockText } from '@lean-mentor/core/footage';
import { Button, Select } from '../../shared/primitives/index.ts';
import { mostSeconds, useCamera, type Camera } from './filming.ts';

interface FilmClipProps {
  onFilm: (film: File) => void;
  onLeave: () => void;
}

/** Films a demonstration with a camera of this machine, to be a clip of the coach's own. */
export function FilmClip({ onFilm, onLeave }: FilmClipProps) {
  const camera = useCamera();
  const { filming } = camera;
  return (
    <section aria-label="Film a clip" className="flex flex-col gap-2 p-3 text-small">
      {filming.phase === 'refused' ? (
        <p role="alert" className="text-brick">
          The camera is not there, or this page may not use it. Allow it in the browser’s address bar, or bring a video that a phone has
          filmed.
        </p>
      ) : (
        <Picture camera={camera} />
      )}
      {camera.cameras.length > 1 && filming.phase === 'ready' && (
        <Select
          label="Camera"
          value={camera.deviceId ?? camera.cameras[0]!.deviceId}
          options={camera.cameras.map(({ deviceId, label }) => ({ value: deviceId, words: label }))}
          onChange={camera.choose}
        />
      )}
      <p className="text-reed">
        Whoever is seen in it must have agreed to that; for a minor, their guardian. At most {mostSeconds / 60} minutes.
      </p>
      <p className="flex flex-wrap gap-2">
        {filming.phase === 'filmed' ? (
          <>
            <Button onClick={() => onFilm(filming.film)}>Keep it</Button>
            <Button look="plain" onClick={camera.again}>
              Film it again
            </Button>
          </>
        ) : (
          <Button disabled={filming.phase === 'asking' || filming.phase === 'refused'} onClick={camera.press}>
            {filming.phase === 'filming' ? 'Stop' : filming.phase === 'counting' ? 'Not yet' : 'Film'}
          </Button>
        )}
        <Button look="quiet" onClick={onLeave}>
          Not now
        </Button>
      </p>
    </section>
  );
}

/** What the camera sees, or what it has filmed. */
function Picture({ camera: { filming, stream } }: { camera: Camera }) {
  if (filming.phase === 'filmed')
    return <video src={filming.address} aria-label="What was filmed" controls playsInline className="aspect-video w-full bg-stage" />;
  return (
    <div className="relative aspect-video w-full bg-stage">
      <video
        ref={(video) => {
          if (video && video.srcObject !== stream) video.srcObject = stream;
        }}
        aria-label="What the camera sees"
        autoPlay
        muted
        playsInline
        className="size-full"
      />
      <p role="status" className="absolute inset-x-0 bottom-0 bg-ink/70 px-2 py-1 text-straw empty:hidden">
        {filming.phase === 'asking' && 'The browser asks for the camera.'}
        {filming.phase === 'counting' && `Begins in ${filming.left}`}
        {filming.phase === 'filming' && `Filming, ${clockText(filming.seconds)}`}
      </p>
    </div>
  );
}
