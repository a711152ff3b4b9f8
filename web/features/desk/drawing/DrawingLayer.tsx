import { useEffect, useRef, useState } from 'react';
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
  type PicturePoint,
} from '@lean-mentor/core/desk';
import type Konva from 'konva';
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

/** Drawings and measurements on the present frame, and the one being made. All points are shares of the picture, right at any size. */
export function DrawingLayer({ width, height, mirrored, sharpness }: DrawingLayerProps) {
  const drawing = useControls('drawing');
  const measuring = useControls('measuring');
  const { secondsAt, table, size } = useScene();
  const { document } = useContents();
  const { choice, draft, hidden } = drawing;
  const drawings = Object.values(document.drawings);
  const measures = Object.values(document.measures).filter((measure) => measure.drawn);
  // Frames on which nothing is drawn need not redraw anything.
  const frame = useOnStage((state) =>
    drawingsAtFrame(drawings, state.frame).length > 0 || measures.some((m) => measureAtFrame(m, state.frame)) ? state.frame : -1,
  );
  const playing = useOnStage((state) => state.playing);
  const [moving, setMoving] = useState<Moving | null>(null);
  const layer = useRef<Konva.Layer>(null);
  useEffect(() => {
    layer.current?.getCanvas().setPixelRatio(Math.min(mostSharp, sharpness * devicePixelRatio));
    layer.current?.batchDraw();
  }, [sharpness, width, height]);

  const mirror = (points: readonly PicturePoint[]): PicturePoint[] => points.map((p) => (mirrored ? { ...p, x: 1 - p.x } : p));
  const pointOf = ({ currentTarget, evt }: Konva.KonvaEventObject<PointerEvent>): PicturePoint | null => {
    const at = currentTarget.getStage()?.getPointerPosition();
    if (!at) return null;
    const point = { x: mirrored ? 1 - at.x / width : at.x / width, y: at.y / height };
    return evt.pointerType === 'pen' ? { ...point, pressure: Math.round(evt.pressure * 1000) / 1000 } : point;
  };
  const busy = choice.tool !== null || measuring.work !== null;

  const begin = (event: Konva.KonvaEventObject<PointerEvent>): void => {
    event.currentTarget.getStage()?.setPointersPositions(event.evt);
    const point = pointOf(event);
    if (!point || event.evt.button > 0) return;
    if (measuring.work) measuring.press(point);
    else if (choice.tool) drawing.step({ do: 'down', point });
    else if (event.target === event.currentTarget) drawing.step({ do: 'select', id: null });
  };
  const hold =
    (held: Drawing, handle: number | null) =>
    (event: Konva.KonvaEventObject<PointerEvent>): void => {
      if (busy || event.evt.button > 0) return;
      event.cancelBubble = true;
      event.currentTarget.getStage()?.setPointersPositions(event.evt);
      const from = pointOf(event);
      drawing.step({ do: 'select', id: held.id });
      const was = drawingPoints(held, frame, secondsAt);
      if (from) setMoving({ drawing: held, from, was, handle, now: was });
    };
  const go = (event: Konva.KonvaEventObject<PointerEvent>): void => {
    const point = pointOf(event);
    if (!point) return;
    if (!moving) return drawing.step({ do: 'move', point });
    const [dx, dy] = [point.x - moving.from.x, point.y - moving.from.y];
    setMoving({
      ...moving,
      now: moving.was.map((p, i) => (moving.handle === null || moving.handle === i ? { ...p, x: p.x + dx, y: p.y + dy } : p)),
    });
  };
  const end = (): void => {
    if (!moving) return drawing.step({ do: 'up' });
    setMoving(null);
    if (moving.now !== moving.was) drawing.place(moving.drawing, moving.now);
  };

  const alive = hidden || frame < 0 ? [] : drawingsAtFrame(drawings, frame);
  const on = { ...size, table, measures: document.measures };
  return (
    <Canvas
      width={width}
      height={height}
      onPointerDown={begin}
      onPointerMove={go}
      onPointerUp={end}
      onDblClick={() => drawing.close()}
      className="absolute inset-0 touch-none"
      style={{ cursor: busy ? 'crosshair' : 'default' }}
    >
      <Layer ref={layer}>
        {!hidden &&
          frame >= 0 &&
          measures
            .filter((measure) => measureAtFrame(measure, frame))
            .flatMap((measure) => measureDrawings(measure, { ...on, atFrame: measure.atFrame, toFrame: measure.toFrame }, frame))
            .map((shown, i) => (
              <Group key={i} listening={false}>
                <PaintedShape drawing={{ ...shown, points: mirror(shown.points) }} width={width} height={height} />
              </Group>
            ))}
        {alive.map((shown) => {
          const points = moving?.drawing.id === shown.id ? moving.now : drawingPoints(shown, frame, secondsAt);
          const isSelected = shown.id === choice.selectedId;
          return (
            <Group key={shown.id} listening={!busy} opacity={playing ? drawingOpacity(shown, frame, secondsAt) : 1}>
              <Group onPointerDown={hold(shown, null)}>
                <PaintedShape drawing={{ ...shown, points: mirror(points) }} width={width} height={height} glows={isSelected} />
              </Group>
              {isSelected &&
                mirror(handlesOf({ tool: shown.tool, points })).map((handle, i) => (
                  <Circle
                    key={i}
                    x={handle.x * width}
                    y={handle.y * height}
                    radius={handleRadius / Math.sqrt(sharpness)}
                    fill={strokeInk.chalk}
                    stroke={strokeEdge}
                    strokeWidth={1.5}
                    hitStrokeWidth={14}
                    onPointerDown={hold(shown, i)}
                  />
                ))}
            </Group>
          );
        })}
        <Group listening={false}>
          {choice.tool && draft.length > 0 && (
            <PaintedShape
              drawing={{
                tool: choice.tool === 'label' ? 'post' : choice.tool,
                colour: choice.colour,
                weight: choice.weight,
                words: '',
                points: mirror(draft),
              }}
              width={width}
              height={height}
            />
          )}
          {measuring.draft.map((dot, i) => {
            const [at] = mirror([dot]);
            return (
              <Circle
                key={i}
                x={at!.x * width}
                y={at!.y * height}
                radius={5 / Math.sqrt(sharpness)}
                fill={strokeInk.chalk}
                stroke={strokeEdge}
                strokeWidth={2}
              />
            );
          })}
        </Group>
      </Layer>
    </Canvas>
  );
}
