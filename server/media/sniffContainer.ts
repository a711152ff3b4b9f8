import { open } from 'node:fs/promises';
import { MediaFault } from './mediaFault.ts';

/** ffmpeg demuxers that footage may be read with. Playlists and concatenations, which name other files, are not among them. */
export type Demuxer = 'mov' | 'matroska' | 'avi' | 'mpegts' | 'ogg' | 'flac';

const ascii = (bytes: Buffer, from: number, text: string): boolean => bytes.subarray(from, from + text.length).toString('latin1') === text;

/** The demuxer that the first bytes call for, whatever the file's name says, or null when it is no video we read. */
export function sniffContainer(head: Buffer): Demuxer | null {
  if (['ftyp', 'moov', 'mdat', 'wide', 'free'].some((box) => ascii(head, 4, box))) return 'mov';
  if (head.length >= 4 && head.readUInt32BE(0) === 0x1a45dfa3) return 'matroska';
  if (ascii(head, 0, 'RIFF') && ascii(head, 8, 'AVI ')) return 'avi';
  if (head.length > 188 && head[0] === 0x47 && head[188] === 0x47) return 'mpegts';
  return null;
}

/** Sniffs a file. Throws a MediaFault for an empty file or one that is no video. */
export async function sniffFile(path: string): Promise<Demuxer> {
  const file = await open(path);
  try {
    const { bytesRead, buffer } = await file.read(Buffer.alloc(400), 0, 400, 0);
    if (bytesRead === 0) throw new MediaFault('The file is empty. Send the video again from where it was recorded.');
    const demuxer = sniffContainer(buffer.subarray(0, bytesRead));
    if (!demuxer) throw new MediaFault('This file is not a video we can read. Send it as MP4, MOV, MKV, WebM, AVI or TS.');
    return demuxer;
  } finally {
    await file.close();
  }
}
