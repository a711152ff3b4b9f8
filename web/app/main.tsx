import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router';
import { Toaster } from 'sonner';
import { router } from './router.tsx';
import { makeStore } from './store.ts';
import './theme.css';

createRoot(document.getElementById('page')!).render(
  <StrictMode>
    <Provider store={makeStore()}>
      <RouterProvider router={router} />
      <Toaster position="bottom-center" toastOptions={{ className: '!rounded-sm !border-seam !bg-ink !text-linen !font-sans' }} />
    </Provider>
  </StrictMode>,
);
