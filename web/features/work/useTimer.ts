import { bellsBetween, type Bell, type TimerPlan } from '@lean-mentor/core/work';
import { useCallback, useEffect, useEffectEvent, useRef, useState } from 'react';

const tickMs = 200;
/** A bell that is later than this, in ms, is not rung: the phone was locked, and it would tell of something that is over. */
const tooLateMs = 2000;
const flashMs = 700;

/** The time, in ms since 1970, again and again while something runs by it. */
export function useNow(runs: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!runs) return;
    const look = (): void => setNow(Date.now());
    const timer = setInterval(look, tickMs);
    // A phone that was locked, or a page that lay behind another, looks at once.
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
    };
  }, [runs]);
  return now;
}

const tones: Readonly<Record<Bell, { hertz: number; seconds: number; times: number }>> = {
  begin: { hertz: 880, seconds: 0.5, times: 1 },
  soon: { hertz: 660, seconds: 0.15, times: 2 },
  end: { hertz: 587, seconds: 0.6, times: 3 },
};
const gapSeconds = 0.15;
const overtones = [1, 2.4, 3.9] as const;

/** A bell's sound, made: a struck tone with its overtones, dying away. */
function ring(audio: AudioContext, bell: Bell): void {
  const { hertz, seconds, times } = tones[bell];
  for (let i = 0; i < times; i++) {
    const from = audio.currentTime + i * (seconds + gapSeconds);
    for (const [n, over] of overtones.entries()) {
      const [tone, loud] = [audio.createOscillator(), audio.createGain()];
      tone.frequency.value = hertz * over;
      loud.gain.setValueAtTime(0.5 / (n + 1), from);
      loud.gain.exponentialRampToValueAtTime(0.001, from + seconds);
      tone.connect(loud).connect(audio.destination);
      tone.start(from);
      tone.stop(from + seconds);
    }
  }
}

/** Lets phones make a sound: they do so only after somebody has touched the page. */
function useAudio(): () => AudioContext | null {
  const audio = useRef<AudioContext | null>(null);
  useEffect(() => {
    const wake = (): void => {
      audio.current ??= typeof AudioContext === 'function' ? new AudioContext() : null;
      void audio.current?.resume();
    };
    addEventListener('pointerdown', wake);
    return () => {
      removeEventListener('pointerdown', wake);
      void audio.current?.close();
      audio.current = null;
    };
  }, []);
  return useCallback(() => audio.current, []);
}

/** Rings at the starts and ends of rounds: sound, a buzz, and for who does not hear a flash. Answers whether it flashes now. */
export function useBells(plan: TimerPlan, ranMs: number): boolean {
  const audio = useAudio();
  const heard = useRef(ranMs);
  const [flash, setFlash] = useState(false);
  const sound = useEffectEvent((to: number) => {
    const from = Math.max(heard.current, to - tooLateMs);
    heard.current = to;
    const bell = bellsBetween(plan, from, to).at(-1);
    if (!bell) return;
    const player = audio();
    if (player) ring(player, bell);
    navigator.vibrate?.(bell === 'soon' ? [120, 80, 120] : [500]);
    setFlash(true);
  });
  useEffect(() => sound(ranMs), [ranMs]);
  useEffect(() => {
    const timer = flash ? setTimeout(() => setFlash(false), flashMs) : undefined;
    return () => clearTimeout(timer);
  }, [flash]);
  return flash;
}

/** Keeps the screen on while it is needed, where the phone lets a page do so. */
export function useWakeLock(needed: boolean): void {
  useEffect(() => {
    if (!needed || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let away = false;
    const ask = (): void => {
      if (document.visibilityState !== 'visible') return;
      void navigator.wakeLock
        .request('screen')
        .then((got) => (away ? void got.release() : (lock = got)))
        .catch(() => undefined);
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      away = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [needed]);
}
