import { setupListeners } from '@reduxjs/toolkit/query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router';
import { freeConnections } from './connections.ts';
import { makeRouter } from './router.tsx';
import { MessagesProvider } from '../shared/primitives/index.ts';
import { makeStore } from './store.ts';
import './theme.css';

// What is on the screen is asked for again when the window comes back or the network does.
const store = makeStore();
const router = makeRouter(store);
setupListeners(store.dispatch);
freeConnections();

createRoot(document.getElementById('page')!).render(
  <StrictMode>
    <Provider store={store}>
      <MessagesProvider>
        <RouterProvider router={router} />
      </MessagesProvider>
    </Provider>
  </StrictMode>,
);
