import { isPaired, loadText, type BodyPart, type BodySide, type Burden, type Load, type Part } from './bodyParts.ts';

/** What nobody on a mat can judge: a clinician is asked first, and this program offers no way round it (docs/domain.md §12). */
export const alarmKinds = ['pregnancy', 'head-knock', 'numbness', 'locked-joint', 'breath', 'skin'] as const;
export type AlarmKind = (typeof alarmKinds)[number];
const alarmNames: Readonly<Record<AlarmKind, string>> = {
  pregnancy: 'a pregnancy',
  'head-knock': 'a knock to the head',
  numbness: 'numbness or tingling',
  'locked-joint': 'a joint that locks',
  breath: 'breath, heart or fainting',
  skin: 'something on the skin that may be catching',
};
export const alarmWords = (kind: AlarmKind): string => `With ${alarmNames[kind]}: ask a clinician before the mat.`;

const joint = '(?:knees?|elbows?|shoulders?|jaw|hips?|fingers?|thumbs?|wrists?|ankles?|joints?|back|neck)';
const alarmPatterns: readonly (readonly [AlarmKind, RegExp])[] = [
  ['pregnancy', /\b(pregnan\w*|trimester|expecting (?:a|our|my) (?:child|baby|first|second))\b/i],
  [
    'head-knock',
    /\b(concuss\w*|dizz\w*|knocked out|black(?:ed|ing)? ?outs?|(?:knock|knocks|blow|blows|hit|bang|bump)(?:ed)? (?:to|on|in|my|his|her|their) (?:the |my |his |her |their )?head|hit (?:my|his|her|their|the) head)\b/i,
  ],
  ['numbness', /\b(numb\w*|tingl\w*|pins and needles|no feeling|lost (?:the )?feeling)\b/i],
  [
    'locked-joint',
    new RegExp(
      `\\b${joint}\\b.{0,24}\\b(?:locks?(?: up)?|locked|locking|gets? stuck|stuck|(?:can.?t|cannot|will not|won.?t) (?:be )?(?:straighten|bend|bent|move)\\w*)\\b`,
      'i',
    ),
  ],
  [
    'breath',
    /\b(short(?:ness)? of breath|out of breath|breathless\w*|asthma\w*|chest (?:pain|tight)\w*|(?:can.?t|cannot) breathe|heart|faint\w*|seizures?|epilep\w*|blood thinners?)\b/i,
  ],
  ['skin', /\b(ringworm|staph\w*|impetigo|mrsa|infected|infection|herpes)\b/i],
];
/** A "knee lock" is a hold; a knee that "locks" is not. */
const holds = /\b(arm|leg|heel|ankle|wrist|shoulder|knee)[ -]?lock(s|ed)? (are|is|and|or|from|hurt|hurts|on|training|in class)\b/gi;

/** What in free words asks for a clinician first. */
export const alarmsIn = (words: string): AlarmKind[] => {
  const told = words.replace(holds, ' ');
  return alarmPatterns.flatMap(([kind, pattern]) => (pattern.test(told) ? [kind] : []));
};

const spoken: readonly (readonly [RegExp, BodyPart])[] = [
  [/\b(head|concuss\w*|dizz\w*|skull)\b/i, 'head'],
  [/\b(jaws?|tmj|teeth|tooth|chin|nose|face|eyes?|ears?|cheek\w*)\b/i, 'jaw'],
  [/\b(necks?|cervical|whiplash)\b/i, 'neck'],
  [/\b(shoulders?|collarbones?|rotator|labrum|clavicle|ac joint)\b/i, 'shoulder'],
  [/\b(elbows?|arms?|biceps|triceps|forearms?|ucl)\b/i, 'elbow'],
  [/\b(wrists?|hands?|fingers?|thumbs?|knuckles?|carpal)\b/i, 'hand'],
  [/\b(ribs?|chest|sternum|intercostals?)\b/i, 'ribs'],
  [/\b(hernias?|herniorrhaphy|belly|abdom\w*|stomach|pregnan\w*|caesarean|c-section|appendix|diaphragm|stoma)\b/i, 'belly'],
  [/\b(back|spine|spinal|discs?|disks?|lumbar|tailbone|sciatica|vertebra\w*|si joint|sacr\w*|scoliosis)\b/i, 'back'],
  [/\b(hips?|groins?|hamstrings?|adductors?|fai|glutes?)\b/i, 'hip'],
  [/\b(knees?|acl|mcl|lcl|pcl|menisc\w*|patell\w*|kneecap)\b/i, 'knee'],
  [/\b(ankles?|foot|feet|toes?|heels?|shins?|achilles|calf|calves|plantar)\b/i, 'foot'],
];
/** "Disc hernia" is the back's. */
const disc = /\b(disc|disk|lumbar|cervical|spinal) hernia\w*|herniated (disc|disk)s?\b/gi;

/** One injury a clause, so that each side goes with its own part: "left knee, right shoulder". */
const clauses = (words: string): string[] =>
  words
    .replace(disc, (said) => (/cervical/i.test(said) ? 'cervical' : 'disc'))
    .replace(/\b(left and right|right and left|both|either)\b/gi, ' ')
    .split(/[,;.:\n/]|\band\b|\bbut\b/i);

/** The parts that free words name ("Left knee repaired"); none where they name none. */
export function partsInWords(words: string): Part[] {
  const found: Part[] = [];
  for (const clause of clauses(words)) {
    const [left, right] = [/\bleft\b/i.test(clause), /\bright\b/i.test(clause)];
    const side: BodySide | null = left === right ? null : left ? 'left' : 'right';
    for (const [pattern, part] of spoken) {
      if (!pattern.test(clause)) continue;
      const one = { part, side: isPaired(part) ? side : null };
      if (!found.some((other) => other.part === one.part && other.side === one.side)) found.push(one);
    }
  }
  return found;
}

/** What an injured part must not bear where nobody said it more closely. */
const usuallySpared: Readonly<Record<BodyPart, readonly Burden[]>> = {
  head: ['stacked', 'twisted', 'pressed', 'fallen-on'],
  jaw: ['pressed', 'gripped'],
  neck: ['stacked', 'twisted', 'bent', 'pressed', 'fallen-on'],
  shoulder: ['twisted', 'straightened', 'weight', 'fallen-on'],
  elbow: ['straightened', 'twisted', 'weight'],
  hand: ['bent', 'gripped', 'weight'],
  ribs: ['pressed', 'twisted', 'stacked', 'fallen-on'],
  belly: ['pressed', 'stacked', 'twisted', 'fallen-on'],
  back: ['stacked', 'twisted', 'bent', 'weight', 'fallen-on'],
  hip: ['twisted', 'bent', 'fallen-on'],
  knee: ['twisted', 'bent', 'pressed', 'fallen-on'],
  foot: ['twisted', 'straightened', 'gripped', 'weight'],
};
const saidBurdens: readonly (readonly [RegExp, Burden])[] = [
  [/\bstack\w*|\binvert\w*|\bupside down\b/i, 'stacked'],
  [/\bcrank\w*|\btwist\w*|\brotat\w*|\bturn\w*/i, 'twisted'],
  [/\bbend\w*|\bbent\b|\bflex\w*|\bkneel\w*/i, 'bent'],
  [/\bstraighten\w*|\bstraight arm\w*|\barm ?locks?\b|\bextend\w*|\bhyperextend\w*/i, 'straightened'],
  [/\bgrip\w*/i, 'gripped'],
  [/\bpress\w*|\bpressure\b|\bcrush\w*|\bsqueez\w*|\bknee on belly\b|\bchok\w*/i, 'pressed'],
  [/\bweight\b|\blift\w*|\bpost\w*|\bcarry\w*/i, 'weight'],
  [/\bfall\w*|\bthrow\w*|\btakedowns?\b|\bslam\w*|\bbreakfalls?\b/i, 'fallen-on'],
];
const ruledOut = /\b(no|not|never|avoid\w*|without|careful with|nothing that)\b(.*)$/i;

/** What free words rule out ("no stacking, no cranks"); null where they rule nothing out by name. */
function saidNotTo(words: string): Burden[] | null {
  const told = ruledOut.exec(words)?.[2];
  if (told === undefined) return null;
  const named = saidBurdens.flatMap(([pattern, burden]) => (pattern.test(told) ? [burden] : []));
  return named.length > 0 ? named : null;
}

/** An injury or a limit as data. */
export interface Limit extends Load {
  id: string;
  /** The words it was read from: a line of what hurts. It lasts as long as they do. */
  words: string;
  /** Nothing to be spared: somebody looked, and the words name no limit. */
  none: boolean;
  /** What asks for a clinician first. */
  alarm: AlarmKind | null;
  /** What a clinician said, as it was told; empty: nobody was asked yet. */
  cleared: string;
  byClient: boolean;
  byCoach: boolean;
}

/** What was agreed of what a request says: of what hurts its client that day, and of what hurts the partner. */
export interface RequestLimits {
  own: Limit[];
  partner: Limit[];
}

/** Free words as lines, each of which may name an injury of its own. */
export const linesOf = (words: string): string[] =>
  words
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);

/** Limits that free words propose; none of them is agreed to by anybody yet. */
export function proposedLimits(words: string): Limit[] {
  const said = saidNotTo(words);
  const alarms = alarmsIn(words);
  const open = { words, none: false, cleared: '', byClient: false, byCoach: false };
  const parts = partsInWords(words).map((part): Limit => ({
    ...open,
    ...part,
    id: `${words} ${part.part} ${part.side ?? ''}`,
    burdens: said ?? [...usuallySpared[part.part]],
    alarm: null,
  }));
  const asked = alarms.map((alarm): Limit => ({
    ...open,
    ...{ part: alarm === 'pregnancy' ? 'belly' : 'head', side: null, burdens: [] },
    id: `${words} ${alarm}`,
    alarm,
  }));
  return [...asked, ...parts];
}

/**
 * What is to be spared: what was agreed on, and for words nobody has looked at yet what they propose, so that nothing goes unseen
 * meanwhile. Limits of words that are no longer said are over.
 */
export const limitsOf = (hurts: readonly string[], agreed: readonly Limit[]): Limit[] =>
  hurts.flatMap((words) => {
    const own = agreed.filter((limit) => limit.words === words);
    return own.length > 0 ? own.filter(({ none }) => !none) : proposedLimits(words);
  });

/** What asks for a clinician and has none yet. */
export const openAlarms = <L extends Pick<Limit, 'alarm' | 'cleared'>>(limits: readonly L[]): (L & { alarm: AlarmKind })[] =>
  limits.filter((limit): limit is L & { alarm: AlarmKind } => limit.alarm !== null && limit.cleared.trim() === '');

/** A limit for a person: "left knee: twisted, pressed on" or what a clinician is to be asked about. */
export const limitText = (limit: Limit): string => (limit.alarm ? alarmWords(limit.alarm) : loadText(limit));
