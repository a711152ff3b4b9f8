import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  alarmsIn,
  bodyParts,
  burdens,
  isPaired,
  limitsOf,
  limitText,
  mergedLoads,
  meets,
  openAlarms,
  partWords,
  proposedLimits,
  type Load,
} from './index.ts';

/** Free words, and the parts and alarms that are read from them. */
const said = `
Left knee repaired | left knee
my right knee is stiff after the repair | right knee
torn meniscus on the left, knee still swells | left knee; knee
ACL rebuilt in spring | knee
Stiff neck: no stacking, no cranks | neck
whiplash from a car | neck
Hernia, operated in May | belly
inguinal hernia | belly
herniated disc low down | back
lumbar disc hernia | back
lower back goes after deadlifts | back
sciatica down one leg | back
Jaw clicks since last week | jaw or face
broken nose, healing | jaw or face
eye surgery a month ago | jaw or face
cauliflower ear, fresh | jaw or face
left shoulder and right elbow | left shoulder; right elbow or arm
right AC joint | right shoulder
both shoulders | shoulder
left and right wrist sore | wrist or hand
two taped fingers | wrist or hand
thumb sprained, left | wrist or hand
cracked rib | ribs or chest
sternum sore | ribs or chest
hip impingement on the right | right hip or groin
groin strain | hip or groin
pulled hamstring | hip or groin
rolled ankle | ankle or foot
turf toe | ankle or foot
achilles, left | ankle or foot
I am pregnant, week nine | belly | pregnancy
second trimester | | pregnancy
Concussion in September | head | head-knock
knocked out two weeks ago | | head-knock
took a knock to the head on Tuesday | head | head-knock
dizzy when I roll over | head | head-knock
my right hand goes numb at night | right wrist or hand | numbness
tingling in two fingers | wrist or hand | numbness
my knee locks up sometimes | knee | locked-joint
left elbow locked since Friday | left elbow or arm | locked-joint
I cannot straighten... my right elbow will not straighten | right elbow or arm | locked-joint
asthma, carries a spray | | breath
chest pain when I push | ribs or chest | breath
short of breath after a cold | | breath
ringworm on the forearm | elbow or arm | skin
knee lock training hurts | knee |
armlocks from class made my elbow sore | elbow or arm |
a cold | |
tired after shifts | |
none | |
`;

describe('free words', () => {
  it.each(
    said
      .trim()
      .split('\n')
      .map((line) => line.split('|').map((cell) => cell.trim())),
  )('“%s” spare: %s; ask a clinician for: %s', (words, parts = '', alarms = '') => {
    const limits = proposedLimits(words!);
    expect(limits.filter(({ alarm }) => alarm === null).map(partWords)).toEqual(parts === '' ? [] : parts.split('; '));
    expect(alarmsIn(words!)).toEqual(alarms === '' ? [] : [alarms]);
  });

  it('say what a part must not bear where they rule it out by name, and what is usual where they do not', () => {
    expect(proposedLimits('Stiff neck: no stacking, no cranks')[0]).toMatchObject({ part: 'neck', burdens: ['stacked', 'twisted'] });
    expect(proposedLimits('Left knee repaired').map(limitText)).toEqual(['left knee: twisted, bent, pressed on, fallen on']);
    expect(proposedLimits('Wrist: never post on it')[0]!.burdens).toEqual(['weight']);
  });
});

describe('what is to be spared', () => {
  it('is what words propose until somebody looked, then what was agreed, and nothing where nothing is to be spared', () => {
    const [proposed] = proposedLimits('Left knee repaired');
    expect(limitsOf(['Left knee repaired'], [])).toEqual([proposed]);
    const agreed = { ...proposed!, id: 'a', burdens: ['twisted' as const], byCoach: true };
    expect(limitsOf(['Left knee repaired', 'Jaw'], [agreed]).map(({ part }) => part)).toEqual(['knee', 'jaw']);
    expect(limitsOf(['Left knee repaired'], [{ ...agreed, none: true }])).toEqual([]);
    // What is no longer said is over.
    expect(limitsOf([], [agreed])).toEqual([]);
  });

  it('asks for a clinician until one was asked', () => {
    const [asked] = limitsOf(['Concussion in September'], []);
    expect(openAlarms([asked!])).toHaveLength(1);
    expect(openAlarms([{ ...asked!, cleared: 'Cleared on 3 October.' }])).toEqual([]);
    expect(limitText(asked!)).toBe('With a knock to the head: ask a clinician before the mat.');
  });
});

const load = fc
  .record({
    part: fc.constantFrom(...bodyParts),
    side: fc.constantFrom(null, 'left' as const, 'right' as const),
    burdens: fc.uniqueArray(fc.constantFrom(...burdens), { maxLength: 4 }),
  })
  .map((one): Load => ({ ...one, side: isPaired(one.part) ? one.side : null }));

describe('a load and a limit', () => {
  it('meet the same either way round, never on different parts, never on contrary sides', () => {
    fc.assert(
      fc.property(load, load, (a, b) => {
        expect(meets(a, b)).toBe(meets(b, a));
        if (a.part !== b.part || (a.side && b.side && a.side !== b.side)) expect(meets(a, b)).toBe(false);
        else if (!a.burdens!.length || !b.burdens!.length) expect(meets(a, b)).toBe(true);
        else expect(meets(a, b)).toBe(a.burdens!.some((one) => b.burdens!.includes(one)));
      }),
    );
  });

  it('meet after loads were put together exactly where one of them did', () => {
    fc.assert(
      fc.property(fc.array(load, { maxLength: 6 }), load, (loads, limit) => {
        expect(mergedLoads(loads).some((one) => meets(one, limit))).toBe(loads.some((one) => meets(one, limit)));
      }),
      { numRuns: 2000 },
    );
  });
});
