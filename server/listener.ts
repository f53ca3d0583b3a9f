import type { Express } from 'express';
import { createServer, STATUS_CODES, type Server } from 'node:http';
import type { Socket } from 'node:net';

/** How long a client may take, ms, and how many there may be at once. */
export type Limits = {
  /** to send its headers, all of them */
  headersMs: number;
  /** to send its whole request */
  requestMs: number;
  /** to ask again on an open connection */
  idleMs: number;
  /** how often it is looked who is over its time */
  everyMs: number;
  connections: number;
};
const LIMITS: Limits = { headersMs: 10_000, requestMs: 15_000, idleMs: 5_000, everyMs: 1_000, connections: 300 };

/**
 * A server that lets go of who sends slowly or only sits there, and says so: to the client by its status, and to whoever
 * started the server by `tell`.
 */
export function listenerOf(app: Express, tell: (what: string) => void, limits: Limits = LIMITS): Server {
  const server = createServer(
    {
      headersTimeout: limits.headersMs,
      requestTimeout: limits.requestMs,
      keepAliveTimeout: limits.idleMs,
      connectionsCheckingInterval: limits.everyMs,
    },
    app,
  );
  server.maxConnections = limits.connections;
  server.on('clientError', (e: NodeJS.ErrnoException, socket) => {
    const status = e.code === 'ERR_HTTP_REQUEST_TIMEOUT' ? 408 : e.code === 'HPE_HEADER_OVERFLOW' ? 431 : 400;
    // a browser opens connections that it may never use: those are let go without a word
    if (status === 408 && (socket as Socket).bytesRead > 0)
      tell('a client took too long to send its request and was let go');
    if (socket.writable && e.code !== 'ECONNRESET')
      socket.end(`HTTP/1.1 ${status} ${STATUS_CODES[status]}\r\nConnection: close\r\n\r\n`);
    else socket.destroy();
  });
  return server;
}
