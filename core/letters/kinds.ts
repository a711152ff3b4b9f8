/** Something a letter can say that differs from one to the next: what it means, and what it might be. */
export interface LetterField {
  means: string;
  sample: string;
}

/** A sort of letter that the practice writes to clients and guardians: when, what it can name, and the words it comes with. */
export interface LetterSort {
  when: string;
  fields: Readonly<Record<string, LetterField>>;
  /** Fields it must hold, each with why: without them it would be of no use. */
  needs: Readonly<Record<string, string>>;
  subject: string;
  body: string;
}

const name = { means: 'who reads it', sample: 'Ada Moor' };
const coach = { means: 'who writes', sample: 'Cora Lind' };
const client = { means: 'the client’s name', sample: 'Ben Sorn' };
const whose = { means: '“your footage”, or whose to a guardian', sample: 'your footage' };
const link = { means: 'where the critique opens', sample: '/c/h4k7m2p9' };
const number = { means: 'its number', sample: '12' };
const currencySum = { means: 'the sum with its currency', sample: '45.00 EUR' };
const toTheCritique = { link: 'without it nobody finds the critique' };
const money = 'You find it under “Your plan” when you sign in, as PDF too.';

/** Every sort, with the words it has to begin with. In order of how often they are written. */
export const letterSorts = {
  critique: {
    when: 'A critique is sent',
    fields: { name, coach, whose, things: { means: 'how many things to work on', sample: 'two things' }, link },
    needs: toTheCritique,
    subject: '{coach} has looked at {whose}',
    body: '{name},\n\nthe critique is ready, with {things} to work on. It takes about five minutes to read and watch.\n\nOpen it: {link}\n\n{coach}',
  },
  'critique-changed': {
    when: 'A new version of a critique is sent',
    fields: { name, coach, whose, version: { means: 'its number', sample: '2' }, link },
    needs: toTheCritique,
    subject: '{coach} has changed what was said about {whose}',
    body: '{name},\n\nthe critique was changed. This is version {version}; the page shows what is different.\n\nOpen it: {link}\n\n{coach}',
  },
  'critique-taken-back': {
    when: 'A critique is taken back within ten minutes',
    fields: {
      ...{ name, coach, whose },
      what: { means: 'what was taken back', sample: 'the critique went out too early and comes again soon.' },
    },
    needs: {},
    subject: '{coach} has taken back what was just sent about {whose}',
    body: '{name},\n\n{what} There is nothing for you to do.\n\n{coach}',
  },
  answer: {
    when: 'A question is answered',
    fields: { name, coach, link },
    needs: toTheCritique,
    subject: '{coach} has answered',
    body: '{name},\n\nthere is an answer to the question about the critique.\n\nRead it: {link}\n\n{coach}',
  },
  'need-first': {
    when: 'You need something first',
    fields: {
      ...{ name, coach },
      what: { means: '“other footage” or “to know something”', sample: 'other footage' },
      words: { means: 'what you wrote', sample: 'The camera moves away at the pass. Is there another film of it?' },
    },
    needs: { words: 'without it nobody knows what you need' },
    subject: '{coach} needs {what} first',
    body: '{words}\n\nUntil you answer, the clock of the promised date stands. Sign in to answer.',
  },
  'promise-moved': {
    when: 'A promise moves because you are away',
    fields: {
      name,
      until: { means: 'when you are back', sample: 'Monday 4 May at 9:00 (Europe/Berlin)' },
      about: { means: 'what was asked', sample: 'Where does the pass begin?' },
      by: { means: 'by when it is promised now', sample: 'Tuesday 5 May at 12:00 (Europe/Berlin)' },
      words: { means: 'what you wrote with the pause; it may be empty', sample: 'A cold; nothing serious.' },
    },
    needs: { by: 'it is the new promise' },
    subject: 'Your critique comes later than promised',
    body: 'Hello {name},\n\nYour coach cannot work until {until}, so the critique of “{about}” comes later: by {by}.\n\n{words}',
  },
  'guardian-first': {
    when: 'A minor’s footage waits for their guardian',
    fields: { name, client },
    needs: {},
    subject: '{client} would like to send footage',
    body: '{client} has put footage and a question together for the coach. Nothing goes to the coach before you have looked at it. Sign in to see it and say yes or no.',
  },
  unreadable: {
    when: 'A video cannot be read',
    fields: {
      name,
      which: { means: '“Your video” or “One of your videos”', sample: 'Your video' },
      file: { means: 'its file', sample: 'round.mp4' },
      failure: { means: 'what is wrong with it', sample: 'The file ends in the middle.' },
      rest: { means: 'what becomes of the rest', sample: 'Until you have replaced it, the clock of the promised date stands.' },
    },
    needs: { file: 'without it nobody knows which one' },
    subject: '{which} cannot be read',
    body: '{file}: {failure}\n\n{rest} Sign in and choose another file in its place.',
  },
  'footage-removed': {
    when: 'Footage is removed because the partner asks for it',
    fields: { name, by: { means: 'who said so', sample: 'Ben Sorn' } },
    needs: {},
    subject: 'Footage was removed',
    body: '{by} said that the partner no longer agrees to be on film. The footage, its copies and the stills made from it were removed. What was written stays.',
  },
  work: {
    when: 'Work is given',
    fields: {
      ...{ name, coach, whose: { means: '“you” or whose work it is to a guardian', sample: 'you' } },
      what: { means: 'what it is called', sample: 'Half guard, from below' },
      day: { means: 'its first day', sample: 'Monday 4 May' },
    },
    needs: { what: 'it is what the letter is about' },
    subject: '{coach} has work for {whose}',
    body: 'Hello {name},\n\nthere is new work for {whose}: {what}. It begins on {day}. What to do, a timer and what to count are under “My work” when you sign in; it opens without a network too.\n\nStop at any pain and say so there. What a clinician, your gym and your guardian say goes before it.\n\n{coach}',
  },
  'work-today': {
    when: 'Work is to be done today, for those who want to be reminded',
    fields: { name, what: { means: 'what is to be done', sample: 'Half guard, from below' } },
    needs: { what: 'it is what the letter is about' },
    subject: 'Today: {what}',
    body: 'Hello {name},\n\ntoday is a day for: {what}. Another day is as good: then it moves to your next day of training by itself.',
  },
  pain: {
    when: 'Pain was told after work',
    fields: { name, whose: { means: '“your” or whose work it is to a guardian', sample: 'your' } },
    needs: {},
    subject: 'Some of {whose} work rests',
    body: 'Hello {name},\n\nafter work pain was told here. Whatever loads that part rests until the coach and whoever told it have spoken. Pain that stays, swelling, numbness or a knock to the head belong to a licensed clinician; what they say goes before anything here.',
  },
  'pain-settled': {
    when: 'You have spoken about a pain',
    fields: { name, coach, words: { means: 'what was agreed', sample: 'The knee is fine again; begin with half the minutes.' } },
    needs: { words: 'without it nobody knows what was agreed' },
    subject: '{coach}: what we agreed about the pain',
    body: 'Hello {name},\n\n{words}\n\nWhat rested because of it can be done again. If the pain comes back, stop and say so; what a clinician says goes before anything here.\n\n{coach}',
  },
  grown: {
    when: 'A client comes of age',
    fields: { name, client },
    needs: {},
    subject: 'You have come of age',
    body: 'Hello {name},\n\nYou have come of age. What you send and receive here is yours alone from now on; your guardian no longer sees it, and nothing waits for their yes.',
  },
  'grown-guardian': {
    when: 'A client comes of age: to their guardian',
    fields: { name, client },
    needs: { client: 'a guardian may stand for several' },
    subject: '{client} has come of age',
    body: 'Hello {name},\n\n{client} has come of age. What {client} sends and receives here is theirs alone from now on; you no longer see it. Thank you for having looked after it.',
  },
  forgetting: {
    when: 'Somebody asks to be forgotten',
    fields: { name, client, by: { means: 'who asked', sample: 'Ben Sorn' }, day: { means: 'the day it is done', sample: '12 May 2026' } },
    needs: { day: 'until then it can be taken back' },
    subject: 'Everything about {client} is removed on {day}',
    body: 'Hello {name},\n\n{by} asked that everything about {client} be removed here: requests, footage, critiques, work, sign-ins. It is done on {day} and cannot be undone then. Until then you can take it back, and take everything along as one file, where you see what is kept of {client} (under your name). If it was not you, take it back and change your password.',
  },
  plan: {
    when: 'A plan is given, ended or paused',
    fields: { name, change: { means: 'what was done', sample: 'From 2026-05-01 on your plan is “Steady”.' } },
    needs: { change: 'it is what the letter is about' },
    subject: 'Your plan',
    body: 'Hello {name},\n\n{change} You see what is left of it when you sign in. Footage you have sent stays yours to look at in any case.',
  },
  invoice: {
    when: 'An invoice is written',
    fields: {
      ...{ name, number, sum: currencySum },
      due: { means: 'the day it is due', sample: '2026-05-15' },
      for: { means: 'what it is for', sample: 'Plan “Steady”, from 2026-05-01 to 2026-05-31' },
    },
    needs: { number: 'it is the only name an invoice has' },
    subject: 'Invoice {number}',
    body: `Hello {name},\n\ninvoice {number} over {sum} is due by {due}: {for}. ${money}`,
  },
  'invoice-cancelled': {
    when: 'An invoice is cancelled',
    fields: { name, number: { means: 'the cancellation’s number', sample: '14' }, cancelled: number },
    needs: { cancelled: 'it is the only name an invoice has' },
    subject: 'Invoice {cancelled} is cancelled',
    body: `Hello {name},\n\ninvoice {number} cancels invoice {cancelled}; there is nothing to pay for it. What you have paid for it comes back to you. ${money}`,
  },
  'invoice-late': {
    when: 'An invoice is late (once)',
    fields: { name, number, open: currencySum, due: { means: 'the day it was due', sample: '2026-05-15' } },
    needs: { number: 'it is the only name an invoice has' },
    subject: 'Invoice {number} is late',
    body: `Hello {name},\n\nof invoice {number}, due by {due}, {open} has not come yet. Until it has, new requests are looked at after those of others. All your footage and critiques stay open to you. ${money}`,
  },
} as const satisfies Record<string, LetterSort>;

export type LetterKind = keyof typeof letterSorts;
export const letterKinds = Object.keys(letterSorts) as [LetterKind, ...LetterKind[]];

/** What a letter of a kind is filled with: every field of its sort. */
export type LetterValues<Kind extends LetterKind> = Record<keyof (typeof letterSorts)[Kind]['fields'], string>;

/** A letter that is still to be worded: its kind, and what it says. */
export type LetterToWord = { [Kind in LetterKind]: { kind: Kind; values: LetterValues<Kind> } }[LetterKind];
