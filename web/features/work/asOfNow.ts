import { datesTold, workDates, workState, type ClientDays, type Flag } from '@lean-mentor/core/work';
import type { WorkAnswer } from './api.ts';
import type { Unsent } from './workShelves.ts';

/** Pain that was told and has not arrived yet stops what loads the part all the same. */
const unsentFlags = (waiting: readonly Unsent[]): Flag[] =>
  waiting.flatMap(({ body }) => body.pains.map(({ part, side }) => ({ part, side, fromOn: body.doneOn, untilOn: null })));

const knownFlags = ({ pains }: WorkAnswer): Flag[] =>
  pains.map(({ part, side, raisedOn, settledAt }) => ({ part, side, fromOn: raisedOn, untilOn: settledAt?.slice(0, 10) ?? null }));

/**
 * A client's work as it stands now on this phone: what came last, perhaps days ago, with what was entered since. Days and what rests are
 * reckoned anew by the same rules as on the server.
 */
export function asOfNow(answer: WorkAnswer, waiting: readonly Unsent[], today: string): WorkAnswer {
  const client: ClientDays = {
    trainingDays: answer.training.days,
    breaks: answer.training.breaks,
    flags: [...knownFlags(answer), ...unsentFlags(waiting)],
  };
  return {
    ...answer,
    today,
    work: answer.work.map((work) => {
      const entered = waiting.filter(({ workId }) => workId === work.id).map(({ body }) => body.doneOn);
      const dated = {
        ...{
          fromOn: work.fromOn,
          endedOn: work.endedOn,
          weeks: work.terms.weeks,
          timesPerWeek: work.terms.timesPerWeek,
          loads: work.terms.loads,
        },
        done: [...work.done.map(({ doneOn }) => doneOn), ...entered],
      };
      return { ...work, ...workState(dated, client, today), dates: workDates(dated, client, today).slice(0, datesTold) };
    }),
  };
}
