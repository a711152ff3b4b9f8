import { ruleSheets, scoreBout, type RuleSheet } from '@lean-mentor/core/scoring';
import { describe, expect, it } from 'vitest';
import { boutPartOf, eventsCsv, spansCsv } from './boutCsv.ts';
import { readBoutFile, type ReadBout } from './readBoutFile.ts';
import { writeBoutFile } from './writeBoutFile.ts';

const spans = [
  { position: 'standing', holder: null, fromSeconds: 0, toSeconds: 10 },
  { position: 'half-guard', holder: 'client', fromSeconds: 10, toSeconds: 44 },
  { position: 'mount', holder: 'client', fromSeconds: 44, toSeconds: 60 },
];
const file = (fields: object = {}) => ({ format: 'lean-mentor/bout@1', lengthSeconds: 60, ruleSheet: 'points-jacket', spans, ...fields });
const faultsOf = (json: unknown): string[] => {
  const read = readBoutFile(json);
  return 'faults' in read ? read.faults : [];
};
const good = (json: unknown): Exclude<ReadBout, { faults: string[] }> => {
  const read = readBoutFile(json);
  if ('faults' in read) throw new Error(read.faults.join('\n'));
  return read;
};
const withSpan = (i: number, fields: object) => file({ spans: spans.map((span, j) => (j === i ? { ...span, ...fields } : span)) });

describe('a bout file', () => {
  it('is read in seconds', () => {
    const { bout, sheet, valuePreset } = good(file({ events: [{ kind: 'penalty', athlete: 'partner', atSeconds: 5 }] }));
    expect(bout.spans[1]).toEqual({ position: 'half-guard', holder: 'client', from: 10, to: 44 });
    expect(bout.events).toEqual([{ kind: 'penalty', athlete: 'partner', at: 5 }]);
    expect([sheet.name, valuePreset]).toEqual(['Points, jacket', 'balanced']);
  });

  it('may give frames with the time of each, whatever the rate', () => {
    const frameTimes = [0, 0.04, 0.1, 0.13, 0.2];
    const framed = [
      { position: 'standing', holder: null, fromFrame: 1, toFrame: 3 },
      { position: 'mount', holder: 'client', fromFrame: 3, toFrame: 5 },
    ];
    const events = [{ kind: 'finish', athlete: 'client', technique: 'choke', atFrame: 4 }];
    const { bout } = good(file({ lengthSeconds: 0.23, frameTimes, spans: framed, events }));
    // The bout starts on its first frame; the last frame lasts as long as the one before it.
    expect(bout.spans.map(({ from, to }) => [from, to].map((s) => Math.round(s * 1000)))).toEqual([
      [0, 90],
      [90, 230],
    ]);
    expect(bout.events[0]!.at).toBeCloseTo(0.16, 9);
  });

  it('may write its rule sheet out; what it does not state is as on “points-jacket”', () => {
    const { sheet } = good(file({ ruleSheet: { name: 'House', points: { reversal: 1 }, near: { turtle: 1 } } }));
    expect(sheet).toMatchObject({ name: 'House', holdSeconds: 3, points: { reversal: 1, mount: 4 }, near: { turtle: 1, notHeld: 1 } });
  });

  it('may give the length without the time the clock stood still', () => {
    const stopped = [
      { kind: 'stoppage', atSeconds: 20 },
      { kind: 'restart', atSeconds: 50 },
    ];
    expect(good(file({ lengthSeconds: 30, events: stopped })).bout).toMatchObject({ lengthSeconds: 60, clockSeconds: 30 });
    expect(faultsOf(file({ lengthSeconds: 29, events: stopped }))[0]).toContain('spans[2].toSeconds 60.0 is after the bout’s end');
  });

  it.each([
    ['an end before its start', withSpan(2, { toSeconds: 41.2 }), 'spans[2].toSeconds 41.2 is before its start 44.0 s.'],
    ['an empty span', withSpan(2, { toSeconds: 44 }), 'spans[2].toSeconds 44.0 is its start as well: the span is empty.'],
    ['a gap', withSpan(2, { fromSeconds: 45 }), 'spans[2].fromSeconds 45.0 leaves a gap of 1.0 s after spans[1], which ends at 44.0 s.'],
    ['an overlap', withSpan(2, { fromSeconds: 43.25 }), 'spans[2].fromSeconds 43.25 overlaps spans[1], which ends at 44.0 s.'],
    ['a span past the end', withSpan(2, { toSeconds: 61 }), 'spans[2].toSeconds 61.0 is after the bout’s end at 60.0 s.'],
    ['a late start', withSpan(0, { fromSeconds: 2 }), 'spans[0].fromSeconds 2.0 leaves a gap of 2.0 s after the bout’s start.'],
    [
      'a guard that nobody holds',
      withSpan(1, { holder: null }),
      'spans[1].holder is null, but half-guard needs one: "client" or "partner".',
    ],
    ['standing that somebody holds', withSpan(0, { holder: 'client' }), 'spans[0].holder is "client", but standing has no holder.'],
    [
      'frames without their times',
      withSpan(0, { fromSeconds: undefined, fromFrame: 0 }),
      'spans[0].fromFrame 0 needs the file’s frameTimes.',
    ],
    ['a restart of what runs', file({ events: [{ kind: 'restart', atSeconds: 9 }] }), 'events[0]: a restart at 9.0 s follows no stoppage.'],
    [
      'an event past the end',
      file({ events: [{ kind: 'stoppage', atSeconds: 99 }] }),
      'events[0].atSeconds 99.0 is after the bout’s end at 60.0 s.',
    ],
    ['frame times that go back', file({ frameTimes: [0, 1, 0.5] }), 'frameTimes[2] 0.5 is not later than the one before it.'],
    [
      'a sheet nobody knows',
      file({ ruleSheet: 'points' }),
      'ruleSheet "points" is not known; one of points-jacket, points-no-jacket, late-points-no-jacket, finish-only, open-mat, or a sheet written out.',
    ],
    [
      'a sheet that contradicts itself',
      file({ ruleSheet: { holdSeconds: 99 } }),
      'ruleSheet.holdSeconds: 99 s is no time to hold; 0 to 30 s.',
    ],
  ])('with %s says so and where', (_, json, fault) => expect(faultsOf(json)).toEqual([fault]));

  it('tells every fault at once, those of its form and those of its sense', () => {
    const json = file({
      ruleSheet: 'points',
      spans: [spans[0], { ...spans[1], position: 'gaurd' }, { ...spans[2], toSeconds: 41.2 }],
      events: [{ kind: 'throw' }, { kind: 'attempt', athlete: 'client', technique: 'pass', atSeconds: 3 }],
    });
    const places = faultsOf(json).map((fault) => fault.split(' ')[0]);
    expect(places.sort()).toEqual(['events[0].kind', 'events[1].outcome', 'ruleSheet', 'spans[1].position', 'spans[2].toSeconds']);
    for (const odd of [null, 7, 'x', [], {}]) expect(faultsOf(odd).length).toBeGreaterThan(0);
  });
});

describe('spans and events as CSV', () => {
  it('come back as they were', () => {
    const events = [
      { kind: 'attempt', athlete: 'partner', technique: 'sweep, twice', outcome: 'failed', close: true, atSeconds: 12.345 },
      { kind: 'restart', position: 'half-guard', holder: 'client', atSeconds: 25 },
      { kind: 'stoppage', atSeconds: 20 },
    ];
    const { bout } = good(file({ events }));
    // A plain reading of quoted fields, enough for what is written here.
    const rows = (text: string): Record<string, string>[] => {
      const cells = text.split('\n').map((line) => [...line.matchAll(/(?:^|,)(?:"([^"]*)"|([^,]*))/g)].map((m) => m[1] ?? m[2] ?? ''));
      return cells.slice(1).map((line) => Object.fromEntries(cells[0]!.map((name, i) => [name, line[i]!])));
    };
    const again = good(file({ ...boutPartOf(rows(spansCsv(bout))), ...boutPartOf(rows(eventsCsv(bout))) })).bout;
    expect(again.spans).toEqual(bout.spans);
    expect(again.events).toEqual([...bout.events].sort((a, b) => a.at - b.at));
  });

  it('with a cell that is no number is told where', () => {
    const part = boutPartOf([{ position: 'standing', holder: '', fromSeconds: 'zero', toSeconds: '60' }]);
    expect(faultsOf(file(part))[0]).toContain('spans[0].fromSeconds "zero" is not right');
  });
});

describe('writing a bout', () => {
  const events = [
    { kind: 'attempt', athlete: 'partner', technique: 'sweep', outcome: 'failed', close: true, atSeconds: 12.345 },
    { kind: 'guard-pull', athlete: 'partner', gripped: true, atSeconds: 9.5 },
    { kind: 'stoppage', atSeconds: 20 },
    { kind: 'restart', position: 'half-guard', holder: 'client', atSeconds: 25 },
    { kind: 'penalty', athlete: 'client', atSeconds: 30 },
    { kind: 'finish', athlete: 'client', technique: 'armlock', atSeconds: 59 },
  ];
  it('and reading it again loses nothing', () => {
    const sheet: RuleSheet = { ...ruleSheets['points-jacket'], name: 'House', holdSeconds: 2 };
    const first = good(file({ events, ruleSheet: sheet, client: { name: 'Ilse', level: 2 } }));
    const again = writeBoutFile(first.bout, { ruleSheet: first.sheet, valuePreset: 'top-first', client: first.file.client });
    const second = good(JSON.parse(JSON.stringify(again)));
    expect(second.bout).toEqual(first.bout);
    expect([second.sheet, second.valuePreset, second.file.client]).toEqual([sheet, 'top-first', { name: 'Ilse', level: 2 }]);
    expect(scoreBout(second.bout, second.sheet)).toEqual(scoreBout(first.bout, first.sheet));
  });
});
