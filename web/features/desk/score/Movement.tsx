import { calmAndQuick, motionRatioText, type MovedAt } from '@lean-mentor/core/scoring';
import { useMemo } from 'react';
import { useMotion } from '../../footage/index.ts';
import { usePositionValues } from '../../scoring/index.ts';
import { useScene } from '../DeskScene.ts';
import type { BoutScored } from './useScore.ts';

/** Every so many frames are looked at: movement changes more slowly than pictures do. */
const everyFrames = 3;

/** "Calm in control, quick in danger": how much moves in danger against in control, and late against early, each with its doubt. */
export function Movement({ bout }: { bout: BoutScored }) {
  const { footage } = useScene();
  const motion = useMotion(footage);
  const values = usePositionValues();
  const found = useMemo(() => {
    if (!motion) return null;
    const { fromFrame, toFrame } = bout.here.bout;
    const moved: MovedAt[] = [];
    for (let frame = fromFrame; frame < Math.min(toFrame, motion.level.length); frame += everyFrames)
      moved.push({ at: bout.since(frame), motion: motion.level[frame]! });
    return calmAndQuick(bout.timed, moved, values);
  }, [motion, bout, values]);
  if (!found) return null;
  return (
    <p className="text-small" aria-label="Movement">
      Movement in danger against in control: <span className="time">{motionRatioText(found.dangerToControl)}</span>; second half against
      first: <span className="time">{motionRatioText(found.lateToEarly)}</span>.{' '}
      <span className="text-reed">
        Calm in control and quick in danger is more than one. Of both bodies, out of the picture; 90 of 100 times in the brackets.
      </span>
    </p>
  );
}
