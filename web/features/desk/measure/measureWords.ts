import type { BodyJoint, MeasureKind } from '@lean-mentor/core/desk';

export const measureWords: Record<MeasureKind, { words: string; how: string }> = {
  angle: { words: 'Angle', how: 'Press one end, the joint, the other end.' },
  mat: { words: 'Mat', how: 'Press four corners of mat tiles going round a rectangle, then more if you can, then Done.' },
  distance: { words: 'Distance', how: 'Press two spots that touch the mat.' },
  balance: { words: 'Balance check', how: 'Press the joints you see; pass over the hidden ones.' },
  time: { words: 'Time', how: 'Go to the later frame, then Done.' },
  path: { words: 'Path of a dot', how: 'Press the same spot frame after frame; each press goes on. Then Done.' },
};

/** The joints in the order they are asked for, in words. */
export const jointWords: Record<BodyJoint, string> = {
  head: 'the middle of the head',
  shoulderLeft: 'the left shoulder',
  shoulderRight: 'the right shoulder',
  elbowLeft: 'the left elbow',
  elbowRight: 'the right elbow',
  wristLeft: 'the left wrist',
  wristRight: 'the right wrist',
  hipLeft: 'the left hip',
  hipRight: 'the right hip',
  kneeLeft: 'the left knee',
  kneeRight: 'the right knee',
  ankleLeft: 'the left ankle',
  ankleRight: 'the right ankle',
  toeLeft: 'the left toes',
  toeRight: 'the right toes',
};
