import { useEffect, useRef, useState, type RefObject } from 'react';
import {
  drawingOpacity,
  drawingPoints,
  drawingsAtFrame,
  handlesOf,
  measureAtFrame,
  measureDrawings,
  strokeEdge,
  strokeInk,
  type Drawing,
  type Measure,
  type PicturePoint,
} from '@lean-mentor/core/desk';
import type Konva from 'konva';
import type { CircleConfig } from 'konva/lib/shapes/Circle';
import { Circle, Group, Layer, Stage as Canvas } from 'react-konva';
import { useControls } from '../DeskControls.tsx';
import { useOnStage, useScene, useContents } from '../DeskScene.ts';
import { PaintedShape } from './PaintedShape.tsx';

interface DrawingLayerProps {
  width: number;
  height: number;
  /** The picture is shown the other way round; drawings are kept as the picture is. */
  mirrored: boolean;
  /** How often it is enlarged: lines are drawn as fine as that. */
  sharpness: number;
}

/** Pixels of the drawing's canvas a pixel of the stage, at most: beyond, memory grows and nothing more is seen. */
const mostSharp = 4;
const handleRadius = 6;

/** A drawing that is being moved or reshaped, where it is meanwhile. */
interface Moving {
  drawing: Drawing;
  from: PicturePoint;
  was: PicturePoint[];
  /** The handle that is held; null: the whole. */
  handle: number | null;
  now: PicturePoint[];
}

/** What everything on the layer is drawn by. */
interface OnLayer {
  width: number;
  height: number;
  sharpness: number;
  /** Points as they are shown: the other way round, where the picture is. */
  mirror: (points: readonly PicturePoint[]) => PicturePoint[];
}

/** Drawings and measurements on the present frame, and the one being made. All points are shares of the picture, right at any size. */
export function DrawingLayer({ width, height, mirrored, sharpness }: DrawingLayerProps) {
  const { document } = useContents();
  const drawing = useControls('drawing');
  const drawings = Object.values(document.drawings);
  const measures = Object.values(document.measures).filter((measure) => measure.drawn);
  // Frames on which nothing is drawn need not redraw anything.
  const frame = useOnStage((state) =>
    drawingsAtFrame(drawings, state.frame).length > 0 || measures.some((m) => measureAtFrame(m, state.frame)) ? state.frame : -1,
  );
  const layer = useRef<Konva.Layer>(null);
  useSharpness(layer, sharpness, width, height);
  const pointer = useDrawingPointer({ width, height, mirrored, frame });
  const on: OnLayer = { width, height, sharpness, mirror: (points) => points.map((p) => (mirrored ? { ...p, x: 1 - p.x } : p)) };
  const shown = !drawing.hidden && frame >= 0;
  return (
    <Canvas
      width={width}
      height={height}
      onPointerDown={pointer.begin}
      onPointerMove={pointer.go}
      onPointerUp={pointer.end}
      onDblClick={() => drawing.close()}
      className="absolute inset-0 touch-none"
      style={{ cursor: pointer.busy ? 'crosshair' : 'default' }}
    >
      <Layer ref={layer}>
        {shown && <Measures measures={measures.filter((measure) => measureAtFrame(measure, frame))} frame={frame} on={on} />}
        {shown && drawingsAtFrame(drawings, frame).map((one) => <Shape key={one.id} shape={one} frame={frame} on={on} pointer={pointer} />)}
        <Draft on={on} />
      </Layer>
    </Canvas>
  );
}

/** Lines are drawn as fine as the picture is enlarged. */
function useSharpness(layer: RefObject<Konva.Layer | null>, sharpness: number, width: number, height: number): void {
  useEffect(() => {
    layer.current?.getCanvas().setPixelRatio(Math.min(mostSharp, sharpness * devicePixelRatio));
    layer.current?.batchDraw();
  }, [layer, sharpness, width, height]);
}

interface PointerGiven {
  width: number;
  height: number;
  mirrored: boolean;
  frame: number;
}

/** What the pointer does on the picture: it measures, draws, selects, or moves a drawing and its handles. */
function useDrawingPointer({ width, height, mirrored, frame }: PointerGiven) {
  const { secondsAt } = useScene();
  const drawing = useControls('drawing');
  const measuring = useControls('measuring');
  const [moving, setMoving] = useState<Moving | null>(null);
  const busy = drawing.choice.tool !== null || measuring.work !== null;
  const pointOf = ({ currentTarget, evt }: Konva.KonvaEventObject<PointerEvent>): PicturePoint | null => {
    const at = currentTarget.getStage()?.getPointerPosition();
    if (!at) return null;
    const point = { x: mirrored ? 1 - at.x / width : at.x / width, y: at.y / height };
    return evt.pointerType === 'pen' ? { ...point, pressure: Math.round(evt.pressure * 1000) / 1000 } : point;
  };
  return {
    moving,
    busy,
    begin: (event: Konva.KonvaEventObject<PointerEvent>): void => {
      event.currentTarget.getStage()?.setPointersPositions(event.evt);
      const point = pointOf(event);
      if (!point || event.evt.button > 0) return;
      if (measuring.work) measuring.press(point);
      else if (drawing.choice.tool) drawing.step({ do: 'down', point });
      else if (event.target === event.currentTarget) drawing.step({ do: 'select', id: null });
    },
    hold:
      (held: Drawing, handle: number | null) =>
      (event: Konva.KonvaEventObject<PointerEvent>): void => {
        if (busy || event.evt.button > 0) return;
        event.cancelBubble = true;
        event.currentTarget.getStage()?.setPointersPositions(event.evt);
        const from = pointOf(event);
        drawing.step({ do: 'select', id: held.id });
        const was = drawingPoints(held, frame, secondsAt);
        if (from) setMoving({ drawing: held, from, was, handle, now: was });
      },
    go: (event: Konva.KonvaEventObject<PointerEvent>): void => {
      const point = pointOf(event);
      if (!point) return;
      if (!moving) return drawing.step({ do: 'move', point });
      const { from, was, handle } = moving;
      const [dx, dy] = [point.x - from.x, point.y - from.y];
      setMoving({ ...moving, now: was.map((p, i) => (handle === null || handle === i ? { ...p, x: p.x + dx, y: p.y + dy } : p)) });
    },
    end: (): void => {
      if (!moving) return drawing.step({ do: 'up' });
      setMoving(null);
      if (moving.now !== moving.was) drawing.place(moving.drawing, moving.now);
    },
  };
}

function Measures({ measures, frame, on }: { measures: readonly Measure[]; frame: number; on: OnLayer }) {
  const { size, table } = useScene();
  const { document } = useContents();
  return measures
    .flatMap((measure) =>
      measureDrawings(measure, { ...size, table, measures: document.measures, atFrame: measure.atFrame, toFrame: measure.toFrame }, frame),
    )
    .map((shown, i) => (
      <Group key={i} listening={false}>
        <PaintedShape drawing={{ ...shown, points: on.mirror(shown.points) }} width={on.width} height={on.height} />
      </Group>
    ));
}

interface ShapeProps {
  shape: Drawing;
  frame: number;
  on: OnLayer;
  pointer: ReturnType<typeof useDrawingPointer>;
}

/** One drawing as it is on a frame; the one that is selected with its handles. */
function Shape({ shape, frame, on, pointer: { moving, busy, hold } }: ShapeProps) {
  const { secondsAt } = useScene();
  const playing = useOnStage((state) => state.playing);
  const isSelected = useControls('drawing').choice.selectedId === shape.id;
  const points = moving?.drawing.id === shape.id ? moving.now : drawingPoints(shape, frame, secondsAt);
  return (
    <Group listening={!busy} opacity={playing ? drawingOpacity(shape, frame, secondsAt) : 1}>
      <Group onPointerDown={hold(shape, null)}>
        <PaintedShape drawing={{ ...shape, points: on.mirror(points) }} width={on.width} height={on.height} glows={isSelected} />
      </Group>
      {isSelected &&
        on
          .mirror(handlesOf({ tool: shape.tool, points }))
          .map((handle, i) => (
            <Dot key={i} at={handle} on={on} radius={handleRadius} hitStrokeWidth={14} strokeWidth={1.5} onPointerDown={hold(shape, i)} />
          ))}
    </Group>
  );
}

/** What is half drawn or half measured. */
function Draft({ on }: { on: OnLayer }) {
  const { choice, draft } = useControls('drawing');
  const measuring = useControls('measuring');
  const { tool, colour, weight } = choice;
  return (
    <Group listening={false}>
      {tool && draft.length > 0 && (
        <PaintedShape
          drawing={{ tool: tool === 'label' ? 'post' : tool, colour, weight, words: '', points: on.mirror(draft) }}
          width={on.width}
          height={on.height}
        />
      )}
      {on.mirror(measuring.draft).map((dot, i) => (
        <Dot key={i} at={dot} on={on} radius={5} strokeWidth={2} />
      ))}
    </Group>
  );
}

function Dot({ at, on, radius, ...rest }: { at: PicturePoint; on: OnLayer; radius: number } & Partial<CircleConfig>) {
  return (
    <Circle
      x={at.x * on.width}
      y={at.y * on.height}
      radius={radius / Math.sqrt(on.sharpness)}
      fill={strokeInk.chalk}
      stroke={strokeEdge}
      {...rest}
    />
  );
}
