import { execFileSync } from 'node:child_process';
import { readFileSync, statSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { practiceFile } from '@lean-mentor/contract';
import { positionCodes, tilingFault, type Span } from '@lean-mentor/core/scoring';
import { describe, expect, it } from 'vitest';
import { clipPlans } from '../scenario/clips.ts';
import { demoPractice } from '../scenario/practice.ts';
import { poses } from '../figure/pose.ts';
import { distance } from '../figure/vector.ts';
import { bodyOf } from '../figure/body.ts';
import { groundTruthOf, pairAtFrame, timelineOf } from './groundTruth.ts';

const file = (name: string): string => fileURLToPath(new URL(`../clips/${name}`, import.meta.url));

describe.each(clipPlans.map((plan) => [plan.name, plan] as const))('the clip %s', (name, plan) => {
  const truth = groundTruthOf(plan);

  it('has spans in known positions that tile its bout', () => {
    expect(tilingFault(truth.spans as Span[], truth.bout.fromFrame, truth.bout.toFrame)).toBeNull();
    for (const { position } of truth.spans) expect(positionCodes).toContain(position);
  });

  it('has its events, bells and faults inside itself', () => {
    for (const { atFrame } of truth.events) {
      expect(atFrame).toBeGreaterThanOrEqual(truth.bout.fromFrame);
      expect(atFrame).toBeLessThan(truth.bout.toFrame);
    }
    for (const seconds of [...truth.bells, ...truth.impacts, ...truth.faults.flatMap((f) => [f.fromSeconds, f.toSeconds])]) {
      expect(seconds).toBeGreaterThan(0);
      expect(seconds).toBeLessThan(truth.seconds);
    }
  });

  it('lies committed with the truth it was made from, 45 s to six minutes long, under 4 MB a minute', () => {
    expect(JSON.parse(readFileSync(file(`${name}.truth.json`), 'utf8'))).toEqual(JSON.parse(JSON.stringify(truth)));
    expect(truth.seconds).toBeGreaterThanOrEqual(45);
    expect(truth.seconds).toBeLessThanOrEqual(360);
    expect(statSync(file(`${name}.mp4`)).size / Math.max(1, truth.seconds / 60)).toBeLessThan(4e6);
    const probed = execFileSync(
      'ffprobe',
      ['-v', 'error', '-select_streams', 'v', '-show_entries', 'stream=nb_frames', '-of', 'csv=p=0', file(`${name}.mp4`)],
      { encoding: 'utf8' },
    );
    expect(Number(probed)).toBe(truth.frameCount);
  });

  it('keeps limbs at their lengths and bodies above the mat, at every tenth of a second', () => {
    const timeline = timelineOf(plan);
    const bodies = { A: bodyOf(plan.client.heightMetres), B: bodyOf(plan.partner.heightMetres) };
    for (let frame = 0; frame < truth.frameCount; frame += 3) {
      const pair = pairAtFrame(plan, timeline, frame);
      for (const who of ['A', 'B'] as const) {
        const { joints } = pair[who];
        for (const [joint, at] of Object.entries(joints)) expect(at[2], `${who} ${joint} at frame ${frame}`).toBeGreaterThan(-0.06);
        for (const side of ['r', 'l'] as const) {
          expect(distance(joints[`${side}Hip`], joints[`${side}Knee`]), `${who} ${side} thigh at frame ${frame}`).toBeCloseTo(
            bodies[who].thigh,
            2,
          );
          expect(distance(joints[`${side}Knee`], joints[`${side}Ank`]), `${who} ${side} shin at frame ${frame}`).toBeCloseTo(
            bodies[who].shin,
            2,
          );
          expect(distance(joints[`${side}Elb`], joints[`${side}Wr`]), `${who} ${side} forearm at frame ${frame}`).toBeCloseTo(
            bodies[who].forearm,
            2,
          );
        }
      }
    }
  });

  it('moves like people: no joint goes faster than seven and a half metres a second', () => {
    const timeline = timelineOf(plan);
    let before = pairAtFrame(plan, timeline, 0);
    for (let frame = 1; frame < truth.frameCount; frame++) {
      const now = pairAtFrame(plan, timeline, frame);
      for (const who of ['A', 'B'] as const)
        for (const joint of ['pelvis', 'chest', 'head'] as const)
          expect(distance(before[who].joints[joint], now[who].joints[joint]), `${who} ${joint} at frame ${frame}`).toBeLessThan(
            (0.25 * 30) / plan.fps,
          );
      before = now;
    }
  });
});

describe('the demo practice', () => {
  const practice = demoPractice(new Date('2031-03-05T12:00:00Z'));

  it('is a practice file', () => {
    expect(practiceFile.parse(practice).accounts).toHaveLength(11);
  });

  it('is dated relative to the day it is loaded', () => {
    const later = demoPractice(new Date('2031-03-06T12:00:00Z'));
    practice.requests.forEach((request, i) => expect(Date.parse(later.requests[i]!.sentAt) - Date.parse(request.sentAt)).toBe(86_400_000));
  });

  it('keeps the addresses of its things from load to load', () => {
    expect(demoPractice(new Date()).requests.map((r) => r.id)).toEqual(practice.requests.map((r) => r.id));
  });

  it('has notes and marks inside their footage', () => {
    for (const { footages, document } of practice.requests)
      for (const note of Object.values(document?.notes ?? {})) {
        const { bouts, file, seconds } = footages.find((f) => f.id === note.footageId)!;
        // Of footage that is not kept only its length is known; phones film thirty frames a second.
        const inside =
          file === null ? note.fromFrame < seconds! * 30 : bouts.some((b) => note.fromFrame >= b.fromFrame && note.fromFrame < b.toFrame);
        expect(inside).toBe(true);
      }
  });

  it('uses poses of the library only', () => {
    for (const plan of clipPlans) for (const { pose } of plan.steps) expect(poses[pose], pose).toBeDefined();
  });
});
