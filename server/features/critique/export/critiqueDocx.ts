import { assertNever } from '@lean-mentor/core/never';
import { fixBlocks, type Block, type Inline } from '@lean-mentor/core/critique';
import { AlignmentType, BorderStyle, Document, HeadingLevel, ImageRun, LevelFormat, Packer, Paragraph, TextRun } from 'docx';
import type { ExportFacts } from './exportFacts.ts';

/** Widest a still is set, in points of the page at 96 to the inch. */
const stillWidth = 300;

const runs = (content: readonly Inline[] = []): TextRun[] =>
  content.map((inline) =>
    inline.type === 'hardBreak'
      ? new TextRun({ break: 1 })
      : new TextRun({
          text: inline.text,
          bold: inline.marks?.some(({ type }) => type === 'bold') ?? false,
          italics: inline.marks?.some(({ type }) => type === 'italic') ?? false,
        }),
  );

/** Names of the numbered lists, so that each begins at one. */
type ListNames = ReadonlyMap<Block, string>;

function paragraphsOf(block: Block, facts: ExportFacts, numbers: ReadonlyMap<Block, number>, lists: ListNames): Paragraph[] {
  switch (block.type) {
    case 'paragraph':
      return block.content?.length ? [new Paragraph({ children: runs(block.content), spacing: { after: 100 } })] : [];
    case 'heading':
      return [
        new Paragraph({
          heading: block.attrs.level === 2 ? HeadingLevel.HEADING_2 : HeadingLevel.HEADING_3,
          children: runs(block.content),
          keepNext: true,
        }),
      ];
    case 'bulletList':
    case 'orderedList':
      return block.content.map(
        ({ content }) =>
          new Paragraph({
            children: content.flatMap((one, i) => [...(i > 0 ? [new TextRun({ break: 1 })] : []), ...runs(one.content)]),
            ...(block.type === 'bulletList' ? { bullet: { level: 0 } } : { numbering: { reference: lists.get(block)!, level: 0 } }),
          }),
      );
    case 'blockquote':
      return block.content.map((one) => new Paragraph({ children: runs(one.content), indent: { left: 360 }, spacing: { after: 100 } }));
    case 'caution':
      return block.content.map(
        (one) =>
          new Paragraph({
            children: runs(one.content),
            border: { left: { style: BorderStyle.SINGLE, size: 24, color: 'A8322A', space: 8 } },
          }),
      );
    case 'moment': {
      const still = facts.still(block.attrs);
      const words = new Paragraph({
        children: [new TextRun({ text: facts.momentWords(block.attrs), italics: true, color: '6B6F5F' })],
      });
      if (!still) return [words];
      const height = Math.round((stillWidth / still.width) * still.height);
      return [
        new Paragraph({
          keepNext: true,
          children: [
            new ImageRun({
              type: 'jpg',
              data: still.jpeg,
              transformation: { width: stillWidth, height },
              altText: { name: 'still', title: 'Still', description: facts.momentWords(block.attrs) },
            }),
          ],
        }),
        words,
      ];
    }
    case 'bookClip': {
      const clip = facts.critique.clips.find(({ id }) => id === block.attrs.clipId);
      return clip ? [new Paragraph({ children: [new TextRun({ text: `Clip: ${clip.title}`, italics: true })] })] : [];
    }
    case 'take': {
      const [title = '', ...said] = facts.spoken(block.attrs);
      return [
        new Paragraph({ keepNext: true, children: [new TextRun({ text: `Spoken: ${title}`, italics: true })] }),
        ...said.map((line) => new Paragraph({ indent: { left: 360 }, children: [new TextRun(line)] })),
      ];
    }
    case 'fix':
      return [
        new Paragraph({
          heading: HeadingLevel.HEADING_1,
          keepNext: true,
          children: [new TextRun(`${numbers.get(block)}. ${block.attrs.name}`)],
        }),
        ...block.content.flatMap((one) => paragraphsOf(one, facts, numbers, lists)),
      ];
    default:
      return assertNever(block);
  }
}

/** A critique as a Word document. */
export async function critiqueDocx(facts: ExportFacts): Promise<Buffer> {
  const { critique, title, closing } = facts;
  const numbers = new Map<Block, number>(fixBlocks(critique.doc).map((block, i) => [block, i + 1]));
  const ordered = critique.doc.content
    .flatMap((block) => (block.type === 'fix' ? block.content : [block]))
    .filter(({ type }) => type === 'orderedList');
  const lists = new Map<Block, string>(ordered.map((block, i) => [block, `list-${i + 1}`]));
  const document = new Document({
    title,
    creator: critique.coachName,
    numbering: {
      config: [...lists.values()].map((reference) => ({
        reference,
        levels: [
          {
            level: 0,
            format: LevelFormat.DECIMAL,
            text: '%1.',
            alignment: AlignmentType.START,
            style: { paragraph: { indent: { left: 500, hanging: 300 } } },
          },
        ],
      })),
    },
    sections: [
      {
        properties: { page: { size: { width: 11906, height: 16838 }, margin: { top: 1000, bottom: 1000, left: 1100, right: 1100 } } },
        children: [
          new Paragraph({ heading: HeadingLevel.TITLE, children: [new TextRun(title)] }),
          ...critique.doc.content.flatMap((block) => paragraphsOf(block, facts, numbers, lists)),
          ...closing.map((text) => new Paragraph({ children: [new TextRun(text)] })),
        ],
      },
    ],
  });
  return Packer.toBuffer(document);
}
