import type { PracticeFile } from '@lean-mentor/contract';

type Request = PracticeFile['requests'][number];
type Hurting = Pick<Request, 'hurtsToday' | 'partnerHurts'>;

const hourMs = 3_600_000;
const dayMs = 24 * hourMs;

/** What waits beside the longer rounds, over two weeks: one promise broken an hour ago, one that will hardly hold. */
export function shortRequests(
  today: Date,
): { clip: string; name: string; said: Pick<Request, 'kind' | 'question' | keyof Hurting>; sentDays: number; due: string }[] {
  const inHours = (hours: number): string => new Date(Math.round((today.getTime() + hours * hourMs) / 60_000) * 60_000).toISOString();
  const inDays = (days: number): string => new Date(Math.floor(today.getTime() / dayMs + days) * dayMs + 16 * hourMs).toISOString();
  const one = (clip: string, name: string, kind: Request['kind'], question: string, sentDays: number, due: string, hurting?: Hurting) => ({
    ...{ clip, name, sentDays, due },
    said: { kind, question, hurtsToday: '', partnerHurts: '', ...hurting },
  });
  return [
    one('wen-slow-morning', 'Wen Halloran', 'light-sparring', 'I pass, but slowly. Which step could I leave out?', -4, inDays(2)),
    one('teo-school-mat', 'Teo Abara-Lund', 'light-sparring', 'He runs round my legs. Where do my knees go?', -3, inHours(0.6)),
    one(
      'petra-net-loft',
      'Petra Nkemelu',
      'hard-sparring',
      'From closed guard to under mount in ten seconds: what was first?',
      -12,
      inDays(2),
    ),
    one('odalys-first-week', 'Odalys Fenn', 'light-sparring', 'First round back. Is my stance too tall, or too square?', -2, inHours(-1), {
      hurtsToday: 'Left ankle rolled on Thursday',
      partnerHurts: 'Right shoulder still sore, no cranks',
    }),
    one('bram-after-shift', 'Bram Okonjo', 'hard-sparring', 'I stayed on top this time. What changed?', -2, inDays(4)),
    one('ilse-low-tide', 'Ilse Tarrow', 'light-sparring', 'The shield holds now. Is it the knee or the elbow?', -1, inDays(1)),
    one(
      'noor-second-grip',
      'Noor Valdane',
      'hard-sparring',
      'She takes the back from side control each time. What do I give her?',
      -1,
      inDays(2),
    ),
    one('teo-second-round', 'Teo Abara-Lund', 'positional', 'We started from the collar tie. Why am I late every time?', 0, inDays(4)),
    one(
      'wen-stiff-side',
      'Wen Halloran',
      'light-sparring',
      'Turning away saved my neck and cost my back. Is there a third way?',
      0,
      inDays(5),
    ),
  ];
}
