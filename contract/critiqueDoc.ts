import { momentLooks, type CritiqueDoc, type PlainBlock } from '@lean-mentor/core/critique';
import { z } from 'zod';
import { takeSeconds } from './deskTake.ts';
import { id } from './ids.ts';
import { sameAs } from './sameAs.ts';

const inline = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('text'),
    text: z.string().min(1).max(4000),
    marks: z
      .array(z.object({ type: z.enum(['bold', 'italic']) }))
      .max(2)
      .optional(),
  }),
  z.object({ type: z.literal('hardBreak') }),
]);
const line = z.array(inline).max(400).optional();
const paragraph = z.object({ type: z.literal('paragraph'), content: line });
const paragraphs = z.array(paragraph).min(1).max(20);
const listItem = z.object({ type: z.literal('listItem'), content: paragraphs });
const list = z.object({ type: z.enum(['bulletList', 'orderedList']), content: z.array(listItem).min(1).max(60) });
const momentBlock = z.object({
  type: z.literal('moment'),
  attrs: z.object({ noteId: id, show: z.enum(momentLooks), heard: z.string().max(300).nullable().optional() }),
});
const bookClip = z.object({ type: z.literal('bookClip'), attrs: z.object({ clipId: id }) });

const take = z.object({
  type: z.literal('take'),
  attrs: z.object({ takeId: id, from: takeSeconds.nullable(), to: takeSeconds.nullable(), title: z.string().max(200) }),
});

const plainBlocks = [
  paragraph,
  z.object({ type: z.literal('heading'), attrs: z.object({ level: z.union([z.literal(2), z.literal(3)]) }), content: line }),
  list,
  z.object({ type: z.literal('blockquote'), content: paragraphs }),
  momentBlock,
  bookClip,
  take,
  z.object({ type: z.literal('caution'), content: paragraphs }),
] as const;
const plainBlock = sameAs<PlainBlock>()(z.discriminatedUnion('type', plainBlocks));
const fixBlock = z.object({
  type: z.literal('fix'),
  attrs: z.object({ fixId: id, principleId: id.nullable(), name: z.string().trim().min(1).max(200) }),
  content: z.array(plainBlock).min(1).max(120),
});

/** The written critique as a tree (see core/critique). */
export const critiqueDoc = sameAs<CritiqueDoc>()(
  z.object({
    type: z.literal('doc'),
    content: z
      .array(z.discriminatedUnion('type', [...plainBlocks, fixBlock]))
      .min(1)
      .max(300),
  }),
);
