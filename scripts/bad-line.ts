import { createServer, type IncomingMessage, request, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';

/** What the line does with one request. */
export type Does =
  | 'passes'
  /** A page of somebody else's answers in the server's stead, as in a hotel. */
  | 'captive'
  /** Something on the way refuses. */
  | 403
  | 408
  | 500
  /** It is passed on, and the answer gets lost. */
  | 'loses-answer'
  /** It is passed on twice. */
  | 'repeats'
  | 'delays'
  | 'drops';

export type BadLine = Readonly<{
  address: string;
  /** What is done with the next requests to this path, in turn; whatever comes after passes. */
  will: (path: string, ...does: Does[]) => void;
  /** How many requests to this path have come. */
  came: (path: string) => number;
  close: () => Promise<void>;
}>;

const portal = '<!doctype html><title>Welcome</title><p>Accept our terms to go on.</p>';

/** A line to the school that fails as it is told; the browser knows no other. */
export async function badLine(school: string): Promise<BadLine> {
  const plans = new Map<string, Does[]>();
  const counts = new Map<string, number>();

  const pass = (
    asked: IncomingMessage,
    body: Buffer,
  ): Promise<{ status: number; headers: IncomingMessage['headers']; body: Buffer }> =>
    new Promise((resolve, reject) => {
      const { hostname, port } = new URL(school);
      const on = request(
        { hostname, port, path: asked.url, method: asked.method, headers: asked.headers },
        (answer) => {
          const parts: Buffer[] = [];
          answer.on('data', (part: Buffer) => parts.push(part));
          answer.on('end', () =>
            resolve({ status: answer.statusCode ?? 502, headers: answer.headers, body: Buffer.concat(parts) }),
          );
        },
      );
      on.on('error', reject);
      on.end(body);
    });

  const handle = async (asked: IncomingMessage, answer: ServerResponse): Promise<void> => {
    const parts: Buffer[] = [];
    for await (const part of asked) parts.push(part as Buffer);
    const body = Buffer.concat(parts);
    const path = asked.url?.replace(/\?.*/, '') ?? '';
    counts.set(path, (counts.get(path) ?? 0) + 1);
    const does = plans.get(path)?.shift() ?? 'passes';
    if (does === 'captive') return void answer.writeHead(200, { 'content-type': 'text/html' }).end(portal);
    if (typeof does === 'number')
      return void answer.writeHead(does, { 'content-type': 'text/html' }).end(`<h1>${does}</h1>`);
    if (does === 'drops') return void asked.socket.destroy();
    if (does === 'delays') await new Promise((resolve) => setTimeout(resolve, 1500));
    if (does === 'repeats') await pass(asked, body);
    const said = await pass(asked, body);
    if (does === 'loses-answer') return void asked.socket.destroy();
    answer.writeHead(said.status, said.headers).end(said.body);
  };

  const server: Server = createServer((asked, answer) => {
    handle(asked, answer).catch(() => asked.socket.destroy());
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    will: (path, ...does) => void plans.set(`/api/v1${path}`, does),
    came: (path) => counts.get(`/api/v1${path}`) ?? 0,
    close: async () => {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
    },
  };
}
