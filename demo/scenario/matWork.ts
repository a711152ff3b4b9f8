import type { PracticeFile } from '@lean-mentor/contract';
import { startWays, type DoneRound, type RoundStart } from '@lean-mentor/core/work';
import { principles } from './desks.ts';
import { clientId } from './people.ts';
import { stableId } from './stableId.ts';

type Work = PracticeFile['work'][number];
type Terms = Work['terms'];
type Done = Work['done'][number];

const dayOf = (today: Date, days: number): string => new Date(today.getTime() + days * 86_400_000).toISOString().slice(0, 10);

const common = {
  ...{ caution: 'general', loads: [], techniques: [], equipment: '', weeks: 6, timesPerWeek: 2, clipIds: [] },
} satisfies Partial<Terms>;

type Round = Extract<Terms, { kind: 'round' }>;
const roundOf = (start: RoundStart, more: Pick<Round, 'name' | 'cue' | 'how' | 'loads'> & { minutes: number; advice: string }): Round => ({
  ...{ ...common, kind: 'round', name: more.name, cue: more.cue, how: more.how, loads: more.loads, advice: more.advice },
  test: { start, ways: startWays(start.position, start.clientHolds), minutes: more.minutes, counts: 'chance' },
  ...{ rounds: 2, restSeconds: 60, wanted: { level: 'same', size: 'same' }, swaps: false, order: 'one-way' },
});

const either = (part: Round['loads'][number]['part']): Round['loads'][number] => ({ part, side: null });

/** A round that was won so often in its first way and lost in its last; losses come late in a round. */
function round(minutes: number, won: number, lost: number, more: Partial<DoneRound> = {}): DoneRound {
  const ms = minutes * 60_000;
  const at = (i: number, of: number, from: number): number => Math.round(ms * (from + ((1 - from) * (i + 0.5)) / of));
  return {
    ...{ when: null, place: 'own', ranMs: ms, partner: { level: 'same', size: 'same' }, by: 'third' },
    presses: [
      ...Array.from({ length: won }, (_, i) => ({ wayId: 'w1', atMs: at(i, won, 0) })),
      ...Array.from({ length: lost }, (_, i) => ({ wayId: 'w3', atMs: at(i, lost, 0.3) })),
    ].sort((a, b) => a.atMs - b.atMs),
    ...more,
  };
}

/** A round that nobody pressed in. */
const remembered = (one: DoneRound): DoneRound => ({
  ...one,
  by: 'memory',
  presses: one.presses.map(({ wayId }) => ({ wayId, atMs: null })),
});

const advised = (before: [number, number], after: [number, number]): DoneRound[] => [
  round(5, ...before, { when: 'before' }),
  round(5, ...after, { when: 'after' }),
];

type Days = (days: number, rounds: DoneRound[], felt: number | null, line?: string, more?: Partial<Done>) => Omit<Done, 'id'>;
type Given = (name: string, terms: Terms, days: number, more: Pick<Work, 'principleId' | 'requestId'>, done: Omit<Done, 'id'>[]) => Work;

/** Three weeks of Bram's: what was given with the critique, and a round that begins today. */
const bramsWork = (work: Given, day: Days): Work[] => {
  const bram = { requestId: stableId('request bram-night-shift') };
  return [
    work(
      'Bram',
      roundOf(
        { position: 'mount', clientHolds: true, grips: '' },
        {
          ...{ name: 'Mount, on top: stay when they bridge', cue: 'Low when they bridge, hands past the head.', minutes: 5 },
          ...{
            how: 'They bridge and shrimp for five minutes. You stay. Start anew each time.',
            advice: 'Chest to chest as the hips come up.',
          },
          loads: [either('knee'), either('hip')],
        },
      ),
      -22,
      { principleId: principles.mount.id, ...bram },
      [
        day(-21, advised([2, 7], [4, 5]), 2, 'He throws me off every time.'),
        day(-17, advised([3, 7], [5, 4]), 3),
        day(-12, advised([5, 5], [6, 3]), 4, 'Felt him give up the bridge twice.'),
        day(
          -7,
          [round(5, 6, 3), remembered(round(5, 2, 5, { partner: { level: 'higher', size: 'larger' } }))],
          3,
          'Second round with the big one.',
        ),
        day(-1, advised([8, 2], [8, 1]), 5, 'I was bored up there. Good.'),
      ],
    ),
    work(
      'Bram',
      roundOf(
        { position: 'closed-guard', clientHolds: false, grips: 'one sleeve of theirs' },
        {
          ...{ name: 'Closed guard, from below: break, then turn', cue: 'Down and forward first, then over.', minutes: 5 },
          ...{
            how: 'They kneel and keep their back straight. Nothing counts before their head is below yours.',
            advice: 'Pull with your knees, not your arms.',
          },
          loads: [either('hip'), either('knee'), either('back')],
        },
      ),
      0,
      { principleId: principles.posture.id, ...bram },
      [],
    ),
  ];
};

const othersWork = (work: Given, day: Days): Work[] => [
  work(
    'Noor',
    roundOf(
      { position: 'side-control', clientHolds: false, grips: '' },
      {
        ...{ name: 'Side control, from below: frame at the hip', cue: 'Frame before you are flat.', minutes: 7, advice: '' },
        ...{
          how: 'They hold you for seven minutes; every time you are out you begin anew.',
          loads: [either('neck'), either('ribs'), either('back')],
        },
      },
    ),
    -15,
    { principleId: principles.frames.id, requestId: null },
    [day(-12, [round(7, 3, 4)], 3), day(-4, [round(7, 4, 4)], 4, 'The second half was all mine.')],
  ),
  work(
    'Ilse',
    {
      ...{
        ...common,
        kind: 'drill',
        name: 'Shin between, ten each side',
        cue: 'Shin first, hands after.',
        partner: 'alone',
        minutes: 3,
      },
      ...{ how: 'Against a wall, from your back: the shin goes between you and the wall before the hands touch it.', timesPerWeek: 3 },
    },
    -16,
    { principleId: principles.frames.id, requestId: null },
    [day(-15, [], 4), day(-13, [], 4, 'Five minutes in the wheelhouse.')],
  ),
  work(
    'Wen',
    {
      ...{ ...common, kind: 'drill', name: 'Hip under the shoulder', cue: 'Hip first, then the knee.', partner: 'helping', minutes: 4 },
      ...{
        how: 'Slow passes on a partner who only holds. Stop before each step and look where the weight is.',
        loads: [either('neck'), either('knee')],
      },
    },
    -10,
    { principleId: null, requestId: null },
    [
      day(-8, [], 4),
      day(-2, [], 2, 'Got pulled down by the head once.', {
        pains: [{ part: 'neck', side: null, words: 'Stiff since, turns only half to the right.' }],
      }),
    ],
  ),
];

/** What the people of Skerrow do on the mat between two rounds of footage. Days are counted from today. */
export function matWork(today: Date): Pick<PracticeFile, 'work' | 'training'> {
  const work: Given = (name, terms, days, more, done) => ({
    ...{
      id: stableId(`work ${name} ${terms.name}`),
      clientId: clientId(name),
      terms,
      fromOn: dayOf(today, days),
      givenDaysAgo: -days,
      ...more,
    },
    done: done.map((one, i) => ({ id: stableId(`work ${name} ${terms.name} ${i}`), ...one })),
  });
  const day: Days = (days, rounds, felt, line = '', more = {}) => ({
    ...{
      doneOn: dayOf(today, days),
      rounds: rounds.map((one) => ({ ...one, presses: [...one.presses] })),
      felt,
      line,
      pains: [],
      seen: days < -3,
    },
    ...more,
  });
  return {
    training: [
      { clientId: clientId('Bram'), days: [], zone: zoneHere(), equipment: 'a heavy bag', attire: 'no-jacket', remind: true, breaks: [] },
      { clientId: clientId('Noor'), days: [1, 2, 4, 6], zone: zoneHere(), equipment: '', attire: 'jacket', remind: false, breaks: [] },
    ],
    work: [...bramsWork(work, day), ...othersWork(work, day)],
  };
}

const zoneHere = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;
