import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { copyFile, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { allClips } from '../scenario/allClips.ts';
import type { ClipPlan } from '../timeline/clipPlan.ts';
import { groundTruthOf } from '../timeline/groundTruth.ts';
import { pictureHeight, pictureWidth } from './camera.ts';
import { sampleRate, soundOf } from './sound.ts';

/** `npm run demo:render [-- CLIP…]`: paints the named clips (all without names) and writes each with its ground truth beside it. */
const folder = fileURLToPath(new URL('../clips/', import.meta.url));
const painters = 2;

async function renderClip(plan: ClipPlan): Promise<void> {
  const truth = groundTruthOf(plan);
  const scratch = await mkdtemp(join(tmpdir(), 'lean-clip-'));
  try {
    const pcm = join(scratch, 'sound.s16');
    const picture = join(scratch, 'clip.mp4');
    await writeFile(pcm, soundOf(truth, plan.seed));
    const encoder = spawn(
      'ffmpeg',
      [
        '-v',
        'error',
        '-y',
        '-f',
        'rawvideo',
        '-pix_fmt',
        'rgb24',
        '-s',
        `${pictureWidth}x${pictureHeight}`,
        '-r',
        String(plan.fps),
        '-i',
        'pipe:0',
        '-f',
        's16le',
        '-ar',
        String(sampleRate),
        '-ac',
        '1',
        '-i',
        pcm,
        '-c:v',
        'libx264',
        '-preset',
        'slow',
        '-threads',
        '1',
        '-crf',
        '27',
        '-pix_fmt',
        'yuv420p',
        '-c:a',
        'aac',
        '-b:a',
        '48k',
        '-movflags',
        '+faststart',
        '-fflags',
        '+bitexact',
        '-map_metadata',
        '-1',
        picture,
      ],
      { stdio: ['pipe', 'inherit', 'inherit'] },
    );
    const ended = once(encoder, 'close');
    const workers = Array.from(
      { length: painters },
      (_, first) => new Worker(new URL('./paintWorker.mjs', import.meta.url), { workerData: { clip: plan.name, first, step: painters } }),
    );
    await Promise.all(workers.map((worker) => once(worker, 'message')));
    const ask = (worker: Worker): Promise<[Uint8Array]> => {
      const answer = once(worker, 'message') as Promise<[Uint8Array]>;
      worker.postMessage('next');
      return answer;
    };
    const pending = workers.map(ask);
    for (let frame = 0; frame < truth.frameCount; frame++) {
      const turn = frame % painters;
      const [rgb] = await pending[turn]!;
      if (frame + painters < truth.frameCount) pending[turn] = ask(workers[turn]!);
      if (!encoder.stdin.write(rgb)) await once(encoder.stdin, 'drain');
      if (frame % 300 === 0) console.log(`${plan.name}: frame ${frame} of ${truth.frameCount}`);
    }
    encoder.stdin.end();
    await ended;
    await Promise.all(workers.map((worker) => worker.terminate()));
    // Whole or not at all: minutes pass while it is painted.
    await copyFile(picture, join(folder, `${plan.name}.mp4`));
    await writeFile(join(folder, `${plan.name}.truth.json`), `${JSON.stringify(truth, null, 1)}\n`);
  } finally {
    await rm(scratch, { recursive: true });
  }
}

const wanted = process.argv.slice(2);
const unknown = wanted.filter((name) => !allClips.some((plan) => plan.name === name));
if (unknown.length > 0) {
  console.error(`No clip is called ${unknown.join(', ')}. There are: ${allClips.map((p) => p.name).join(', ')}.`);
  process.exitCode = 2;
} else for (const plan of allClips) if (wanted.length === 0 || wanted.includes(plan.name)) await renderClip(plan);
