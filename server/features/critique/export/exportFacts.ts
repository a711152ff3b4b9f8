import { momentPictures, type Account, type Critique } from '@lean-mentor/contract';
import { besideWords, blockText, placeOfTake, scoredBy, type MomentBlock, type TakeBlock } from '@lean-mentor/core/critique';
import { boutAtFrame, clockText, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import sharp from 'sharp';
import type { House } from '../../../house/house.ts';
import { findFootages, knownFrameTable } from '../../footage/index.ts';
import { momentPicture } from '../momentPicture.ts';
import { getCritique, type PictureAt } from '../reading.ts';

/** A moment as a block shows it. */
type Shown = MomentBlock['attrs'];

export interface StillPicture {
  jpeg: Buffer;
  width: number;
  height: number;
}

/** A sent critique with all that its exports show beside its words. */
export interface ExportFacts {
  critique: Critique;
  title: string;
  /** "Mistake at 0:18: what was said of it"; without the words where the critique says them itself. */
  momentWords: (attrs: Shown) => string;
  /** The moment with its drawing, or what was laid beside it; null where its footage is gone or not ready. */
  still: (attrs: Shown) => StillPicture | null;
  fileName: (footageId: string) => string;
  /** What is said in a take: what it is and how long, then its words line by line. */
  spoken: (attrs: TakeBlock['attrs']) => string[];
  /** What stands after the last word: by which sheets it was scored, and how. */
  closing: string[];
  /** The frame times of a footage; null where it is not ready. */
  table: (footageId: string) => FrameTable | null;
}

/** Wide enough for print at 8 cm, small enough to send. */
const stillWidth = 900;
const kinds = { mistake: 'Mistake', 'missed-chance': 'Missed chance', good: 'Good', question: 'Question', caution: 'Caution' } as const;

async function stillOf(
  house: House,
  account: Account,
  critique: Critique,
  of: Pick<PictureAt, 'noteId' | 'picture'>,
): Promise<StillPicture | null> {
  try {
    const png = await house.storage.read(await momentPicture(house, account.id || 'reader', critique, of));
    const { data, info } = await sharp(png)
      .resize({ width: stillWidth, withoutEnlargement: true })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true });
    return { jpeg: data, width: info.width, height: info.height };
  } catch {
    // What was written stays, also where the footage was removed or is being made ready.
    return null;
  }
}

/** Words without what a sentence adds to them: capitals, signs, spaces. */
const bare = (text: string): string => (text.toLocaleLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []).join(' ');

export const exportTitle = ({ clientName, sentAt }: Critique): string => `Critique for ${clientName}, ${sentAt.slice(0, 10)}`;

/** Reads a sent critique with its stills, for an account that may see it. */
export async function exportFacts(house: House, account: Account, critiqueId: string): Promise<ExportFacts> {
  const critique = await getCritique(house, account, critiqueId);
  const [footages, tables, stills] = await Promise.all([
    findFootages(
      house,
      critique.footages.map(({ id }) => id),
    ),
    Promise.all(critique.footages.map(async ({ id }) => [id, await knownFrameTable(house, id)] as const)).then(
      (pairs) => new Map<string, FrameTable | null>(pairs),
    ),
    Promise.all(
      critique.moments.flatMap(({ note, beside }) =>
        (beside ? momentPictures : (['still.png'] as const)).map(
          async (picture) => [`${note.id} ${picture}`, await stillOf(house, account, critique, { noteId: note.id, picture })] as const,
        ),
      ),
    ).then((pairs) => new Map(pairs)),
  ]);
  const clockOf = ({ note, atSeconds }: Critique['moments'][number]): string => {
    const table = tables.get(note.footageId);
    const bout = boutAtFrame(critique.footages.find(({ id }) => id === note.footageId)?.bouts ?? [], note.fromFrame);
    return clockText(atSeconds - (table && bout ? secondsOfFrame(table, bout.fromFrame) : 0));
  };
  const said = bare(critique.doc.content.map(blockText).join(' '));
  return {
    critique,
    title: exportTitle(critique),
    closing: scoredBy(critique.scores),
    momentWords: ({ noteId, show }) => {
      const moment = critique.moments.find(({ note }) => note.id === noteId);
      if (!moment) return 'A moment';
      const where = `${kinds[moment.note.kind]} at ${clockOf(moment)}`;
      if (show === 'beside' && moment.beside) return `${where}, ${besideWords(moment.beside)}`;
      return said.includes(bare(moment.note.what)) ? where : `${where}: ${moment.note.what}`;
    },
    still: ({ noteId, show }) => stills.get(`${noteId} ${show === 'beside' ? 'beside.png' : 'still.png'}`) ?? null,
    spoken: (attrs) => {
      const take = critique.takes[placeOfTake(critique.takes, attrs)];
      const title = take ? `${take.title || 'a take'}, ${clockText(take.seconds)}` : 'a take';
      return [title, ...(take?.captions ?? []).map(({ words }) => words)];
    },
    table: (footageId) => tables.get(footageId) ?? null,
    fileName: (footageId) => footages.find(({ id }) => id === footageId)?.fileName ?? footageId,
  };
}
