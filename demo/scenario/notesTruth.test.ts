import { describe, expect, it } from 'vitest';
import { distance } from '../figure/vector.ts';
import type { JointName as Joint } from '../figure/solve.ts';
import { groundTruthOf, pairAtFrame, timelineOf } from '../timeline/groundTruth.ts';
import { clipPlans } from './clips.ts';
import { bramDesk, ilseDesk } from './desks.ts';

/** What a note says of its frame, as far as the figures can tell. */
interface Claim {
  position: string;
  holder: 'client' | 'partner' | null;
  /** Both of the client's hands are as near as a hand's length and a half to one of these joints of the partner. */
  hands?: readonly Joint[];
  /** One of the client's hands is there. */
  oneHand?: readonly Joint[];
  /** The head of the client over the mat, in metres. */
  headOver?: number;
  headUnder?: number;
  /** The partner's head is nearer to the client than his hips are: he leans in. */
  leansIn?: true;
}
const arms: readonly Joint[] = ['rElb', 'lElb', 'rWr', 'lWr', 'rSh', 'lSh'];
const reach = 0.25;
const desks = { 'ilse-harbour-round': ilseDesk, 'bram-night-shift': bramDesk };
const claims: Record<keyof typeof desks, Record<number, Claim>> = {
  'ilse-harbour-round': {
    738: { position: 'knee-shield', holder: 'partner', headUnder: 0.4 },
    892: { position: 'knee-shield', holder: 'partner', hands: arms },
    1020: { position: 'side-control', holder: 'partner', headUnder: 0.3, oneHand: ['rHip', 'lHip', 'pelvis'] },
  },
  'bram-night-shift': {
    452: { position: 'closed-guard', holder: 'partner', hands: ['lWr', 'lElb', 'rElb', 'rWr'] },
    636: { position: 'mount', holder: 'client', headOver: 0.9, hands: ['neck', 'head', 'chest', 'rSh', 'lSh'] },
    1290: { position: 'seated-guard', holder: 'partner', leansIn: true },
  },
};
/** The camera takes so long, in seconds, to turn away and back. */
const turning = 0.5;

describe.each(Object.entries(desks) as [keyof typeof desks, typeof ilseDesk][])('every word on the desk of %s', (name, desk) => {
  const plan = clipPlans.find((one) => one.name === name)!;
  const truth = groundTruthOf(plan);
  const timeline = timelineOf(plan);
  const isLost = (frame: number): boolean =>
    truth.faults.some(
      ({ kind, fromSeconds, toSeconds }) =>
        kind === 'lost' && fromSeconds - turning < frame / truth.fps && frame / truth.fps < toSeconds + turning,
    );

  it('is said of a frame that somebody has checked', () => {
    const said = Object.values(desk.notes).map(({ fromFrame }) => fromFrame);
    expect(said.sort((a, b) => a - b)).toEqual(Object.keys(claims[name]).map(Number));
  });

  it.each(Object.entries(claims[name]))('is true on frame %s: who is where, whose hands touch what, in the picture', (at, claim) => {
    const frame = Number(at);
    const span = truth.spans.find(({ fromFrame, toFrame }) => fromFrame <= frame && frame < toFrame);
    expect([span?.position, span?.holder, isLost(frame)]).toEqual([claim.position, claim.holder, false]);
    const { A: client, B: partner } = pairAtFrame(plan, timeline, frame);
    const near = (hand: 'rTip' | 'lTip', joints: readonly Joint[]): number =>
      Math.min(...joints.map((joint) => distance(client.joints[hand], partner.joints[joint])));
    if (claim.hands) for (const hand of ['rTip', 'lTip'] as const) expect(near(hand, claim.hands), hand).toBeLessThan(reach);
    if (claim.oneHand) expect(Math.min(near('rTip', claim.oneHand), near('lTip', claim.oneHand))).toBeLessThan(reach);
    if (claim.headOver) expect(client.joints.head[2]).toBeGreaterThan(claim.headOver);
    if (claim.headUnder) expect(client.joints.head[2]).toBeLessThan(claim.headUnder);
    if (claim.leansIn)
      expect(distance(partner.joints.head, client.joints.pelvis)).toBeLessThan(distance(partner.joints.pelvis, client.joints.head) + 0.3);
  });

  it('asks at a decision while it is in the picture, the same two are where they are at the note, and it leads there', () => {
    for (const { fromFrame, fork } of Object.values(desk.notes)) {
      if (!fork) continue;
      const spanAt = (frame: number) => truth.spans.find((one) => one.fromFrame <= frame && frame < one.toFrame);
      expect(spanAt(fork.opensFrame)).toEqual(spanAt(fromFrame));
      expect([isLost(fork.opensFrame), fork.opensFrame < fromFrame]).toEqual([false, true]);
      const { A: client, B: partner } = pairAtFrame(plan, timeline, fork.opensFrame);
      if (claims[name][fromFrame]?.leansIn)
        expect(distance(partner.joints.head, client.joints.pelvis)).toBeLessThan(distance(partner.joints.pelvis, client.joints.head) + 0.3);
    }
  });

  it('measures nothing where the picture is lost', () => {
    for (const { atFrame, toFrame } of Object.values(desk.measures))
      expect([atFrame, toFrame ?? atFrame].map(isLost)).toEqual([false, false]);
  });
});
