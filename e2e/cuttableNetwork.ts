import { connect, createServer, type AddressInfo, type Socket } from 'node:net';

/** The way from a browser to the house, which can be cut and mended. */
export interface CuttableNetwork {
  /** What the browser opens. */
  base: string;
  cut: () => Promise<void>;
  mend: () => Promise<void>;
  close: () => Promise<void>;
}

/** Stands between browser and house on 127.0.0.1: cut, nobody answers there, neither to a page nor to its service worker. */
export async function cuttableNetwork(house: string): Promise<CuttableNetwork> {
  const { port: housePort } = new URL(house);
  const open = new Set<Socket>();
  const keep = (socket: Socket): Socket => {
    open.add(socket);
    return socket.on('close', () => open.delete(socket)).on('error', () => socket.destroy());
  };
  const server = createServer((from) => {
    const to = keep(connect(Number(housePort), '127.0.0.1'));
    keep(from).pipe(to).pipe(from);
  });
  const listen = (port: number): Promise<void> => new Promise((resolve) => server.listen(port, '127.0.0.1', resolve));
  const cut = (): Promise<void> =>
    new Promise((resolve) => {
      server.close(() => resolve());
      for (const socket of open) socket.destroy();
    });
  await listen(0);
  const { port } = server.address() as AddressInfo;
  return {
    base: `http://127.0.0.1:${port}`,
    cut,
    mend: () => listen(port),
    close: () => (server.listening ? cut() : Promise.resolve()),
  };
}
