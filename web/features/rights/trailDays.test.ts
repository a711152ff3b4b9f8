import { describe, expect, it } from 'vitest';
import type { TrailEntry } from '@lean-mentor/contract';
import { trailDays } from './trailDays.ts';

const at = (day: number, hour: number): string => new Date(2026, 10, day, hour).toISOString();
const entry = (fields: Partial<TrailEntry>): TrailEntry => ({
  ...{ who: 'Cora Lind', role: 'coach', room: 'desk', changed: false, requestId: null, hourAt: at(20, 9) },
  ...fields,
});

describe('who looked and who changed', () => {
  it('is told by days and people, each thing once, with the hours it was between', () => {
    const days = trailDays([
      entry({ hourAt: at(21, 8), room: 'critique', changed: true }),
      entry({ hourAt: at(20, 11), room: 'footage' }),
      entry({ hourAt: at(20, 9), room: 'footage' }),
      entry({ hourAt: at(20, 9), who: 'Abel Stone', role: 'assistant' }),
    ]);
    expect(days).toEqual([
      {
        day: 'Saturday 21 November 2026',
        people: [{ who: 'Cora Lind', role: 'coach', between: '8:00 to 8:59', changed: ['the critique'], saw: [] }],
      },
      {
        day: 'Friday 20 November 2026',
        people: [
          { who: 'Cora Lind', role: 'coach', between: '9:00 to 11:59', changed: [], saw: ['the footage'] },
          {
            ...{ who: 'Abel Stone', role: 'assistant', between: '9:00 to 9:59', changed: [] },
            saw: ['notes, drawings and pictures on the desk'],
          },
        ],
      },
    ]);
  });

  it('does not say of what was changed that it was looked at too', () => {
    const [day] = trailDays([entry({ changed: true }), entry({ changed: false })]);
    expect(day!.people[0]).toMatchObject({ changed: ['notes, drawings and pictures on the desk'], saw: [] });
  });

  it('keeps apart a coach and a guardian of one name', () => {
    expect(trailDays([entry({}), entry({ role: 'guardian' })])[0]!.people).toHaveLength(2);
  });
});
