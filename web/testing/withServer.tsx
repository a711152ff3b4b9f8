import { configureStore } from '@reduxjs/toolkit';
import { renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { baseApi } from '../shared/wire/index.ts';

/** Runs a hook that asks the server, over a store of its own; what `fetch` is stubbed with answers. */
export function renderAsking<Result>(hook: () => Result) {
  const store = configureStore({
    reducer: { [baseApi.reducerPath]: baseApi.reducer },
    middleware: (standard) => standard().concat(baseApi.middleware),
  });
  const wrapper = ({ children }: { children: ReactNode }) => <Provider store={store}>{children}</Provider>;
  return renderHook(hook, { wrapper });
}
