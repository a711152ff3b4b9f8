import { ruleSheetNames } from '@lean-mentor/core/scoring';
import { partnerLevels, partnerSizes } from '@lean-mentor/core/work';
import { z } from 'zod';
import { requestLimits } from './care.ts';
import { footage } from './footage.ts';
import { id, instant, mostFileBytes, written } from './ids.ts';
import { coaching, everyRole, operation } from './operation.ts';
import { doneRound, roundTest } from './workTerms.ts';

export const requestKinds = ['match', 'hard-sparring', 'light-sparring', 'positional'] as const;
export type RequestKind = (typeof requestKinds)[number];
export const attires = ['jacket', 'no-jacket'] as const;
/**
 * draft: the client is still writing it; guardian: waits for the guardian's yes; uploading: footage on its way; waiting: with
 * the coach; need-first: the coach asked for something, and the clock stands; sent: its critique has been sent; withdrawn.
 */
export const requestStates = ['draft', 'guardian', 'uploading', 'waiting', 'need-first', 'sent', 'withdrawn'] as const;
export type RequestState = (typeof requestStates)[number];
/** The steps of sending, in order. */
export const draftSteps = ['footage', 'who', 'what', 'question', 'hurts', 'consent', 'check'] as const;
export type DraftStep = (typeof draftSteps)[number];

/** The partner beside the client. */
export const comparedLevels = partnerLevels;
export const comparedSizes = partnerSizes;
export const comparedAges = ['younger', 'same', 'older', 'unknown'] as const;

const seconds = z.number().min(0).max(86_400);
/** Share of the picture's width and height, origin top left. */
const point = z.object({ x: z.number().min(0).max(1), y: z.number().min(0).max(1) });

/** Where the client tapped themselves and the partner on a still. A later one answers for the time after it. */
export const whoMark = z.object({ footageId: id, atSeconds: seconds, client: point, partner: point });
export type WhoMark = z.infer<typeof whoMark>;
/** "I think it went wrong here." */
export const clientMark = z.object({
  ...{ id, footageId: id, atSeconds: seconds, words: z.string().trim().max(200) },
  /** Their guess where it began. */
  began: z.boolean().default(false),
});
export type ClientMark = z.infer<typeof clientMark>;
export const mostClientMarks = 8;

const hurt = z.string().trim().min(1).max(200);

/** What a client says when sending footage. */
export const intake = z.object({
  whoClient: written(120),
  whoPartner: written(120),
  whoMarks: z.array(whoMark).max(6).default([]),
  kind: z.enum(requestKinds, 'Choose what it was.'),
  attire: z.enum(attires, 'Say whether jackets were worn.'),
  ruleSheet: z.enum(ruleSheetNames, 'Choose the rules it went by.'),
  /** How long a round was meant to be; null where nobody knows. */
  lengthMinutes: z.number('Write the minutes of one round.').min(0.5).max(60).nullable().default(null),
  partnerLevel: z.enum(comparedLevels).default('unknown'),
  partnerSize: z.enum(comparedSizes).default('unknown'),
  partnerAge: z.enum(comparedAges).default('unknown'),
  event: z.string().trim().max(120).default(''),
  eventOn: z.iso.date().nullable().default(null),
  question: written(600),
  clientMarks: z.array(clientMark).max(mostClientMarks).default([]),
  /** A positional round out of their work, as it was counted on the mat; null of anything else. */
  round: z
    .object({ workId: id, doneWorkId: id, name: z.string(), test: roundTest, rounds: z.array(doneRound).max(20) })
    .nullable()
    .default(null),
  /** How they scored it themselves; null where they did not. */
  ownScore: z
    .object({ client: z.int().min(0).max(99), partner: z.int().min(0).max(99) })
    .nullable()
    .default(null),
  hurtsToday: z.string().trim().max(300).default(''),
  /** What hurts the other one on the film, as far as the client knows. */
  partnerHurts: z.string().trim().max(300).default(''),
  /** What their profile says hurts and still does. */
  hurts: z.array(hurt).max(20).default([]),
  partnerConsent: z.literal('agreed', 'Ask your partner first; without their yes the footage cannot be sent.'),
});
export type Intake = z.infer<typeof intake>;

/** As much of it as has been said yet; texts may be half-written. */
export const intakeDraft = z
  .object({
    ...intake.shape,
    whoClient: z.string().max(120),
    whoPartner: z.string().max(120),
    question: z.string().max(600),
    clientMarks: z.array(clientMark.extend({ words: z.string().max(200) })).max(mostClientMarks),
    hurtsToday: z.string().max(300),
    partnerHurts: z.string().max(300),
    event: z.string().max(120),
    partnerConsent: z.enum(['agreed', 'not-asked']),
    whoMarks: z.array(whoMark).max(6),
    round: intake.shape.round.unwrap(),
    ownScore: intake.shape.ownScore.unwrap(),
    lengthMinutes: z.number().min(0).max(600).nullable(),
    partnerLevel: z.enum(comparedLevels),
    partnerSize: z.enum(comparedSizes),
    partnerAge: z.enum(comparedAges),
    eventOn: z.iso.date().nullable(),
    hurts: z.array(hurt).max(20),
  })
  .partial();
export type IntakeDraft = z.infer<typeof intakeDraft>;

/** What coach, client and guardian said to one another about a request before it could be answered. */
export const saying = z.object({
  at: instant,
  byName: z.string(),
  byRole: z.enum(everyRole),
  /** unreadable: no person, but the house says that no video of it can be read. */
  kind: z.enum(['need-footage', 'need-context', 'answer', 'sent-back', 'unreadable']),
  words: z.string(),
});
export type Saying = z.infer<typeof saying>;

const standing = z.object({
  id,
  clientId: id,
  clientName: z.string(),
  state: z.enum(requestStates),
  footages: z.array(footage),
  exchange: z.array(saying),
});

export const request = intake.extend(standing.shape).extend({
  sentAt: instant,
  /** While the clock stands (need-first) the promise as it was. */
  dueAt: instant,
  /** When its critique is there in eight of ten cases, as was foreseen when its clock began; null before, and where nothing was. */
  saidByAt: instant.nullable(),
  stoppedAt: instant.nullable(),
  consentWithdrawnAt: instant.nullable(),
  limits: requestLimits,
  /** The critique sent for it, once there is one. */
  critiqueId: id.nullable(),
});
export type Request = z.infer<typeof request>;

export const draft = standing.extend({
  step: z.enum(draftSteps),
  intake: intakeDraft,
  begunAt: instant,
  /** What the client's profile says hurts, and who must say yes for a minor. */
  profile: z.object({ hurts: z.array(z.string()), guardianName: z.string().nullable() }),
});
export type Draft = z.infer<typeof draft>;

const params = z.object({ requestId: id });
const sending = ['client', 'guardian'] as const;
const words = written(600);
const requestCall = { room: 'requests', method: 'post', params } as const;

export const listRequests = operation({
  name: 'listRequests',
  room: 'requests',
  method: 'get',
  path: '/api/requests',
  access: everyRole,
  summary: 'Requests the caller may see, newest first, at most 500. Drafts are not among them.',
  response: z.object({ requests: z.array(request) }),
});

export const getRequest = operation({
  name: 'getRequest',
  room: 'requests',
  method: 'get',
  path: '/api/requests/:requestId',
  access: everyRole,
  about: ['request'],
  summary: 'One request with its footages and bouts.',
  params,
  response: request,
});

export const listDrafts = operation({
  name: 'listDrafts',
  room: 'requests',
  method: 'get',
  path: '/api/drafts',
  access: sending,
  about: ['request'],
  summary: 'What the caller began to send and has not sent yet, newest first.',
  response: z.object({ drafts: z.array(draft) }),
});

export const beginDraft = operation({
  name: 'beginDraft',
  room: 'requests',
  method: 'post',
  path: '/api/drafts',
  access: sending,
  about: ['request'],
  summary: 'Begin to send footage for a client.',
  body: z.object({ clientId: id }),
  response: draft,
});

export const saveDraft = operation({
  ...requestCall,
  name: 'saveDraft',
  method: 'patch',
  path: '/api/drafts/:requestId',
  access: sending,
  summary: 'Keep what has been said so far; what is not named stays as it was.',
  body: z.object({ step: z.enum(draftSteps), intake: intakeDraft }),
  response: draft,
});

export const discardDraft = operation({
  ...requestCall,
  name: 'discardDraft',
  method: 'delete',
  path: '/api/drafts/:requestId',
  access: sending,
  evenWithoutRoom: true,
  about: ['request'],
  summary: 'Throw a draft and its footage away.',
  response: z.object({ done: z.literal(true) }),
});

const announced = z.object({
  fileName: written(255),
  byteSize: z.int().min(1, 'The file is empty. Choose the video itself.').max(mostFileBytes, 'The file is over 20 GB.'),
});

export const addFootage = operation({
  ...requestCall,
  name: 'addFootage',
  path: '/api/requests/:requestId/footages',
  access: sending,
  about: ['request'],
  summary: 'Announce a file, before its bytes; the answer names the footage to upload to.',
  body: announced,
  response: footage,
});

export const replaceFootage = operation({
  ...requestCall,
  name: 'replaceFootage',
  path: '/api/requests/:requestId/footages/:footageId/replace',
  access: sending,
  about: ['request'],
  summary: 'Announce another file in the place of one that cannot be read, at any time before the request was answered.',
  params: z.object({ requestId: id, footageId: id }),
  body: announced,
  response: footage,
});

export const removeFootage = operation({
  ...requestCall,
  name: 'removeFootage',
  method: 'delete',
  path: '/api/requests/:requestId/footages/:footageId',
  access: sending,
  evenWithoutRoom: true,
  about: ['request'],
  summary: 'Take a file back, before the request has been answered.',
  params: z.object({ requestId: id, footageId: id }),
  response: z.object({ done: z.literal(true) }),
});

export const sendRequest = operation({
  ...requestCall,
  name: 'sendRequest',
  path: '/api/requests/:requestId/send',
  access: sending,
  about: ['request', 'letter'],
  summary: 'Send it: to the guardian of a minor first, otherwise to the coach as soon as the footage has arrived.',
  response: request,
});

export const approveRequest = operation({
  ...requestCall,
  name: 'approveRequest',
  path: '/api/requests/:requestId/approve',
  access: ['guardian'],
  about: ['request'],
  summary: "A guardian's yes to what their minor wants to send.",
  response: request,
});

export const sendBackRequest = operation({
  ...requestCall,
  name: 'sendBackRequest',
  path: '/api/requests/:requestId/send-back',
  access: ['guardian'],
  about: ['request'],
  summary: "A guardian's no, with words; it is a draft again.",
  body: z.object({ words }),
  response: z.object({ done: z.literal(true) }),
});

export const askFirst = operation({
  ...requestCall,
  name: 'askFirst',
  path: '/api/requests/:requestId/ask-first',
  access: coaching,
  about: ['request', 'letter'],
  summary: 'The coach needs something before the request can be answered; its clock stands until the client answers.',
  body: z.object({ need: z.enum(['footage', 'context']), words }),
  response: request,
});

export const answerFirst = operation({
  ...requestCall,
  name: 'answerFirst',
  path: '/api/requests/:requestId/answer',
  access: sending,
  about: ['request'],
  summary: 'What the coach asked for is there; the clock goes on.',
  body: z.object({ words }),
  response: request,
});

export const keepRequestLimits = operation({
  ...requestCall,
  name: 'keepRequestLimits',
  method: 'put',
  path: '/api/requests/:requestId/limits',
  access: ['coach', 'client', 'guardian'],
  about: ['request', 'ladder'],
  summary:
    'Keeps what was read from the words for today’s hurts and the partner’s, agreed by who keeps it. What a clinician said is the coach’s to write down.',
  body: requestLimits,
  response: request,
});

export const withdrawRequest = operation({
  ...requestCall,
  name: 'withdrawRequest',
  path: '/api/requests/:requestId/withdraw',
  access: sending,
  evenWithoutRoom: true,
  about: ['request', 'critique'],
  summary: 'Take a request back before its critique has been sent.',
  response: request,
});

export const withdrawConsent = operation({
  ...requestCall,
  name: 'withdrawConsent',
  path: '/api/requests/:requestId/withdraw-consent',
  access: ['coach', 'client', 'guardian'],
  evenWithoutRoom: true,
  about: ['request', 'critique', 'letter'],
  summary: 'The partner no longer agrees to be on film: footage, copies and stills are removed for good.',
  response: request,
});
