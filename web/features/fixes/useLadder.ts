import type * as contract from '@lean-mentor/contract';
import { fixChoice, ownSchool, type OwnSchool, type RequestFixChoice, type ResponseOf } from '@lean-mentor/contract';
import { sparedOf, type BookDrill, type BookPrinciple } from '@lean-mentor/core/book';
import type { Note } from '@lean-mentor/core/desk';
import {
  fixWarnings,
  ladderOf,
  rankFixes,
  schools,
  type FixWarning,
  type Ladder,
  type RankedFix,
  type School,
} from '@lean-mentor/core/fixes';
import { useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { bothKept, browserShelf, ShelvedThing, useKept, type Keeping } from '../../shared/keeping/index.ts';
import { useSaveFixChoiceMutation, useSaveOwnSchoolMutation, type LadderData } from './api.ts';

/** Changes rest this long, in ms, before they are saved. */
const restMs = 400;

export interface LadderControls {
  choice: RequestFixChoice;
  own: OwnSchool;
  school: School;
  computed: RankedFix[];
  ladder: Ladder;
  warnings: FixWarning[];
  asked: readonly string[];
  keeping: Keeping;
  /** Changes what was decided; with movement where the order changes. */
  change: (fields: Partial<RequestFixChoice>) => void;
  weigh: (own: OwnSchool) => void;
}

interface LadderSubject {
  data: LadderData;
  subject: ResponseOf<typeof contract.openDesk>;
  principles: readonly BookPrinciple[];
  drills: readonly BookDrill[];
}

/** Runs a change of the page with the browser's own movement between before and after, where it has one and it is wanted. */
function withMovement(change: () => void): void {
  const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
  if (still || !('startViewTransition' in document)) change();
  else document.startViewTransition(() => flushSync(change));
}

/** The ladder of a request as it stands while one decides: computed anew with every change, kept as it happens. */
export function useLadder({ data, subject, principles, drills }: LadderSubject): LadderControls {
  const { request, client, document } = subject;
  const [save] = useSaveFixChoiceMutation();
  const [saveOwn] = useSaveOwnSchoolMutation();
  const [decided, ofChoice] = useKept(
    () =>
      new ShelvedThing({
        shelf: browserShelf({ name: 'ladder', subject: request.id, schema: fixChoice }),
        send: (now) => save({ requestId: request.id, ...now }),
        restMs,
      }),
  );
  const [weights, ofOwn] = useKept(
    () => new ShelvedThing({ shelf: browserShelf({ name: 'own-school', schema: ownSchool }), send: saveOwn, restMs }),
  );
  const [choice, setChoice] = useState(() => decided.unsaved() ?? data.choice);
  const [own, setOwn] = useState(() => weights.unsaved() ?? data.ownSchool);
  /** The choice as it is after the last change, drawn or not. */
  const latest = useRef(choice);

  const school = useMemo<School>(
    () => (choice.school === 'own' ? { name: 'My own', words: 'Your own weights.', ...own } : schools[choice.school]),
    [choice.school, own],
  );
  const asked = choice.asked ?? data.guessedAsked.map(({ principleId }) => principleId);
  const computed = useMemo(() => {
    const input = { ...data.input, client: { ...data.input.client, asked, gamePlan: choice.gamePlan } };
    return rankFixes(input, school);
  }, [data.input, asked, choice.gamePlan, school]);
  const ladder = useMemo(() => ladderOf(computed, choice), [computed, choice]);
  const warnings = useMemo(() => {
    const praise = Object.values(document.notes).filter(
      ({ kind, visible, athlete }: Note) => kind === 'good' && visible === 'client' && athlete === 'client',
    ).length;
    return fixWarnings({
      client: { ...client, ...sparedOf(client, request) },
      fixes: ladder.rungs.slice(0, ladder.cut).flatMap(({ principle }) => principles.find(({ id }) => id === principle) ?? []),
      sheet: data.sheet,
      answered: choice.answer.trim() !== '',
      drills,
      praise,
      given: data.given,
    });
  }, [document.notes, client, request, ladder, principles, drills, data.sheet, data.given, choice.answer]);

  return {
    choice,
    own,
    school,
    computed,
    ladder,
    warnings,
    asked,
    keeping: bothKept(ofChoice, ofOwn),
    change: (fields) => {
      const reorders = ['school', 'order', 'pinned', 'parked', 'asked', 'gamePlan'].some((field) => field in fields);
      latest.current = { ...latest.current, ...fields };
      decided.put(latest.current);
      const put = (): void => setChoice(latest.current);
      if (reorders) withMovement(put);
      else put();
    },
    weigh: (next) => {
      weights.put(next);
      withMovement(() => setOwn(next));
    },
  };
}
