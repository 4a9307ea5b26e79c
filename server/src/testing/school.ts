import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Role } from '@wire-trail/core';
import { roles } from '@wire-trail/core';
import type Koa from 'koa';
import { inject } from 'vitest';
import { createApp } from '../app/app.ts';
import { type Config, readConfig } from '../config.ts';
import { connect, createDatabase, migrate } from '../db/connect.ts';
import { importBundle } from '../features/imports/service.ts';
import { addUser } from '../features/users/service.ts';
import { keepOpen } from '../http/keep-open.ts';
import type { Services } from '../http/services.ts';

declare module 'vitest' {
  interface ProvidedContext {
    databasePort: number;
    databasePassword: string;
  }
}

export type Answer = Readonly<{ status: number; body: never; headers: Headers }>;

/** A browser of one person: keeps the cookie, sends what the application sends. */
export class Person {
  private cookie = '';
  private readonly base: string;
  constructor(base: string) {
    this.base = base;
  }

  async send(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Answer> {
    const response = await fetch(`${this.base}${path}`, {
      method,
      headers: {
        ...(method !== 'GET' && { 'x-wire-trail': '1' }),
        ...(body !== undefined && { 'content-type': 'application/json' }),
        ...(this.cookie && { cookie: this.cookie }),
        ...headers,
      },
      ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    const set = response.headers.getSetCookie().map((c) => c.split(';')[0] ?? '');
    if (set.length > 0) this.cookie = set.join('; ');
    const text = await response.text();
    return {
      status: response.status,
      body: (text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : text) as never,
      headers: response.headers,
    };
  }

  get = (path: string, headers?: Record<string, string>) => this.send('GET', path, undefined, headers);
  post = (path: string, body: unknown) => this.send('POST', path, body);
  put = (path: string, body: unknown) => this.send('PUT', path, body);
  signIn = (signIn: string, password = 'a long password') => this.post('/session', { signIn, password });
}

export type School = Readonly<{
  services: Services;
  config: Config;
  base: string;
  person: (role?: Role) => Promise<Person>;
  /** Another server on the same database, with connections of its own; gives where it is. Closed with the school. */
  secondServer: () => Promise<string>;
  publish: (json: unknown) => Promise<void>;
  close: () => Promise<void>;
}>;

/** A school of its own: new database, server on a free port, one person of every role. */
export async function openSchool(environment: Record<string, string> = {}): Promise<School> {
  const config = readConfig({
    WIRE_TRAIL_SECRET: 'x'.repeat(40),
    WIRE_TRAIL_DB_PORT: String(inject('databasePort')),
    WIRE_TRAIL_DB_PASSWORD: inject('databasePassword'),
    WIRE_TRAIL_DB_NAME: `t_${randomUUID().replaceAll('-', '')}`,
    WIRE_TRAIL_CHECK_ANSWERS: '1',
    WIRE_TRAIL_LOG: 'error',
    ...environment,
  });
  await createDatabase(config.database);
  const db = connect(config.database);
  await migrate(db);
  const { app, services } = createApp({ db, config });
  const closing: Array<() => Promise<void>> = [];
  const listen = async (app: Koa): Promise<string> => {
    const server: Server = createServer(app.callback());
    keepOpen(server);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    closing.push(async () => {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
    });
    return `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/v1`;
  };
  const base = await listen(app);
  for (const role of roles)
    await addUser({ name: `The ${role}`, signIn: role, role, password: 'a long password' }, services);
  return {
    services,
    config,
    base,
    person: async (role) => {
      const person = new Person(base);
      if (role) await person.signIn(role);
      return person;
    },
    secondServer: async () => {
      const own = connect(config.database);
      closing.push(() => own.destroy());
      return listen(createApp({ db: own, config }).app);
    },
    publish: async (json) => void (await importBundle({ json, authorId: null, publish: 'for a test' }, services)),
    close: async () => {
      for (const close of closing) await close();
      await db.raw('DROP DATABASE ??', [config.database.database]);
      await db.destroy();
    },
  };
}
