import { useCallback, useState } from 'react';
import { z } from 'zod';
import { browserShelf } from '../../shared/keeping/index.ts';

export type LookPhase = 'first' | 'second';
export interface PhaseControls {
  phase: LookPhase;
  setPhase: (phase: LookPhase) => void;
}

/** Whether the bout is watched for the first time through, or gone over mark by mark; remembered for each request in this browser. */
export function usePhase(requestId: string): PhaseControls {
  const [shelf] = useState(() => browserShelf({ name: 'look', subject: requestId, schema: z.enum(['first', 'second']) }));
  const [phase, set] = useState<LookPhase>(() => shelf.read() ?? 'first');
  const setPhase = useCallback(
    (next: LookPhase) => {
      shelf.put(next);
      set(next);
    },
    [shelf],
  );
  return { phase, setPhase };
}
