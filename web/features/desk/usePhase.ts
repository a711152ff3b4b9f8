import { useCallback, useState } from 'react';

export type LookPhase = 'first' | 'second';
export interface PhaseHand {
  phase: LookPhase;
  setPhase: (phase: LookPhase) => void;
}

/** Whether the bout is watched for the first time through, or gone over mark by mark; remembered for each request in this browser. */
export function usePhase(requestId: string): PhaseHand {
  const key = `lean.look.${requestId}`;
  const [phase, set] = useState<LookPhase>(() => (localStorage.getItem(key) === 'second' ? 'second' : 'first'));
  const setPhase = useCallback(
    (next: LookPhase) => {
      localStorage.setItem(key, next);
      set(next);
    },
    [key],
  );
  return { phase, setPhase };
}
