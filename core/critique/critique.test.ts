import { describe, expect, it } from 'vitest';
import { blankPrinciple, type BookPrinciple } from '../book/index.ts';
import {
  besideWords,
  comparedIn,
  allBlocks,
  blockText,
  clipsOf,
  critiqueCounts,
  critiqueHtml,
  critiqueMarkdown,
  draftCritique,
  fixBlocks,
  heardOf,
  heading,
  list,
  moment,
  momentsOf,
  paragraph,
  placeOfTake,
  takesOf,
  type CritiqueDoc,
  type DraftFix,
  type DraftInput,
} from './index.ts';

const principle: BookPrinciple = blankPrinciple({
  id: 'p',
  name: 'Elbow in',
  area: 'escaping',
  cue: 'Elbow to rib.',
  why: 'The arm away is the arm that is locked.',
  caution: 'joint',
  drillIds: ['d'],
  clipIds: ['book-clip'],
  variants: [
    { when: 'it is pulled', do: 'turn toward it', stance: 'taught', spares: [] },
    { when: '', do: 'Let it go', stance: 'other-school', spares: [] },
  ],
});
const shown = (noteId: string, what: string, more: object = {}) => ({
  noteId,
  what,
  instead: [],
  clock: '0:10',
  clipId: null,
  compares: false,
  asks: false,
  pair: null,
  ...more,
});
const fix = (more: Partial<DraftFix> = {}): DraftFix => ({
  id: 'p',
  principle,
  moments: [shown('n1', 'the elbow leaves')],
  count: 3,
  clocks: ['0:10', '1:12', '3:41'],
  counted: { kind: 'minutes', minutes: 2.14 },
  cost: { finish: false, points: 3, leanDrop: 45 },
  ledTo: [],
  drill: null,
  ...more,
});
const input = (more: Partial<DraftInput> = {}): DraftInput => ({
  question: 'Why?',
  answer: '',
  praise: [],
  asks: [],
  fixes: [fix()],
  score: null,
  pattern: null,
  clinician: [],
  filming: [],
  ...more,
});
it('shows what was laid beside a moment below it, and says in words what that is', () => {
  const doc = draftCritique(input({ fixes: [fix({ moments: [shown('n1', 'a', { compares: true }), shown('n2', 'b')] })] }));
  const looks = fixBlocks(doc)[0]!.content.flatMap((block) => (block.type === 'moment' ? [[block.attrs.noteId, block.attrs.show]] : []));
  expect(looks).toEqual([
    ['n1', 'clip'],
    ['n1', 'beside'],
    ['n2', 'clip'],
  ]);
  expect([momentsOf(doc), comparedIn(doc)]).toEqual([['n1', 'n2'], ['n1']]);
  const items = [{ filmed: null }, { filmed: '3 October 2026' }, { filmed: null }];
  expect(besideWords({ layout: 'side', items })).toBe('with 3 October 2026 and another moment of this footage beside it');
  expect(besideWords({ layout: 'over', items: items.slice(0, 2) })).toBe('with 3 October 2026 over it');
});

const textOf = (doc: CritiqueDoc): string[] => doc.content.map(blockText);
const fixText = (of: DraftFix): string[] => blockText(fixBlocks(draftCritique(input({ fixes: [of] })))[0]!).split('\n');

describe('a draft', () => {
  it('says what happens, what it cost, what to do, the cue, and how it will be checked', () => {
    expect(fixText(fix())).toEqual([
      'Elbow in',
      'This came up 3 times, at 0:10, 1:12 and 3:41.',
      'The elbow leaves.',
      'Why it matters',
      'It cost you 3 points and control of the position.',
      'The arm away is the arm that is locked.',
      'Do this instead',
      'If it is pulled, turn toward it.',
      'Elbow to rib.',
      'How we will check',
      'In your next footage I count it again: now 3 times in 2.1 minutes.',
      expect.stringMatching(/^Joint locks:/),
    ]);
  });

  it('takes the coach’s words on the frame before those of the book', () => {
    const moments = [
      shown('n1', 'x', {
        instead: [
          { when: 'he holds the wrist', do: 'turn the palm' },
          { when: '', do: 'Breathe' },
        ],
      }),
    ];
    const lines = fixText(fix({ moments }));
    expect(lines).toContain('If he holds the wrist, turn the palm.');
    expect(lines).toContain('Breathe.');
    expect(lines.join()).not.toContain('turn toward it');
  });

  it('asks the client what the coach wants to know, as a question, beside its moment', () => {
    const doc = draftCritique(input({ asks: [shown('q1', 'did you feel the hook here.')] }));
    expect(textOf(doc)).toEqual(expect.arrayContaining(['A question to you', 'Did you feel the hook here?']));
    expect(momentsOf(doc)).toEqual(['n1', 'q1']);
  });

  it('never says what nobody wrote or counted', () => {
    const bare = fixText(fix({ principle: null, cost: { finish: false, points: 0, leanDrop: 5 }, count: 1, clocks: ['0:10'] }));
    expect(bare).toEqual(['the elbow leaves', 'This came up once, at 0:10.', 'The elbow leaves.']);
    expect(textOf(draftCritique(input({ fixes: [] })))).toEqual(['What you asked', 'Why?', '', expect.stringMatching(/clinician/)]);
  });

  it('counts chances where the principle counts them', () => {
    const counted = { kind: 'chances', successes: 1, chances: 4, of: 'lifted' } as const;
    expect(fixText(fix({ counted }))).toContain('In your next footage I count it again: now 1 of 4 (lifted).');
  });

  it('tells where a chain led, and a finish', () => {
    const lines = fixText(
      fix({ cost: { finish: true, points: 0, leanDrop: 0 }, ledTo: [{ what: 'Flat on both shoulders', clock: '0:31' }] }),
    );
    expect(lines).toContain('It cost you the finish.');
    expect(lines).toContain('It led on to 0:31: flat on both shoulders.');
  });

  it('shows the right moment beside the wrong one, and clips of note and book once each', () => {
    const pair = { noteId: 'good', filmed: null };
    const moments = [shown('n1', 'x', { pair, clipId: 'note-clip' }), shown('n2', 'y', { pair: { ...pair }, clipId: 'book-clip' })];
    const doc = draftCritique(input({ fixes: [fix({ moments })] }));
    expect(momentsOf(doc)).toEqual(['n1', 'n2', 'good']);
    expect(clipsOf(doc)).toEqual(['note-clip', 'book-clip']);
  });

  it('says of which day the footage of a right moment is, where it is not of this request', () => {
    const lines = fixText(fix({ moments: [shown('n1', 'x', { pair: { noteId: 'old', filmed: '3 October 2026' } })] }));
    expect(lines).toContain('You did it right here, in your footage of 3 October 2026:');
  });

  it('has its sections in their order, and none that is empty', () => {
    const whole = input({
      answer: 'Because.',
      praise: [shown('g', 'you kept the frame')],
      score: 'You won 2 : 0, on points.',
      pattern: 'He sweeps.',
      filming: ['Stand back.'],
    });
    const titles = draftCritique(whole)
      .content.filter(({ type }) => type === 'heading')
      .map(blockText);
    expect(titles).toEqual([
      'What you asked',
      'What went well',
      'What to work on',
      'The score',
      'About your partner',
      'Next time you film',
    ]);
  });
});

describe('what a critique amounts to', () => {
  it('is its words at two hundred a minute, its clips twice at half speed, and praise to correction', () => {
    const words = paragraph(Array.from({ length: 200 }, () => 'word').join(' '));
    const doc: CritiqueDoc = { type: 'doc', content: [words, moment('good'), moment('bad'), moment('bad', 'still')] };
    const clips = { good: { seconds: 4, good: true }, bad: { seconds: 11, good: false } };
    // One minute of words, and (4 + 11) × 2 × 2 = 60 s of clips.
    expect(critiqueCounts(doc, clips)).toEqual({ words: 200, minutes: 2, fixes: 0, praise: 1, correction: 1 });
    expect(critiqueCounts({ type: 'doc', content: [paragraph('')] }, {}).minutes).toBe(0);
  });
});

describe('the tree', () => {
  const doc: CritiqueDoc = {
    type: 'doc',
    content: [
      heading(2, 'A <b> & "c"'),
      {
        type: 'paragraph',
        content: [{ type: 'text', text: 'bold', marks: [{ type: 'bold' }] }, { type: 'hardBreak' }, { type: 'text', text: '*plain*' }],
      },
      {
        type: 'fix',
        attrs: { fixId: 'p', principleId: 'p', name: 'Elbow_in' },
        content: [moment('n1'), list('bulletList', ['one', 'two'])],
      },
    ],
  };

  it('is walked in the order it is read', () => {
    expect(allBlocks(doc).map(({ type }) => type)).toEqual(['heading', 'paragraph', 'fix', 'moment', 'bulletList']);
  });

  it('becomes Markdown in which no word is markup', () => {
    const tied = { moment: () => ({ words: 'at 0:10', picture: 'a.jpg' }), clip: () => '', take: () => [] };
    expect(critiqueMarkdown(doc, 'T', tied)).toBe(
      '# T\n\n## A \\<b\\> & "c"\n\n**bold**  \n\\*plain\\*\n\n## 1. Elbow\\_in\n\n![at 0:10](a.jpg)\n\n- one\n- two\n',
    );
  });

  it('becomes a page in which no word is markup, and nothing is fetched', () => {
    const html = critiqueHtml(doc, 'T', {
      moment: () => ({ words: '<x>', still: 's.jpg', clip: 'c.mp4', track: null }),
      clip: () => ({ title: '', video: null }),
      take: () => ({ lines: [], film: null, sound: null }),
    });
    expect(html).toContain('<h2>A &lt;b&gt; &amp; &quot;c&quot;</h2>');
    expect(html).toContain('<p><strong>bold</strong><br>*plain*</p>');
    expect(html).toContain('<figcaption>&lt;x&gt;</figcaption>');
    expect(html).toContain('<video src="c.mp4" poster="s.jpg"');
    expect(html).toContain(' loop muted ');
    expect(html).not.toMatch(/https?:/);
  });

  it('carries what is spoken with its words, and a voice to listen to where there is one', () => {
    const attrs = { takeId: 't', from: null, to: null, title: 'The elbow' };
    const spoken: CritiqueDoc = { type: 'doc', content: [{ type: 'take', attrs }] };
    const lines = ['The elbow, 0:40', 'Look at <this> hand.'];
    expect(critiqueMarkdown(spoken, 'T', { moment: () => ({ words: '', picture: null }), clip: () => '', take: () => lines })).toBe(
      '# T\n\n*Spoken: The elbow, 0:40*\n\n> Look at \\<this\\> hand.\n',
    );
    const page = (sound: string | null, film: string | null = null): string =>
      critiqueHtml(spoken, 'T', {
        moment: () => ({ words: '', still: null, clip: null, track: null }),
        clip: () => ({ title: '', video: null }),
        take: () => ({ lines, film, sound }),
      });
    expect(page('voice/1.m4a')).toContain('<audio src="voice/1.m4a" controls');
    expect(page(null)).not.toContain('<audio');
    expect(page('voice/1.m4a', 'films/1.mp4')).toContain('<video src="films/1.mp4" controls');
    expect(page('voice/1.m4a', 'films/1.mp4')).not.toContain('<audio');
    expect(page(null)).toContain('<p>Look at &lt;this&gt; hand.</p>');
  });

  it('names each stretch that is spoken once, in the order in which it is read, whatever it is called', () => {
    const attrs = (from: number | null, title: string) => ({ takeId: 't', from, to: null, title });
    const doc: CritiqueDoc = {
      type: 'doc',
      content: [
        { type: 'take', attrs: attrs(null, 'All') },
        { type: 'fix', attrs: { fixId: 'f', principleId: null, name: 'F' }, content: [{ type: 'take', attrs: attrs(9, 'Part') }] },
        { type: 'take', attrs: attrs(null, 'Again') },
      ],
    };
    expect(takesOf(doc)).toEqual([attrs(null, 'All'), attrs(9, 'Part')]);
    expect([placeOfTake(takesOf(doc), attrs(9, 'x')), placeOfTake(takesOf(doc), attrs(8, 'x'))]).toEqual([1, -1]);
  });

  it('lets a clip be heard where the coach wished it, with its words as a track and to read; a still is never heard', () => {
    const heard = (show: 'clip' | 'still'): CritiqueDoc => ({
      type: 'doc',
      content: [{ type: 'moment', attrs: { noteId: 'n', show, heard: 'Coach: “hips & knees!”' } }],
    });
    const page = (of: CritiqueDoc): string =>
      critiqueHtml(of, 'T', {
        moment: () => ({ words: 'w', still: null, clip: 'c.mp4', track: 'data:text/vtt;base64,V0VC' }),
        clip: () => ({ title: '', video: null }),
        take: () => ({ lines: [], film: null, sound: null }),
      });
    expect(page(heard('clip'))).toContain(
      '<track kind="captions" srclang="en" label="What is heard" default src="data:text/vtt;base64,V0VC">',
    );
    expect(page(heard('clip'))).toContain('Heard: Coach: “hips &amp; knees!”');
    expect(page(heard('clip'))).not.toContain('muted');
    expect([page(heard('still')).includes('Heard'), heardOf(heard('still')).size, heardOf(heard('clip')).size]).toEqual([false, 0, 1]);
  });
});
