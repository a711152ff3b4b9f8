// @vitest-environment jsdom
import { cleanup, fireEvent, render } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { SteadyVideo } from './SteadyVideo.tsx';

afterEach(cleanup);

function open(seconds = 3) {
  const onFault = vi.fn();
  const at = (address: string, to = seconds) => (
    <SteadyVideo address={address} name="round.mp4" seconds={to} onLength={() => undefined} onFault={onFault} />
  );
  const { rerender, container } = render(at('/one'));
  const of = (address: string) => container.querySelector<HTMLVideoElement>(`video[src="${address}"]`);
  return {
    onFault,
    of,
    shown: () => container.querySelector('video:not([aria-hidden])')?.getAttribute('src'),
    become: (address: string, to?: number) => rerender(at(address, to)),
  };
}

describe('the picture of a video of which more comes', () => {
  it('stays until the longer one shows the same moment, and is then that one', () => {
    const { shown, of, become } = open();
    become('/two');
    expect([shown(), of('/two')!.getAttribute('aria-hidden')]).toEqual(['/one', 'true']);
    fireEvent.loadedMetadata(of('/two')!);
    expect([of('/two')!.currentTime, shown()]).toEqual([3, '/one']);
    fireEvent.seeked(of('/two')!);
    expect([shown(), of('/one'), of('/two')!.getAttribute('aria-hidden')]).toEqual(['/two', null, null]);
  });

  it('passes over one that a still longer one has replaced meanwhile', () => {
    const { shown, of, become } = open();
    become('/two');
    become('/three');
    expect([shown(), of('/two')]).toEqual(['/one', null]);
    fireEvent.seeked(of('/three')!);
    expect(shown()).toBe('/three');
  });

  it('is not lost where the longer one does not load, which is said, nor where what it replaces goes away', () => {
    const { shown, of, become, onFault } = open();
    become('/two');
    fireEvent.error(of('/one')!);
    expect(onFault).not.toHaveBeenCalled();
    fireEvent.error(of('/two')!);
    expect(onFault.mock.calls).toEqual([['/two']]);
    expect(shown()).toBe('/one');
  });
});
