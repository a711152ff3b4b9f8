import { configureStore } from '@reduxjs/toolkit';
import { render, renderHook } from '@testing-library/react';
import type { ReactElement, ReactNode } from 'react';
import { Provider } from 'react-redux';
import { baseApi } from '../shared/wire/index.ts';

/** A store of its own around what asks the server; what `fetch` is stubbed with answers. */
function storeAround() {
  const store = configureStore({
    reducer: { [baseApi.reducerPath]: baseApi.reducer },
    middleware: (standard) => standard().concat(baseApi.middleware),
  });
  return ({ children }: { children: ReactNode }) => <Provider store={store}>{children}</Provider>;
}

/** Runs a hook that asks the server. */
export const renderAsking = <Result,>(hook: () => Result) => renderHook(hook, { wrapper: storeAround() });

/** Shows a part of a page that asks the server. */
export const showAsking = (part: ReactElement) => render(part, { wrapper: storeAround() });
