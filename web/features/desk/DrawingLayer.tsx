import { useEffect, useRef, useState } from 'react';
import { drawingShape, strokeEdge, strokeEdgeFactor, strokeInk, thinStroke, type Drawing } from '@lean-mentor/core/desk';
import { drawingLife, type FrameTable } from '@lean-mentor/core/footage';
import type Konva from 'konva';
import { Group, Layer, Path, Stage as Canvas } from 'react-konva';
import type { DrawingChoice } from './drawingChoice.ts';

interface DrawingLayerProps {
  width: number;
  height: number;
  /** The picture is shown the other way round; drawings are kept as the picture is. */
  mirrored: boolean;
  /** How often it is enlarged: lines are drawn as fine as that. */
  sharpness: number;
  table: FrameTable;
  frame: number;
  drawings: readonly Drawing[];
  choice: DrawingChoice;
  onSelect: (id: string | null) => void;
  onDrawn: (drawing: Omit<Drawing, 'id' | 'footageId'>) => void;
}

/** Pixels of the drawing's canvas a pixel of the stage, at most: beyond, memory grows and nothing more is seen. */
const mostSharp = 4;

type Shown = Pick<Drawing, 'tool' | 'colour' | 'points'>;

function Stroke({ drawing, width, height, selected }: { drawing: Shown; width: number; height: number; selected: boolean }) {
  const { path, width: stroke } = drawingShape(drawing, width, height);
  const line = { data: path, fillEnabled: false, lineCap: 'round', lineJoin: 'round', hitStrokeWidth: 16 } as const;
  return (
    <>
      <Path
        {...line}
        stroke={strokeEdge}
        strokeWidth={stroke * strokeEdgeFactor}
        {...(selected && { shadowColor: strokeInk.chalk, shadowBlur: 14 })}
      />
      <Path {...line} stroke={strokeInk[drawing.colour]} strokeWidth={stroke} />
    </>
  );
}

/** Drawings on the present frame, and the one being drawn. All points are shares of the picture, right at any size. */
export function DrawingLayer({ width, height, mirrored, sharpness, table, frame, drawings, choice, onSelect, onDrawn }: DrawingLayerProps) {
  const [points, setPoints] = useState<Drawing['points']>([]);
  // The pointer moves faster than the page redraws: points are gathered here and shown from the state.
  const gathered = useRef<Drawing['points']>([]);
  const { tool, colour } = choice;
  const layer = useRef<Konva.Layer>(null);
  useEffect(() => {
    layer.current?.getCanvas().setPixelRatio(Math.min(mostSharp, sharpness * devicePixelRatio));
    layer.current?.batchDraw();
  }, [sharpness, width, height]);

  const pointOf = ({ currentTarget }: Konva.KonvaEventObject<PointerEvent>): Drawing['points'][number] | null => {
    const at = currentTarget.getStage()?.getPointerPosition();
    return at ? { x: mirrored ? 1 - at.x / width : at.x / width, y: at.y / height } : null;
  };
  const begin = (event: Konva.KonvaEventObject<PointerEvent>): void => {
    const point = pointOf(event);
    if (!tool || !point) {
      if (event.target === event.currentTarget) onSelect(null);
      return;
    }
    event.currentTarget.getStage()?.setPointersPositions(event.evt);
    gathered.current = [point];
    setPoints(gathered.current);
  };
  const go = (event: Konva.KonvaEventObject<PointerEvent>): void => {
    const point = pointOf(event);
    if (!tool || !point || gathered.current.length === 0) return;
    gathered.current = tool === 'arrow' ? [gathered.current[0]!, point] : [...gathered.current, point];
    setPoints(gathered.current);
  };
  const end = (): void => {
    const drawn = tool === 'freehand' ? thinStroke(gathered.current, width / height) : gathered.current;
    gathered.current = [];
    setPoints([]);
    if (tool && (tool === 'freehand' ? drawn.length > 0 : drawn.length === 2))
      onDrawn({ tool, colour, points: drawn, ...drawingLife(table, frame) });
  };

  return (
    <Canvas
      width={width}
      height={height}
      onPointerDown={begin}
      onPointerMove={go}
      onPointerUp={end}
      className="absolute inset-0 touch-none"
      style={{ cursor: tool ? 'crosshair' : 'default' }}
    >
      <Layer ref={layer} {...(mirrored && { scaleX: -1, x: width })}>
        {drawings.map((drawing) => (
          <Group key={drawing.id} onPointerDown={() => !tool && onSelect(drawing.id)} listening={!tool}>
            <Stroke drawing={drawing} width={width} height={height} selected={drawing.id === choice.selectedId} />
          </Group>
        ))}
        {tool && points.length > 1 && (
          <Group listening={false}>
            <Stroke drawing={{ tool, colour, points }} width={width} height={height} selected={false} />
          </Group>
        )}
      </Layer>
    </Canvas>
  );
}
