import { sentScore, type Critique } from './critique.ts';
import { z } from 'zod';
import { critiqueDoc } from './critiqueDoc.ts';
import { drawing, note } from './desk.ts';
import { id, instant } from './ids.ts';
import { answerWords } from './questions.ts';

export const critiqueFormat = 'lean-mentor/critique@1';

/** A sent critique as open data: the tree, its fixes and moments with their frames and seconds, what was asked and answered. */
export const critiqueFile = z.object({
  format: z.literal(critiqueFormat),
  client: z.string(),
  coach: z.string(),
  version: z.int().min(1),
  sentAt: instant,
  question: z.string(),
  doc: critiqueDoc,
  fixes: z.array(
    z.object({
      position: z.int(),
      fixId: id,
      principleId: id.nullable(),
      name: z.string(),
      noteIds: z.array(id),
      understoodAt: instant.nullable(),
    }),
  ),
  moments: z.array(
    z.object({
      noteId: id,
      /** The file as the client sent it. */
      footage: z.string(),
      /** Frame and second of the footage; the clip runs from 2 s before to 2 s after. */
      frame: z.int(),
      seconds: z.number(),
      clipFromSeconds: z.number(),
      clipToSeconds: z.number(),
      kind: note.shape.kind,
      seen: note.shape.seen,
      what: z.string(),
      instead: note.shape.instead,
      drawings: z.array(drawing.omit({ id: true, footageId: true })),
    }),
  ),
  scores: z.array(sentScore).default([]),
  questions: z.array(
    z.object({
      about: id.nullable(),
      /** Second of something spoken, by its place in the critique. */
      spoken: z.object({ place: z.int(), at: z.number() }).nullable().default(null),
      asked: z.string(),
      askedAt: instant,
      answer: z.string().nullable(),
      answeredAt: instant.nullable(),
    }),
  ),
});
export type CritiqueFile = z.infer<typeof critiqueFile>;

/** A sent critique as a file. `fileName`: of each footage. */
export const critiqueFileOf = (critique: Critique, fileName: (footageId: string) => string): CritiqueFile => ({
  format: critiqueFormat,
  client: critique.clientName,
  coach: critique.coachName,
  version: critique.version,
  sentAt: critique.sentAt,
  question: critique.asked.question,
  doc: critique.doc,
  fixes: critique.fixes.map((fix) => ({ ...fix, understoodAt: critique.understood[fix.fixId] ?? null })),
  moments: critique.moments.map(
    ({ note: { id: noteId, footageId, fromFrame, kind, seen, what, instead }, drawings, atSeconds, clipFromSeconds, clipToSeconds }) => ({
      noteId,
      footage: fileName(footageId),
      frame: fromFrame,
      seconds: atSeconds,
      clipFromSeconds,
      clipToSeconds,
      kind,
      seen,
      what,
      instead,
      drawings: drawings.map(({ id: _id, ...rest }) => rest),
    }),
  ),
  scores: critique.scores,
  questions: critique.questions.map((asked) => ({
    about: asked.noteId ?? asked.fixId,
    spoken: asked.spoken?.version === critique.version ? { place: asked.spoken.place, at: asked.spoken.at } : null,
    asked: asked.words,
    askedAt: asked.askedAt,
    answer: answerWords(asked),
    answeredAt: asked.answeredAt,
  })),
});
