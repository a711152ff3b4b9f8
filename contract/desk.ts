import { drawingTools, noteKinds, strokeColours } from '@lean-mentor/core/desk';
import { z } from 'zod';
import { frame, id } from './ids.ts';
import { coaching, operation } from './operation.ts';
import { request } from './requests.ts';

const share = z.number().min(-1).max(2);

/** Frames are of the footage that each thing names. */
export const mark = z.object({ id, footageId: id, atFrame: frame, state: z.enum(['open', 'noted', 'let-go']) });
export const note = z.object({
  id,
  footageId: id,
  fromFrame: frame,
  toFrame: frame.nullable(),
  kind: z.enum(noteKinds),
  athlete: z.enum(['client', 'partner']),
  seen: z.enum(['clear', 'likely', 'hidden']),
  severity: z.int().min(1).max(3),
  what: z.string().max(2000),
  instead: z.array(z.object({ when: z.string().max(300), do: z.string().max(1000) })).max(8),
  markId: id.nullable(),
});
export const drawing = z.object({
  id,
  footageId: id,
  tool: z.enum(drawingTools),
  colour: z.enum(strokeColours),
  points: z
    .array(z.object({ x: share, y: share }))
    .min(1)
    .max(4000),
  fromFrame: frame,
  toFrame: frame,
});

export const deskDocument = z.object({
  marks: z.record(id, mark),
  notes: z.record(id, note),
  drawings: z.record(id, drawing),
});

const changeOf = <K extends string, S extends z.ZodObject>(entity: K, schema: S) =>
  z.object({
    changeId: id,
    entity: z.literal(entity),
    id,
    before: schema.partial().nullable(),
    after: schema.partial().nullable(),
  });

/** A created thing must be whole; a changed one names only the fields that change. */
export const deskChange = z
  .discriminatedUnion('entity', [changeOf('mark', mark), changeOf('note', note), changeOf('drawing', drawing)])
  .superRefine((change, context) => {
    if (change.before !== null || change.after === null) return;
    const whole = { mark, note, drawing }[change.entity].safeParse({ ...change.after, id: change.id });
    for (const issue of whole.error?.issues ?? []) context.addIssue({ ...issue, path: ['after', ...issue.path] } as never);
  });

const params = z.object({ requestId: id });

export const openDesk = operation({
  name: 'openDesk',
  room: 'desk',
  method: 'get',
  path: '/api/requests/:requestId/desk',
  access: coaching,
  summary: 'Everything for reviewing one request.',
  params,
  response: z.object({
    request,
    client: z.object({ id, name: z.string(), level: z.number().int(), age: z.number().int().nullable(), hurts: z.array(z.string()) }),
    document: deskDocument,
  }),
});

export const saveDeskChanges = operation({
  name: 'saveDeskChanges',
  room: 'desk',
  method: 'post',
  path: '/api/requests/:requestId/desk/changes',
  access: coaching,
  summary: 'Apply edits in order. An edit whose changeId was taken before is not taken again, so a lost answer may be repeated.',
  params,
  body: z.object({ changes: z.array(deskChange).min(1).max(200) }),
  response: z.object({ saved: z.array(id) }),
});
