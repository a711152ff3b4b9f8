import type { Keep, Kept } from './deskKeeper.ts';
import { deskDb, keepChanges } from './deskStore.ts';

const answer = (kept: Kept): void => postMessage(kept);

// Opened before the first edit comes.
void deskDb().catch(() => undefined);

addEventListener('message', ({ data: { id, requestId, changes, group, accountId } }: MessageEvent<Keep>) => {
  keepChanges(requestId, changes, group, accountId).then(
    () => answer({ id, storedAt: performance.timeOrigin + performance.now() }),
    (error: unknown) => answer({ id, fault: String(error) }),
  );
});
