/** Lets a video's connection go: a browser keeps it open otherwise until it collects the element, and has six for a whole house. */
function letGo(video: HTMLVideoElement): void {
  video.pause();
  video.removeAttribute('src');
  video.load();
}

const videosIn = (node: Node): HTMLVideoElement[] =>
  node instanceof HTMLVideoElement ? [node] : node instanceof Element ? [...node.querySelectorAll('video')] : [];

/**
 * Keeps no connection open that no page uses: videos are let go when they leave the page, and with the page itself, which browsers may
 * keep alive for the way back; on the way back it is loaded anew.
 */
export function freeConnections(): void {
  new MutationObserver((changes) => {
    for (const video of changes.flatMap(({ removedNodes }) => [...removedNodes].flatMap(videosIn))) if (!video.isConnected) letGo(video);
  }).observe(document.body, { childList: true, subtree: true });
  addEventListener('pagehide', () => document.querySelectorAll('video').forEach(letGo));
  addEventListener('pageshow', (event: PageTransitionEvent) => event.persisted && location.reload());
}
