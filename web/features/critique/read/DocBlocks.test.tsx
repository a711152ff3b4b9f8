// @vitest-environment jsdom
import { heading, list, moment, paragraph, type Block } from '@lean-mentor/core/critique';
import { render, screen, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import { DocBlocks, type DocSlots } from './DocBlocks.tsx';

const slots: DocSlots = {
  moment: ({ noteId, show }) => <p>{`moment ${noteId} as ${show}`}</p>,
  clip: (clipId) => <p>{`clip ${clipId}`}</p>,
  take: ({ title }) => <p>{`spoken ${title}`}</p>,
  fix: (block, shown) => <section aria-label={block.attrs.name}>{shown(block.content)}</section>,
};
const show = (...blocks: Block[]) => render(<DocBlocks blocks={blocks} slots={slots} />);

it('headings, lists, quotes and cautions are what they are to whoever does not see the page', () => {
  show(
    heading(2, 'What you asked'),
    { type: 'blockquote', content: [paragraph('Why?')] },
    list('orderedList', ['First.', 'Then.']),
    { type: 'caution', content: [paragraph('Tap early.')] },
    heading(3, 'Why it matters'),
  );
  expect(screen.getByRole('heading', { level: 2 }).textContent).toBe('What you asked');
  expect(screen.getByRole('heading', { level: 3 }).textContent).toBe('Why it matters');
  expect(
    within(screen.getByRole('list'))
      .getAllByRole('listitem')
      .map((item) => item.textContent),
  ).toEqual(['First.', 'Then.']);
  expect(document.querySelector('blockquote')!.textContent).toBe('Why?');
  expect(screen.getByText('Tap early.')).toBeTruthy();
});

it('marks are kept, and a line that nobody wrote leaves no gap', () => {
  const { container } = show(
    { type: 'paragraph', content: [{ type: 'text', text: 'Elbow in.', marks: [{ type: 'bold' }, { type: 'italic' }] }] },
    { type: 'paragraph' },
  );
  expect(container.querySelector('strong em')!.textContent).toBe('Elbow in.');
  expect(container.querySelectorAll('p').length).toBe(1);
});

it('words are never taken for markup', () => {
  const { container } = show(paragraph('<img src=x onerror=alert(1)>'));
  expect([container.querySelector('img'), container.textContent]).toEqual([null, '<img src=x onerror=alert(1)>']);
});

it('what is tied to the desk is shown by whoever shows the page, inside its fix', () => {
  show({
    type: 'fix',
    attrs: { fixId: 'f', principleId: null, name: 'The elbow' },
    content: [paragraph('Keep it in.'), moment('n1', 'still'), { type: 'bookClip', attrs: { clipId: 'c' } }],
  });
  const fix = within(screen.getByRole('region', { name: 'The elbow' }));
  expect(fix.getByText('moment n1 as still')).toBeTruthy();
  expect(fix.getByText('clip c')).toBeTruthy();
});
