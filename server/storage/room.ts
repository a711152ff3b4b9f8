import { closeSync, existsSync, fsyncSync, openSync, rmSync, statfsSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { ContractError } from '../house/contractError.ts';

/** Kept free for the database when everything else is full: a file of this size is given up for it. */
const reserveBytes = 64 * 1024 ** 2;
const pieceBytes = 1024 ** 2;

/** Errors of the disk, the database and ffmpeg that say that there is no room. */
const noRoomCodes: ReadonlySet<unknown> = new Set(['ENOSPC', 'EDQUOT', 'ER_DISK_FULL', 'ER_RECORD_FILE_FULL', 1021, 1114]);

/** Whether an error, or what caused it, says that the disk is full. */
export function saysNoRoom(error: unknown): boolean {
  for (let one = error, depth = 0; one instanceof Error && depth < 5; depth++) {
    const { code, errno, original, parent } = one as { code?: unknown; errno?: unknown; original?: unknown; parent?: unknown };
    if (noRoomCodes.has(code) || noRoomCodes.has(errno) || one.message.includes('No space left on device')) return true;
    one = original ?? parent ?? one.cause;
  }
  return false;
}

/**
 * The room on the disk under the data folder. What would fill it is refused before it begins, while `spareBytes` are still free: a
 * database that finds no room stops, and nobody reads anything then. Where others fill the disk all the same, a reserve that was laid
 * aside is given up, and taken back once there is room.
 */
export class Room {
  private readonly reserve: string;
  private timer: NodeJS.Timeout | null = null;

  constructor(
    private readonly dataDir: string,
    private readonly spareBytes: number,
  ) {
    this.reserve = join(dataDir, 'reserve');
  }

  /** Bytes that are free for whoever is not root. */
  freeBytes(): number {
    const { bavail, bsize } = statfsSync(this.dataDir);
    return bavail * bsize;
  }

  /** Whether something of this size may be begun. Without a size: something small, for which a part of what is spared is there. */
  hasFor(bytes: number | null): boolean {
    return this.freeBytes() - (bytes ?? 0) >= (bytes === null ? this.spareBytes / 8 : this.spareBytes);
  }

  /** Throws `no-room` where there is none for something of this size (null: something small). */
  require(bytes: number | null): void {
    if (!this.hasFor(bytes)) throw new ContractError('no-room');
  }

  /** Lays the reserve aside and looks after it from now on. */
  watch(everyMs: number): void {
    const look = (): void => {
      try {
        const free = this.freeBytes();
        if (existsSync(this.reserve)) {
          if (free < this.spareBytes / 8) rmSync(this.reserve, { force: true });
        } else if (free > this.spareBytes + reserveBytes) this.layAside();
      } catch {
        // The next look tries again.
      }
    };
    look();
    this.timer = setInterval(look, everyMs);
    this.timer.unref();
  }

  stop(): void {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
  }

  private layAside(): void {
    const file = openSync(this.reserve, 'w', 0o600);
    try {
      // Written out: a file that is only said to be that long holds no room.
      for (let written = 0; written < reserveBytes; written += pieceBytes) writeSync(file, Buffer.alloc(pieceBytes, 1));
      fsyncSync(file);
    } finally {
      closeSync(file);
    }
  }
}
