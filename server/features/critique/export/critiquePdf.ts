import { assertNever } from '@lean-mentor/core/never';
import { fixBlocks, type Block, type Inline, type MomentBlock } from '@lean-mentor/core/critique';
import type { Content } from 'pdfmake';
import { makePdf, pdfColours } from '../../../media/pdf.ts';
import type { ExportFacts } from './exportFacts.ts';

const { ink, reed, brick } = pdfColours;

const inlines = (content: readonly Inline[] = []): Content[] =>
  content.map((inline) =>
    inline.type === 'hardBreak'
      ? '\n'
      : {
          text: inline.text,
          bold: inline.marks?.some(({ type }) => type === 'bold') ?? false,
          italics: inline.marks?.some(({ type }) => type === 'italic') ?? false,
        },
  );

function contentOf(block: Block, facts: ExportFacts, numbers: ReadonlyMap<Block, number>): Content[] {
  switch (block.type) {
    case 'paragraph':
      return block.content?.length ? [{ text: inlines(block.content), style: 'text' }] : [];
    case 'heading':
      return [{ text: inlines(block.content), style: block.attrs.level === 2 ? 'section' : 'part' }];
    case 'bulletList':
    case 'orderedList': {
      const items = block.content.map(({ content }) => ({ stack: content.map((one) => ({ text: inlines(one.content) })) }));
      return [block.type === 'bulletList' ? { ul: items, style: 'text' } : { ol: items, style: 'text' }];
    }
    case 'blockquote':
      return block.content.map((one): Content => ({ text: ['“', ...inlines(one.content), '”'], style: 'quote' }));
    case 'caution':
      return [
        {
          table: { widths: ['*'], body: [[{ stack: block.content.map((one) => ({ text: inlines(one.content) })), fontSize: 8.5 }]] },
          layout: { hLineWidth: () => 0, vLineWidth: (i) => (i === 0 ? 3 : 0), vLineColor: () => brick, paddingLeft: () => 8 },
          margin: [0, 4, 0, 4],
        },
      ];
    case 'moment':
      return [momentBeside(null, block.attrs, facts)];
    case 'bookClip': {
      const clip = facts.critique.clips.find(({ id }) => id === block.attrs.clipId);
      return clip ? [{ text: `Clip: ${clip.title} (see it on the page)`, italics: true, color: reed, fontSize: 8.5 }] : [];
    }
    case 'take': {
      const [title = '', ...said] = facts.spoken(block.attrs);
      return [
        { text: `Spoken: ${title}`, italics: true, color: reed, fontSize: 8.5 },
        ...said.map((line): Content => ({ text: line, style: 'quote' })),
      ];
    }
    case 'fix':
      return [
        { text: [{ text: `${numbers.get(block)}  `, fontSize: 18 }, block.attrs.name], style: 'fix' },
        ...contentsOf(block.content, facts, numbers),
      ];
    default:
      return assertNever(block);
  }
}

/** A moment with its picture beside what was written before it, so that three fixes with three moments each stay on two pages. */
function momentBeside(before: Inline[] | null, attrs: MomentBlock['attrs'], facts: ExportFacts): Content {
  const still = facts.still(attrs);
  const words: Content[] = [
    ...(before ? [{ text: inlines(before), margin: [0, 0, 0, 2] as [number, number, number, number] }] : []),
    { text: facts.momentWords(attrs), color: reed, fontSize: 8.5, italics: !still },
  ];
  if (!still) return { stack: words, margin: [0, 0, 0, 4] };
  return {
    columns: [
      { image: `data:image/jpeg;base64,${still.jpeg.toString('base64')}`, fit: [100, 57], width: 108 },
      { stack: words, margin: [0, 1, 0, 0] },
    ],
    margin: [0, 2, 0, 4],
    unbreakable: true,
  };
}

/** Blocks one after another; a paragraph that leads to a moment stands beside its picture. */
function contentsOf(blocks: readonly Block[], facts: ExportFacts, numbers: ReadonlyMap<Block, number>): Content[] {
  return blocks.flatMap((block, i) => {
    const [before, next] = [blocks[i - 1], blocks[i + 1]];
    if (block.type === 'paragraph' && block.content?.length && next?.type === 'moment') return [];
    const words = before?.type === 'paragraph' && before.content?.length ? before.content : null;
    return block.type === 'moment' ? [momentBeside(words, block.attrs, facts)] : contentOf(block, facts, numbers);
  });
}

/** A critique as PDF, A4. */
export function critiquePdf(facts: ExportFacts): Promise<Buffer> {
  const { critique, title, closing } = facts;
  const numbers = new Map<Block, number>(fixBlocks(critique.doc).map((block, i) => [block, i + 1]));
  return makePdf({
    pageMargins: [46, 38, 46, 38],
    info: { title, author: critique.coachName },
    defaultStyle: { font: 'Roboto', fontSize: 9.2, lineHeight: 1.15, color: ink },
    styles: {
      text: { margin: [0, 0, 0, 3] },
      section: { fontSize: 10, bold: true, margin: [0, 6, 0, 3] },
      part: { fontSize: 8.5, color: reed, margin: [0, 2, 0, 1] },
      quote: { fontSize: 11, margin: [0, 0, 0, 4] },
      fix: { fontSize: 13, bold: true, margin: [0, 8, 0, 3] },
    },
    content: [
      {
        text: `${critique.coachName} to ${critique.clientName}, ${critique.sentAt.slice(0, 10)}`,
        color: reed,
        fontSize: 8.5,
        margin: [0, 0, 0, 2],
      },
      ...contentsOf(critique.doc.content, facts, numbers),
      ...closing.map((text): Content => ({ text, color: reed, fontSize: 8.5, margin: [0, 6, 0, 0] })),
    ],
    footer: (page, pages) => ({ text: `${page} of ${pages}`, alignment: 'right', fontSize: 7.5, color: reed, margin: [0, 14, 48, 0] }),
  });
}
