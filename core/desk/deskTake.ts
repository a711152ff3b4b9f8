/** A stretch of the voice, in seconds of the recording, from inclusive, to exclusive. */
export interface TakeStretch {
  from: number;
  to: number;
}

export interface Caption extends TakeStretch {
  words: string;
  /** typed: by the coach; drafted: spread or aligned from the words of notes; heard: by a recogniser, unproven. */
  origin: 'typed' | 'drafted' | 'heard';
}

/** Where a part of a take begins, in seconds of the recording. */
export interface ChapterStart {
  from: number;
  title: string;
}

/**
 * A spoken critique as it lies on the desk: what can still be changed of it. Its voice, and the log of what was done meanwhile, are stored
 * beside it under its own id and never change. All times are seconds of the recording.
 */
export interface DeskTake {
  id: string;
  footageId: string;
  title: string;
  cuts: TakeStretch[];
  captions: Caption[];
  chapters: ChapterStart[];
  /** The note that it says, where it was spoken for one; it is shown with that note. */
  noteId?: string | undefined;
  /** Whether steady noise (fan, street, hum) is taken out of the voice. */
  denoise?: boolean | undefined;
}
