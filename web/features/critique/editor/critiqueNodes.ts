import { Blockquote } from '@tiptap/extension-blockquote';
import { ListItem } from '@tiptap/extension-list';
import { mergeAttributes, Node, ReactNodeViewRenderer } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { SpokenNode } from './SpokenNode.tsx';
import { ClipNode, FixNode, MomentNode } from './nodeViews.tsx';

/** What a critique is made of, as the editor knows it: the same tree as `CritiqueDoc`, and nothing that the tree does not have. */
const Doc = Node.create({ name: 'doc', topNode: true, content: '(block | fix)+' });

const element = (tag: string, type: string) => ({
  parseHTML: () => [{ tag: `${tag}[data-block="${type}"]` }],
});

const Fix = Node.create({
  name: 'fix',
  content: 'block+',
  isolating: true,
  defining: true,
  addAttributes: () => ({ fixId: { default: '' }, principleId: { default: null }, name: { default: '' } }),
  ...element('section', 'fix'),
  renderHTML: ({ HTMLAttributes }) => ['section', mergeAttributes(HTMLAttributes, { 'data-block': 'fix' }), 0],
  addNodeView: () => ReactNodeViewRenderer(FixNode),
});

const Moment = Node.create({
  name: 'moment',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({ noteId: { default: '' }, show: { default: 'clip' }, heard: { default: null } }),
  ...element('figure', 'moment'),
  renderHTML: ({ HTMLAttributes }) => ['figure', mergeAttributes(HTMLAttributes, { 'data-block': 'moment' })],
  addNodeView: () => ReactNodeViewRenderer(MomentNode),
});

const BookClip = Node.create({
  name: 'bookClip',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({ clipId: { default: '' } }),
  ...element('figure', 'clip'),
  renderHTML: ({ HTMLAttributes }) => ['figure', mergeAttributes(HTMLAttributes, { 'data-block': 'clip' })],
  addNodeView: () => ReactNodeViewRenderer(ClipNode),
});

const Spoken = Node.create({
  name: 'take',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({ takeId: { default: '' }, from: { default: null }, to: { default: null }, title: { default: '' } }),
  ...element('figure', 'take'),
  renderHTML: ({ HTMLAttributes }) => ['figure', mergeAttributes(HTMLAttributes, { 'data-block': 'take' })],
  addNodeView: () => ReactNodeViewRenderer(SpokenNode),
});

const Caution = Node.create({
  name: 'caution',
  group: 'block',
  content: 'paragraph+',
  defining: true,
  ...element('div', 'caution'),
  renderHTML: ({ HTMLAttributes }) => ['div', mergeAttributes(HTMLAttributes, { 'data-block': 'caution', class: 'caution-block' }), 0],
});

export const critiqueExtensions = [
  StarterKit.configure({
    document: false,
    listItem: false,
    blockquote: false,
    code: false,
    codeBlock: false,
    horizontalRule: false,
    strike: false,
    link: false,
    underline: false,
    heading: { levels: [2, 3] },
  }),
  Doc,
  ListItem.extend({ content: 'paragraph+' }),
  Blockquote.extend({ content: 'paragraph+' }),
  ...[Fix, Moment, BookClip, Spoken, Caution],
];
