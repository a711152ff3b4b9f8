import { coachPlace } from '../../takes/index.ts';
import { useControls } from '../DeskControls.tsx';
import { useScene } from '../DeskScene.ts';

/** The coach in the corner of the stage, as the client will see it. */
export function SeenCoach() {
  const { how, seen, state } = useControls('take');
  const { coach } = how;
  const { size } = useScene();
  const { phase } = state;
  if (!coach || phase === 'away' || phase === 'asking') return null;
  return (
    <video
      ref={(video) => {
        if (video && video.srcObject !== seen()) video.srcObject = seen();
      }}
      muted
      autoPlay
      playsInline
      aria-label="You, as you are seen"
      style={coachPlace(size, coach)}
      className="pointer-events-none"
    />
  );
}
