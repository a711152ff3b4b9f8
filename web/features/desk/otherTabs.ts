/** Tells the other tabs of this browser that the server has news of a request. */
const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('lean-desk');

export const tellOtherTabs = (requestId: string): void => channel?.postMessage(requestId);

/** Calls back when another tab has told of a request; answers how to stop. */
export function hearOtherTabs(listener: (requestId: string) => void): () => void {
  const hear = ({ data }: MessageEvent<string>): void => listener(data);
  channel?.addEventListener('message', hear);
  return () => channel?.removeEventListener('message', hear);
}
