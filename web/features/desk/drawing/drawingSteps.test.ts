import type { DrawingTool, PicturePoint } from '@lean-mentor/core/desk';
import { describe, expect, it } from 'vitest';
import { drawingAfter, nothingDrawn, type DrawingState, type DrawingStep, type MadeShape } from './drawingSteps.ts';

const aspect = 16 / 9;
const at = (x: number, y: number): PicturePoint => ({ x, y });
const down = (x: number, y: number): DrawingStep => ({ do: 'down', point: at(x, y) });
const move = (x: number, y: number): DrawingStep => ({ do: 'move', point: at(x, y) });
const up: DrawingStep = { do: 'up' };
const take = (tool: DrawingTool | null): DrawingStep => ({ do: 'take', tool });

function after(...steps: DrawingStep[]): { state: DrawingState; made: MadeShape[] } {
  let state = nothingDrawn;
  const all: MadeShape[] = [];
  for (const step of steps) {
    const next = drawingAfter(state, step, aspect);
    state = next.state;
    if (next.made) all.push(next.made);
  }
  return { state, made: all };
}

describe('drawing', () => {
  it('draws nothing without a tool', () => {
    expect(after(down(0.1, 0.1), move(0.5, 0.5), up)).toEqual({ state: nothingDrawn, made: [] });
  });

  it('drags an arrow from where the pointer went down to where it went up, however it went between', () => {
    const { state, made } = after(take('arrow'), down(0.1, 0.1), move(0.9, 0.2), move(0.5, 0.5), up);
    expect(made).toEqual([{ tool: 'arrow', colour: 'client', weight: 'plain', words: '', points: [at(0.1, 0.1), at(0.5, 0.5)] }]);
    // The tool is kept, for the next.
    expect([state.choice.tool, state.draft]).toEqual(['arrow', []]);
  });

  it('makes no arrow of a press alone, and a dot of a press with the freehand pen', () => {
    expect(after(take('arrow'), down(0.1, 0.1), up).made).toEqual([]);
    expect(after(take('freehand'), down(0.1, 0.1), up).made).toMatchObject([{ points: [at(0.1, 0.1)] }]);
  });

  it('takes an angle’s three corners one by one, and moving between them adds none', () => {
    const steps = [take('angle'), down(0.1, 0.1), up, move(0.2, 0.2), down(0.3, 0.3), up];
    expect(after(...steps).state.draft).toHaveLength(2);
    expect(after(...steps, down(0.5, 0.1)).made).toMatchObject([{ tool: 'angle', points: [at(0.1, 0.1), at(0.3, 0.3), at(0.5, 0.1)] }]);
  });

  it('closes a gap on its first corner, or when told, and not before it has three', () => {
    const two = [take('gap'), down(0.1, 0.1), down(0.5, 0.1)];
    expect(after(...two, { do: 'close' }).made).toEqual([]);
    const three = [...two, down(0.5, 0.5)];
    expect(after(...three, { do: 'close' }).made).toMatchObject([{ points: { length: 3 } }]);
    expect(after(...three, down(0.105, 0.105)).made).toMatchObject([{ points: { length: 3 } }]);
    // Near its first corner is nearer than a fiftieth of the picture's height, also across.
    expect(after(...three, down(0.115, 0.1)).made).toEqual([]);
  });

  it('waits for a label’s words, takes no press meanwhile, and makes nothing of none', () => {
    const begun = [take('label'), down(0.4, 0.4), up];
    expect(after(...begun).state.labelling).toBe(true);
    expect(after(...begun, down(0.9, 0.9)).state.draft).toEqual([at(0.4, 0.4)]);
    expect(after(...begun, { do: 'words', words: ' Elbow ' }).made).toMatchObject([
      { tool: 'label', words: 'Elbow', points: [at(0.4, 0.4)] },
    ]);
    const none = after(...begun, { do: 'words', words: '  ' });
    expect([none.made, none.state.labelling, none.state.draft]).toEqual([[], false, []]);
  });

  it('lets Esc take the half-drawn shape first, then the tool', () => {
    const half = [take('angle'), down(0.1, 0.1), up, { do: 'leave' } as const];
    expect(after(...half).state).toMatchObject({ draft: [], choice: { tool: 'angle' } });
    expect(after(...half, { do: 'leave' }).state.choice.tool).toBeNull();
  });

  it('takes up the tool used last by its key, letting go of what was selected', () => {
    const { choice } = after(take('ring'), { do: 'layDown' }, { do: 'select', id: 'd' }, take(null)).state;
    expect(choice).toMatchObject({ tool: 'ring', selectedId: null });
  });
});
