import type { SentBeside } from '@lean-mentor/contract';
import type { DeskDocument } from '@lean-mentor/core/desk';
import { clampFrame, frameAtSeconds, secondsOfFrame, type FrameIndex, type FrameTable } from '@lean-mentor/core/footage';
import { comparisonGrid } from '@lean-mentor/core/takes';
import { format } from 'date-fns';
import sharp from 'sharp';
import type { House } from '../../house/house.ts';
import { withScratchFolder } from '../../house/scratchFolder.ts';
import { comparedPainter } from '../../media/compared.ts';
import { findOwnFootage, frameTableOf, withCompared } from '../footage/index.ts';

/** What was kept as a frame alone is played this long before and after it, in seconds. */
const reach = 3;
/** Each picture is this wide on paper, in pixels. */
const cellWidth = 640;
/** How opaque a picture is that lies over another, where nobody moves it. */
const overOpacity = 0.5;

function rangeOf(table: FrameTable, anchorFrame: FrameIndex, kept: { fromFrame: number; toFrame: number | null }) {
  if (kept.toFrame !== null)
    return { fromFrame: clampFrame(table, kept.fromFrame), toFrame: Math.min(table.times.length, Math.max(kept.toFrame, anchorFrame + 1)) };
  const at = secondsOfFrame(table, anchorFrame);
  return { fromFrame: frameAtSeconds(table, at - reach), toFrame: frameAtSeconds(table, at + reach) + 1 };
}

/**
 * What is laid beside a note of this request, as it is sent. Null where nothing is, or where some of it cannot be shown to this client any
 * more.
 */
export async function sentBesideOf(house: House, requestId: string, document: DeskDocument, noteId: string): Promise<SentBeside | null> {
  const comparison = document.comparisons[document.notes[noteId]?.comparisonId ?? ''];
  if (!comparison) return null;
  const ids = [...new Set(comparison.items.map(({ footageId }) => footageId))];
  const own = new Map((await findOwnFootage(house, requestId, ids)).map((footage) => [footage.id, footage]));
  if (own.size < ids.length) return null;
  const tables = new Map(await Promise.all(ids.map(async (id) => [id, await frameTableOf(house, id)] as const)));
  return {
    layout: comparison.layout,
    items: comparison.items.map(({ footageId, mirrored, ...kept }) => {
      const table = tables.get(footageId)!;
      const anchorFrame = clampFrame(table, kept.anchorFrame);
      const footage = own.get(footageId)!;
      const filmed = footage.requestId === requestId ? null : format(footage.sentAt, 'd MMMM yyyy');
      return { footageId, anchorFrame, mirrored, filmed, range: rangeOf(table, anchorFrame, kept) };
    }),
  };
}

/** The frames by which a comparison is lined up, as one picture: beside each other, or over each other. */
export async function besidePng(house: House, requestId: string, { layout, items }: SentBeside): Promise<Buffer> {
  const ids = [...new Set(items.map(({ footageId }) => footageId))];
  const [first] = await findOwnFootage(house, requestId, [items[0]!.footageId]);
  const { width, height } = { width: first?.width ?? 16, height: first?.height ?? 9 };
  const cell = { width: cellWidth, height: Math.round((cellWidth * height) / width) };
  const grid = comparisonGrid(layout === 'over' ? 1 : items.length, cell);
  const size = { width: cell.width * grid.columns, height: cell.height * grid.rows };
  return withScratchFolder(house, `beside-${house.newId()}`, (folder) =>
    withCompared(house, requestId, ids, async (sources) => {
      const paint = comparedPainter(size, sources, { folder, signal: AbortSignal.timeout(60_000), grid });
      const painted = await paint({ layout, opacity: overOpacity, items, offset: 0, rate: 0, span: null });
      return sharp(painted, { raw: { ...size, channels: 4 } })
        .png()
        .toBuffer();
    }),
  );
}
