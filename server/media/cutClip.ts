import { ffmpeg, safeInput } from './ffmpeg.ts';
import { playsAnywhere } from './playsAnywhere.ts';
import { widestClip, type ClipLayers } from './drawnClip.ts';

export interface ClipCut {
  /** Seconds of the footage. */
  fromSeconds: number;
  toSeconds: number;
  /** Whether the footage's sound goes along, where it has any. */
  withSound?: boolean;
  /** What is drawn over it (see `paintLayers`); null where nothing is. */
  layers?: ClipLayers | null;
}

/** Gives each layer its own instant, which no list of pictures keeps exactly: as a sum of which one term holds for each. */
const timesOf = ({ from }: ClipLayers): string =>
  `settb=1/90000,setpts=${from.map((seconds, i) => `eq(N\\,${i})*${Math.round(seconds * 90_000)}`).join('+')}`;

/** Cuts a stretch of a review copy into a file of its own that plays anywhere. */
export async function cutClip(reviewCopy: string, file: string, cut: ClipCut): Promise<void> {
  const { fromSeconds, toSeconds, withSound = false, layers = null } = cut;
  const stretch = ['-ss', fromSeconds.toFixed(3), '-t', Math.max(0.1, toSeconds - fromSeconds).toFixed(3)];
  const picture = layers
    ? [
        ...['-protocol_whitelist', 'file', '-i', layers.files],
        '-filter_complex',
        `[0:v:0]scale=${layers.width}:${layers.height}[clip];[1:v]format=rgba,${timesOf(layers)}[drawn];[clip][drawn]overlay=0:0[out]`,
        ...['-map', '[out]', '-fps_mode', 'passthrough'],
      ]
    : ['-map', '0:v:0', '-vf', `scale='min(${widestClip},iw)':-2`];
  const sound = withSound ? ['-map', '0:a:0?', '-c:a', 'aac', '-b:a', '96k', '-ac', '1'] : ['-an'];
  const encoded = [...playsAnywhere, '-movflags', '+faststart'];
  await ffmpeg([...stretch, ...safeInput('mov', reviewCopy), ...picture, ...sound, ...encoded, '-y', file], {
    processorSeconds: 240,
    mostBytes: 64 * 1024 ** 2,
  });
}
