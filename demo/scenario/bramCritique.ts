import { heading, list, moment, paragraph, type CritiqueDoc, type FixBlock } from '@lean-mentor/core/critique';
import { stableId } from './stableId.ts';

const note = (frame: number): string => stableId(`note bram ${frame}`);

const fix = (name: string, noteFrame: number, content: FixBlock['content']): FixBlock => ({
  type: 'fix',
  attrs: { fixId: stableId(`principle ${name}`), principleId: stableId(`principle ${name}`), name },
  content: [...content.slice(0, 1), moment(note(noteFrame)), ...content.slice(1)],
});

/** What was sent to Bram: two fixes, in order. */
export const bramCritique: CritiqueDoc = {
  type: 'doc',
  content: [
    heading(2, 'What you asked'),
    { type: 'blockquote', content: [paragraph('I sweep people and cannot stay on top. Why?')] },
    paragraph(
      'Your sweep is clean, Bram: you hold his arm with both hands while you turn him. What follows is where the round goes, and it is one habit of your hands.',
    ),
    heading(2, 'What went well'),
    paragraph(
      'You hold his arm with both hands while your hips turn him. He has nothing to post with on that side; that is why it worked.',
    ),
    moment(note(452)),
    heading(2, 'What to work on'),
    fix('Low in mount when they bridge', 636, [
      paragraph('This came up once, at 0:18. In mount you sit tall with both hands between his arms. He needs one bridge to roll you.'),
      heading(3, 'Why it matters'),
      paragraph('It cost you control of the position. Tall with both hands between the arms is one bridge away from the bottom.'),
      heading(3, 'Do this instead'),
      list('orderedList', [
        'If he holds a wrist, slide that knee up under his elbow before anything else.',
        'If he bridges, post the hand wide beyond his head and drop your chest low.',
      ]),
      paragraph('Hands wide, chest low, knees up high.', { type: 'bold' }),
      heading(3, 'Drill'),
      paragraph(
        'Ride the bridge, 5 minutes with a resisting partner. He bridges on both sides at half strength, once every three seconds.',
      ),
    ]),
    fix('Hooks carry, hands steer', 1290, [
      paragraph('He leans in toward you, at 0:40, and stays there for five seconds.'),
      paragraph('You hold still. One pull would have brought his weight over your hooks.'),
      heading(3, 'Do this instead'),
      list('orderedList', [
        'If he leans in, go under one arm, trap his other hand, fall to that hand and lift the hook on the side of your underhook.',
      ]),
      paragraph('Feel their weight, then lift.', { type: 'bold' }),
    ]),
    {
      type: 'caution',
      content: [
        paragraph(
          'Tap early, apply slowly, release at once. Pain that stays belongs to a licensed clinician. Your gym’s rules, the event’s rules and local law come before anything here.',
        ),
      ],
    },
  ],
};
