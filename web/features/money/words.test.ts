import type { Invoice } from '@lean-mentor/contract';
import { describe, expect, it } from 'vitest';
import { holds, isUnsettled, owedWords, stateWords } from './words.ts';

const year = new Date().getFullYear();
const one = (more: Partial<Invoice> = {}): Invoice => ({
  ...{ id: '', number: 12, clientId: null, recipient: 'Ada Moor', issuedOn: `${year}-03-01`, dueOn: `${year}-03-15`, currency: 'EUR' },
  ...{
    lines: [{ words: 'Plan “Steady”', amount: '45.00' }],
    total: '45.00',
    cancels: null,
    cancelledBy: null,
    state: 'open',
    open: '45.00',
  },
  ...{ entries: [], ...more },
});

describe('how an invoice stands', () => {
  it('is said in words, with what is left where a part was paid', () => {
    expect(stateWords(one())).toBe('due by 15 March');
    expect(stateWords(one({ state: 'late', open: '20.00' }))).toBe('late since 15 March, 20.00 EUR of it');
    expect(stateWords(one({ state: 'to-pay-back', open: '-45.00' }))).toBe('45.00 EUR to pay back');
    expect(stateWords(one({ state: 'cancelled', cancelledBy: 14 }))).toBe('cancelled by 14');
    expect(stateWords(one({ state: 'cancelled', cancels: 9 }))).toBe('cancels 9');
  });
});

describe('what is owed in all', () => {
  it('is summed to the cent, in each currency by itself, what is late and what is to be paid back apart', () => {
    expect(owedWords([one({ state: 'paid', open: '0.00' })])).toBe('Nothing is owed.');
    expect(owedWords([one({ open: '0.10' }), one({ open: '0.20', state: 'late' })])).toBe(
      '0.30 EUR to come, from 2 invoices. 0.20 EUR of it is late.',
    );
    expect(owedWords([one(), one({ currency: 'NOK', state: 'on-its-way' })])).toBe('45.00 EUR and 45.00 NOK to come, from 2 invoices.');
    expect(owedWords([one({ state: 'to-pay-back', open: '-5.00' })])).toBe('Nothing is owed. 5.00 EUR to pay back.');
  });
});

describe('an invoice', () => {
  it('is found by its number, whole, or by part of a name or of what it is for', () => {
    expect([holds(one(), '12'), holds(one(), '1'), holds(one(), 'moor'), holds(one(), 'STEADY'), holds(one(), 'nobody')]).toEqual([
      ...[true, false, true, true, false],
    ]);
    expect([one(), one({ state: 'to-pay-back' }), one({ state: 'paid' })].map(isUnsettled)).toEqual([true, true, false]);
  });
});
