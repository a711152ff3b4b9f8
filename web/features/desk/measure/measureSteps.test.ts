import { bodyJoints, type MeasureKind } from '@lean-mentor/core/desk';
import { describe, expect, it } from 'vitest';
import { askedJoint, isComplete, measureAfter, measureInput, type MeasureStep, type MeasureWork } from './measureSteps.ts';

const begin = (kind: MeasureKind, atFrame = 7): MeasureStep => ({ do: 'begin', kind, atFrame });
const press = (x: number, atFrame = 7): MeasureStep => ({ do: 'press', point: { x, y: 0.5 }, atFrame });
const after = (...steps: MeasureStep[]): MeasureWork | null => steps.reduce<MeasureWork | null>(measureAfter, null);
const size = { width: 1280, height: 720 };

describe('measuring', () => {
  it('takes no press while nothing is measured', () => {
    expect(after(press(0.1))).toBeNull();
  });

  it('completes an angle with its third dot and a distance with its second, and no other by itself', () => {
    const dotsUntilComplete = (kind: MeasureKind) =>
      [1, 2, 3, 4].find((n) => isComplete(after(begin(kind), ...Array.from({ length: n }, (_, i) => press(i / 10)))!));
    expect(['angle', 'distance', 'mat', 'path', 'balance'].map((kind) => dotsUntilComplete(kind as MeasureKind))).toEqual([
      3,
      2,
      undefined,
      undefined,
      undefined,
    ]);
  });

  it('asks for one joint after another, passes over a hidden one, then takes contacts with the mat', () => {
    const first = after(begin('balance'), press(0.1), { do: 'pass' });
    expect([Object.keys(first!.dots), askedJoint(first)]).toEqual([[bodyJoints[0]], bodyJoints[2]]);
    const all = after(begin('balance'), ...bodyJoints.map((_, i) => press(i / 100)), press(0.9));
    expect([askedJoint(all), all!.spots.map(({ x }) => x)]).toEqual([null, [0.9]]);
  });

  it('takes dots back: contacts first, then joints, the last of each', () => {
    const back: MeasureStep = { do: 'takeBack' };
    const all = [begin('balance'), ...bodyJoints.map((_, i) => press(i / 100)), press(0.9)];
    expect(after(...all, back)!.spots).toEqual([]);
    const fewer = after(...all, back, back)!;
    expect([fewer.joint, Object.keys(fewer.dots).length]).toEqual([bodyJoints.length - 1, bodyJoints.length - 1]);
    expect(after(begin('angle'), back)!.spots).toEqual([]);
  });

  it('keeps a path’s dots in the order of time, whichever way it was followed, and the same frame again corrects its dot', () => {
    const work = after(begin('path', 20), press(0.5, 20), press(0.3, 10), press(0.7, 30), press(0.4, 10))!;
    expect([work.atFrame, work.frames, work.spots.map(({ x }) => x)]).toEqual([10, [10, 20, 30], [0.4, 0.5, 0.7]]);
    expect(measureInput(work, size, 'm')).toMatchObject({ kind: 'path', matId: 'm', dots: [{ frame: 10 }, { frame: 20 }, { frame: 30 }] });
  });

  it('is left by the same kind again, and begun anew by another', () => {
    expect(after(begin('angle'), press(0.1), begin('angle'))).toBeNull();
    expect(after(begin('angle'), press(0.1), begin('mat', 9))).toMatchObject({ kind: 'mat', atFrame: 9, spots: [] });
  });
});
