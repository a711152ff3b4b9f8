import { blankNote, emptyDesk, type DeskDocument, type Note } from '@lean-mentor/core/desk';
import { configureStore } from '@reduxjs/toolkit';
import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { DeskControlsProvider, type DeskControls } from '../features/desk/DeskControls.tsx';
import { DeskSceneProvider, DeskContentsProvider, type DeskScene } from '../features/desk/DeskScene.ts';
import { deskOpened, deskSlice } from '../features/desk/deskSlice.ts';
import { useDeskActions, useDeskState } from '../features/desk/useDesk.ts';
import { baseApi } from '../shared/wire/index.ts';

export const requestId = '3f2a9d10-1111-4111-8111-111111111111';
export const footageId = '3f2a9d10-2222-4222-8222-222222222222';

export const aNote = (id: string, fields: Partial<Note> = {}): Note =>
  blankNote({ id, footageId, fromFrame: 33, kind: 'good', what: 'Well kept.', ...fields });

/** As much of a request as components on the desk look at; nothing hurts. */
export const aRequest = {
  ...{ id: requestId, clientMarks: [], hurtsToday: '', partnerHurts: '', sentAt: '2031-01-01T10:00:00.000Z' },
  limits: { own: [], partner: [] },
};

/** A desk without a stage: the store with a document, and the scene that components on the desk look at. */
export function openDeskHouse(document: Partial<DeskDocument> = {}, fields: Partial<DeskScene> = {}, controls: Partial<DeskControls> = {}) {
  const store = configureStore({
    reducer: { [baseApi.reducerPath]: baseApi.reducer, [deskSlice.name]: deskSlice.reducer },
    middleware: (standard) => standard().concat(baseApi.middleware),
  });
  store.dispatch(
    deskOpened({ requestId, document: { ...emptyDesk(), ...document }, sequence: 0, outbox: [], history: { done: [], undone: [] } }),
  );
  const table = { times: Array.from({ length: 900 }, (_, i) => i / 30), endSeconds: 30 };
  function Scene({ children }: { children: ReactNode }) {
    const present = useDeskState().document;
    const actions = useDeskActions();
    const contents = { document: present, whole: present, notes: Object.values(present.notes), bouts: [] };
    const scene = {
      subject: {
        request: aRequest,
        client: { id: 'c', name: 'Ada Moor', hurts: [], limits: [] },
        answers: [],
      },
      footage: { id: footageId, bouts: [] },
      table,
      size: { width: 1280, height: 720 },
      secondsAt: (frame: number) => frame / 30,
      player: null,
      frames: null,
      boutAt: () => undefined,
      isLost: () => false,
      actions,
      asSeen: () => ({ view: { zoom: 1, x: 0, y: 0 }, mirrored: false }),
      sees: () => undefined,
      contents: () => contents,
      go: () => undefined,
      goToMoment: () => undefined,
      ...fields,
    } as unknown as DeskScene;
    return (
      <DeskSceneProvider value={scene}>
        <DeskContentsProvider value={contents}>
          <DeskControlsProvider controls={{ tray: {}, coding: { begin: () => undefined }, ...controls } as DeskControls}>
            {children}
          </DeskControlsProvider>
        </DeskContentsProvider>
      </DeskSceneProvider>
    );
  }
  const show = (children: ReactNode) =>
    render(
      <Provider store={store}>
        <MemoryRouter>
          <Scene>{children}</Scene>
        </MemoryRouter>
      </Provider>,
    );
  return { store, show, desk: () => store.getState().desk };
}
