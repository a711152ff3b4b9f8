import { balancedValue, positionFamily, type PositionCode, type PositionValues } from '../positions/index.ts';

export const valuePresets = ['balanced', 'top-first', 'guard-first'] as const;
export type ValuePreset = (typeof valuePresets)[number];

/** What a guard is worth more to the passer than under "balanced" (docs/domain.md §1). */
const guardShift: Record<ValuePreset, number> = { balanced: 0, 'top-first': 15, 'guard-first': -15 };

export const presetWords: Record<ValuePreset, string> = {
  balanced: 'Balanced',
  'top-first': 'Top first: a guard is the passer’s',
  'guard-first': 'Guard first: a guard is the guard player’s',
};

/** Values under a preset, with the coach's own in place of some of them. Each lies within −100..100. */
export function positionValues(preset: ValuePreset, own: Readonly<Partial<Record<PositionCode, number>>> = {}): PositionValues {
  return (code) => {
    const shift = positionFamily(code) === 'guard' ? guardShift[preset] : 0;
    return Math.min(100, Math.max(-100, own[code] ?? balancedValue(code) + shift));
  };
}
