import { setTimeout as sleep } from 'node:timers/promises';
import { PlainFault } from './plainFault.mjs';

/** How a part that ended is started again. Times in ms. */
const usualPatience = {
  firstWaitMs: 500,
  longestWaitMs: 15_000,
  /** A part that ran for so long has recovered: what failed before is forgotten. */
  soundMs: 60_000,
  /** After so many failures in a row it is given up. */
  mostFailures: 6,
};

/**
 * Keeps a part of the house running: starts it, and again where it ends by itself, each time after a longer wait; says so. `start`
 * answers a part with `exited` and `stop`. Answers the part's keeper: `ready` once it runs for the first time; `givenUp` rejects with the
 * reason when it failed too often; `stop` ends it for good.
 */
export function supervise(name, start, { say, patience = usualPatience, hint }) {
  const stopping = new AbortController();
  let part = null;
  let ready;
  const isReady = new Promise((resolve, reject) => (ready = { resolve, reject }));
  isReady.catch(() => undefined);

  const run = async () => {
    let failures = 0;
    let waitMs = patience.firstWaitMs;
    for (let first = true; !stopping.signal.aborted; first = false) {
      const began = Date.now();
      try {
        const started = await start();
        part = started;
        if (stopping.signal.aborted) break;
        ready.resolve();
        await started.exited;
      } catch (error) {
        // What does not even start the first time is for the person at the terminal.
        if (first) {
          ready.reject(error);
          return;
        }
        if (!(error instanceof PlainFault)) throw error;
      }
      part = null;
      if (stopping.signal.aborted) break;
      if (Date.now() - began >= patience.soundMs) [failures, waitMs] = [0, patience.firstWaitMs];
      failures += 1;
      if (failures >= patience.mostFailures)
        throw new PlainFault(`${name} ended by itself ${failures} times in a row, so everything is stopped. ${hint}`);
      say(`${name} ended by itself. It is started again in ${waitMs / 1000} s. ${hint}`);
      await sleep(waitMs, undefined, { signal: stopping.signal }).catch(() => undefined);
      waitMs = Math.min(patience.longestWaitMs, waitMs * 2);
    }
  };
  const running = run();
  running.catch(() => undefined);
  return {
    name,
    ready: isReady,
    givenUp: running,
    current: () => part,
    async stop() {
      stopping.abort();
      await part?.stop();
      await running.catch(() => undefined);
      // One that was being started while it was told to stop.
      await part?.stop();
    },
  };
}
