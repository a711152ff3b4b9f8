// @vitest-environment jsdom
import type { ShownFootage, ShownMoment } from '@lean-mentor/contract';
import { blankNote } from '@lean-mentor/core/desk';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { MomentFigure } from './MomentFigure.tsx';

const note = blankNote({ id: 'n', footageId: 'f', fromFrame: 30, what: 'The elbow leaves.' });
const moment: ShownMoment = { note, drawings: [], clipFromSeconds: 0, clipToSeconds: 3, beside: null };
const footage: ShownFootage = { id: 'f', state: 'ready', width: 640, height: 360 };

beforeEach(() => {
  vi.stubGlobal('matchMedia', () => ({ matches: false }));
  vi.stubGlobal(
    'IntersectionObserver',
    class {
      observe = (): void => undefined;
      disconnect = (): void => undefined;
    },
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const show = (heard: string | null) =>
  render(
    <MomentFigure
      {...{ moments: [moment], footages: [footage], noteId: 'n', show: 'clip', heard, still: 's.png' }}
      clock={() => null}
      clip={(playing) => <p>{`plays at ${playing.speed}, ${playing.heard ?? 'silent'}`}</p>}
    />,
  );

it('a clip with sound is silent until it is asked for, then plays at its own speed; its words are there to read all along', async () => {
  show('Coach: hips!');
  expect(screen.getByText('Heard: Coach: hips!')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: /^Play/ }));
  expect(screen.getByText('plays at 0.5, silent')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: /^With sound/ }));
  expect(screen.getByText('plays at 1, Coach: hips!')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: /^Without sound/ }));
  expect(screen.getByText('plays at 1, silent')).toBeTruthy();
});

it('a clip that the coach left silent has no way to sound', () => {
  show(null);
  expect(screen.queryByRole('button', { name: /sound/ })).toBeNull();
});
