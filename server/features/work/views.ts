import type * as contract from '@lean-mentor/contract';
import type { Client, ClientWork, DoneWork, ResponseOf, Retests, Told } from '@lean-mentor/contract';
import {
  datesTold,
  beforeAfter,
  earlyLate,
  retestsOf,
  workDates,
  workState,
  type RetestsOfOne,
  type WorkTerms,
} from '@lean-mentor/core/work';
import { seriesNow } from '@lean-mentor/core/followup';
import type { House } from '../../house/house.ts';
import { findClips, findPrinciples } from '../book/index.ts';
import { painView } from './painView.ts';
import type { WorkDoneRow, WorkRow } from './model.ts';
import { findDone, findWork } from './repository.ts';
import { clientNow, type ClientNow } from './training.ts';

const finite = (value: number | null): number | null => (value !== null && Number.isFinite(value) ? value : null);

/** An exact test's answer as it goes over the wire, which knows no infinity. */
const toldOf = ({
  verdict,
  ratio,
  interval,
  pOneSided,
}: Omit<Told, 'interval'> & { interval: readonly [number, number] | null }): Told => ({
  ...{ verdict, ratio: finite(ratio), pOneSided },
  interval: interval && [interval[0], finite(interval[1])],
});

const retestsView = ({ place, level, tests, answer }: RetestsOfOne): Retests => ({
  ...{ place, level, tests },
  trend: answer && {
    ...toldOf({ ...answer.trend, verdict: answer.verdict }),
    ...{ of: seriesNow(tests).length, level: answer.trend.level },
    ...{ neededMinutes: answer.neededMinutes, neededChances: answer.neededChances },
  },
});

/** What the retests of work say, that with most tests first; of a drill there are none. */
export const retestsOfWork = (terms: WorkTerms, done: readonly WorkDoneRow[]): Retests[] =>
  terms.kind === 'drill'
    ? []
    : retestsOf(
        terms.test,
        done.map(({ id, doneOn, entry }) => ({ id, doneOn, rounds: entry.rounds })),
      ).map(retestsView);

function doneView(terms: WorkTerms, { id, doneOn, entry, enteredAt, seenAt, requestId }: WorkDoneRow): DoneWork {
  const within = terms.kind === 'round' ? beforeAfter(terms.test, entry.rounds) : null;
  return {
    ...{ id, doneOn, ...entry, requestId, enteredAt: enteredAt.toISOString(), seenAt: seenAt?.toISOString() ?? null },
    rounds: entry.rounds.map((round) => ({ ...round, presses: [...round.presses] })),
    pains: [...entry.pains],
    within: within && { ...toldOf(within.progress), order: within.order, moreNeeded: within.moreNeeded },
    earlyLate: terms.kind === 'round' ? earlyLate(terms.test, entry.rounds) : null,
  };
}

/** What decides on the days of work. */
export const datedOf = (row: WorkRow, done: readonly WorkDoneRow[]) => ({
  ...{ fromOn: row.fromOn, endedOn: row.endedOn, weeks: row.terms.weeks, timesPerWeek: row.terms.timesPerWeek, loads: row.terms.loads },
  done: done.map(({ doneOn }) => doneOn),
});

interface Around {
  now: ClientNow;
  names: ReadonlyMap<string, string>;
  clips: ReadonlyMap<string, ClientWork['clips'][number]>;
}

function workView(row: WorkRow, done: readonly WorkDoneRow[], { now, names, clips }: Around): ClientWork {
  const dated = datedOf(row, done);
  const { id, principleId, requestId, terms, fromOn, givenBy, givenAt, endedOn, endedWhy, endedWords, revision } = row;
  return {
    ...{ id, principleId, requestId, fromOn, givenBy, endedOn, endedWhy, endedWords, revision },
    terms: terms as ClientWork['terms'],
    principleName: principleId ? (names.get(principleId) ?? null) : null,
    givenAt: givenAt.toISOString(),
    ...workState(dated, now.days, now.today),
    dates: workDates(dated, now.days, now.today).slice(0, datesTold),
    clips: terms.clipIds.flatMap((clipId) => clips.get(clipId) ?? []),
    done: done.map((one) => doneView(terms, one)),
    retests: retestsOfWork(terms, done),
  };
}

export const namesOfPrinciples = async (house: House): Promise<Map<string, string>> =>
  new Map((await findPrinciples(house)).map(({ id, name }) => [id, name]));

/** A client's work with all that is known of it. */
export async function getClientWork(house: House, client: Client): Promise<ResponseOf<typeof contract.getClientWork>> {
  const [now, rows, names] = await Promise.all([clientNow(house, client.id), findWork(house, [client.id]), namesOfPrinciples(house)]);
  const wanted = new Set(rows.flatMap(({ terms }) => terms.clipIds));
  const [done, clips] = await Promise.all([
    findDone(
      house,
      rows.map(({ id }) => id),
    ),
    wanted.size > 0 ? findClips(house) : [],
  ]);
  const ready = clips.filter(({ id, state }) => wanted.has(id) && state === 'ready');
  const around: Around = { now, names, clips: new Map(ready.map(({ id, title, seconds }) => [id, { id, title, seconds }])) };
  return {
    ...{ today: now.today, training: now.training },
    work: rows.map((row) =>
      workView(
        row,
        done.filter(({ workId }) => workId === row.id),
        around,
      ),
    ),
    pains: now.pains.map(painView),
  };
}
