import type { StageView } from '@lean-mentor/core/desk';
import { filmInstant, filmLength, filmRate, stageReader, type StrokePoint, type Take, type TakeEvent } from '@lean-mentor/core/takes';
import { join } from 'node:path';
import { matrixOf, writeFilmStretch } from '../server/media/film.ts';
import { playsAnywhere } from '../server/media/playsAnywhere.ts';
import { probe } from '../server/media/probe.ts';
import { reviewCopyArguments } from '../server/media/reviewCopy.ts';
import { readFrameTable } from '../server/media/frameTimes.ts';
import type { Figure } from './figure.ts';
import { madeFootage, runFfmpeg } from './madeFootage.ts';

const seconds = 20;
const whole: StageView = { zoom: 1, x: 0, y: 0 };
const near: StageView = { zoom: 2, x: 0.2, y: 0.3 };

const stroke = (t: number): TakeEvent => ({
  ...{ t, kind: 'stroke', id: 's', tool: 'freehand', colour: 'client', weight: 'bold', words: '' },
  points: Array.from({ length: 60 }, (_, i): StrokePoint => [0.2 + i * 0.01, 0.5 + 0.1 * Math.sin(i / 6), i * 33]),
});

/**
 * Ten seconds as coaches speak: run, stop and draw, enlarge, look again slowly, back. `moving`: for a quarter of them the view moves under
 * the hand.
 */
function tenSeconds(from: number, moving: boolean): TakeEvent[] {
  const at = (t: number): number => from + t;
  const slide = Array.from({ length: 50 }, (_, i): TakeEvent => {
    const share = (1 - Math.cos((i / 50) * 2 * Math.PI)) / 2;
    return { t: at(2 + i * 0.05), kind: 'view', zoom: 1 + share, x: 0.2 * share, y: 0.3 * share };
  });
  const events: TakeEvent[] = [
    { t: at(0), kind: 'run', frame: Math.round(from * 20), rate: 1 },
    { t: at(4), kind: 'stop', frame: Math.round(from * 20) + 120 },
    stroke(at(4.5)),
    ...(moving ? [] : [{ t: at(6.5), kind: 'view', ...near } as const]),
    { t: at(8), kind: 'rub', id: 's' },
    { t: at(8), kind: 'run', frame: Math.round(from * 20) + 60, rate: 0.25 },
    { t: at(9), kind: 'run', frame: Math.round(from * 20) + 68, rate: -1 },
    ...(moving ? [] : [{ t: at(9.9), kind: 'view', ...whole } as const]),
  ];
  return [...events, ...(moving ? slide : [])].sort((a, b) => a.t - b.t);
}

const takeOf = (moving: boolean): Take => ({
  ...{ seconds, cuts: [], captions: [], chapters: [] },
  events: [
    { t: 0, kind: 'stage', frame: 0, rate: 0, view: whole, mirrored: false, strokes: [], drawings: [], note: null },
    ...[0, 10].flatMap((from) => tenSeconds(from, moving)),
  ],
});

/** A film of a take beside nothing but the encoding of as much footage with the same settings, and the memory of the process that makes it. */
export async function benchFilm(folder: string): Promise<Figure[]> {
  const [filmed, footage] = [join(folder, 'filmed.mp4'), join(folder, 'film-footage.mp4')];
  madeFootage(filmed, { size: '1280x720', rate: 30, seconds });
  runFfmpeg(...reviewCopyArguments(filmed, footage, await probe(filmed, 'mov')));
  const [table, size] = [await readFrameTable(footage), { width: 1280, height: 720 }];
  const matrix = await matrixOf(footage, 'mov', 0, size);
  const source = { file: footage, demuxer: 'mov', videoStream: 0, table, size, matrix, compared: new Map(), coach: null } as const;
  const bare = (): number => runFfmpeg('-i', footage, '-an', ...playsAnywhere, join(folder, 'bare.mp4'));
  const figures: Figure[] = [];
  let most = 0;
  const watch = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 100);
  const before = process.memoryUsage().rss;
  for (const moving of [false, true]) {
    const { stageAt } = stageReader(takeOf(moving), table);
    const rate = filmRate(table);
    const pictures = Array.from({ length: filmLength(seconds, rate) }, (_, k) => ({
      at: filmInstant(k, rate),
      stage: stageAt(filmInstant(k, rate)),
      words: '',
    }));
    // Before and after: these machines change their pace within minutes.
    const first = bare();
    const begun = performance.now();
    await writeFilmStretch(source, pictures, rate, join(folder, 'film.mp4'), { folder, signal: new AbortController().signal });
    const made = (performance.now() - begun) / 1000;
    const bareSeconds = (first + bare()) / 2;
    const figure = `film ÷ bare encode, ${moving ? 'the view moving a quarter of the time' : 'views at rest'}, 720p30`;
    figures.push({ figure, value: made / bareSeconds, unit: 'ratio', seconds: Math.round(made * 10) / 10, lengthSeconds: seconds });
  }
  clearInterval(watch);
  figures.push({ figure: 'film, most memory beside ffmpeg', value: Math.round(most / 1e6), unit: 'MB', before: Math.round(before / 1e6) });
  return figures;
}
