import { pannedBy, pinched, wholePicture, zoomedAt, type StageView } from '@lean-mentor/core/desk';
import { useEffect, useRef, useState, type PointerEvent, type RefObject } from 'react';
import { keyMap } from './keys/keyMap.ts';

interface Point {
  x: number;
  y: number;
}

/** One turn of a wheel's notch enlarges by a seventh. */
const wheelFactor = (deltaY: number): number => Math.exp(-deltaY / 700);

/**
 * What part of the picture is on the stage, moved by the wheel, by two fingers, and by dragging while Space or the middle button is
 * held. `onSpaceDrag` is told when Space turned out to be for dragging.
 */
export function useStageView(stage: RefObject<HTMLElement | null>, onSpaceDrag: () => void) {
  const [view, setView] = useState<StageView>(wholePicture);
  const pointers = useRef(new Map<number, Point>());
  const spaceHeld = useRef(false);
  const panning = useRef(false);

  const shareOf = ({ clientX, clientY }: { clientX: number; clientY: number }): Point => {
    const box = stage.current!.getBoundingClientRect();
    return { x: (clientX - box.left) / box.width, y: (clientY - box.top) / box.height };
  };

  useEffect(() => {
    const element = stage.current;
    const wheel = (event: WheelEvent): void => {
      event.preventDefault();
      const box = element!.getBoundingClientRect();
      const at = { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
      setView((now) => zoomedAt(now, at, wheelFactor(event.ctrlKey ? event.deltaY * 6 : event.deltaY)));
    };
    const space = (held: boolean) => (event: KeyboardEvent) => {
      if (event.code === keyMap().play) spaceHeld.current = held;
    };
    const [down, up] = [space(true), space(false)];
    // The browser's own listener would be passive and scroll or zoom the page as well.
    element?.addEventListener('wheel', wheel, { passive: false });
    addEventListener('keydown', down);
    addEventListener('keyup', up);
    return () => {
      element?.removeEventListener('wheel', wheel);
      removeEventListener('keydown', down);
      removeEventListener('keyup', up);
    };
  }, [stage]);

  const begin = (event: PointerEvent<HTMLElement>): void => {
    const at = shareOf(event);
    const second = event.pointerType === 'touch' && pointers.current.size === 1;
    if (event.pointerType === 'touch') pointers.current.set(event.pointerId, at);
    const byHand = spaceHeld.current || event.button === 1;
    if (!byHand && !second) return;
    if (spaceHeld.current) onSpaceDrag();
    panning.current = true;
    pointers.current.set(event.pointerId, at);
    event.currentTarget.setPointerCapture(event.pointerId);
    event.stopPropagation();
    event.preventDefault();
  };
  const go = (event: PointerEvent<HTMLElement>): void => {
    const before = pointers.current.get(event.pointerId);
    if (!before) return;
    const now = shareOf(event);
    const others = [...pointers.current].filter(([id]) => id !== event.pointerId).map(([, point]) => point);
    pointers.current.set(event.pointerId, now);
    if (!panning.current) return;
    event.stopPropagation();
    const [other] = others;
    setView((view) =>
      other ? pinched(view, [before, other], [now, other]) : pannedBy(view, { x: now.x - before.x, y: now.y - before.y }),
    );
  };
  const end = (event: PointerEvent<HTMLElement>): void => {
    pointers.current.delete(event.pointerId);
    if (!panning.current) return;
    event.stopPropagation();
    if (pointers.current.size === 0) panning.current = false;
  };
  return {
    view,
    setView,
    handlers: { onPointerDownCapture: begin, onPointerMoveCapture: go, onPointerUpCapture: end, onPointerCancelCapture: end },
  };
}
