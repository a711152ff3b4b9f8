import { useMotion } from '../footage/index.ts';
import { PositionPalette } from './coding/PositionPalette.tsx';
import { CompareTray } from './compare/CompareTray.tsx';
import { DeskControlsProvider } from './DeskControls.tsx';
import { DeskHead } from './DeskHead.tsx';
import { DeskContentsProvider, DeskSceneProvider } from './DeskScene.ts';
import { DeskSheet } from './DeskSheet.tsx';
import type { Panel } from './inHand.ts';
import { NoteArea } from './NoteArea.tsx';
import { Stage } from './Stage.tsx';
import { StageAndPanel } from './StageAndPanel.tsx';
import { StageRow } from './StageRow.tsx';
import { ScorePanel } from './score/ScorePanel.tsx';
import { ScoreProvider, useScore } from './score/useScore.ts';
import { RunningOrder } from './take/RunningOrder.tsx';
import { SpeakingHead } from './take/SpeakingHead.tsx';
import { TakePanel } from './take/TakePanel.tsx';
import { useAskedAnew } from './take/useAskedAnew.ts';
import { useDeskControls } from './useDeskControls.ts';
import { useCoder, useDeskScene, type DeskGiven } from './useDeskScene.ts';

/** The desk with its footage ready: stage left, round sheet right, the note below the stage. */
export function Desk(given: DeskGiven) {
  const coder = useCoder();
  const { scene, contents, writing, pictures } = useDeskScene(given, coder);
  const { controls, panel } = useDeskControls({ scene, contents, writing, coder });
  useAskedAnew(given.subject.request.id, controls.take);
  const score = useScore(scene, contents.bouts, contents.document.overrides);
  const motion = useMotion(given.footage);
  const { fault, ...stage } = pictures;
  return (
    <DeskSceneProvider value={scene}>
      <DeskContentsProvider value={contents}>
        <ScoreProvider value={score}>
          <DeskControlsProvider controls={controls}>
            <div className="grid h-dvh min-h-[640px] grid-cols-[minmax(560px,800fr)_minmax(380px,480fr)] grid-rows-[48px_1fr] overflow-hidden">
              {controls.take.state.phase === 'speaking' || controls.take.state.phase === 'counting' ? <SpeakingHead /> : <DeskHead />}
              <main className="relative min-h-0 border-r border-seam">
                <StageAndPanel
                  stage={<Stage {...stage} decodes={scene.frames !== null} />}
                  under={
                    <>
                      {scene.player && <StageRow fault={fault} />}
                      <PanelInHand panel={panel} />
                    </>
                  }
                />
                {controls.tray.shown && <CompareTray />}
              </main>
              <DeskSheet motion={motion} />
            </div>
          </DeskControlsProvider>
        </ScoreProvider>
      </DeskContentsProvider>
    </DeskSceneProvider>
  );
}

/** What stands under the stage: the palette, the score, or the note and what is left to do. */
function PanelInHand({ panel }: { panel: Panel | null }) {
  if (panel === 'positions') return <PositionPalette />;
  if (panel === 'score') return <ScorePanel />;
  if (panel === 'take') return <TakePanel />;
  if (panel === 'order') return <RunningOrder />;
  return <NoteArea panel={panel} />;
}
