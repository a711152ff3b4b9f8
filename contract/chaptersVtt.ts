/** A named stretch of footage. */
export interface Chapter {
  fromSeconds: number;
  toSeconds: number;
  title: string;
}

/** hh:mm:ss.ttt, as WebVTT writes times. */
function vttTime(seconds: number): string {
  const ms = Math.round(Math.max(0, seconds) * 1000);
  const two = (value: number): string => String(value).padStart(2, '0');
  return `${two(Math.floor(ms / 3_600_000))}:${two(Math.floor(ms / 60_000) % 60)}:${two(Math.floor(ms / 1000) % 60)}.${String(ms % 1000).padStart(3, '0')}`;
}

/** What a cue may not hold: line breaks would end it, "-->" and "<" mean something. */
const cueText = (text: string): string =>
  text.replace(/\s+/g, ' ').replaceAll('-->', '→').replaceAll('&', '&amp;').replaceAll('<', '&lt;').trim();

/** Chapters as WebVTT (W3C), in the order of time. */
export const chaptersVtt = (chapters: readonly Chapter[]): string =>
  `WEBVTT\n${[...chapters]
    .sort((a, b) => a.fromSeconds - b.fromSeconds || a.toSeconds - b.toSeconds)
    .map(
      ({ fromSeconds, toSeconds, title }, i) =>
        `\n${i + 1}\n${vttTime(fromSeconds)} --> ${vttTime(Math.max(toSeconds, fromSeconds + 0.001))}\n${cueText(title)}\n`,
    )
    .join('')}`;
