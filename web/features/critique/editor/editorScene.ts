import type { Footage } from '@lean-mentor/contract';
import type { Note } from '@lean-mentor/core/desk';
import { createContext, useContext } from 'react';

/** What the blocks of the page are tied to: the request's notes and footage. */
export interface EditorScene {
  requestId: string;
  notes: Readonly<Record<string, Note>>;
  footages: readonly Footage[];
}

const scene = createContext<EditorScene>({ requestId: '', notes: {}, footages: [] });
export const EditorSceneProvider = scene.Provider;
export const useEditorScene = (): EditorScene => useContext(scene);
