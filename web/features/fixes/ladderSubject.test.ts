import { blankNote, emptyDesk, type CodedEvent } from '@lean-mentor/core/desk';
import { expect, it } from 'vitest';
import { whatItLedTo, whereItBegan, type LadderSubject } from './ladderSubject.ts';

const note = (id: string, fromFrame: number, more: object) => blankNote({ id, footageId: 'f', fromFrame, what: `Note ${id}.`, ...more });
const event = (id: string, atFrame: number, fields: Partial<CodedEvent>): CodedEvent => ({
  ...{ id, footageId: 'f', codingId: 'k', atFrame, kind: 'finish', athlete: 'partner', technique: 'armlock' },
  ...{ outcome: null, close: false, gripped: false, position: null, holder: null },
  ...fields,
});
const penalty = event('penalty', 5, { kind: 'penalty', athlete: 'client' });
const [late, early] = [note('late', 40, { causes: ['early'], ledTo: ['tap'] }), note('early', 10, { causes: ['penalty'] })];
const document = { ...emptyDesk(), notes: { late, early }, events: { tap: event('tap', 60, {}), penalty } };
const subject = { document } as unknown as LadderSubject;
const harm = { harm: 1, finish: true, points: 0, near: 0, forgone: 0, leanDrop: 0, called: false };

it('a rung says what its notes go back to, be it a note or what happened', () => {
  expect(whereItBegan(subject, [late])).toBe('It began with: Penalty for the client');
  const { penalty: _gone, ...events } = document.events;
  expect(whereItBegan({ document: { ...document, events } } as unknown as LadderSubject, [late])).toBe('It began with: Note early.');
  expect(whereItBegan(subject, [note('alone', 3, {})])).toBeNull();
});

it('a rung says what happened from its notes, and what that cost', () => {
  expect(whatItLedTo(subject, [late], { tap: harm })).toBe('It led to: Partner finishes: armlock (the finish)');
  expect(whatItLedTo(subject, [early], { tap: harm })).toBeNull();
});
