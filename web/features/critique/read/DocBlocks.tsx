import { assertNever } from '@lean-mentor/core/never';
import type { Block, FixBlock, Inline, MomentBlock, TakeBlock } from '@lean-mentor/core/critique';
import { Fragment, type ReactNode } from 'react';

export interface DocSlots {
  moment: (attrs: MomentBlock['attrs']) => ReactNode;
  clip: (clipId: string) => ReactNode;
  take: (attrs: TakeBlock['attrs']) => ReactNode;
  /** `show`: its blocks, or some of them. */
  fix: (block: FixBlock, show: (blocks: readonly Block[]) => ReactNode) => ReactNode;
}

function Words({ content = [] }: { content?: readonly Inline[] | undefined }) {
  return content.map((inline, i) => {
    if (inline.type === 'hardBreak') return <br key={i} />;
    const bold = inline.marks?.some(({ type }) => type === 'bold');
    const italic = inline.marks?.some(({ type }) => type === 'italic');
    const text = italic ? <em>{inline.text}</em> : inline.text;
    return <Fragment key={i}>{bold ? <strong>{text}</strong> : text}</Fragment>;
  });
}

/** A critique's tree as a page. What is tied to the desk is shown by whoever shows the page. */
export function DocBlocks({ blocks, slots }: { blocks: readonly Block[]; slots: DocSlots }) {
  return blocks.map((block, i) => <DocBlock key={i} block={block} slots={slots} />);
}

function DocBlock({ block, slots }: { block: Block; slots: DocSlots }): ReactNode {
  switch (block.type) {
    case 'paragraph':
      return block.content?.length ? (
        <p className="text-pretty">
          <Words content={block.content} />
        </p>
      ) : null;
    case 'heading':
      return block.attrs.level === 2 ? (
        <h2 className="mt-4 border-t border-ink pt-2 text-desk break-after-avoid">
          <Words content={block.content} />
        </h2>
      ) : (
        <h3 className="text-desk text-reed break-after-avoid">
          <Words content={block.content} />
        </h3>
      );
    case 'bulletList':
    case 'orderedList': {
      const List = block.type === 'bulletList' ? 'ul' : 'ol';
      return (
        <List className={`flex flex-col gap-1.5 ${block.type === 'bulletList' ? 'list-disc pl-5' : ''}`}>
          {block.content.map((item, i) => (
            <li key={i} className={block.type === 'orderedList' ? 'border-l-2 border-pine pl-3' : ''}>
              {item.content.map((one, j) => (
                <Fragment key={j}>
                  {j > 0 && <br />}
                  <Words content={one.content} />
                </Fragment>
              ))}
            </li>
          ))}
        </List>
      );
    }
    case 'blockquote':
      return (
        <blockquote className="font-head text-read before:content-['“'] after:content-['”']">
          {block.content.map((one, i) => (
            <Words key={i} content={one.content} />
          ))}
        </blockquote>
      );
    case 'caution':
      return (
        <div className="border-l-4 border-brick pl-3 text-desk">
          {block.content.map((one, i) => (
            <p key={i}>
              <Words content={one.content} />
            </p>
          ))}
        </div>
      );
    case 'moment':
      return slots.moment(block.attrs);
    case 'bookClip':
      return slots.clip(block.attrs.clipId);
    case 'take':
      return slots.take(block.attrs);
    case 'fix':
      return slots.fix(block, (blocks) => <DocBlocks blocks={blocks} slots={slots} />);
    default:
      return assertNever(block);
  }
}
