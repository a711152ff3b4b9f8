import { z } from 'zod';
import { takeSeconds } from './deskTake.ts';
import { done, id, linkToken } from './ids.ts';
import { coaching, everyRole, operation } from './operation.ts';
import { bySentTake } from './sentTakes.ts';

/** small: up to 1280 pixels long, as the review copy; footage: as it was filmed. */
export const filmSizes = ['small', 'footage'] as const;
/** burnt: in the picture; beside: a track of its own, and files. */
export const filmWords = ['beside', 'burnt'] as const;

/** How a film is to be made. */
export const filmForm = z.object({ size: z.enum(filmSizes), words: z.enum(filmWords) });
export type FilmForm = z.infer<typeof filmForm>;

/** A take as a video file that plays anywhere, made or being made. */
export const film = filmForm.extend({
  id,
  title: z.string(),
  seconds: takeSeconds,
  /** stopped: by somebody; what is made of it is kept, and asked for again it goes on. */
  state: z.enum(['waiting', 'making', 'ready', 'failed', 'stopped']),
  /** 0..1. */
  share: z.number(),
  secondsLeft: z.number().nullable(),
  bytes: z.number().nullable(),
  /** Until when it is kept; null before it is ready. */
  keptUntil: z.iso.datetime().nullable(),
  failure: z.string().nullable(),
  /** Whether there are words to lie beside it. */
  hasWords: z.boolean(),
});
export type Film = z.infer<typeof film>;

const byTake = z.object({ requestId: id, takeId: id });
const byFilm = z.object({ filmId: id });

export const askTakeFilm = operation({
  name: 'askTakeFilm',
  room: 'films',
  method: 'post',
  path: '/api/requests/:requestId/takes/:takeId/films',
  access: coaching,
  about: ['film'],
  summary: 'Has a take on the desk made into a film, as it is mended now. Asked for again, one that was stopped goes on.',
  params: byTake,
  body: filmForm,
  response: film,
});

export const listTakeFilms = operation({
  name: 'listTakeFilms',
  room: 'films',
  method: 'get',
  path: '/api/requests/:requestId/takes/:takeId/films',
  access: coaching,
  about: ['film'],
  summary: 'The films of a take on the desk, the newest first.',
  params: byTake,
  response: z.array(film),
});

export const askSentFilm = operation({
  name: 'askSentFilm',
  room: 'films',
  method: 'post',
  path: '/api/critiques/:critiqueId/versions/:version/takes/:place/films',
  access: everyRole,
  about: ['film'],
  summary: 'Has something spoken in a critique made into a film.',
  params: bySentTake,
  body: filmForm,
  response: film,
});

export const listSentFilms = operation({
  name: 'listSentFilms',
  room: 'films',
  method: 'get',
  path: '/api/critiques/:critiqueId/versions/:version/takes/:place/films',
  access: everyRole,
  about: ['film'],
  summary: 'The films of something spoken in a critique, the newest first.',
  params: bySentTake,
  response: z.array(film),
});

export const stopFilm = operation({
  name: 'stopFilm',
  room: 'films',
  method: 'post',
  path: '/api/films/:filmId/stop',
  access: everyRole,
  evenWithoutRoom: true,
  about: ['film'],
  summary: 'Stops the making of a film; by who asked for it, or the coaching side.',
  params: byFilm,
  response: done,
});

export const streamFilm = operation({
  name: 'streamFilm',
  room: 'films',
  method: 'get',
  path: '/api/films/:filmId/film.mp4',
  access: everyRole,
  summary: 'A film: H.264 and AAC, beginning before all of it is there, its parts as chapters.',
  params: byFilm,
  stream: 'video/mp4',
});

export const getFilmWords = operation({
  name: 'getFilmWords',
  room: 'films',
  method: 'get',
  path: '/api/films/:filmId/words.:form',
  access: everyRole,
  summary: 'What is said in a film, with its times: WebVTT or SubRip.',
  params: byFilm.extend({ form: z.enum(['vtt', 'srt']) }),
  stream: 'text/plain',
});

const shared = bySentTake.pick({ place: true }).extend({ token: linkToken });

export const getSharedFilm = operation({
  name: 'getSharedFilm',
  room: 'films',
  method: 'get',
  path: '/api/shared/:token/takes/:place/film',
  access: 'anyone',
  about: ['film'],
  summary: 'The film of something spoken in a critique, by a link; null where none was asked for, or its footage is gone.',
  params: shared,
  response: z.object({ film: film.nullable() }),
});

export const askSharedFilm = operation({
  name: 'askSharedFilm',
  room: 'films',
  method: 'post',
  path: '/api/shared/:token/takes/:place/film',
  access: 'anyone',
  about: ['film'],
  summary: 'Has that film made: one for all who read the critique by a link, small, its words in the picture.',
  params: shared,
  response: film,
});

export const streamSharedFilm = operation({
  name: 'streamSharedFilm',
  room: 'films',
  method: 'get',
  path: '/api/shared/:token/takes/:place/film.mp4',
  access: 'anyone',
  summary: 'That film. It shows what the coach showed: a link never opens the footage itself.',
  params: shared,
  stream: 'video/mp4',
});
