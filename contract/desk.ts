import {
  bodyJoints,
  comparisonLayouts,
  deskEntities,
  deskKinds,
  deskOf,
  drawingTools,
  noteKinds,
  noteLayers,
  noteReaders,
  seenDegrees,
  strokeColours,
  strokeWeights,
  itemsOf,
  type CodedCut,
  type CodedEvent,
  type CodedOverride,
  type CodedThreat,
  type Coding,
  type Comparison,
  type Conflict,
  type DeskChange,
  type DeskDocument,
  type DeskEntity,
  type DeskTake,
  type Drawing,
  type Look,
  type Mark,
  type Measure,
  type Note,
  type Principle,
  mostForkOptions,
  type Fork,
} from '@lean-mentor/core/desk';
import { z } from 'zod';
import { limit } from './care.ts';
import { coding, cut, event, override, threat } from './coding.ts';
import { deskTake } from './deskTake.ts';
import { frame, id, instant } from './ids.ts';
import { coaching, operation } from './operation.ts';
import { request } from './requests.ts';
import { sameAs } from './sameAs.ts';

const share = z.number().min(-1).max(2);
const point = z.object({ x: share, y: share, pressure: z.number().min(0).max(1).optional() });
const points = z.array(point).min(1).max(4000);
const ofFootage = { id, footageId: id };
/** `fromFrame` inclusive, `toFrame` exclusive. */
const life = { fromFrame: frame, toFrame: frame };

/** Frames are of the footage that each thing names. */
export const mark = z.object({
  ...ofFootage,
  atFrame: frame,
  toFrame: frame.nullable().default(null),
  state: z.enum(['open', 'noted', 'let-go']),
});
/** The decision before a note: when it opened, when it could be taken last, when somebody acted, and the ways, the coach's first first. */
const fork = sameAs<Fork>()(
  z.object({
    opensFrame: frame,
    lastFrame: frame,
    actedFrame: frame.nullable(),
    options: z.array(z.object({ do: z.string().trim().max(200), taken: z.boolean() })).max(mostForkOptions),
  }),
);

export const note = z.object({
  ...ofFootage,
  fromFrame: frame,
  toFrame: frame.nullable(),
  kind: z.enum(noteKinds),
  layer: z.enum(noteLayers).default('technical'),
  athlete: z.enum(['client', 'partner']),
  seen: z.enum(seenDegrees),
  severity: z.int().min(1).max(3),
  what: z.string().max(2000),
  instead: z.array(z.object({ when: z.string().max(300), do: z.string().max(1000) })).max(8),
  principleId: id.nullable().default(null),
  visible: z.enum(noteReaders).default('client'),
  causes: z.array(id).max(20).default([]),
  ledTo: z.array(id).max(20).default([]),
  pairId: id.nullable().default(null),
  clipId: id.nullable().default(null),
  comparisonId: id.nullable().default(null),
  markId: id.nullable(),
  fork: fork.nullable().default(null),
});
export const drawing = z.object({
  ...ofFootage,
  tool: z.enum(drawingTools),
  colour: z.enum(strokeColours),
  weight: z.enum(strokeWeights).default('plain'),
  words: z.string().max(120).default(''),
  points,
  keys: z.array(z.object({ frame, points })).max(60).default([]),
  ...life,
});

const matCorner = z.object({ picture: point, column: z.int().min(-50).max(50), row: z.int().min(-50).max(50) });
const dots = z.array(point).max(40);
const measureInput = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('angle'), points: dots }),
  z.object({ kind: z.literal('mat'), corners: z.array(matCorner).max(24), tileMetres: z.number().min(0.1).max(5) }),
  z.object({ kind: z.literal('distance'), points: dots, matId: id }),
  z.object({
    kind: z.literal('balance'),
    dots: z.partialRecord(z.enum(bodyJoints), point),
    contacts: dots,
    matId: id.nullable(),
  }),
  z.object({ kind: z.literal('time') }),
  z.object({ kind: z.literal('path'), dots: z.array(z.object({ frame, point })).max(600), matId: id.nullable() }),
]);
/** Inputs put down by hand, and what came of them with its ± (95 %) and its words. */
export const measure = z.object({
  ...ofFootage,
  atFrame: frame,
  toFrame: frame.nullable(),
  input: measureInput,
  result: z.object({
    value: z.number(),
    unit: z.enum(['°', 'px', 'm', '%', 's', 'm/s', 'heights/s']),
    plusMinus: z.number().nullable(),
    words: z.string().max(400),
  }),
  drawn: z.boolean(),
});

export const comparison = z.object({
  id,
  name: z.string().max(120),
  layout: z.enum(comparisonLayouts),
  items: z
    .array(
      z.object({ requestId: id, footageId: id, fromFrame: frame, toFrame: frame.nullable(), anchorFrame: frame, mirrored: z.boolean() }),
    )
    .min(1)
    .max(4),
});
export const look = z.object({ ...ofFootage, ...life, during: z.enum(['first', 'second']) });
/** Of the coach's book, which all desks share. */
export const principle = z.object({ id, name: z.string().trim().min(1).max(120) });
/** Two people changed the same: what stands, and what was set aside. Only the server makes these. */
export const conflict = z.object({
  id,
  of: z.enum(deskEntities),
  thingId: id,
  field: z.string().max(40).nullable(),
  stands: z.unknown(),
  aside: z.unknown(),
  standsBy: z.string(),
  asideBy: z.string(),
});

/** What each kind of thing on a desk is made of: just what core says of it. */
export const deskItems = {
  mark: sameAs<Mark>()(mark),
  note: sameAs<Note>()(note),
  drawing: sameAs<Drawing>()(drawing),
  measure: sameAs<Measure>()(measure),
  comparison: sameAs<Comparison>()(comparison),
  look: sameAs<Look>()(look),
  principle: sameAs<Principle>()(principle),
  conflict: sameAs<Conflict>()(conflict),
  coding: sameAs<Coding>()(coding),
  cut: sameAs<CodedCut>()(cut),
  event: sameAs<CodedEvent>()(event),
  threat: sameAs<CodedThreat>()(threat),
  override: sameAs<CodedOverride>()(override),
  take: sameAs<DeskTake>()(deskTake),
} satisfies Record<DeskEntity, z.ZodObject>;

/** A shelf that a file or an older browser does not have yet is empty. */
const shelves = deskEntities.map((entity) => [deskKinds[entity].shelf, z.record(id, deskItems[entity]).default({})]);
export const deskDocument = z.object(Object.fromEntries(shelves)) as unknown as z.ZodType<DeskDocument>;

/** A desk without what is not whole: one bad thing must not keep the desk shut. `leftOut` hears of each. */
export const wholeItems = (document: DeskDocument, leftOut: (shelf: string, id: string) => void): DeskDocument =>
  deskOf((entity) =>
    Object.fromEntries(
      Object.entries(itemsOf(document, entity)).filter(([id, thing]) => {
        const isWhole = deskItems[entity].safeParse(thing).success;
        if (!isWhole) leftOut(deskKinds[entity].shelf, id);
        return isWhole;
      }),
    ),
  );

/** Every field may be absent, and none is filled in: a change names only what it sets. */
const someOf = (schema: z.ZodObject) =>
  z
    .object(
      Object.fromEntries(
        Object.entries(schema.shape).map(([key, field]) => [key, (field instanceof z.ZodDefault ? field.unwrap() : field) as z.ZodType]),
      ),
    )
    .partial();

const changeOf = (entity: DeskEntity) =>
  z.object({
    changeId: id,
    entity: z.literal(entity),
    id,
    before: someOf(deskItems[entity]).nullable(),
    after: someOf(deskItems[entity]).nullable(),
  });

const [firstKind, ...otherKinds] = deskEntities.map(changeOf);
/** A created thing must be whole; a changed one names only the fields that change. */
export const deskChange = z.discriminatedUnion('entity', [firstKind!, ...otherKinds]).superRefine((change, context) => {
  if (change.before !== null || change.after === null) return;
  const whole = deskItems[change.entity].safeParse({ ...change.after, id: change.id });
  for (const issue of whole.error?.issues ?? []) context.addIssue({ ...issue, path: ['after', ...issue.path] } as never);
}) as unknown as z.ZodType<DeskChange>;

/** What came of edits, in the order the server took them. */
const taken = z.object({
  /** The newest edit that `changes` reach; to be given as `since` the next time. */
  sequence: z.int().min(0),
  changes: z.array(deskChange),
});

const params = z.object({ requestId: id });

export const getNameUses = operation({
  name: 'getNameUses',
  room: 'desk',
  method: 'get',
  path: '/api/technique-names',
  access: coaching,
  summary: 'How often each name of a technique was used at the desk here: what is used most is offered first.',
  response: z.object({ uses: z.record(z.string(), z.int()) }),
});

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
    client: z.object({
      id,
      name: z.string(),
      level: z.number().int(),
      age: z.number().int().nullable(),
      hurts: z.array(z.string()),
      limits: z.array(limit),
    }),
    document: deskDocument,
    /** What the client answered to questions that were sent to them, by note. */
    answers: z.array(z.object({ noteId: id, by: z.string(), words: z.string() })).default([]),
    sequence: z.int().min(0),
  }),
});

export const saveDeskChanges = operation({
  name: 'saveDeskChanges',
  room: 'desk',
  method: 'post',
  path: '/api/requests/:requestId/desk/changes',
  access: coaching,
  evenWithoutRoom: true,
  limits: { bytes: 4 * 1024 ** 2, values: 400_000 },
  summary:
    'Apply edits in order. An edit whose changeId was taken before is not taken again, so a lost answer may be repeated. Answers what came of all edits since `since`, also those of others.',
  params,
  body: z.object({
    changes: z.array(deskChange).max(200),
    /** Null for who does not keep up with the desk: nothing that came before these edits is answered. */
    since: z.int().min(0).nullable(),
  }),
  response: taken.extend({
    saved: z.array(id),
    /** Edits that will never be taken, and why; those beside them are. */
    refused: z.array(z.object({ changeId: id, why: z.string() })),
  }),
});

export const getClientNotes = operation({
  name: 'getClientNotes',
  room: 'desk',
  method: 'get',
  path: '/api/requests/:requestId/client-notes',
  access: coaching,
  summary: 'Notes of the same client from all of their requests, newest request first, and as which fix each was sent.',
  params,
  response: z.object({
    notes: z.array(
      note.pick({ id: true, footageId: true, fromFrame: true, toFrame: true, kind: true, what: true, principleId: true }).extend({
        requestId: id,
        sentAt: instant,
        fork: fork.nullable(),
        fix: z.object({ critiqueId: id, position: z.int(), sentAt: instant }).nullable(),
      }),
    ),
  }),
});

const stillParams = z.object({ requestId: id, footageId: id, frame: z.coerce.number().int().min(0) });

export const getDeskStillPng = operation({
  name: 'getDeskStillPng',
  room: 'desk',
  method: 'get',
  path: '/api/requests/:requestId/footages/:footageId/frames/:frame/still.png',
  access: coaching,
  summary: "A frame with the drawings and measurements that stand on it, at the footage's own size.",
  params: stillParams,
  stream: 'image/png',
});

export const getDeskStillSvg = operation({
  name: 'getDeskStillSvg',
  room: 'desk',
  method: 'get',
  path: '/api/requests/:requestId/footages/:footageId/frames/:frame/still.svg',
  access: coaching,
  summary: 'The same as SVG: the picture inside, drawings and measurements as paths over it.',
  params: stillParams,
  stream: 'image/svg+xml',
});
