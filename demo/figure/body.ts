/** Body measures in metres of an athlete of 1.78 m; others are scaled by height (see the footage design notes). */
const reference = {
  hipHalfWidth: 0.095,
  hipDrop: 0.045,
  lumbar: 0.16,
  thorax: 0.33,
  shoulderHalfWidth: 0.175,
  shoulderDrop: 0.055,
  upperArm: 0.295,
  forearm: 0.255,
  thigh: 0.43,
  shin: 0.425,
  neck: 0.09,
  ankleHeight: 0.075,
  shoulderSlide: 0.065,
  headRadius: 0.105,
} as const;

export type BodyMeasures = { [K in keyof typeof reference]: number };

/** Measures for an athlete of `heightMetres` (1.2 to 2.2). */
export function bodyOf(heightMetres: number): BodyMeasures {
  const factor = heightMetres / 1.78;
  return Object.fromEntries(Object.entries(reference).map(([name, value]) => [name, value * factor])) as BodyMeasures;
}
