import { bout } from '@lean-mentor/contract';
import { boutTimes, boutUsage, coderCheck, ruleSheets, scoreBout } from '@lean-mentor/core/scoring';
import { describe, expect, it } from 'vitest';
import { clipPlans } from '../scenario/clips.ts';
import { demoPractice } from '../scenario/practice.ts';
import { groundTruthOf } from './groundTruth.ts';

/** What each clip was made to be worth on "Points, no jacket" or "Points, jacket" alike: who did what, in the order of time. */
const intended: Record<string, string[]> = {
  'ilse-harbour-round': [
    ...['partner takedown', 'partner pass', 'partner mount', 'partner knee-on-belly', 'partner sweep', 'partner mount'],
    // After her first tap.
    ...['partner takedown', 'partner pass', 'partner back-control'],
  ],
  'noor-quay-open': [
    ...['client takedown', 'partner sweep', 'partner pass', 'client sweep'],
    ...['client pass', 'client knee-on-belly', 'client mount', 'client back-control'],
  ],
  // He pulls guard, so that the partner's top is no takedown.
  'bram-night-shift': ['client sweep', 'client mount'],
  'ruben-long-frames': ['partner pass', 'partner back-control'],
};

describe.each(clipPlans.map((plan) => [plan.name, groundTruthOf(plan)] as const))('the clip %s', (name, truth) => {
  const coded = bout.parse({ id: '3f2a9d10-1111-4111-8111-111111111111', ...truth.bout, spans: truth.spans, events: truth.events });
  const table = { times: Array.from({ length: coded.toFrame + 1 }, (_, i) => i / truth.fps), endSeconds: (coded.toFrame + 1) / truth.fps };
  const request = demoPractice(new Date('2031-01-01T00:00:00Z')).requests.find(({ footages }) =>
    footages.some(({ file }) => file === `${name}.mp4`),
  )!;
  const { timed } = boutTimes(coded, table, boutUsage(request, ruleSheets['points-jacket']));

  it('carries its bout coded as it was made', () => {
    const carried = request.footages.find(({ file }) => file === `${name}.mp4`)!;
    expect(carried.bouts[0]).toMatchObject({ spans: truth.spans, events: truth.events });
    expect(coderCheck(timed).filter(({ kind }) => kind !== 'impossible')).toEqual([]);
  });

  it('is worth what it was made to be worth', () => {
    const { awards, falls } = scoreBout(timed, ruleSheets['points-jacket']);
    expect(awards.map(({ athlete, action }) => `${athlete} ${action}`).sort()).toEqual([...intended[name]!].sort());
    expect(falls.map(({ athlete }) => athlete)).toEqual(name === 'ilse-harbour-round' ? ['partner', 'partner'] : []);
  });
});
