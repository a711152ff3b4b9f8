import { z } from 'zod';
import { takeSeconds } from './deskTake.ts';
import { done, id } from './ids.ts';
import { everyRole, operation } from './operation.ts';
import { takeEvent } from './takeFile.ts';

export const bySentTake = z.object({
  critiqueId: id,
  version: z.coerce.number().int().min(1),
  place: z.coerce.number().int().min(0).max(200),
});

export const getSentTake = operation({
  name: 'getSentTake',
  room: 'critique',
  method: 'get',
  path: '/api/critiques/:critiqueId/versions/:version/takes/:place',
  access: everyRole,
  summary: 'What was done on the desk while something in a critique was spoken, by its place in it; times are of what is heard.',
  params: bySentTake,
  response: z.object({ seconds: takeSeconds, events: z.array(takeEvent) }),
});

export const streamSentVoice = operation({
  name: 'streamSentVoice',
  room: 'critique',
  method: 'get',
  path: '/api/critiques/:critiqueId/versions/:version/takes/:place/voice.m4a',
  access: everyRole,
  summary: 'Its voice: as loud as others are (−16 LUFS), what was cut out taken out.',
  params: bySentTake,
  stream: 'audio/mp4',
});

export const saveHeard = operation({
  name: 'saveHeard',
  room: 'critique',
  method: 'put',
  path: '/api/critiques/:critiqueId/versions/:version/takes/:place/heard',
  access: ['client', 'guardian'],
  evenWithoutRoom: true,
  summary: 'A stretch of it that was listened to, so that it goes on from there on any device, and the coach sees how far it was heard.',
  params: bySentTake,
  body: z.object({ from: takeSeconds, to: takeSeconds }),
  response: done,
});
