import { X } from 'lucide-react';
import { Tabs } from 'radix-ui';
import { IconButton } from '../../../shared/primitives/index.ts';
import { useControls } from '../DeskControls.tsx';
import { useFrame } from '../DeskScene.ts';
import { CodingsTab } from './CodingsTab.tsx';
import { EveryTimeTab } from './EveryTimeTab.tsx';
import { NumbersTab, PatternsTab } from './HistoryTabs.tsx';
import { ScoreTab } from './ScoreTab.tsx';
import { SheetChooser } from './SheetChooser.tsx';
import { scoredAt, useScored } from './useScore.ts';
import { WouldScoreTab } from './WouldScoreTab.tsx';

const tabs = [
  ['score', 'Score'],
  ['would', 'Would that score?'],
  ['numbers', 'Numbers'],
  ['patterns', 'Patterns'],
  ['every', 'Every time'],
  ['codings', 'Coding'],
] as const;

/** Under the stage: the score with its reasons, what hangs on the next one, what is counted, and who coded it. */
export function ScorePanel() {
  const coding = useControls('coding');
  const { toggle: onClose } = useControls('score');
  const { scored } = useScored();
  const frame = useFrame();
  const bout = scoredAt(scored, frame);
  return (
    <section aria-label="Score and numbers" className="flex min-h-0 grow flex-col">
      {bout ? (
        <Tabs.Root defaultValue="score" className="flex min-h-0 grow flex-col">
          <div className="flex items-center gap-1 border-b border-seam px-2">
            <Tabs.List aria-label="What is shown" className="flex">
              {tabs.map(([value, words]) => (
                <Tabs.Trigger
                  key={value}
                  value={value}
                  className="border-b-2 border-transparent px-2 py-1.5 text-small hover:bg-linen data-[state=active]:border-pine data-[state=active]:font-semibold"
                >
                  {words}
                </Tabs.Trigger>
              ))}
            </Tabs.List>
            <span className="ml-auto">
              <SheetChooser bout={bout} />
            </span>
            <IconButton icon={X} words="Close the score (Esc)" onClick={onClose} />
          </div>
          <div className="min-h-0 grow overflow-y-auto px-3 py-2">
            <Tabs.Content value="score">
              <ScoreTab bout={bout} />
            </Tabs.Content>
            <Tabs.Content value="would">
              <WouldScoreTab bout={bout} />
            </Tabs.Content>
            <Tabs.Content value="numbers">
              <NumbersTab bout={bout} />
            </Tabs.Content>
            <Tabs.Content value="patterns">
              <PatternsTab bout={bout} />
            </Tabs.Content>
            <Tabs.Content value="every">
              <EveryTimeTab bout={bout} />
            </Tabs.Content>
            <Tabs.Content value="codings">
              <CodingsTab bout={bout} />
            </Tabs.Content>
          </div>
        </Tabs.Root>
      ) : (
        <div className="flex items-center gap-3 px-3 py-3">
          <p className="grow">Nothing is coded of this bout yet. Code its positions first, then its score is here.</p>
          <button type="button" className="font-semibold text-pine hover:underline" onClick={coding.toggle}>
            Code the positions
          </button>
          <IconButton icon={X} words="Close the score (Esc)" onClick={onClose} />
        </div>
      )}
    </section>
  );
}
