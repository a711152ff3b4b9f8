import { createContext, useContext, type Context, type ReactNode } from 'react';
import type { CodingControls } from './coding/codingControls.ts';
import type { TrayControls } from './compare/useTray.ts';
import type { DrawingControls } from './drawing/useDrawing.ts';
import type { MeasureControls } from './measure/useMeasuring.ts';
import type { TakeControls } from './take/useTake.ts';
import type { PhaseControls } from './usePhase.ts';
import type { Stops } from './useStops.ts';
import type { WritingControls } from './useWriting.ts';

/** Whether the score lies open under the stage. */
export interface ScoreShown {
  shown: boolean;
  toggle: () => void;
}

/** What the coach works with on the desk. */
export interface DeskControls {
  writing: WritingControls;
  drawing: DrawingControls;
  measuring: MeasureControls;
  coding: CodingControls;
  tray: TrayControls;
  score: ScoreShown;
  phase: PhaseControls;
  stops: Stops;
  take: TakeControls;
}

// One context each: what draws is not redrawn with every letter of a note.
const contexts: { readonly [K in keyof DeskControls]: Context<DeskControls[K] | null> } = {
  writing: createContext<WritingControls | null>(null),
  drawing: createContext<DrawingControls | null>(null),
  measuring: createContext<MeasureControls | null>(null),
  coding: createContext<CodingControls | null>(null),
  tray: createContext<TrayControls | null>(null),
  score: createContext<ScoreShown | null>(null),
  phase: createContext<PhaseControls | null>(null),
  stops: createContext<Stops | null>(null),
  take: createContext<TakeControls | null>(null),
};

/** Hands the controls to everything on the desk. */
export function DeskControlsProvider({ controls, children }: { controls: DeskControls; children: ReactNode }) {
  return (Object.keys(contexts) as (keyof DeskControls)[]).reduceRight<ReactNode>((within, name) => {
    const Provider = contexts[name].Provider as Context<unknown>['Provider'];
    return <Provider value={controls[name]}>{within}</Provider>;
  }, children);
}

/** One of the desk’s controls; whatever uses it is redrawn when that one changes. */
export function useControls<K extends keyof DeskControls>(name: K): DeskControls[K] {
  const present = useContext(contexts[name] as Context<DeskControls[K] | null>);
  if (!present) throw new Error(`There are no controls for ${name} around this.`);
  return present;
}
