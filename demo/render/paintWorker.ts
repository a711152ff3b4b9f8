import { parentPort, workerData } from 'node:worker_threads';
import { allClips } from '../scenario/allClips.ts';
import { ClipPainter } from './picture.ts';

/** Paints every `step`-th frame of a clip from `first`; waits for a message between frames so that memory stays flat. */
const { clip, first, step } = workerData as { clip: string; first: number; step: number };
const painter = await ClipPainter.of(allClips.find((p) => p.name === clip)!);
let frame = first;
parentPort!.on('message', () => {
  const rgb = painter.paint(frame);
  parentPort!.postMessage(rgb, [rgb.buffer as ArrayBuffer]);
  frame += step;
});
parentPort!.postMessage('ready');
