import {
  allBlocks,
  blockText,
  draftCritique,
  heading,
  list,
  moment,
  momentsOf,
  paragraph,
  type CritiqueDoc,
} from '@lean-mentor/core/critique';
import { describe, expect, it } from 'vitest';
import { critiqueDoc } from './critiqueDoc.ts';

const id = '00000000-0000-4000-8000-000000000001';
const doc = (...content: unknown[]) => critiqueDoc.safeParse({ type: 'doc', content });
const fix = (...content: unknown[]) => ({ type: 'fix', attrs: { fixId: id, principleId: null, name: 'Elbow in' }, content });

describe('the tree of a critique on the wire', () => {
  it('takes every block there is, and keeps it as it was', () => {
    const whole: CritiqueDoc = {
      type: 'doc',
      content: [
        heading(2, 'What you asked'),
        { type: 'blockquote', content: [paragraph('Why?')] },
        { type: 'paragraph', content: [{ type: 'text', text: 'x', marks: [{ type: 'bold' }] }, { type: 'hardBreak' }] },
        list('bulletList', ['one']),
        list('orderedList', ['two']),
        moment(id, 'still'),
        { type: 'bookClip', attrs: { clipId: id } },
        { type: 'caution', content: [paragraph('Tap early.')] },
        { type: 'fix', attrs: { fixId: id, principleId: id, name: 'Elbow in' }, content: [paragraph('x'), moment(id)] },
      ],
    };
    expect(critiqueDoc.parse(whole)).toEqual(whole);
    expect(momentsOf(critiqueDoc.parse(whole))).toEqual([id]);
  });

  it('takes what a draft writes', () => {
    const draft = draftCritique({
      question: 'Why?',
      answer: '',
      praise: [],
      asks: [],
      fixes: [],
      score: null,
      pattern: null,
      clinician: [],
      filming: ['Stand back'],
    });
    expect(critiqueDoc.parse(draft)).toEqual(draft);
  });

  it('drops what the editor adds of its own, and nothing else', () => {
    const given = {
      type: 'orderedList',
      attrs: { start: 1, type: null },
      content: [{ type: 'listItem', content: [{ type: 'paragraph', attrs: { textAlign: null } }] }],
    };
    expect(doc(given).data).toEqual({
      type: 'doc',
      content: [{ type: 'orderedList', content: [{ type: 'listItem', content: [{ type: 'paragraph' }] }] }],
    });
  });

  it.each([
    ['nothing at all', []],
    ['a block that is none', [{ type: 'script' }]],
    ['a fix within a fix', [fix(fix(paragraph('x')))]],
    ['a fix of nothing', [fix()]],
    ['a fix without a name', [{ ...fix(paragraph('x')), attrs: { fixId: id, principleId: null, name: ' ' } }]],
    ['a moment of no note', [{ type: 'moment', attrs: { noteId: 'n1', show: 'clip' } }]],
    ['a moment shown in another way', [{ type: 'moment', attrs: { noteId: id, show: 'loud' } }]],
    ['a list within a list', [{ type: 'bulletList', content: [{ type: 'listItem', content: [list('bulletList', ['x'])] }] }]],
    ['a title of another size', [{ type: 'heading', attrs: { level: 1 } }]],
    [
      'words with a link',
      [{ type: 'paragraph', content: [{ type: 'text', text: 'x', marks: [{ type: 'link', attrs: { href: 'javascript:alert(1)' } }] }] }],
    ],
    ['a text of no letters', [{ type: 'paragraph', content: [{ type: 'text', text: '' }] }]],
  ])('refuses %s', (_, content) => {
    expect(doc(...content).success).toBe(false);
  });

  it('has its words in the order they are read', () => {
    const read = critiqueDoc.parse({ type: 'doc', content: [heading(2, 'A'), fix(paragraph('b'), list('bulletList', ['c', 'd']))] });
    expect(read.content.map(blockText)).toEqual(['A', 'Elbow in\nb\nc\nd']);
    expect(allBlocks(read)).toHaveLength(4);
  });
});
