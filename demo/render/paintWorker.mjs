// Node 20 does not carry tsx's loader into a worker thread: it is registered here, then the worker itself is loaded.
import { register } from 'tsx/esm/api';

register();
await import('./paintWorker.ts');
