import { drawingTools, strokeColours, strokeWeights, type DrawingTool, type StrokeColour, type StrokeWeight } from '@lean-mentor/core/desk';
import {
  Circle,
  Crosshair,
  Diamond,
  MoveUpRight,
  Pentagon,
  CornerUpRight,
  Scale,
  Spline,
  Trash2,
  TriangleRight,
  Type,
  type LucideIcon,
} from 'lucide-react';
import { ToggleGroup } from 'radix-ui';
import { IconButton } from '../../../shared/primitives/index.ts';
import { useFrame } from '../DeskScene.ts';
import { useKeyName } from '../keys/keyMap.ts';
import { useControls } from '../DeskControls.tsx';

export const toolWords: Record<DrawingTool, { words: string; icon: LucideIcon }> = {
  arrow: { words: 'Arrow', icon: MoveUpRight },
  'bent-arrow': { words: 'Bent arrow: path of a foot or hand', icon: CornerUpRight },
  freehand: { words: 'Freehand', icon: Spline },
  angle: { words: 'Line with angle', icon: TriangleRight },
  ring: { words: 'Ring', icon: Circle },
  gap: { words: 'Shaded gap', icon: Pentagon },
  post: { words: 'Post spot: where a hand or foot should go', icon: Crosshair },
  'weight-line': { words: 'Weight line', icon: Scale },
  label: { words: 'Label', icon: Type },
};
const colourWords: Record<StrokeColour, { words: string; look: string }> = {
  client: { words: 'Client’s colour', look: 'bg-client' },
  partner: { words: 'Partner’s colour', look: 'bg-partner' },
  chalk: { words: 'Chalk', look: 'bg-chalk border border-reed' },
};
const weightWords: Record<StrokeWeight, string> = { thin: 'Thin', plain: 'Plain', bold: 'Bold' };
const dotSize: Record<StrokeWeight, string> = { thin: 'h-px', plain: 'h-[3px]', bold: 'h-[6px]' };

/** The tools, and how what they draw looks; a drawing that is selected changes its looks with them. */
export function DrawingTools() {
  const drawing = useControls('drawing');
  const { choice, selected } = drawing;
  const nextWeight = strokeWeights[(strokeWeights.indexOf(choice.weight) + 1) % strokeWeights.length]!;
  return (
    <>
      <ToggleGroup.Root
        type="single"
        value={choice.tool ?? ''}
        onValueChange={(tool) => drawing.step(tool ? { do: 'take', tool: tool as DrawingTool } : { do: 'layDown' })}
        aria-label="Drawing tool"
        className="flex"
      >
        {drawingTools.map((tool, i) => {
          const { words, icon: Icon } = toolWords[tool];
          return (
            <ToggleGroup.Item
              key={tool}
              value={tool}
              title={`${words} (${i + 1})`}
              aria-label={words}
              className="flex h-7 w-[26px] items-center justify-center rounded-sm hover:bg-linen data-[state=on]:bg-pine data-[state=on]:text-linen"
            >
              <Icon size={15} strokeWidth={1.8} />
            </ToggleGroup.Item>
          );
        })}
      </ToggleGroup.Root>
      <ToggleGroup.Root
        type="single"
        value={choice.colour}
        onValueChange={(colour) => colour && drawing.restyle({ colour: colour as StrokeColour })}
        aria-label="Drawing colour"
        className="flex"
      >
        {strokeColours.map((colour) => (
          <ToggleGroup.Item
            key={colour}
            value={colour}
            title={colourWords[colour].words}
            aria-label={colourWords[colour].words}
            className="group flex h-7 w-5 items-center justify-center"
          >
            <span
              className={`size-3 rounded-full group-data-[state=on]:ring-2 group-data-[state=on]:ring-ink group-data-[state=on]:ring-offset-1 group-data-[state=on]:ring-offset-straw ${colourWords[colour].look}`}
            />
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <button
        type="button"
        title={`Stroke: ${weightWords[choice.weight]}`}
        aria-label={`Stroke: ${weightWords[choice.weight]}; make it ${weightWords[nextWeight].toLowerCase()}`}
        onClick={() => drawing.restyle({ weight: nextWeight })}
        className="flex h-7 w-6 items-center justify-center hover:bg-linen"
      >
        <span className={`w-3.5 bg-ink ${dotSize[choice.weight]}`} />
      </button>
      {selected && <Selected />}
    </>
  );
}

function Selected() {
  const drawing = useControls('drawing');
  const frame = useFrame();
  const keyName = useKeyName();
  const pinned = drawing.selected?.keys.some((key) => key.frame === frame) ?? false;
  return (
    <>
      <IconButton
        icon={Diamond}
        words={`Pin it where it is on this frame, so that it moves between pins (${keyName('pin')})`}
        onClick={drawing.togglePin}
        pressed={pinned}
      />
      <IconButton icon={Trash2} words="Take this drawing away (Delete)" onClick={drawing.remove} />
    </>
  );
}
