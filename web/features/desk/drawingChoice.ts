import type { DrawingTool, StrokeColour } from '@lean-mentor/core/desk';

export interface DrawingChoice {
  /** Null: nothing is being drawn; drawings can be selected. */
  tool: DrawingTool | null;
  lastTool: DrawingTool;
  colour: StrokeColour;
  selectedId: string | null;
}
export const noDrawing: DrawingChoice = { tool: null, lastTool: 'arrow', colour: 'client', selectedId: null };
