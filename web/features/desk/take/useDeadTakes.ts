import { useEffect } from 'react';
import { finishDeadTakes } from './pieceKeeper.ts';

/** The page comes first, in ms. */
const restMs = 3000;

/** Finishes takes that were being spoken in a tab that died, wherever their coach comes back to. */
export function useDeadTakes(): void {
  useEffect(() => {
    const look = async (): Promise<void> => {
      const again = await finishDeadTakes();
      if (again !== null) timer = setTimeout(lookOn, again);
    };
    // A browser that stores nothing has none.
    const lookOn = (): void => void look().catch(() => undefined);
    let timer = setTimeout(lookOn, restMs);
    return () => clearTimeout(timer);
  }, []);
}
