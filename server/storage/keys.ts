const footage =
  (name: string) =>
  (footageId: string): string =>
    `footage/${footageId}/${name}`;

/** Everything made from a footage, and on disk its original, lies under this. */
export const footageFolder = footage('');
export const originalKey = footage('original');
export const reviewCopyKey = footage('review.mp4');
export const frameTableKey = footage('frames.json');
export const motionKey = footage('motion.json');
export const soundKey = footage('sound.json');
export const stripKey = footage('strip.jpg');
/** Written last: all the others are there. */
export const findingsKey = footage('findings.json');
export const posterKey = footage('poster.jpg');

/** What was made of its review copy before the rest was: each edition with its frames' times. */
export const editionsFolder = footage('editions/');
export const editionFolder = (footageId: string, edition: number): string => `${editionsFolder(footageId)}${edition}/`;
export const editionCopyKey = (footageId: string, edition: number): string => `${editionFolder(footageId, edition)}review.mp4`;
export const editionTableKey = (footageId: string, edition: number): string => `${editionFolder(footageId, edition)}frames.json`;

/** A film made of what was spoken over a footage: it goes with the footage. Its stretches are kept until it is whole. */
export const filmFolder = (footageId: string, filmId: string): string => `${footageFolder(footageId)}films/${filmId}/`;
export const filmKey = (footageId: string, filmId: string): string => `${filmFolder(footageId, filmId)}film.mp4`;
export const filmStretchKey = (footageId: string, filmId: string, stretch: number): string =>
  `${filmFolder(footageId, filmId)}${stretch}.mp4`;

export const stillsFolder = (critiqueId: string): string => `stills/${critiqueId}/`;
export const stillKey = (critiqueId: string, version: number, noteId: string): string =>
  `${stillsFolder(critiqueId)}${version}-${noteId}.png`;

/** What was laid beside a moment. */
export const besideKey = (critiqueId: string, version: number, noteId: string): string =>
  `${stillsFolder(critiqueId)}${version}-${noteId}-beside.png`;

/** The seconds around a moment, for readers with a link. */
export const sharedClipKey = (critiqueId: string, version: number, noteId: string): string =>
  `${stillsFolder(critiqueId)}${version}-${noteId}.mp4`;

/** Where the sound of a spoken note lay before it became a take. */
export const memosFolder = (requestId: string): string => `memos/${requestId}/`;
export const memoKey = (requestId: string, memoId: string): string => `${memosFolder(requestId)}${memoId}`;

/** A spoken critique: its pieces as they came, and what is made of them. */
export const takesFolder = (requestId: string): string => `takes/${requestId}/`;
export const takeFolder = (requestId: string, takeId: string): string => `${takesFolder(requestId)}${takeId}/`;
export const takePieceKey = (requestId: string, takeId: string, part: number, piece: number): string =>
  `${takeFolder(requestId, takeId)}${part}-${piece}`;
export const takeLogKey = (requestId: string, takeId: string): string => `${takeFolder(requestId, takeId)}log.json`;
/** Words that are laid to its voice, and what they were made from. */
export const takeWordsKey = (requestId: string, takeId: string): string => `${takeFolder(requestId, takeId)}words.json`;
/** The coach, seen from beginning to end of the recording; there only where a camera was on. */
export const takeCoachKey = (requestId: string, takeId: string): string => `${takeFolder(requestId, takeId)}coach.mp4`;
/** For listening, as it was recorded or with its noise taken out, and without loss for whatever is made from it later. */
export const takeVoiceKey = (requestId: string, takeId: string, voice: 'recorded' | 'clean'): string =>
  `${takeFolder(requestId, takeId)}${voice === 'recorded' ? 'voice' : voice}.m4a`;
export const takeMasterKey = (requestId: string, takeId: string): string => `${takeFolder(requestId, takeId)}voice.flac`;

/** The voice of something spoken in a critique, by its place in that version. */
export const spokenFolder = (critiqueId: string): string => `spoken/${critiqueId}/`;
export const spokenKey = (critiqueId: string, version: number, place: number): string =>
  `${spokenFolder(critiqueId)}${version}-${place}.m4a`;

/** The voice of a spoken answer. */
export const answersFolder = (critiqueId: string): string => `answers/${critiqueId}/`;
export const answerVoiceKey = (critiqueId: string, questionId: string): string => `${answersFolder(critiqueId)}${questionId}.m4a`;

/** What was made of a critique to be taken out. */
export const exportsFolder = (critiqueId: string): string => `exports/${critiqueId}/`;
export const exportKey = (critiqueId: string, exportId: string): string => `${exportsFolder(critiqueId)}${exportId}`;

export const clipFolder = (clipId: string): string => `clips/${clipId}/`;
export const clipOriginalKey = (clipId: string): string => `${clipFolder(clipId)}original`;
export const clipVideoKey = (clipId: string): string => `${clipFolder(clipId)}review.mp4`;
export const clipPosterKey = (clipId: string): string => `${clipFolder(clipId)}poster.jpg`;
