import { pino } from 'pino';
import { describe, expect, it } from 'vitest';
import { lineWriter } from './lineWriter.ts';

/** A file with room for so many bytes, as the system writes into it: as much as there is room for, and then an error. */
function fileWithRoom(bytes: number) {
  let [room, content] = [bytes, ''];
  return {
    write: (_fd: number, piece: Buffer): number => {
      if (room === 0) throw Object.assign(new Error('ENOSPC: no space left on device, write'), { code: 'ENOSPC' });
      const written = piece.subarray(0, room);
      room -= written.length;
      content += written.toString();
      return written.length;
    },
    makeRoom: () => void (room = 1000),
    content: () => content,
  };
}

describe('a log on a full disk', () => {
  it('loses lines and nothing else, and goes on with a whole line once there is room', () => {
    const file = fileWithRoom(50);
    const log = pino({ base: null, timestamp: false }, lineWriter(1, file.write));
    log.info('the first');
    log.info('the second');
    log.info('the third');
    file.makeRoom();
    log.info('the fourth');
    const lines = file.content().split('\n');
    expect(lines[0]).toBe('{"level":30,"msg":"the first"}');
    expect('{"level":30,"msg":"the second"}'.startsWith(lines[1]!)).toBe(true);
    expect(lines.slice(2)).toEqual(['{"level":30,"msg":"the fourth"}', '']);
  });
});
