import { bramVoice } from '../voice/bramVoice.ts';
import { bout, intake, type PracticeFile } from '@lean-mentor/contract';
import type { FrameThreat } from '@lean-mentor/core/scoring';
import { groundTruthOf } from '../timeline/groundTruth.ts';
import { allClips } from './allClips.ts';
import { footageId } from './footageId.ts';
import type { CritiqueDoc } from '@lean-mentor/core/critique';
import { bramCritique } from './bramCritique.ts';
import { bramTake } from './bramTake.ts';
import { bramEarlier, earlierCritique, earlierDesk } from './bramEarlier.ts';
import { bramDesk, ilseDesk } from './desks.ts';
import { matWork } from './matWork.ts';
import { accounts, clientId, clients } from './people.ts';
import { shortRequests } from './shortRequests.ts';
import { work } from './work.ts';
import { stableId } from './stableId.ts';

type Request = PracticeFile['requests'][number];

const dayMs = 86_400_000;

/** The instant `days` before or after today at an hour of the day (UTC). */
const at = (today: Date, days: number, hour: number): string =>
  new Date(Date.UTC(today.getUTCFullYear(), today.getUTCMonth(), today.getUTCDate(), hour) + days * dayMs).toISOString();

/** Attacks that went on for a while: what the events name as tried, from where it was set to where it was out of. */
const threats: Readonly<Record<string, FrameThreat[]>> = {
  'noor-quay-open': [{ athlete: 'partner', name: 'Armlock from guard', fromFrame: 2690, toFrame: 2750, ended: 'escape' }],
};

/** Footage of a clip, its bout coded as the ground truth says. */
function footageOf(clip: string): Request['footages'][number] {
  const plan = allClips.find((p) => p.name === clip)!;
  const truth = groundTruthOf(plan);
  return {
    id: footageId(clip),
    file: `${clip}.mp4`,
    seconds: null,
    bouts: [
      bout.parse({ id: stableId(`bout ${clip}`), ...truth.bout, spans: truth.spans, events: truth.events, threats: threats[clip] ?? [] }),
    ],
  };
}

/** What nobody has said anything about. */
const {
  whoClient: _client,
  whoPartner: _partner,
  question: _question,
  ...blank
} = intake.parse({
  whoClient: '-',
  whoPartner: '-',
  question: '-',
  kind: 'match',
  attire: 'jacket',
  ruleSheet: 'open-mat',
  partnerConsent: 'agreed',
});

/** What was said to Bram: its voice is made by a free program, and the page says so. */
const spoken = bramTake(bramVoice.seconds);
const recordedEvents = spoken.events as Request['recordings'][number]['events'];

/** The critique with what was spoken on top. */
const withTake = (doc: CritiqueDoc, { id, title }: { id: string; title: string }): CritiqueDoc => ({
  ...doc,
  content: [{ type: 'take', attrs: { takeId: id, from: null, to: null, title: `${title} (a made voice)` } }, ...doc.content],
});

/** The whole demo practice as a file, dated relative to `today`. */
export function demoPractice(today: Date): PracticeFile {
  const words = (clip: string) => groundTruthOf(allClips.find((p) => p.name === clip)!).words;
  const request = (
    clip: string,
    name: string,
    said: Pick<Request, 'kind' | 'attire' | 'ruleSheet' | 'question'> & Partial<Request>,
    sentDays: number,
    dueDays: number,
    more: Partial<Request> = {},
  ): Request => ({
    id: stableId(`request ${clip}`),
    clientId: clientId(name),
    ...blank,
    ...said,
    whoClient: words(clip).client,
    whoPartner: words(clip).partner,
    sentAt: at(today, sentDays, 6),
    dueAt: at(today, dueDays, 17),
    footages: [footageOf(clip)],
    recordings: [],
    saidByAt: null,
    deskMinutes: 0,
    ...more,
  });
  return {
    format: 'lean-mentor/practice@1',
    practice: work(today),
    accounts,
    clients: clients(today),
    ...matWork(today),
    requests: [
      request(
        'ilse-harbour-round',
        'Ilse Tarrow',
        {
          kind: 'hard-sparring',
          attire: 'no-jacket',
          ruleSheet: 'open-mat',
          lengthMinutes: 6,
          partnerSize: 'larger',
          question: 'My knee shield goes and then everything goes. What leaves first?',
        },
        -1,
        1,
        { document: ilseDesk, deskMinutes: 9 },
      ),
      request(
        'noor-quay-open',
        'Noor Valdane',
        {
          kind: 'match',
          attire: 'jacket',
          ruleSheet: 'points-jacket',
          lengthMinutes: 5,
          partnerLevel: 'same',
          partnerSize: 'same',
          event: 'Quay Open',
          question: 'I was ahead. Was leaving mount for the back worth it?',
        },
        -1,
        2,
      ),
      request(
        'ruben-long-frames',
        'Ruben Castellane',
        {
          kind: 'light-sparring',
          attire: 'no-jacket',
          ruleSheet: 'open-mat',
          lengthMinutes: 5,
          partnerLevel: 'higher',
          question: 'My arms are long and my frames still fold. Where?',
        },
        0,
        3,
      ),
      request(
        'bram-night-shift',
        'Bram Okonjo',
        { kind: 'hard-sparring', attire: 'no-jacket', ruleSheet: 'open-mat', question: 'I sweep people and cannot stay on top. Why?' },
        -9,
        -6,
        {
          deskMinutes: 14,
          saidByAt: at(today, -7, 16),
          document: { ...bramDesk, takes: { [spoken.take.id]: spoken.take } },
          recordings: [
            {
              takeId: spoken.take.id,
              file: '../voice/bram-take.webm',
              type: 'audio/webm',
              seconds: spoken.seconds,
              events: recordedEvents,
            },
          ],
          critique: {
            id: stableId('critique bram'),
            doc: withTake(bramCritique, spoken.take),
            sentAt: at(today, -7, 15),
            readAt: at(today, -6, 5),
          },
        },
      ),
      ...shortRequests(today).map(({ clip, name, said, sentDays, due }) => ({
        ...request(clip, name, { attire: 'no-jacket', ruleSheet: 'open-mat', ...said }, sentDays, 0),
        dueAt: due,
      })),
      ...bramEarlier.map(({ daysAgo, question, minutes, deskMinutes, counts, answer }, i): Request => {
        const id = stableId(`request bram earlier ${i}`);
        const footage = stableId(`footage bram earlier ${i}`);
        return {
          id,
          clientId: clientId('Bram Okonjo'),
          ...blank,
          kind: 'hard-sparring',
          attire: 'no-jacket',
          ruleSheet: 'open-mat',
          question,
          whoClient: 'green shirt',
          whoPartner: 'white shirt',
          sentAt: at(today, -daysAgo, 6),
          dueAt: at(today, 3 - daysAgo, 17),
          footages: [{ id: footage, file: null, seconds: minutes * 60, bouts: [] }],
          recordings: [],
          deskMinutes,
          saidByAt: at(today, 3 - daysAgo, 12),
          document: earlierDesk(footage, counts),
          critique: {
            id: stableId(`critique bram earlier ${i}`),
            doc: earlierCritique(question, answer, counts),
            sentAt: at(today, 2 - daysAgo, 15),
            readAt: at(today, 3 - daysAgo, 6),
          },
        };
      }),
    ],
  };
}
