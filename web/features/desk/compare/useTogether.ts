import { comparedSpan, steppedOffset, type Compared } from '@lean-mentor/core/desk';
import { useEffect, useRef, useState } from 'react';
import { directionOf } from '../keys/useDeskKeys.ts';

/** How fast they play together. */
const playSpeed = 0.5;
const framesWithShift = 10;

/** Several footages moved together from their anchors: how far in seconds, whether they play, and the keys that step them. */
export function useTogether(all: readonly Compared[]): {
  offset: number;
  playing: boolean;
  /** How fast the offset grows. */
  rate: number;
  setPlaying: (playing: boolean) => void;
  /** By so many frames, of the one whose frames are shortest. */
  step: (frames: number) => void;
  toAnchors: () => void;
} {
  const [offset, setOffset] = useState(0);
  const [playing, setPlaying] = useState(false);
  const latest = useRef(all);
  useEffect(() => {
    latest.current = all;
  });
  useEffect(() => {
    if (!playing) return;
    let last: number | null = null;
    let asked = requestAnimationFrame(function go(now) {
      const passed = last === null ? 0 : ((now - last) / 1000) * playSpeed;
      last = now;
      setOffset((before) => {
        // Ranges are played over and over; without one the footage goes on.
        const span = comparedSpan(latest.current);
        return span && before + passed > span.to ? span.from : before + passed;
      });
      asked = requestAnimationFrame(go);
    });
    return () => cancelAnimationFrame(asked);
  }, [playing]);
  const step = (frames: number): void => {
    setPlaying(false);
    setOffset((before) => {
      let at = before;
      for (let i = 0; i < Math.abs(frames); i++) at = steppedOffset(latest.current, at, frames > 0 ? 1 : -1);
      return at;
    });
  };
  useEffect(() => {
    const keys = (event: KeyboardEvent): void => {
      const direction = directionOf(event.code);
      if (!direction || (event.target instanceof HTMLElement && event.target.matches('input, textarea'))) return;
      step(direction * (event.shiftKey ? framesWithShift : 1));
    };
    addEventListener('keydown', keys);
    return () => removeEventListener('keydown', keys);
  }, []);
  return { offset, playing, rate: playing ? playSpeed : 0, setPlaying, step, toAnchors: () => setOffset(0) };
}
