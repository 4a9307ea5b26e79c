import type { Server } from 'node:http';

/**
 * Keeps a connection open between requests for longer than whoever is in front of us does (a proxy: a minute). Closed from
 * here first, one that is just being used again breaks off, and the request with it.
 */
export function keepOpen(server: Server): void {
  server.keepAliveTimeout = 65_000;
}
