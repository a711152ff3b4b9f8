/** What may be hurt by an exercise or a technique (docs/domain.md §12). */
export const cautionClasses = ['general', 'joint', 'knee-and-heel', 'neck-and-spine', 'fall'] as const;
export type CautionClass = (typeof cautionClasses)[number];

export const cautionNames: Readonly<Record<CautionClass, string>> = {
  general: 'general',
  joint: 'arm, shoulder, wrist',
  'knee-and-heel': 'knee and heel',
  'neck-and-spine': 'neck and spine',
  fall: 'falls',
};

/** The usual words of each class, shown wherever something of it is advised. */
export const cautionWords: Readonly<Record<CautionClass, string>> = {
  general: 'Tap early, apply slowly, release at once.',
  joint: 'Joint locks: apply slowly, tap early, release at once. Stop at the first pull in the joint, not at the pain.',
  'knee-and-heel':
    'Twisting leg locks give little pain before damage. Only with a partner who knows them, slowly, with the tap before the twist.',
  'neck-and-spine': 'Neck and spine: no cranking. Only with an experienced partner who lets go at once; stop at any tingling.',
  fall: 'Falls: on mats, with room, and only where both know how to fall. After a knock to the head no return without a clinician’s word.',
};

export const careSentence =
  'Pain that stays belongs to a licensed clinician. Your gym’s rules, the event’s rules and local law come before anything here.';
