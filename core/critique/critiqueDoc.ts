/**
 * A written critique: a tree as the editor keeps it (its JSON is ProseMirror's), with blocks of our own that stay tied to the desk.
 * Everything that shows, prints or sends a critique reads this tree.
 */
export interface TextMark {
  type: 'bold' | 'italic';
}
export type Inline = { type: 'text'; text: string; marks?: TextMark[] } | { type: 'hardBreak' };
export interface Paragraph {
  type: 'paragraph';
  content?: Inline[];
}
export interface Heading {
  type: 'heading';
  attrs: { level: 2 | 3 };
  content?: Inline[];
}
export interface ListItem {
  type: 'listItem';
  content: Paragraph[];
}
export interface List {
  type: 'bulletList' | 'orderedList';
  content: ListItem[];
}
export interface Quote {
  type: 'blockquote';
  content: Paragraph[];
}
/**
 * How a note's instant is shown: the clip around it, its still with the drawing, or what the coach laid beside it (its comparison), to be
 * stepped through together.
 */
export const momentLooks = ['clip', 'still', 'beside'] as const;
export type MomentLook = (typeof momentLooks)[number];
/** A note's instant. `heard`: what is heard there, for who cannot hear it; without it the clip is silent. */
export interface MomentBlock {
  type: 'moment';
  attrs: { noteId: string; show: MomentLook; heard?: string | null };
}
/** A clip of the coach's own. */
export interface ClipBlock {
  type: 'bookClip';
  attrs: { clipId: string };
}
/** Something the coach said over the footage: a whole take, or a stretch of its recording in seconds. */
export interface TakeBlock {
  type: 'take';
  attrs: { takeId: string; from: number | null; to: number | null; title: string };
}
/** Words that must not be overlooked. */
export interface CautionBlock {
  type: 'caution';
  content: Paragraph[];
}
export type PlainBlock = Paragraph | Heading | List | Quote | MomentBlock | ClipBlock | TakeBlock | CautionBlock;
/** One fix with all that is said of it. `fixId` is its principle, or its note where that names none. */
export interface FixBlock {
  type: 'fix';
  attrs: { fixId: string; principleId: string | null; name: string };
  content: PlainBlock[];
}
export type Block = PlainBlock | FixBlock;
export interface CritiqueDoc {
  type: 'doc';
  content: Block[];
}

export const words = (text: string, ...marks: TextMark[]): Inline[] =>
  text === '' ? [] : [{ type: 'text', text, ...(marks.length > 0 && { marks }) }];
export const paragraph = (text: string, ...marks: TextMark[]): Paragraph =>
  text === '' ? { type: 'paragraph' } : { type: 'paragraph', content: words(text, ...marks) };
export const heading = (level: 2 | 3, text: string): Heading => ({ type: 'heading', attrs: { level }, content: words(text) });
export const list = (type: List['type'], lines: readonly string[]): List => ({
  type,
  content: lines.map((line) => ({ type: 'listItem', content: [paragraph(line)] })),
});
export const moment = (noteId: string, show: MomentLook = 'clip'): MomentBlock => ({ type: 'moment', attrs: { noteId, show } });

/** The words of one block, lists line by line. */
export function blockText(block: Block | ListItem): string {
  switch (block.type) {
    case 'paragraph':
    case 'heading':
      return (block.content ?? []).map((inline) => (inline.type === 'text' ? inline.text : '\n')).join('');
    case 'moment':
    case 'bookClip':
      return '';
    case 'take':
      return block.attrs.title;
    case 'fix':
      return [block.attrs.name, ...block.content.map(blockText)].filter(Boolean).join('\n');
    default:
      return (block.content as (Block | ListItem)[]).map(blockText).filter(Boolean).join('\n');
  }
}

/** All blocks in the order they are read, those inside fixes after their fix. */
export const allBlocks = ({ content }: Pick<CritiqueDoc, 'content'>): Block[] =>
  content.flatMap((block) => (block.type === 'fix' ? [block, ...block.content] : [block]));

/** What is heard of the clips that have sound, by their notes. */
export const heardOf = (doc: Pick<CritiqueDoc, 'content'>): Map<string, string> =>
  new Map(
    allBlocks(doc).flatMap((block) =>
      block.type === 'moment' && block.attrs.show === 'clip' && block.attrs.heard != null ? [[block.attrs.noteId, block.attrs.heard]] : [],
    ),
  );

/** Fixes in their order. */
export const fixBlocks = ({ content }: Pick<CritiqueDoc, 'content'>): FixBlock[] => content.filter((block) => block.type === 'fix');

const momentIds = (blocks: readonly Block[]): string[] => [
  ...new Set(blocks.flatMap((block) => (block.type === 'moment' ? [block.attrs.noteId] : []))),
];
/** Notes whose instants are shown, each once: of the whole critique, or of one fix. */
export const momentsOf = (of: CritiqueDoc | FixBlock): string[] => momentIds(of.type === 'doc' ? allBlocks(of) : of.content);
/** Notes that are shown with what was laid beside them, each once. */
export const comparedIn = (doc: CritiqueDoc): string[] =>
  momentIds(allBlocks(doc).filter((block) => block.type === 'moment' && block.attrs.show === 'beside'));
/** What was laid beside a moment: "with 3 October 2026 beside it". */
export function besideWords({ layout, items }: { layout: 'side' | 'over'; items: readonly { filmed: string | null }[] }): string {
  const [, ...others] = items.map(({ filmed }) => filmed ?? 'another moment of this footage');
  return others.length === 0 ? 'by itself' : `with ${[...new Set(others)].join(' and ')} ${layout === 'over' ? 'over' : 'beside'} it`;
}

/** Clips of the coach's own that are shown, each once. */
export const clipsOf = (doc: CritiqueDoc): string[] => [
  ...new Set(allBlocks(doc).flatMap((block) => (block.type === 'bookClip' ? [block.attrs.clipId] : []))),
];

const sameTake = (a: TakeBlock['attrs'], b: TakeBlock['attrs']): boolean => a.takeId === b.takeId && a.from === b.from && a.to === b.to;

/** What is spoken in a critique, each stretch once, in the order in which it is read. */
export function takesOf(doc: CritiqueDoc): TakeBlock['attrs'][] {
  const takes: TakeBlock['attrs'][] = [];
  for (const block of allBlocks(doc))
    if (block.type === 'take' && !takes.some((one) => sameTake(one, block.attrs))) takes.push(block.attrs);
  return takes;
}
/** Which of a critique's spoken stretches a block shows; −1 where it is none of them. */
export const placeOfTake = (takes: readonly Pick<TakeBlock['attrs'], 'takeId' | 'from' | 'to'>[], attrs: TakeBlock['attrs']): number =>
  takes.findIndex((one) => sameTake({ ...one, title: '' }, attrs));
