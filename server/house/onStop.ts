/** Calls `stop` once, when this process is told to end or the script that started it is gone. */
export function onStop(stop: () => void): void {
  let stopped = false;
  const once = (): void => {
    if (stopped) return;
    stopped = true;
    // An open channel to the starting script would keep the process alive.
    if (process.connected) process.disconnect();
    stop();
  };
  for (const name of ['SIGINT', 'SIGTERM', 'disconnect'] as const) process.on(name, once);
  // The script that started it was gone before anybody listened; of a process without such a script this is undefined.
  if (process.connected === false) once();
}
