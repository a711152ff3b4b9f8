import { createServer } from 'node:http';
import { readConfig } from './config/config.ts';
import { createApp } from './app.ts';
import { onStop } from './house/onStop.ts';
import { closeDatabase } from './database.ts';
import { openHouse } from './openHouse.ts';

const config = readConfig();
const house = openHouse(config);
const { app, close } = createApp(house);
house.room.watch(500);
const server = createServer(app);

server.on('error', (error: NodeJS.ErrnoException) => {
  const words =
    error.code === 'EADDRINUSE' ? `Port ${config.port} is in use. Stop what uses it, or set PORT to another one.` : error.message;
  house.log.fatal({ code: error.code }, words);
  process.exitCode = 1;
  close();
  void closeDatabase(house.db);
});
server.listen(config.port, config.host, () => process.send?.({ listening: (server.address() as { port: number }).port }));

/** Open answers may end; event streams, which would not, are cut after a moment. */
onStop(() => {
  server.close(() => void closeDatabase(house.db));
  close();
  house.room.stop();
  setTimeout(() => server.closeAllConnections(), 1500).unref();
});
