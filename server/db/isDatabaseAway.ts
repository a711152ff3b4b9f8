/** Codes of the network, the connector and the server that say: the database cannot be reached, or went away meanwhile. */
const awayCodes: ReadonlySet<unknown> = new Set([
  ...['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'PROTOCOL_CONNECTION_LOST'],
  ...['ER_SOCKET_UNEXPECTED_CLOSE', 'ER_CONNECTION_ALREADY_CLOSED', 'ER_CMD_CONNECTION_CLOSED', 'ER_CONNECTION_TIMEOUT'],
  // A member of a cluster that is still catching up, or has lost the others.
  'ER_UNKNOWN_COM_ERROR',
  ...['ER_SERVER_SHUTDOWN', 'ER_CONNECTION_KILLED', 'ER_GET_CONNECTION_TIMEOUT'],
]);

/** Whether an error, or what caused it, says that the database is away: being started again, mostly. */
export function isDatabaseAway(error: unknown): boolean {
  for (let one = error, depth = 0; one instanceof Error && depth < 5; depth++) {
    const { code, original, parent } = one as { code?: unknown; original?: unknown; parent?: unknown };
    if (
      awayCodes.has(code) ||
      /^(?:SequelizeConnection|ConnectionAcquireTimeout)/.test(one.name) ||
      /^Connection\w*Error$/.test(one.constructor.name)
    )
      return true;
    one = original ?? parent ?? one.cause;
  }
  return false;
}
