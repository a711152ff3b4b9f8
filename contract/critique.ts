import type { SentScore } from '@lean-mentor/core/critique';
import { comparisonLayouts, mostForkOptions } from '@lean-mentor/core/desk';
import { mostFixes } from '@lean-mentor/core/fixes';
import { decisionWords, type Decision } from '@lean-mentor/core/scoring';
import { z } from 'zod';
import { sentTake } from './critiqueTake.ts';
import { critiqueDoc } from './critiqueDoc.ts';
import { drawing, note } from './desk.ts';
import { bout } from './bouts.ts';
import { footageStates } from './footage.ts';
import { done, id, instant } from './ids.ts';
import { everyRole, operation } from './operation.ts';
import { question } from './questions.ts';
import { intake } from './requests.ts';
import { sameAs } from './sameAs.ts';

const sentFrame = z.int().min(0);
/**
 * What the coach laid beside a moment, as it was then: two to four footages of this client, lined up by their anchor frames and each within
 * its range (`toFrame` is the one after the last). `filmed`: "3 October 2026", of footage of another request.
 */
export const sentBeside = z.object({
  layout: z.enum(comparisonLayouts),
  items: z
    .array(
      z.object({
        footageId: id,
        anchorFrame: sentFrame,
        range: z.object({ fromFrame: sentFrame, toFrame: sentFrame }),
        mirrored: z.boolean(),
        filmed: z.string().nullable(),
      }),
    )
    .min(1)
    .max(4),
});
export type SentBeside = z.infer<typeof sentBeside>;

/** A moment as it was sent: the note and drawings as they were then, whatever the desk does later. */
export const sentMoment = z.object({
  note,
  drawings: z.array(drawing.omit({ footageId: true })),
  atSeconds: z.number(),
  /** The clip plays from 2 s before the moment to 2 s after it, as far as the footage reaches. */
  clipFromSeconds: z.number(),
  clipToSeconds: z.number(),
  beside: sentBeside.nullable().default(null),
});
export type SentMoment = z.infer<typeof sentMoment>;

/** As much of a moment as is seen on a page: its frame with the drawings, what kind it is and what was said, and the clip's stretch. */
export const shownMoment = sentMoment
  .pick({ drawings: true, clipFromSeconds: true, clipToSeconds: true, beside: true })
  .extend({ note: note.pick({ id: true, footageId: true, fromFrame: true, kind: true, seen: true, what: true }) });
export type ShownMoment = z.infer<typeof shownMoment>;

/** Pictures of a moment: its own frame with the drawings, or what was laid beside it. */
export const momentPictures = ['still.png', 'beside.png'] as const;
export type MomentPicture = (typeof momentPictures)[number];

/** A fix as it was sent. */
export const sentFix = z.object({
  /** Place in the critique, from 1. */
  position: z.int().min(1).max(mostFixes),
  /** Its principle, or its note where it names none. */
  fixId: id,
  principleId: id.nullable(),
  name: z.string(),
  noteIds: z.array(id),
});
export type SentFix = z.infer<typeof sentFix>;

const athleteScore = z.object({ points: z.number(), near: z.number(), penalties: z.int() });
const athlete = z.enum(['client', 'partner']);
/** A bout as it stood when the critique was written. */
export const sentScore = sameAs<SentScore>()(
  z.object({
    boutId: id,
    sheet: z.string(),
    winner: athlete.nullable(),
    decidedBy: z.enum(Object.keys(decisionWords) as [Decision['decidedBy']]),
    score: z.object({ client: athleteScore, partner: athleteScore }),
    falls: z.array(z.object({ athlete })),
  }),
);

export const sentFootage = z.object({
  id,
  state: z.enum(footageStates),
  seconds: z.number(),
  width: z.number(),
  height: z.number(),
  bouts: z.array(bout),
  /** Of another request of this client: a right moment in it is set beside one of this. */
  earlier: z.boolean(),
});

export type SentFootage = z.infer<typeof sentFootage>;

export const shownFootage = sentFootage.pick({ id: true, state: true, width: true, height: true });
export type ShownFootage = z.infer<typeof shownFootage>;

export const forkChoice = z.object({
  choice: z
    .int()
    .min(0)
    .max(mostForkOptions - 1),
  by: z.string(),
  at: instant,
});
export type ForkChoice = z.infer<typeof forkChoice>;

export const critique = z.object({
  id,
  requestId: id,
  clientId: id,
  clientName: z.string(),
  coachName: z.string(),
  asked: intake,
  /** Which version this is; the newest is the last of `versions`. */
  version: z.int().min(1),
  versions: z.array(z.object({ version: z.int(), sentAt: instant })),
  doc: critiqueDoc,
  fixes: z.array(sentFix),
  moments: z.array(sentMoment),
  clips: z.array(z.object({ id, title: z.string() })),
  sentAt: instant,
  /** Until when it can be taken back; null when it cannot. */
  takeBackUntil: instant.nullable(),
  readAt: instant.nullable(),
  /** When each fix was ticked as understood, by fix. */
  understood: z.record(z.string(), instant),
  /** What the client chose at a fork, by its note, before they saw what happened. */
  forkChoices: z.record(z.string(), forkChoice),
  questions: z.array(question),
  /** Opens this critique for those who may see it: /c/CODE */
  code: z.string(),
  footages: z.array(sentFootage),
  /** What was scored, as it stood then; empty for what was sent before that was kept. */
  scores: z.array(sentScore),
  /** What is spoken in it, in the order in which it is read. */
  takes: z.array(sentTake),
});
export type Critique = z.infer<typeof critique>;

/** What lists show of a critique. */
export const critiqueGlance = critique.pick({ id: true, requestId: true, sentAt: true, readAt: true, version: true, fixes: true }).extend({
  opening: z.string(),
  openQuestions: z.int(),
});
export type CritiqueGlance = z.infer<typeof critiqueGlance>;

const byCritique = z.object({ critiqueId: id });
const version = z.coerce.number().int().min(1);
export const getCritique = operation({
  name: 'getCritique',
  room: 'critique',
  method: 'get',
  path: '/api/critiques/:critiqueId',
  access: everyRole,
  about: ['critique'],
  summary: 'A critique as it was last sent.',
  params: byCritique,
  response: critique,
});

export const getCritiqueVersion = operation({
  name: 'getCritiqueVersion',
  room: 'critique',
  method: 'get',
  path: '/api/critiques/:critiqueId/versions/:version',
  access: everyRole,
  summary: 'An earlier version of a critique.',
  params: byCritique.extend({ version }),
  response: critique,
});

export const openShortLink = operation({
  name: 'openShortLink',
  room: 'critique',
  method: 'get',
  path: '/api/short/:code',
  access: everyRole,
  summary: 'The critique that a short link stands for; only for those who may see it.',
  params: z.object({ code: z.string().regex(/^[a-z2-9]{8}$/) }),
  response: z.object({ critiqueId: id }),
});

export const getMomentStill = operation({
  name: 'getMomentStill',
  room: 'critique',
  method: 'get',
  path: '/api/critiques/:critiqueId/versions/:version/moments/:noteId/pictures/:picture',
  access: everyRole,
  summary: "The exact frame of a moment with its drawings, at the footage's own size; or the frames that were laid beside each other.",
  params: byCritique.extend({ version, noteId: id, picture: z.enum(momentPictures) }),
  stream: 'image/png',
});

export const streamCritiqueClip = operation({
  name: 'streamCritiqueClip',
  room: 'critique',
  method: 'get',
  path: '/api/critiques/:critiqueId/clips/:clipId/video',
  access: everyRole,
  summary: "A clip of the coach's own that the critique shows.",
  params: byCritique.extend({ clipId: id }),
  stream: 'video/mp4',
});

export const markCritiqueRead = operation({
  name: 'markCritiqueRead',
  room: 'critique',
  method: 'post',
  path: '/api/critiques/:critiqueId/read',
  access: ['client', 'guardian'],
  evenWithoutRoom: true,
  about: ['critique'],
  summary: 'The client has read it. Marking it twice keeps the first time.',
  params: byCritique,
  response: done.extend({ readAt: instant }),
});

export const markUnderstood = operation({
  name: 'markUnderstood',
  room: 'critique',
  method: 'put',
  path: '/api/critiques/:critiqueId/fixes/:fixId/understood',
  access: ['client', 'guardian'],
  about: ['critique'],
  summary: 'The client ticks a fix as understood, or takes the tick away.',
  params: byCritique.extend({ fixId: id }),
  body: z.object({ understood: z.boolean() }),
  response: done,
});

export const critiqueExports = ['pdf', 'docx', 'md', 'json', 'zip'] as const;
export type CritiqueExport = (typeof critiqueExports)[number];

/** A critique on its way to be taken along. It is made beside the web server, few at once; the others wait their turn. */
export const exportState = z.object({
  id,
  as: z.enum(critiqueExports),
  state: z.enum(['waiting', 'ready', 'failed']),
  /** Of one that waits: its place in the line, from 1. */
  place: z.int().min(1).nullable(),
  fileName: z.string(),
});
export type ExportState = z.infer<typeof exportState>;

export const askExport = operation({
  name: 'askExport',
  room: 'critique',
  method: 'post',
  path: '/api/critiques/:critiqueId/exports',
  access: everyRole,
  summary:
    'Has the critique made to keep: PDF (A4), Word, Markdown, JSON (lean-mentor/critique@1), or a ZIP that opens without a network. Asked again it is the same one.',
  params: byCritique,
  body: z.object({ as: z.enum(critiqueExports) }),
  response: exportState,
});

const byExport = byCritique.extend({ exportId: id });
export const getExport = operation({
  name: 'getExport',
  room: 'critique',
  method: 'get',
  path: '/api/critiques/:critiqueId/exports/:exportId',
  access: everyRole,
  summary: 'How far an export of the caller’s has come.',
  params: byExport,
  response: exportState,
});

export const takeExport = operation({
  name: 'takeExport',
  room: 'critique',
  method: 'get',
  path: '/api/critiques/:critiqueId/exports/:exportId/file',
  access: everyRole,
  summary: 'The file of an export that is ready; it is kept for a day.',
  params: byExport,
  stream: 'application/octet-stream',
});

export const getChapters = operation({
  name: 'getChapters',
  room: 'critique',
  method: 'get',
  path: '/api/critiques/:critiqueId/footages/:footageId/chapters.vtt',
  access: everyRole,
  summary: 'Chapters of a footage as WebVTT: its positions, and the moments of the critique.',
  params: byCritique.extend({ footageId: id }),
  stream: 'text/vtt',
});

export const chooseAtFork = operation({
  name: 'chooseAtFork',
  room: 'critique',
  method: 'put',
  path: '/api/critiques/:critiqueId/forks/:noteId',
  access: ['client'],
  about: ['critique'],
  summary:
    'What the client would have done at a fork, before they see what happened. The first choice stays; it is theirs alone, since it tells what they know.',
  params: byCritique.extend({ noteId: id }),
  body: z.object({ choice: forkChoice.shape.choice }),
  response: forkChoice,
});
