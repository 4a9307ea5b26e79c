// One at a time on a folder: whoever holds it answers others who it is. The system lets go of it however a process ends.
import { createHash } from 'node:crypto';
import { mkdirSync, realpathSync } from 'node:fs';
import { connect, createServer } from 'node:net';

/** A socket that is no file: nothing is left behind that could be stale. */
const nameOf = (folder) =>
  `\0wire-trail-${createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 40)}`;

/** What the holder of a folder says of itself: `{ pid, … }`; null where nobody holds it. */
export function holderOf(folder) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return new Promise((resolve) => {
    let text = '';
    const socket = connect(nameOf(folder));
    socket.setTimeout(2000, () => socket.destroy());
    socket.on('data', (chunk) => {
      text += chunk;
    });
    socket.on('error', () => {});
    socket.on('close', () => resolve(text === '' ? null : JSON.parse(text)));
  });
}

/** Holds a folder until `release`, or the end of this process; null where somebody else does. `say` adds to what is answered. */
export function hold(folder, about = {}) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  let said = { pid: process.pid, ...about };
  return new Promise((resolve, reject) => {
    const server = createServer((socket) => {
      socket.on('error', () => {});
      socket.end(JSON.stringify(said));
    });
    server.once('error', (error) => (error.code === 'EADDRINUSE' ? resolve(null) : reject(error)));
    server.listen(nameOf(folder), () => {
      server.unref();
      resolve({
        say: (more) => {
          said = { ...said, ...more };
        },
        release: () => new Promise((done) => server.close(() => done())),
      });
    });
  });
}
