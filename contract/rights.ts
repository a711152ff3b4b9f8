import { z } from 'zod';
import { done, id, instant } from './ids.ts';
import { everyRole, operation } from './operation.ts';

const ofClient = { params: z.object({ clientId: id }) };
/** Whose data it is, who stands for them, and the practice; an assistant neither takes nor removes. */
const mayAsk = ['coach', 'client', 'guardian'] as const;

/** Some kind of thing that is kept of a client, and how many there are. */
export const keptKind = z.object({ words: z.string(), many: z.number().int().min(1) });
export type KeptKind = z.infer<typeof keptKind>;

/** That somebody asked to be forgotten: it is done on its own at `dueAt`, and may be taken back until then. */
export const forgetting = z.object({ askedBy: z.string(), askedAt: instant, dueAt: instant });

/** So many days lie between asking and forgetting, in which it may be taken back: a stolen sign-in asks for it in no time. */
export const daysToTakeBack = 7;

export const getRights = operation({
  name: 'getRights',
  room: 'rights',
  method: 'get',
  path: '/api/clients/:clientId/rights',
  access: mayAsk,
  about: ['rights'],
  summary: 'What is kept of a client, what of it forgetting removes, what stays and why, and whether they asked for it.',
  ...ofClient,
  response: z.object({
    name: z.string(),
    forgetting: forgetting.nullable(),
    goes: z.array(keptKind),
    bytes: z.number().min(0),
    stays: z.array(keptKind.extend({ why: z.string() })),
    /** Where others’ words name them, for the coach to look at: that is not theirs, and stays. Empty to everybody else. */
    namedElsewhere: z.array(z.object({ clientName: z.string().nullable(), requestId: id.nullable(), words: z.string() })),
  }),
});
export type Rights = z.infer<typeof getRights.response>;

export const takeAll = operation({
  name: 'takeAll',
  room: 'rights',
  method: 'get',
  path: '/api/clients/:clientId/all',
  access: mayAsk,
  summary: 'Everything about a client as one ZIP: the data as JSON with its schema, footage, stills, voices and critiques.',
  ...ofClient,
  stream: 'application/zip',
});

const byName = z.object({ name: z.string().trim().max(120) });

export const askToBeForgotten = operation({
  name: 'askToBeForgotten',
  room: 'rights',
  method: 'post',
  path: '/api/clients/:clientId/forgetting',
  access: ['client', 'guardian'],
  about: ['rights', 'letter'],
  summary: `Asks that everything about a client be removed in ${daysToTakeBack} days, their name typed in full. Everybody who stands for them is told.`,
  ...ofClient,
  body: byName,
  evenWithoutRoom: true,
  response: done,
});

export const takeBackForgetting = operation({
  name: 'takeBackForgetting',
  room: 'rights',
  method: 'delete',
  path: '/api/clients/:clientId/forgetting',
  access: ['client', 'guardian'],
  about: ['rights'],
  summary: 'Takes back that a client be forgotten, while it has not been done.',
  ...ofClient,
  evenWithoutRoom: true,
  response: done,
});

export const forgetClient = operation({
  name: 'forgetClient',
  room: 'rights',
  method: 'post',
  path: '/api/clients/:clientId/forget',
  access: ['coach'],
  about: ['rights', 'client', 'request', 'person', 'letter', 'money', 'work'],
  summary: 'Removes everything about a client at once, their name typed in full. It cannot be undone.',
  ...ofClient,
  body: byName,
  evenWithoutRoom: true,
  response: done,
});

/** That somebody looked at something of a client, or changed it, at least once within an hour. */
export const trailEntry = z.object({
  who: z.string(),
  role: z.enum(everyRole),
  /** The room of the operation: what it was about. */
  room: z.string(),
  changed: z.boolean(),
  requestId: id.nullable(),
  hourAt: instant,
});
export type TrailEntry = z.infer<typeof trailEntry>;

/** So many are shown at once. */
export const mostTrail = 300;
export const listTrail = operation({
  name: 'listTrail',
  room: 'rights',
  method: 'get',
  path: '/api/clients/:clientId/trail',
  access: mayAsk,
  summary: `Who looked at or changed what of a client, by hours, newest first; the last ${mostTrail}. What the client did is not noted.`,
  ...ofClient,
  response: z.object({ entries: z.array(trailEntry), more: z.boolean() }),
});

const months = z.number().int().min(1).max(240).nullable();
/** After how many months each kind is removed on its own; null: it is kept until somebody removes it. */
export const retention = z.object({
  /** Since a draft that was never sent was begun. */
  drafts: months,
  /** Since the last version of its critique was sent, or it was withdrawn. Stills and films go with it, words stay. */
  footage: months,
  /** Since a letter was written. */
  letters: months,
  /** Since somebody looked or changed something. */
  trail: months,
});
export type Retention = z.infer<typeof retention>;

/** What a rule removes at its next run. */
const wouldGo = z.object({
  drafts: z.number().int(),
  footage: z.number().int(),
  footageBytes: z.number(),
  letters: z.number().int(),
  trail: z.number().int(),
});

export const getRetention = operation({
  name: 'getRetention',
  room: 'rights',
  method: 'get',
  path: '/api/retention',
  access: ['coach'],
  about: ['retention', 'rights'],
  summary: 'How long each kind is kept, and who has asked to be forgotten.',
  response: z.object({
    retention,
    revision: z.number().int(),
    asked: z.array(forgetting.extend({ clientId: id, name: z.string() })),
  }),
});

export const previewRetention = operation({
  name: 'previewRetention',
  room: 'rights',
  method: 'post',
  path: '/api/retention/preview',
  access: ['coach'],
  summary: 'How much would be removed now, if this were how long each kind is kept. Nothing is changed.',
  body: retention,
  evenWithoutRoom: true,
  response: wouldGo,
});

export const setRetention = operation({
  name: 'setRetention',
  room: 'rights',
  method: 'put',
  path: '/api/retention',
  access: ['coach'],
  about: ['retention'],
  summary: 'Sets how long each kind is kept from now on; what is older goes within the hour.',
  body: z.object({ retention, revision: z.number().int() }),
  evenWithoutRoom: true,
  response: done,
});
