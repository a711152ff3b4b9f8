import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tilingFault, type Span } from '../scoring/index.ts';
import { boutsFault, moveBout, roomForBout, splitBout } from './bouts.ts';

const span = (fromFrame: number, toFrame: number): Span => ({ position: 'standing', holder: null, fromFrame, toFrame });
const bout = { id: 'a', fromFrame: 100, toFrame: 400, spans: [span(100, 200), span(200, 250), span(250, 400)] };

describe('a bout', () => {
  it('that is moved keeps spans that tile it, whatever its new edges', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 0, max: 600 }), (fromFrame, toFrame) => {
        const moved = moveBout(bout, fromFrame, toFrame);
        expect(moved.toFrame).toBeGreaterThan(moved.fromFrame);
        if (moved.spans.length > 0) expect(tilingFault(moved.spans, moved.fromFrame, moved.toFrame)).toBeNull();
      }),
      { seed: 5, numRuns: 200 },
    );
    expect(moveBout(bout, 450, 500).spans).toEqual([]);
  });

  it('is split inside only, the spans on both sides with it', () => {
    const [before, after] = splitBout(bout, 220, 'b')!;
    expect([before.id, before.toFrame, before.spans.length]).toEqual(['a', 220, 2]);
    expect([after.id, after.fromFrame, after.spans.map((s) => s.fromFrame)]).toEqual(['b', 220, [220, 250]]);
    expect(splitBout(bout, 100, 'b')).toBeNull();
    expect(splitBout(bout, 400, 'b')).toBeNull();
  });

  it('finds room where none stands, cut short by the next one and by the end', () => {
    expect(roomForBout([bout], 20, 500, 1000)).toEqual({ fromFrame: 20, toFrame: 100 });
    expect(roomForBout([bout], 400, 5000, 1000)).toEqual({ fromFrame: 400, toFrame: 1000 });
    expect(roomForBout([bout], 399, 10, 1000)).toBeNull();
    expect(roomForBout([bout], 1000, 10, 1000)).toBeNull();
  });
});

describe('bouts together', () => {
  it('may touch and may not overlap, be empty or run beyond the footage', () => {
    const at = (fromFrame: number, toFrame: number) => ({ fromFrame, toFrame });
    expect(boutsFault([at(50, 80), at(0, 50)], 80)).toBeNull();
    expect(boutsFault([at(50, 80), at(0, 51)], 80)).toBe('Two bouts overlap: one ends at frame 51, the next begins at 50.');
    expect(boutsFault([at(5, 5)], 80)).toBe('A bout ends at frame 5, not after its start 5.');
    expect(boutsFault([at(5, 81)], 80)).toBe('A bout ends at frame 81; the footage has 80 frames.');
  });
});
