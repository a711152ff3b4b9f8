import { lettersPath } from '../lettering/index.ts';

/** Words under the voice, as the stage's own colours have them. */
const [letters, ground] = ['#F5F1E6', '#141716'];
/** Size of the letters as a share of the picture's shorter side, and how much of its width a line may fill. */
const [letterShare, lineShare] = [0.05, 0.88];

/** Words in lines that fit, as even as they go: one line more is taken only where they do not fit into fewer. */
function linesOf(words: string, size: number, widest: number): string[] {
  const wide = (line: string): number => lettersPath(line, size).width;
  const broken = (room: number): string[] => {
    const lines: string[] = [];
    for (const word of words.split(/\s+/u).filter(Boolean)) {
      const last = lines.at(-1);
      if (last !== undefined && wide(`${last} ${word}`) <= room) lines[lines.length - 1] = `${last} ${word}`;
      else lines.push(word);
    }
    return lines;
  };
  const fewest = broken(widest).length;
  for (let room = widest / 2; room < widest; room += widest / 20) {
    const lines = broken(room);
    if (lines.length === fewest && lines.every((line) => wide(line) <= widest)) return lines;
  }
  return broken(widest);
}

/** What is said, as an SVG document of a picture's size: at its lower edge, on a dark ground, so that it can be read on any picture. */
export function captionSvg(words: string, { width, height }: { width: number; height: number }): string {
  const size = Math.max(12, Math.min(width, height) * letterShare);
  const lines = linesOf(words, size, width * lineShare).map((line) => lettersPath(line, size));
  const [lineHeight, room] = [size * 1.3, size * 0.4];
  const high = lines.length * lineHeight + room;
  const top = height - high - size * 0.6;
  const wide = Math.max(...lines.map((line) => line.width), 0) + 2 * room;
  const body = lines.map(
    (line, i) =>
      `<path fill="${letters}" d="${line.path}" transform="translate(${((width - line.width) / 2).toFixed(2)} ${(top + room / 2 + (i + 0.78) * lineHeight).toFixed(2)})"/>`,
  );
  const box = `<rect x="${((width - wide) / 2).toFixed(2)}" y="${top.toFixed(2)}" width="${wide.toFixed(2)}" height="${high.toFixed(2)}" fill="${ground}" fill-opacity="0.8"/>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${box}${body.join('')}</svg>`;
}
