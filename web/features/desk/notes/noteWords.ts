import type { NoteLayer } from '@lean-mentor/core/desk';

export const layerWords: Record<NoteLayer, string> = {
  technical: 'Technical',
  tactical: 'Tactical',
  strategic: 'Strategic',
  fitness: 'Fitness',
  conduct: 'Conduct',
};
