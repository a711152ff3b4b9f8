import { changeClip } from './features/book/index.ts';
import { changeExport, makeExport } from './features/critique/index.ts';
import { changeFootage } from './features/footage/index.ts';
import { footageRested } from './features/requests/index.ts';
import { makeClip } from './features/book/makeClip.ts';
import { makeVoices } from './features/critique/makeVoices.ts';
import { makePictures } from './features/critique/momentPicture.ts';
import { makeReady } from './features/footage/makeReady.ts';
import { carryMemo } from './features/takes/carryMemo.ts';
import { changeLetter, sendLetter } from './features/letters/index.ts';
import { makeTake } from './features/takes/makeTake.ts';
import { changeMaking, filmToTakeAlong, makeFilm } from './features/films/index.ts';
import { changeTake } from './features/takes/index.ts';
import { layWords, wordsFailed } from './features/takes/layWords.ts';
import type { JobKinds } from './jobs/jobKind.ts';
import { removeFootage } from './features/footage/removeFootage.ts';

/** What the jobs process can do. */
export const jobKinds: JobKinds = {
  'make-ready': {
    run: (house, job, signal) => makeReady(house, job.subjectId, signal),
    failed: 'Making the footage ready failed on our side. The coach can try it again.',
    rested: footageRested,
    waits: (house, id) => changeFootage(house, id, { state: 'waiting', step: 'Waiting to be tried again', share: 0, secondsLeft: null }),
  },
  'make-clip': {
    run: (house, job, signal) => makeClip(house, job.subjectId, signal),
    failed: 'Making the clip ready failed on our side. Send its video again.',
    rested: (house, id, failure) => changeClip(house, id, { state: 'failed', failure }),
  },
  'make-export': {
    run: (house, job, signal) => makeExport(house, job.subjectId, signal, filmToTakeAlong),
    failed: 'Making the export failed on our side. Ask for it again.',
    rested: (house, id) => changeExport(house, id, { state: 'failed' }),
  },
  'make-take': {
    run: (house, job) => makeTake(house, job.subjectId),
    failed: 'Putting the take together failed on our side. Ask for it again.',
    rested: (house, id, failure) => changeTake(house, id, { state: 'failed', failure }),
  },
  'lay-words': {
    run: (house, job) => layWords(house, job.subjectId),
    failed: 'Laying the words to the voice failed on our side. Ask for it again.',
    rested: (house, id, failure) => wordsFailed(house, id, failure),
  },
  'carry-memo': {
    run: (house, job) => carryMemo(house, job.subjectId),
    // Tried until it works: the sound stays where it lies.
    failed: 'Making a take of a spoken note failed on our side.',
    rested: null,
  },
  'make-voices': {
    run: (house, job) => makeVoices(house, job.subjectId),
    // Tried until it works: what it is made from is ours and whole.
    failed: 'Making the voice ready failed on our side.',
    rested: null,
  },
  'make-pictures': {
    run: (house, job) => makePictures(house, job.subjectId),
    // Whoever asks for one that is lacking has it made.
    failed: 'Making the pictures failed on our side.',
    rested: () => Promise.resolve(),
  },
  'make-film': {
    run: (house, job, signal) => makeFilm(house, job.subjectId, signal),
    failed: 'Making the film failed on our side. Ask for it again: it goes on from there.',
    rested: (house, id, failure) => changeMaking(house, id, { state: 'failed', failure, secondsLeft: null }),
    waits: (house, id) => changeMaking(house, id, { state: 'waiting', secondsLeft: null }),
  },
  'send-letter': {
    run: (house, job) => sendLetter(house, job.subjectId),
    failed: 'The mail server did not take it.',
    rested: (house, id, failure) => changeLetter(house, id, { failure }),
  },
  'remove-footage': { run: removeFootage, failed: 'Removing failed.', rested: null },
};
