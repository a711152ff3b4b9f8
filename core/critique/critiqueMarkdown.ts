import { assertNever } from '../never/index.ts';
import { fixBlocks, type Block, type CritiqueDoc, type Inline, type MomentBlock, type TakeBlock } from './critiqueDoc.ts';

/** How what is tied to the desk is written down: by whoever knows it. */
export interface TiedWords {
  /** "0:41, mistake: …" and, where there is one, the path of its picture. */
  moment: (attrs: MomentBlock['attrs']) => { words: string; picture: string | null };
  clip: (clipId: string) => string;
  /** What is said, line by line; its title first. */
  take: (attrs: TakeBlock['attrs']) => readonly string[];
}

const escaped = (text: string): string => text.replace(/[\\`*_[\]<>#]/g, '\\$&');

const inlineMarkdown = (content: readonly Inline[] = []): string =>
  content
    .map((inline) => {
      if (inline.type === 'hardBreak') return '  \n';
      const marks = inline.marks?.map(({ type }) => (type === 'bold' ? '**' : '*')) ?? [];
      return `${marks.join('')}${escaped(inline.text)}${[...marks].reverse().join('')}`;
    })
    .join('');

function blockMarkdown(block: Block, tied: TiedWords, numbers: ReadonlyMap<Block, number>): string {
  switch (block.type) {
    case 'paragraph':
      return inlineMarkdown(block.content);
    case 'heading':
      return `${'#'.repeat(block.attrs.level)} ${inlineMarkdown(block.content)}`;
    case 'bulletList':
    case 'orderedList':
      return block.content
        .map(
          ({ content }, i) =>
            `${block.type === 'bulletList' ? '-' : `${i + 1}.`} ${content.map((one) => inlineMarkdown(one.content)).join('  \n   ')}`,
        )
        .join('\n');
    case 'blockquote':
    case 'caution':
      return block.content.map((one) => `> ${block.type === 'caution' ? '**Mind:** ' : ''}${inlineMarkdown(one.content)}`).join('\n>\n');
    case 'moment': {
      const { words, picture } = tied.moment(block.attrs);
      return picture ? `![${escaped(words)}](${picture})` : `*${escaped(words)}*`;
    }
    case 'bookClip':
      return `*Clip: ${escaped(tied.clip(block.attrs.clipId))}*`;
    case 'take':
      return tied
        .take(block.attrs)
        .map((line, i) => (i === 0 ? `*Spoken: ${escaped(line)}*` : `> ${escaped(line)}`))
        .join('\n\n');
    case 'fix':
      return [`## ${numbers.get(block)}. ${escaped(block.attrs.name)}`, ...block.content.map((one) => blockMarkdown(one, tied, numbers))]
        .filter(Boolean)
        .join('\n\n');
    default:
      return assertNever(block);
  }
}

/** A critique as Markdown. `closing`: lines after its last word. */
export function critiqueMarkdown(doc: CritiqueDoc, title: string, tied: TiedWords, closing: readonly string[] = []): string {
  const numbers = new Map<Block, number>(fixBlocks(doc).map((block, i) => [block, i + 1]));
  return `${[`# ${escaped(title)}`, ...doc.content.map((block) => blockMarkdown(block, tied, numbers)), ...closing.map(escaped)].filter(Boolean).join('\n\n')}\n`;
}
