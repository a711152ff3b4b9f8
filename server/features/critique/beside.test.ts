import type { SentBeside, SentMoment } from '@lean-mentor/contract';
import { fixBlocks, moment, type CritiqueDoc } from '@lean-mentor/core/critique';
import { brightnessAt, readBarcode, writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { originalKey, reviewCopyKey, stillsFolder } from '../../storage/index.ts';
import { CritiqueHouse, fixOf } from '../../testing/critiqueHouse.ts';
import { store } from '../../testing/footage.ts';
import { runDue } from '../../testing/jobs.ts';
import { clientA, clientB } from '../../testing/people.ts';
import type { Visitor } from '../../testing/visitor.ts';

let at: CritiqueHouse;
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-test-beside-'));
  await writeBarcodeClip(join(folder, 'clip.mp4'), { frames: 300 });
  at = await CritiqueHouse.opened();
});
afterAll(async () => {
  await at.close();
  await rm(folder, { recursive: true });
});
beforeEach(() => bring(clientA));

/** A request of a client on the desk, whose picture tells the number of its frame. */
async function bring(clientId: string): Promise<void> {
  await at.bringReviewed(clientId);
  for (const key of [originalKey, reviewCopyKey]) await store(at.house, key(at.footageId), join(folder, 'clip.mp4'));
}

const itemOf = (anchorFrame: number, more: object = {}) => ({
  ...{ requestId: at.requestId, footageId: at.footageId, anchorFrame, mirrored: false, fromFrame: anchorFrame, toFrame: null },
  ...more,
});

/** Lays something beside the first note of the desk. */
async function layBeside(items: readonly object[], layout: 'side' | 'over' = 'side'): Promise<void> {
  const comparisonId = at.house.newId();
  expect((await at.put('comparison', { name: 'Two', layout, items }, comparisonId)).status).toBe(200);
  await at.changeNote(at.noteIds[0]!, { comparisonId: null }, { comparisonId });
}
const sendBeside = () => at.sendDoc(fixOf(at.noteIds[0]!, moment(at.noteIds[0]!, 'beside')));
const besideOf = (body: { moments: SentMoment[] }): SentBeside | null => body.moments[0]!.beside;

const bytesOf = async (who: Visitor, path: string): Promise<{ status: number; body: Buffer }> => {
  const { status, body } = await who
    .ask('get', path)
    .buffer(true)
    .parse((response, done) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part)).on('end', () => done(null, Buffer.concat(parts)));
    });
  return { status, body: body as Buffer };
};
const picturePath = ({ id, version }: { id: string; version: number }, picture: string): string =>
  `/api/critiques/${id}/versions/${version}/moments/${at.noteIds[0]!}/pictures/${picture}`;

/** Which frames a picture of two tall cells, one beside the other, shows. */
async function framesIn(png: Buffer): Promise<(number | null)[]> {
  const { width, height } = await sharp(png).metadata();
  const cells = [0, 1].map((i) => ({ left: (i * width) / 2, top: 0, width: width / 2, height }));
  return Promise.all(
    cells.map(async (cell) => {
      const { data, info } = await sharp(png).extract(cell).raw().toBuffer({ resolveWithObject: true });
      return readBarcode(brightnessAt(data, info.width, info.height, info.channels));
    }),
  );
}

describe('what was laid beside a moment', () => {
  it('goes with the critique, of this and of earlier footage, each within its own stretch', async () => {
    const earlier = itemOf(120, { fromFrame: 100, toFrame: 160 });
    await bring(clientA);
    await layBeside([itemOf(15), earlier]);
    const { body } = await sendBeside();
    expect(besideOf(body)).toEqual({
      layout: 'side',
      items: [
        // A frame alone is played 3 s either way, as far as the footage reaches.
        { footageId: at.footageId, anchorFrame: 15, mirrored: false, filmed: null, range: { fromFrame: 0, toFrame: 106 } },
        {
          ...{ footageId: earlier.footageId, anchorFrame: 120, mirrored: false },
          ...{ filmed: expect.stringMatching(/^\d+ \w+ \d{4}$/), range: { fromFrame: 100, toFrame: 160 } },
        },
      ],
    });
    expect(body.footages.map(({ id, earlier: is }: { id: string; earlier: boolean }) => [id, is])).toEqual([
      [at.footageId, false],
      [earlier.footageId, true],
    ]);
    // What the desk does later changes nothing of it.
    await at.changeNote(at.noteIds[0]!, { comparisonId: null }, { comparisonId: null });
    const client = await at.visit('client');
    expect(besideOf((await client.ask('get', `/api/critiques/${body.id}`)).body)).toEqual(besideOf(body));
  });

  it('is one picture of exactly the frames that belong together, for its client and by a link, and for nobody else', async () => {
    const earlier = itemOf(200);
    await bring(clientA);
    await layBeside([itemOf(15), earlier]);
    const { body } = await sendBeside();
    const picture = await bytesOf(await at.visit('client'), picturePath(body, 'beside.png'));
    expect(picture.status).toBe(200);
    expect(await framesIn(picture.body)).toEqual([15, 200]);
    expect((await bytesOf(await at.visit('other'), picturePath(body, 'beside.png'))).status).toBe(404);
    const { token } = (await at.coach.ask('post', `/api/critiques/${body.id}/links`, { forName: 'Ines', days: 3 })).body;
    const path = `/api/shared/${token}/moments/${at.noteIds[0]!}/pictures/beside.png`;
    expect(await framesIn((await bytesOf(await at.visit(null), path)).body)).toEqual([15, 200]);
    // Of a moment beside which nothing was laid there is none.
    const plain = await at.sendDoc(fixOf(at.noteIds[0]!));
    expect((await bytesOf(at.coach, picturePath(plain.body, 'beside.png'))).status).toBe(404);
  });

  it('is drafted below the moment, and not where it was taken off the note', async () => {
    await layBeside([itemOf(15), itemOf(30)]);
    const { doc } = (await at.coach.ask('post', `/api/requests/${at.requestId}/critique/draft`)).body as { doc: CritiqueDoc };
    const shown = fixBlocks(doc).flatMap(({ content }) => content.flatMap((block) => (block.type === 'moment' ? [block.attrs] : [])));
    expect(shown.filter(({ noteId }) => noteId === at.noteIds[0]).map(({ show }) => show)).toEqual(['clip', 'beside']);
    expect(shown.filter(({ show }) => show === 'beside')).toHaveLength(1);
  });

  it('is refused where nothing lies there, where it is another client’s footage, and where some of it is gone', async () => {
    const says = `What was laid beside “`;
    expect((await sendBeside()).body.message).toContain(says);
    await bring(clientB);
    const strangers = itemOf(15);
    await bring(clientA);
    await layBeside([itemOf(15), strangers]);
    expect((await sendBeside()).body.message).toContain(says);
    await bring(clientA);
    const gone = itemOf(15);
    await at.house.db.footages.update({ state: 'removed' }, { where: { id: gone.footageId } });
    await bring(clientA);
    await layBeside([itemOf(15), gone]);
    expect((await sendBeside()).body.message).toContain(says);
    expect((await at.draft()).version).toBe(0);
  });

  it('goes with the footage: its picture is taken away when a footage of it is removed', async () => {
    const earlier = { ...itemOf(200), requestId: at.requestId };
    await bring(clientA);
    await layBeside([itemOf(15), earlier]);
    const { body } = await sendBeside();
    await bytesOf(at.coach, picturePath(body, 'beside.png'));
    const folderOf = stillsFolder(body.id);
    expect((await bytesOf(at.coach, picturePath(body, 'beside.png'))).status).toBe(200);
    const client = await at.visit('client');
    expect((await client.ask('post', `/api/requests/${earlier.requestId}/withdraw-consent`)).status).toBe(200);
    const key = `${folderOf}${body.version}-${at.noteIds[0]!}-beside.png`;
    await runDue(at.house, 'remove-footage');
    expect(await at.house.storage.size(key)).toBeNull();
    expect((await bytesOf(client, picturePath(body, 'beside.png'))).status).not.toBe(200);
  });

  it('lies over each other in one picture of one footage’s shape', async () => {
    await layBeside([itemOf(15), itemOf(15)], 'over');
    const { body } = await sendBeside();
    const { body: png } = await bytesOf(at.coach, picturePath(body, 'beside.png'));
    const { width, height } = await sharp(png).metadata();
    expect(width / height).toBeCloseTo(9 / 16, 1);
    // The same frame over itself is that frame.
    const { data, info } = await sharp(png).raw().toBuffer({ resolveWithObject: true });
    expect(readBarcode(brightnessAt(data, info.width, info.height, info.channels))).toBe(15);
  });
});
