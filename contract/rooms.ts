import * as access from './access.ts';
import * as book from './book.ts';
import * as bookEntries from './bookEntries.ts';
import * as bouts from './bouts.ts';
import * as calendar from './calendar.ts';
import * as clients from './clients.ts';
import * as critique from './critique.ts';
import * as critiqueWriting from './critiqueWriting.ts';
import * as desk from './desk.ts';
import * as films from './films.ts';
import * as fixes from './fixes.ts';
import * as followup from './followup.ts';
import * as footage from './footage.ts';
import * as handOver from './handOver.ts';
import * as health from './health.ts';
import * as joining from './joining.ts';
import * as letters from './letters.ts';
import * as money from './money.ts';
import * as noteFiles from './noteFiles.ts';
import type { Operation } from './operation.ts';
import * as people from './people.ts';
import * as practice from './practice.ts';
import * as questions from './questions.ts';
import * as queue from './queue.ts';
import * as readLinks from './readLinks.ts';
import * as requests from './requests.ts';
import * as rights from './rights.ts';
import * as scoring from './scoring.ts';
import * as search from './search.ts';
import * as sentTakes from './sentTakes.ts';
import * as takes from './takes.ts';
import * as uploads from './uploads.ts';
import * as work from './work.ts';

/** Of a module's exports those that are operations, by their names. */
type OperationsOf<M> = { [Name in keyof M as M[Name] extends Operation ? Name : never]: M[Name] };

const isOperation = (thing: unknown): thing is Operation =>
  typeof thing === 'object' && thing !== null && 'room' in thing && 'path' in thing && 'method' in thing;

const operationsOf = <M extends object>(module: M): OperationsOf<M> =>
  Object.fromEntries(Object.entries(module).filter(([, thing]) => isOperation(thing))) as OperationsOf<M>;

/** People are of two rooms: how they sign in, and what a client is. */
const { changeClient, ...peopleHere } = people;

/** Every operation of the contract by room and name. A room's handlers on the server have the same names (`serveRoom`). */
export const rooms = {
  access: operationsOf(access),
  joining: operationsOf({ ...joining, ...peopleHere }),
  clients: operationsOf({ ...clients, changeClient }),
  requests: operationsOf(requests),
  footage: operationsOf(footage),
  uploads: operationsOf(uploads),
  bouts: operationsOf(bouts),
  practice: operationsOf(practice),
  money: operationsOf(money),
  queue: operationsOf({ ...queue, ...calendar, ...handOver }),
  desk: operationsOf({ ...desk, ...noteFiles }),
  scoring: operationsOf(scoring),
  book: operationsOf({ ...book, ...bookEntries }),
  fixes: operationsOf(fixes),
  critique: operationsOf({ ...critique, ...critiqueWriting, ...questions, ...sentTakes }),
  links: operationsOf(readLinks),
  followup: operationsOf(followup),
  search: operationsOf(search),
  takes: operationsOf(takes),
  films: operationsOf(films),
  letters: operationsOf(letters),
  work: operationsOf(work),
  rights: operationsOf(rights),
  health: operationsOf(health),
};

export const operations: readonly Operation[] = Object.values(rooms).flatMap((room) => Object.values<Operation>(room));
