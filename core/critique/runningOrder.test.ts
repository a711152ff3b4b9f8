import { describe, expect, it } from 'vitest';
import { blankDrill, blankPrinciple } from '../book/index.ts';
import { runningOrder, type DraftFix, type DraftInput, type DraftMoment } from './index.ts';

const shown = (noteId: string, what: string, more: Partial<DraftMoment> = {}): DraftMoment => ({
  ...{ noteId, what, instead: [], clock: '0:10', clipId: null, compares: false, asks: false, pair: null },
  ...more,
});
const principle = blankPrinciple({ id: 'p', name: 'Elbow in', area: 'escaping', cue: 'Elbow to rib.' });
const fix = (more: Partial<DraftFix> = {}): DraftFix => ({
  ...{ id: 'p', principle, moments: [shown('n1', 'the elbow leaves'), shown('n2', 'again')], count: 2, clocks: ['0:10', '1:12'] },
  ...{ counted: { kind: 'minutes', minutes: 2 }, cost: { finish: false, points: 0, leanDrop: 0 }, ledTo: [], drill: null },
  ...more,
});
const order = (more: Partial<DraftInput> = {}) =>
  runningOrder('Bram', {
    ...{ question: 'Why?', answer: '', praise: [], asks: [], fixes: [], score: null, pattern: null, clinician: [], filming: [] },
    ...more,
  });

describe('the order in which a critique is spoken', () => {
  it('is greeting, what was asked, what went well, each fix, questions and homework, each moment with its frames', () => {
    const drill = blankDrill({ id: 'd', name: 'Frames', how: 'Slowly.', minutes: 5 });
    const steps = order({
      answer: 'Because it leaves.',
      praise: [shown('good', 'you framed at once')],
      fixes: [fix({ drill })],
      asks: [shown('ask', 'did it hurt?')],
      filming: ['stand further back'],
    });
    expect(steps.map(({ part, noteId }) => [part, noteId])).toEqual([
      ['greeting', null],
      ['asked', null],
      ['well', 'good'],
      ['p', 'n1'],
      ['p', 'n2'],
      ['asks', 'ask'],
      ['homework', null],
    ]);
    expect(steps[1]!.words).toEqual(['Why?', 'Because it leaves.']);
    expect(steps[3]).toMatchObject({ title: 'Elbow in', words: ['This came up twice, at 0:10 and 1:12.', 'The elbow leaves.'] });
    expect(steps[4]!.words).toEqual(['Again.', 'Elbow to rib.']);
    expect(steps[6]!.words).toEqual([expect.stringMatching(/^Frames, 5 minutes .*Slowly\.$/), 'Stand further back.']);
  });

  it('leaves out what there is nothing to say of', () => {
    expect(order({ question: '' }).map(({ part, words }) => [part, words])).toEqual([
      ['greeting', ['Bram']],
      ['asked', []],
    ]);
  });

  it('shows what to do instead over the client’s own right moment of this footage, not over one of another day', () => {
    const paired = (filmed: string | null) =>
      order({ fixes: [fix({ moments: [shown('n1', 'late', { pair: { noteId: 'right', filmed } })] })] }).filter(({ part }) => part === 'p');
    expect(paired(null).map(({ noteId, words }) => [noteId, words.at(-1)])).toEqual([
      ['n1', 'Late.'],
      ['right', 'Elbow to rib.'],
    ]);
    expect(paired('3 October').map(({ noteId }) => noteId)).toEqual(['n1']);
  });
});
