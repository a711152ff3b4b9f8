import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { runLean } from './lean/runLean.ts';

const root = fileURLToPath(new URL('../..', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'lean-test-command-'));
const path = join(folder, 'bout.json');
const bout = {
  format: 'lean-mentor/bout@1',
  lengthSeconds: 60,
  ruleSheet: 'points-jacket',
  spans: [
    { position: 'standing', holder: null, fromSeconds: 0, toSeconds: 10 },
    { position: 'half-guard', holder: 'client', fromSeconds: 10, toSeconds: 20 },
    { position: 'turtle', holder: 'client', fromSeconds: 20, toSeconds: 60 },
  ],
  events: [{ kind: 'attempt', athlete: 'partner', technique: 'sweep', outcome: 'failed', close: true, atSeconds: 15 }],
};
beforeAll(() => writeFileSync(path, JSON.stringify(bout)));
afterAll(() => rmSync(folder, { recursive: true }));

const lean = (args: string[], input = '') => runLean(args, Readable.from([input]));
const json = async (...args: string[]) => JSON.parse((await lean(args)).stdout);

describe('the command line', () => {
  it('scores a bout without a database, with awards and refusals', async () => {
    const answer = await json('score', path);
    expect(answer).toMatchObject({
      winner: 'client',
      decidedBy: 'points',
      score: { client: { points: 2, near: 0, penalties: 0 }, partner: { points: 0, near: 1, penalties: 0 } },
    });
    expect(answer.awards[0]).toEqual({
      athlete: 'client',
      action: 'takedown',
      atSeconds: 10,
      bankedAtSeconds: 13,
      points: 2,
      near: 0,
      reason: 'took the other down at 0:10, held 3 s',
    });
    expect(answer.refusals).toMatchObject([{ action: 'pass', atSeconds: 20, points: 0 }]);
  });

  it('lays known durations into working windows exactly, with the offset of the zone’s clock', async () => {
    const file = {
      format: 'lean-mentor/schedule@1',
      nowAt: '2026-10-23T08:00:00+02:00',
      zone: 'Europe/Berlin',
      windows: { weekly: [1, 5].map((day) => ({ day, from: '09:00', to: '12:00' })), exceptions: [{ date: '2026-10-30', off: true }] },
      policy: 'shortest-first',
      requests: [
        {
          id: 'long',
          client: 'x',
          readyAt: '2026-10-22T10:00:00+02:00',
          dueAt: '2026-10-23T12:00:00+02:00',
          kind: 'match',
          boutMinutes: 9,
          deskMinutes: 150,
        },
        {
          id: 'short',
          client: 'y',
          readyAt: '2026-10-23T08:00:00+02:00',
          dueAt: '2026-10-30T12:00:00+01:00',
          kind: 'sparring',
          boutMinutes: 9,
          deskMinutes: 60,
        },
      ],
    };
    const { stdout } = await lean(['schedule', '-'], JSON.stringify(file));
    const answer = JSON.parse(stdout);
    // The clock goes back on the 25th: Monday’s window is an hour later in UTC, and in the calendar it is 73 hours after Friday’s.
    expect(answer.requests).toEqual([
      {
        id: 'long',
        startP50At: '2026-10-23T10:00:00+02:00',
        finishP50At: '2026-10-26T09:30:00+01:00',
        finishP80At: '2026-10-26T09:30:00+01:00',
        lateShare: 1,
      },
      {
        id: 'short',
        startP50At: '2026-10-23T09:00:00+02:00',
        finishP50At: '2026-10-23T10:00:00+02:00',
        finishP80At: '2026-10-23T10:00:00+02:00',
        lateShare: 0,
      },
    ]);
    expect(answer.policies.find(({ policy }: { policy: string }) => policy === 'shortest-first')).toEqual({
      policy: 'shortest-first',
      numberLate: 1,
      weightedLatenessHours: 70.5,
      meanWaitHours: (96.5 + 2) / 2,
      longestWaitHours: 96.5,
      order: ['short', 'long'],
    });
    expect(answer.policies.find(({ policy }: { policy: string }) => policy === 'due-first')).toMatchObject({
      numberLate: 0,
      order: ['long', 'short'],
    });
  });

  it('refuses a schedule without hours, with a zone that is none, or with one request twice', async () => {
    const request = { id: 'a', client: 'x', readyAt: '2026-10-22T10:00:00Z', dueAt: '2026-10-23T12:00:00Z', kind: 'match', boutMinutes: 9 };
    const file = {
      format: 'lean-mentor/schedule@1',
      nowAt: '2026-10-23T08:00:00Z',
      zone: 'UTC',
      windows: { weekly: [] },
      requests: [request, request],
    };
    const refused = await lean(['schedule', '-'], JSON.stringify(file));
    expect(refused).toMatchObject({ status: 2, stdout: '' });
    expect(refused.stderr).toBe(
      '-: requests[1].id "a" stands for two requests.\n-: windows: there are no working hours, so nothing can be laid out. Write at least one under “weekly”.\n',
    );
    expect((await lean(['schedule', '-'], JSON.stringify({ ...file, zone: 'Europe/Nowhere' }))).stderr).toContain('zone');
  });

  it('answers stakes, statistics, patterns, and lean, spans and events as CSV', async () => {
    expect(await json('stakes', path, '--at', '45')).toMatchObject({ state: 'knife-edge', secondsLeft: 15, leader: 'client' });
    expect(await json('stats', path, path)).toMatchObject({
      clockSeconds: 120,
      partner: { attempts: { sweep: { tries: 2, successes: 0 } } },
    });
    expect(await json('patterns', path)).toEqual([]);
    expect((await json('patterns', path, path, path))[0].instances.map(({ file }: { file: string }) => file)).toEqual([path, path, path]);
    expect((await lean(['lean', path, '--every', '20'])).stdout).toBe('time,lean\n0,0\n10,20\n20,35\n40,35\n60,35\n');
    expect((await lean(['spans', path])).stdout.split('\n')[2]).toBe('half-guard,client,10,20');
    expect((await lean(['events', '-'], JSON.stringify(bout))).stdout.split('\n')[1]).toBe('attempt,partner,15,sweep,failed,true,,,');
  });

  it('refuses a bad file with exit code 2 and every fault with its place, computing nothing', async () => {
    const spans = bout.spans.map((span, i) => (i === 2 ? { ...span, fromSeconds: 44, toSeconds: 41.2 } : span));
    const refused = await lean(['score', '-'], JSON.stringify({ ...bout, spans, ruleSheet: 'none' }));
    expect([refused.status, refused.stdout]).toEqual([2, '']);
    expect(refused.stderr).toContain('spans[2].toSeconds 41.2 is before its start 44.0 s.');
    expect(refused.stderr).toContain('ruleSheet "none" is not known');
    for (const args of [['score'], ['score', 'nowhere.json'], ['what'], ['stakes', path], ['stakes', path, '--at', '99'], ['score', '--x']])
      expect([args, (await lean(args)).status]).toEqual([args, 2]);
  });
});

describe('from a shell', () => {
  const run = (args: string[], input: string) =>
    spawnSync(process.execPath, ['scripts/lean.mjs', ...args], { cwd: root, encoding: 'utf8', input });
  it('reads standard input, and ends with 0 or with 2', () => {
    const [good, bad] = [run(['spans', '-'], JSON.stringify(bout)), run(['spans', '-'], '{}')];
    expect([good.status, good.stderr, good.stdout.split('\n')[2]]).toEqual([0, '', 'half-guard,client,10,20']);
    expect([bad.status, bad.stdout]).toEqual([2, '']);
    expect(bad.stderr).toContain('-: format');
  });
});

describe('a take on the command line', () => {
  const file = {
    format: 'lean-mentor/take@1',
    seconds: 10,
    voice: { file: 'voice.m4a' },
    frameTimes: Array.from({ length: 90 }, (_, i) => i / 30),
    events: [
      { t: 0, kind: 'stage', frame: 30 },
      { t: 1, kind: 'run', frame: 30, rate: -0.5 },
      { t: 2, kind: 'stop', frame: 15 },
      {
        t: 6,
        kind: 'stroke',
        id: 's',
        tool: 'arrow',
        colour: 'client',
        points: [
          [0.1, 0.1, 0],
          [0.5, 0.5, 500],
        ],
      },
      { t: 6, kind: 'note', id: 'n', open: true, words: 'Elbow in.' },
    ],
    cuts: [{ from: 3, to: 5 }],
    captions: [{ from: 5, to: 7, words: 'Watch this elbow.', origin: 'typed' }],
    chapters: [{ from: 5.5, title: 'First fix' }],
  };
  const at = async (seconds: string, changed: object = {}) => lean(['take', '-', '--at', seconds], JSON.stringify({ ...file, ...changed }));

  it('shows the stage at an instant as it is heard, its cuts taken out', async () => {
    const answer = async (seconds: string) => JSON.parse((await at(seconds)).stdout);
    expect(await answer('1.5')).toMatchObject({
      recordedAt: 1.5,
      frame: 22,
      rate: -0.5,
      strokes: [],
      note: null,
      caption: null,
      chapter: null,
    });
    expect(await answer('4.2')).toMatchObject({
      ...{ recordedAt: 6.2, frame: 15, rate: 0, view: { zoom: 1, x: 0, y: 0 }, mirror: false },
      ...{ strokes: [{ id: 's', points: [[0.1, 0.1, 0]] }], note: { words: 'Elbow in.' } },
      ...{ caption: 'Watch this elbow.', chapter: 'First fix' },
    });
    expect((await answer('4.5')).strokes[0].points).toHaveLength(2);
  });

  it('is refused where it contradicts itself, with every place, and after its end', async () => {
    expect((await at('8.1')).stderr).toBe('--at 8.1 s is after the take’s end at 8 s.\n');
    const bad = await at('0', {
      events: [
        { t: 0, kind: 'show', frame: 1 },
        { t: 5, kind: 'run', frame: 200, rate: 1 },
        { t: 4, kind: 'stop', frame: 3 },
        { t: 11, kind: 'mirror', on: true },
      ],
      cuts: [{ from: 3, to: 3 }],
    });
    expect(bad.status).toBe(2);
    for (const words of [
      'events[0] is not the whole stage',
      'events[1].frame 200',
      'events[2].t 4 s is before',
      'events[3].t 11 s is after',
      'cuts[0]',
    ])
      expect(bad.stderr).toContain(words);
    expect((await at('0', { frameTimes: undefined })).stderr).toContain('events[1] runs, which needs frameTimes.');
    expect((await at('0', { events: [{ t: 0, kind: 'stage', frame: 0, rate: 3 }] })).stderr).toContain('events[0].rate 3 is not right');
  });
});

describe('fixes on the command line', () => {
  const file = {
    format: 'lean-mentor/rank@1',
    school: 'balanced',
    client: { level: 2, asked: ['frame'], gamePlan: [] },
    boutMinutes: 5,
    principles: [{ id: 'frame', level: 1, prerequisites: [] }],
    notes: [{ id: 'n1', principle: 'frame', kind: 'mistake', seen: 'clear', ownHarm: 0.1, causes: [], atSeconds: 10 }],
    events: [],
    exposureMinutes: {},
    history: [],
  };
  it('are ranked with every part, by the school that is asked for', async () => {
    const answer = JSON.parse((await lean(['rank', '-', '--school', 'Habit breaker'], JSON.stringify(file))).stdout);
    expect(answer).toMatchObject({
      school: 'habit-breaker',
      suggested: 2,
      ranked: [{ principle: 'frame', parts: { C: 1, F: 1, R: 0, G: 1, B: 0 }, teachable: 1, pinned: false, cost: 0.1 }],
    });
  });

  it('say whether it got better', async () => {
    const series = [
      [11, 10],
      [3, 10],
    ].map(([mistakes, exposureMinutes]) => ({ request: 'r', mistakes, exposureMinutes }));
    const answer = JSON.parse(
      (await lean(['progress', '-'], JSON.stringify({ format: 'lean-mentor/progress@1', kind: 'rate', series }))).stdout,
    );
    expect(answer).toMatchObject({ verdict: 'better', ratio: 0.272727, pOneSided: 0.028687, neededMinutes: null });
  });

  it('say over all retests of a start whether it got better, at the level that is left when one looks again and again', async () => {
    const tests = [3, 5, 6, 8].map((successes, i) => ({ at: `week ${i}`, successes, chances: 10 }));
    const asked = async (more: object) =>
      JSON.parse((await lean(['retest', '-'], JSON.stringify({ format: 'lean-mentor/retest@1', kind: 'chance', tests, ...more }))).stdout);
    expect(await asked({})).toMatchObject({
      trend: { pOneSided: 0.016851, method: 'exact conditional trend of shares', level: 0.1 },
      firstLast: { verdict: 'better' },
      verdict: 'better',
      neededChances: null,
    });
    expect(await asked({ looks: 3 })).toMatchObject({
      verdict: 'too-little',
      trend: { level: 0.014286 },
      neededChances: expect.any(Number),
    });
    const rates = [6, 3, 1].map((mistakes) => ({ mistakes, minutes: 7 }));
    const rate = { format: 'lean-mentor/retest@1', kind: 'rate', tests: rates };
    expect(JSON.parse((await lean(['retest', '-'], JSON.stringify(rate))).stdout)).toMatchObject({
      verdict: 'better',
      neededMinutes: null,
    });
    const bad = { ...rate, kind: 'chance', tests: [{ successes: 3, chances: 2 }] };
    expect((await lean(['retest', '-'], JSON.stringify(bad))).stderr).toContain('tests[0].successes 3 is more than its 2 chances.');
    expect(await lean(['retest', '-'], JSON.stringify({ ...rate, tests: [] }))).toMatchObject({ status: 2, stdout: '' });
  });

  it('refuse what contradicts itself, with its place', async () => {
    const bad = {
      ...file,
      school: 'none',
      principles: [{ id: 'frame', level: 1, prerequisites: ['gone'] }],
      notes: [{ ...file.notes[0], causes: ['n9'] }],
    };
    const refused = await lean(['rank', '-'], JSON.stringify(bad));
    expect([refused.status, refused.stdout]).toEqual([2, '']);
    for (const words of ['school "none" is not known', 'principles[0].prerequisites[0] "gone"', 'names the cause “n9”'])
      expect(refused.stderr).toContain(words);
    const chances = { format: 'lean-mentor/progress@1', kind: 'chance', series: [{ successes: 3, chances: 2 }] };
    expect((await lean(['progress', '-'], JSON.stringify(chances))).stderr).toContain('series[0].successes 3 is more than its 2 chances.');
  });
});
