import { useMemo, useState } from 'react';
import { useMotion } from '../footage/index.ts';
import { useCoding } from './coding/useCoding.ts';
import type { Coder } from './coding/useCodedBouts.ts';
import { useTray } from './compare/useTray.ts';
import type { DeskControls } from './DeskControls.tsx';
import type { DeskContents, DeskScene } from './DeskScene.ts';
import { useDrawing } from './drawing/useDrawing.ts';
import { keysOf, panelOf, type Panel } from './inHand.ts';
import { useDeskKeys } from './keys/useDeskKeys.ts';
import { useMeasuring } from './measure/useMeasuring.ts';
import { useTake } from './take/useTake.ts';
import { useInHand } from './useInHand.ts';
import { useLooks } from './useLooks.ts';
import { usePhase } from './usePhase.ts';
import { useStops } from './useStops.ts';
import type { WritingControls } from './useWriting.ts';

interface Given {
  scene: DeskScene;
  contents: DeskContents;
  writing: WritingControls;
  coder: Coder;
}

/** Everything that the coach works with, its keys, and what stands under the stage meanwhile. */
export function useDeskControls({ scene, contents, writing, coder }: Given): { controls: DeskControls; panel: Panel | null } {
  const { document } = contents;
  const motion = useMotion(scene.footage);
  const phase = usePhase(scene.subject.request.id);
  useLooks(scene.player, scene.footage.id, phase.phase, scene.actions.noteLook);
  const [shown, setShown] = useState(false);
  const score = useMemo(() => ({ shown, toggle: () => setShown((now) => !now) }), [shown]);
  const drawing = useDrawing(scene, document.drawings);
  const tray = useTray(scene);
  const controls: DeskControls = {
    writing,
    phase,
    score,
    drawing,
    take: useTake({ scene, contents, drawing, writing, tray }),
    measuring: useMeasuring(scene, document.measures),
    coding: useCoding(scene, coder),
    tray,
    stops: useStops(scene, motion?.bursts ?? none),
  };
  const { inHand, leave } = useInHand(controls);
  useDeskKeys({ ...controls, scene, leave, keysOf: keysOf(inHand) });
  return { controls, panel: panelOf(inHand) };
}

const none: readonly [] = [];
