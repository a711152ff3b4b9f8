import { useState, type ReactNode } from 'react';
import { Group, Panel, Separator } from 'react-resizable-panels';
import { z } from 'zod';
import { browserShelf } from '../../shared/keeping/index.ts';

/** The stage's share of the height at first, in percent. */
const usualShare = 60;
const leastStage = 160;
const leastUnder = 130;

const shelf = () => browserShelf({ name: 'stage share', schema: z.number().min(10).max(95) });

/** The stage above, what is worked with under it; the edge between can be dragged, or moved with the arrow keys, and stays where it was. */
export function StageAndPanel({ stage, under }: { stage: ReactNode; under: ReactNode }) {
  const [share] = useState(() => shelf().read() ?? usualShare);
  return (
    <Group
      orientation="vertical"
      className="h-full"
      defaultLayout={{ stage: share, under: 100 - share }}
      onLayoutChanged={({ stage: now }) => void (now !== undefined && shelf().put(now))}
    >
      <Panel id="stage" minSize={leastStage} className="overflow-hidden! bg-stage">
        {stage}
      </Panel>
      <Separator
        aria-label="Height of the picture"
        className="group flex h-2 shrink-0 cursor-row-resize items-center justify-center bg-stage data-[separator=active]:bg-pine data-[separator=hover]:bg-pine"
      >
        <span className="h-0.5 w-10 rounded-full bg-reed group-hover:bg-chalk" />
      </Separator>
      <Panel id="under" minSize={leastUnder} className="flex flex-col overflow-hidden!">
        {under}
      </Panel>
    </Group>
  );
}
