import type { DrawingTool, StrokeColour, StrokeWeight } from '@lean-mentor/core/desk';

export interface DrawingChoice {
  /** Null: nothing is being drawn; drawings can be selected. */
  tool: DrawingTool | null;
  lastTool: DrawingTool;
  colour: StrokeColour;
  weight: StrokeWeight;
  selectedId: string | null;
}
export const noDrawing: DrawingChoice = { tool: null, lastTool: 'arrow', colour: 'client', weight: 'plain', selectedId: null };
