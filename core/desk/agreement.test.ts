import { describe, expect, it } from 'vitest';
import { agreementWithClient } from './agreement.ts';

const seconds = (_: string, frame: number): number => frame / 30;
const note = (id: string, fromFrame: number, more: object = {}) => ({
  id,
  footageId: 'f',
  kind: 'mistake' as const,
  athlete: 'client' as const,
  fromFrame,
  toFrame: null,
  visible: 'client' as const,
  ...more,
});
const mark = (id: string, atSeconds: number, footageId = 'f') => ({ id, footageId, atSeconds });

describe('the client’s marks beside the review', () => {
  it('agree where a mistake stands within two and a half seconds, with the nearest one', () => {
    const { agreed, notShared } = agreementWithClient([mark('m', 10)], [note('far', 360), note('near', 310)], seconds);
    expect(agreed).toEqual([{ markId: 'm', noteId: 'near' }]);
    expect(notShared).toEqual([]);
  });

  it('inside a note that stands on a range agree with it', () => {
    expect(agreementWithClient([mark('m', 20)], [note('long', 300, { toFrame: 900 })], seconds).agreed).toHaveLength(1);
  });

  it('are not shared where only praise, the partner’s mistake or another video lies near', () => {
    const notes = [
      note('good', 300, { kind: 'good' }),
      note('partner', 300, { athlete: 'partner' }),
      note('other', 300, { footageId: 'g' }),
    ];
    expect(agreementWithClient([mark('m', 10)], notes, seconds).notShared).toEqual(['m']);
  });

  it('leave what they had not seen', () => {
    const { notSeen } = agreementWithClient([mark('m', 10)], [note('seen', 300), note('unseen', 900, { kind: 'missed-chance' })], seconds);
    expect(notSeen).toEqual(['unseen']);
  });
});
