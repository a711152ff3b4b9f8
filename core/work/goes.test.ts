import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { FrameEvent, Holder, PositionCode, Span } from '../scoring/index.ts';
import { codedGoes, countsOfGoes, resetsByMotion } from './goes.ts';
import type { RoundStart } from './terms.ts';

/** Spans of 100 frames each. */
const spans = (...all: [PositionCode, Holder][]): Span[] =>
  all.map(([position, holder], i) => ({ position, holder, fromFrame: i * 100, toFrame: (i + 1) * 100 }));
const finish = (atFrame: number, athlete: 'client' | 'partner'): FrameEvent => ({ kind: 'finish', athlete, technique: 'armlock', atFrame });
const mount: RoundStart = { position: 'mount', clientHolds: true, grips: '' };
const below: RoundStart = { position: 'closed-guard', clientHolds: false, grips: '' };
const won = (all: Span[], start: RoundStart, events: FrameEvent[] = []): string[] =>
  codedGoes({ spans: all, events }, start).map((go) => go.won);

describe('the goes of a coded positional round', () => {
  it('begin at each return to the start; from the mount the other one wins by getting out, and who holds until the next start has held', () => {
    const round = spans(
      ['mount', 'client'],
      ['half-guard', 'client'],
      ['mount', 'client'],
      ['scramble', null],
      ['mount', 'client'],
      ['standing', null],
    );
    const held = spans(['mount', 'client']);
    expect([won(round, mount), won(held, mount)]).toEqual([['other', 'other', 'other'], ['own']]);
    expect(won(spans(['mount', 'client'], ['back-control', 'client'], ['mount', 'client'], ['back-mount', 'client']), mount)).toEqual([
      'own',
      'own',
    ]);
  });

  it('are won by a finish, unless the lean had changed before it', () => {
    expect(won(spans(['mount', 'client']), mount, [finish(60, 'client')])).toEqual(['own']);
    expect(won(spans(['mount', 'client']), mount, [finish(60, 'partner')])).toEqual(['other']);
    expect(won(spans(['mount', 'client'], ['closed-guard', 'client'], ['standing', null]), mount, [finish(150, 'client')])).toEqual([
      'other',
    ]);
  });

  it('from below are won by a sweep, lost by a pass, and nobody’s where they only began anew', () => {
    const round = spans(
      ['closed-guard', 'partner'],
      ['mount', 'client'], // prettier-ignore
      ['closed-guard', 'partner'],
      ['side-control', 'partner'], // prettier-ignore
      ['closed-guard', 'partner'],
    );
    expect(won(round, below)).toEqual(['own', 'other', 'nobody']);
    expect(countsOfGoes(codedGoes({ spans: round, events: [] }, below))).toEqual({ successes: 1, chances: 2 });
  });

  it('are one where the start was only cut in two, and none where they never were in it', () => {
    expect(won(spans(['mount', 'client'], ['mount', 'client']), mount)).toEqual(['own']);
    expect(won(spans(['mount', 'partner'], ['standing', null]), mount)).toEqual([]);
  });

  it('follow one another and lie within the round, whatever was coded', () => {
    const any = fc.array(
      fc.tuple(
        fc.constantFrom<PositionCode>('mount', 'scramble', 'side-control', 'closed-guard'),
        fc.constantFrom<Holder>('client', 'partner'),
      ),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(any, (all) => {
        const coded = spans(...all);
        const goes = codedGoes({ spans: coded, events: [] }, mount);
        goes.slice(1).forEach((go, i) => expect(go.fromFrame).toBe(goes[i]!.toFrame));
        for (const go of goes) expect(go.toFrame).toBeGreaterThan(go.fromFrame);
        if (goes.length > 0) expect(goes.at(-1)!.toFrame).toBe(coded.at(-1)!.toFrame);
      }),
    );
  });
});

describe('resets by movement', () => {
  it('are where the two go again after a pause; a twitch in a pause makes no second one', () => {
    const lull = (fromFrame: number, toFrame: number) => ({ fromFrame, toFrame });
    const seconds = (frame: number): number => frame / 30;
    expect(resetsByMotion([lull(0, 90), lull(600, 700), lull(710, 730), lull(2000, 2100)], lull(0, 1800), seconds)).toEqual([90, 700]);
    expect(resetsByMotion([], lull(0, 1800), seconds)).toEqual([]);
  });
});
