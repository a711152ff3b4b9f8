import { finishTake, saveTakePiece } from '@lean-mentor/contract';
import { addressOf, currentAccount, currentToken } from '../../../shared/wire/index.ts';
import { deskDb, type KeptPiece, type SpokenTake } from '../deskStore.ts';

/** Between two tries, in ms: the take itself may still be on its way when its first piece is sent, or the network is gone. */
const [shortestWaitMs, longestWaitMs] = [400, 8000];
/** A tab that has a take in hand says so this often; one that has not for so long is dead (ms). */
const [beatMs, deadMs] = [2000, 7000];
/** What is left of a take that the server does not know is kept this long, in ms: it may lie in an outbox, or was taken off its desk. */
const mostKeptMs = 14 * 86_400_000;

async function base64(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let text = '';
  // In stretches: a call takes so many arguments only.
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(text);
}

type Sent = 'taken' | 'refused' | 'unknown' | 'again';

type Asked = typeof saveTakePiece | typeof finishTake;
async function sent(operation: Asked, params: Record<string, string | number>, body: object): Promise<Sent> {
  const answer = await fetch(addressOf(operation, params), {
    method: operation.method.toUpperCase(),
    headers: { 'x-lean-token': currentToken(), 'content-type': 'application/json' },
    body: JSON.stringify(body),
  }).catch(() => null);
  if (answer?.ok) return 'taken';
  if (answer?.status === 404) return 'unknown';
  return answer?.status === 400 || answer?.status === 413 ? 'refused' : 'again';
}

async function sendPiece({ requestId, takeId, part, piece, type, voice, events }: KeptPiece): Promise<Sent> {
  return sent(saveTakePiece, { requestId, takeId, part, piece }, { type, voice: await base64(voice), events });
}

/** Keeps a piece, and how far its take has come, in this browser. Rejects where the browser keeps nothing (a full disk, private mode). */
async function keep(piece: KeptPiece, spoken: SpokenTake): Promise<void> {
  const work = (await deskDb()).transaction(['takePieces', 'takesSpoken'], 'readwrite');
  await Promise.all([work.objectStore('takePieces').put(piece), work.objectStore('takesSpoken').put(spoken), work.done]);
}

const forget = async ({ takeId, part, piece }: KeptPiece): Promise<void> =>
  (await deskDb()).delete('takePieces', [takeId, part, piece]).catch(() => undefined);

/** Where the pieces of a take are. */
export interface PieceNews {
  /** Pieces that the server does not have yet. */
  waiting: number;
  /** This browser keeps nothing, so that what waits is lost with its tab. */
  unkept: boolean;
  /** The server will not take a piece, ever. */
  refused: boolean;
}

/** Keeps the pieces of one take on the browser's disk as they come, sends them in order, and has the take put together in the end. */
export class PieceKeeper {
  private readonly queue: KeptPiece[] = [];
  private sending: Promise<void> | null = null;
  private news: PieceNews = { waiting: 0, unkept: false, refused: false };

  private readonly beating = setInterval(() => void this.beat().catch(() => undefined), beatMs);

  /** `pieces`: of parts that were spoken before. */
  constructor(
    private readonly of: { requestId: string; takeId: string },
    private readonly pieces: number[],
    private readonly tell: (news: PieceNews) => void,
  ) {}

  add(part: number, { type, voice, events }: Pick<KeptPiece, 'type' | 'voice' | 'events'>): void {
    const piece = this.pieces[part] ?? 0;
    this.pieces[part] = piece + 1;
    const kept: KeptPiece = { ...this.of, part, piece, type, voice, events };
    this.queue.push(kept);
    this.say({});
    const spoken = { ...this.of, accountId: currentAccount(), pieces: [...this.pieces], at: Date.now() };
    void keep(kept, spoken).catch(() => this.say({ unkept: true }));
    this.sending ??= this.sendAll().finally(() => (this.sending = null));
  }

  /** Resolved when all that was spoken is with the server and being put together. */
  async finish(): Promise<void> {
    while (this.sending) await this.sending;
    clearInterval(this.beating);
    const pieces = Array.from(this.pieces, (many) => many ?? 0);
    if (pieces.some((many) => many > 0)) await untilTaken(() => sent(finishTake, this.of, { pieces }));
    await (await deskDb()).delete('takesSpoken', this.of.takeId).catch(() => undefined);
  }

  /** Says that the take is still in hand here, also while nothing is said. */
  private async beat(): Promise<void> {
    const db = await deskDb();
    const spoken = await db.get('takesSpoken', this.of.takeId);
    if (spoken) await db.put('takesSpoken', { ...spoken, at: Date.now() });
  }

  private async sendAll(): Promise<void> {
    for (let piece = this.queue[0]; piece; piece = this.queue[0]) {
      const next = piece;
      if ((await untilTaken(() => sendPiece(next))) === 'refused') this.say({ refused: true });
      await forget(next).catch(() => undefined);
      this.queue.shift();
      this.say({});
    }
  }

  private say(fields: Partial<PieceNews>): void {
    this.news = { ...this.news, ...fields, waiting: this.queue.length };
    this.tell(this.news);
  }
}

async function untilTaken(send: () => Promise<Sent>): Promise<Sent> {
  for (let wait = shortestWaitMs; ; wait = Math.min(longestWaitMs, wait * 1.6)) {
    const came = await send();
    if (came === 'taken' || came === 'refused') return came;
    await new Promise((resolve) => setTimeout(resolve, wait));
  }
}

/**
 * Sends what is left of takes whose tab died, and has them put together as far as they were spoken. Answers in how many ms to look again:
 * some may have died just now; null where there are none.
 */
export async function finishDeadTakes(): Promise<number | null> {
  const db = await deskDb();
  let again: number | null = null;
  for (const { takeId, requestId, accountId, pieces, at } of await db.getAll('takesSpoken')) {
    // Another's who used this browser is not ours to send.
    if (accountId !== currentAccount()) continue;
    // One that is being spoken in another tab is that tab's.
    if (Date.now() - at < deadMs) {
      again = deadMs;
      continue;
    }
    const left = (await db.getAll('takePieces')).filter((piece) => piece.takeId === takeId);
    const there = Array.from(pieces, (many) => many ?? 0);
    let all = true;
    for (const piece of left) {
      // What a browser that was killed had not wholly written is lost, and with it what of its part comes later.
      const came = await sendPiece(piece).catch((): Sent => 'refused');
      const forgotten = came === 'unknown' && Date.now() - at > mostKeptMs;
      if (came === 'again' || (came === 'unknown' && !forgotten)) all = false;
      else await db.delete('takePieces', [takeId, piece.part, piece.piece]);
      if (came === 'refused') there[piece.part] = Math.min(there[piece.part] ?? 0, piece.piece);
    }
    const finished = all && (await sent(finishTake, { requestId, takeId }, { pieces: there }));
    if (finished === 'taken' || (finished === 'unknown' && Date.now() - at > mostKeptMs)) await db.delete('takesSpoken', takeId);
    else again = deadMs;
  }
  return again;
}
