import type { Client, Footage, OwnSchool, Request, RequestFixChoice } from '@lean-mentor/contract';
import type { BookDrill, BookPrinciple } from '@lean-mentor/core/book';
import type { DeskDocument } from '@lean-mentor/core/desk';
import {
  fixesForLevel,
  footageStarts,
  guessAsked,
  rankInputOf,
  requestEventsOf,
  requestNoteOf,
  type GuessedAsked,
  type OwnHarm,
  type RankInput,
  type RequestEvent,
  type RequestNote,
} from '@lean-mentor/core/fixes';
import { fixThread } from '@lean-mentor/core/followup';
import { boutAtFrame, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import { ruleSheets, type RuleSheet } from '@lean-mentor/core/scoring';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { findDrills, findPrinciples } from '../book/index.ts';
import { findClient } from '../clients/index.ts';
import { findDeskDocument } from '../desk/index.ts';
import { readyOf, scoredBoutsOf, tablesOf, type ScoredBout } from './scoredBouts.ts';
import { findThreadRequests } from './threadRequests.ts';
import { findRequest } from '../requests/index.ts';
import { findPositionWorth, findRuleSheets } from '../scoring/index.ts';
import { findChoice, findChoicesOfClient, findOwnSchool } from './repository.ts';

/** Everything that fixes are chosen from, computed from what is stored. */
export interface LadderFacts {
  request: Request;
  client: Client;
  document: DeskDocument;
  tables: ReadonlyMap<string, FrameTable>;
  bouts: ScoredBout[];
  principles: BookPrinciple[];
  drills: BookDrill[];
  notes: RequestNote[];
  input: RankInput;
  harms: Record<string, OwnHarm>;
  unexplained: { footageId: string; atFrame: number; points: number; finish: boolean }[];
  guessedAsked: GuessedAsked[];
  given: Record<string, { times: number; better: boolean }>;
  parkedBefore: string[];
  choice: RequestFixChoice;
  ownSchool: OwnSchool;
  /** By which what is restricted is judged: that of the first bout, else as asked. */
  sheet: RuleSheet;
}

const pastLooked = 6;

/** Where everything of a request lies. */
interface Placed {
  document: DeskDocument;
  footages: readonly Footage[];
  bouts: readonly ScoredBout[];
  tables: ReadonlyMap<string, FrameTable>;
}

/** The notes of the desk, placed in their footage and bout; those of footage that is not ready are left out. */
function placedNotes({ document, footages, bouts, tables }: Placed): RequestNote[] {
  const starts = footageStarts(footages);
  return Object.values(document.notes).flatMap((note) => {
    const table = tables.get(note.footageId);
    if (!table) return [];
    const footage = footages.findIndex(({ id }) => id === note.footageId);
    const bout = boutAtFrame(footages[footage]?.bouts ?? [], note.fromFrame);
    const index = bout ? bouts.findIndex((one) => one.bout.id === bout.id) : -1;
    return requestNoteOf(note, {
      footage,
      bout: index < 0 ? null : index,
      boutFrom: bout?.fromFrame ?? null,
      startsAt: starts.get(note.footageId) ?? 0,
      secondsAt: (frame) => secondsOfFrame(table, frame),
    });
  });
}

/** What is coded and linked to notes, by the codings that the bouts go by. */
function linkedEvents({ document, footages, bouts, tables }: Placed): RequestEvent[] {
  const starts = footageStarts(footages);
  return requestEventsOf(document, ({ codingId, footageId, atFrame }) => {
    const coding = document.codings[codingId];
    const index = coding?.state === 'accepted' ? bouts.findIndex(({ bout }) => bout.id === coding.boutId) : -1;
    const bout = bouts[index];
    if (!bout) return null;
    const requestSeconds = (starts.get(footageId) ?? 0) + secondsOfFrame(tables.get(footageId)!, atFrame);
    return { bout: index, atSeconds: bout.times.since(atFrame), requestSeconds };
  });
}

const freshChoice = (level: number, gamePlan: string[]): RequestFixChoice => ({
  school: 'balanced',
  order: null,
  cut: fixesForLevel(level),
  reason: '',
  pinned: [],
  parked: [],
  asked: null,
  gamePlan,
  answer: '',
  overrides: [],
});

export async function ladderFacts(house: House, requestId: string): Promise<LadderFacts> {
  const request = await findRequest(house, requestId);
  if (!request) throw new ContractError('not-found');
  const ready = readyOf(request);
  const [client, document, principles, drills, own, worth, past, chosen, others, ownSchool, tables] = await Promise.all([
    findClient(house, request.clientId),
    findDeskDocument(house, requestId),
    findPrinciples(house),
    findDrills(house),
    findRuleSheets(house),
    findPositionWorth(house),
    findThreadRequests(house, request.clientId, new Date(request.sentAt)),
    findChoice(house, requestId),
    findChoicesOfClient(house, request.clientId, requestId),
    findOwnSchool(house),
    tablesOf(house, ready),
  ]);
  const bouts = scoredBoutsOf({ request, client, document, tables, own, worth });
  const placed = { document, footages: request.footages, bouts, tables };
  const notes = placedNotes(placed);
  const choice = chosen ?? freshChoice(client!.level, others[0]?.gamePlan ?? []);
  const guessedAsked = guessAsked(request.question, principles);
  const latest = [...past].reverse();
  const ranked = rankInputOf({
    client: { level: client!.level, asked: choice.asked ?? guessedAsked.map(({ principleId }) => principleId), gamePlan: choice.gamePlan },
    principles,
    notes,
    events: linkedEvents(placed),
    bouts: bouts.map(({ harm }) => harm),
    minutes: ready.reduce((sum, { seconds, alignment }) => sum + (alignment ? 0 : (seconds ?? 0)), 0) / 60,
    history: latest
      .slice(0, pastLooked)
      .map((one) => [
        ...new Set(
          one.notes.flatMap(({ principleId, kind, athlete }) =>
            principleId && athlete === 'client' && kind !== 'good' ? principleId : [],
          ),
        ),
      ]),
  });
  const sent = principles.filter(({ id }) => past.some((one) => one.sent.includes(id)));
  return {
    request,
    client: client!,
    document,
    tables,
    bouts,
    principles,
    drills,
    notes,
    choice,
    ownSchool,
    guessedAsked,
    input: ranked.input,
    harms: ranked.harms,
    unexplained: ranked.unexplained.map(({ bout: index, at, points, finish }) => {
      const { footage, times } = bouts[index]!;
      return { footageId: footage.id, atFrame: times.frameAt(at), points, finish };
    }),
    given: Object.fromEntries(
      sent.map((principle) => [
        principle.id,
        {
          times: past.filter((one) => one.sent.includes(principle.id)).length,
          better: ['better', 'holding'].includes(fixThread(principle, past).state),
        },
      ]),
    ),
    parkedBefore: [...new Set(others.flatMap(({ parked }) => parked))].filter((id) => principles.some((one) => one.id === id)),
    sheet: bouts[0]?.sheet ?? ruleSheets[request.ruleSheet],
  };
}
