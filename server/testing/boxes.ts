/** A box of an MP4 file (ISO/IEC 14496-12): where it begins, and where its content does and ends. */
export interface Box {
  type: string;
  at: number;
  content: number;
  end: number;
}

/** Boxes that stand one after another between two places. */
export function boxesOf(file: Buffer, from = 0, to = file.length): Box[] {
  const found: Box[] = [];
  for (let at = from; at + 8 <= to;) {
    const size = file.readUInt32BE(at) || to - at;
    if (size < 8) break;
    found.push({ type: file.subarray(at + 4, at + 8).toString('latin1'), at, content: at + 8, end: Math.min(to, at + size) });
    at += size;
  }
  return found;
}

/** The first box down a path of types, such as moov, trak, mdia. */
export function boxAt(file: Buffer, ...path: string[]): Box {
  let inside = { content: 0, end: file.length };
  for (const type of path) inside = boxesOf(file, inside.content, inside.end).find((box) => box.type === type)!;
  return inside as Box;
}

/** A file whose only track stands in it `count` times. Its index must be behind its data. */
export function withTracks(file: Buffer, count: number): Buffer {
  const moov = boxAt(file, 'moov');
  const trak = boxAt(file, 'moov', 'trak');
  const track = file.subarray(trak.at, trak.end);
  const tracks = Array.from({ length: count - 1 }, () => track);
  const rest = file.subarray(trak.end, moov.end);
  const head = Buffer.from(file.subarray(moov.at, trak.end));
  head.writeUInt32BE(moov.end - moov.at + track.length * tracks.length);
  return Buffer.concat([file.subarray(0, moov.at), head, ...tracks, rest]);
}
