import { z } from 'zod';

const flag = z.enum(['0', '1']).transform((v) => v === '1');
const Environment = z.object({
  WIRE_TRAIL_HOST: z.string().default('127.0.0.1'),
  WIRE_TRAIL_PORT: z.coerce.number().int().min(0).max(65_535).default(4180),
  WIRE_TRAIL_DB_HOST: z.string().default('127.0.0.1'),
  WIRE_TRAIL_DB_PORT: z.coerce.number().int().min(1).max(65_535).default(4181),
  WIRE_TRAIL_DB_USER: z.string().default('root'),
  WIRE_TRAIL_DB_PASSWORD: z.string().default(''),
  WIRE_TRAIL_DB_NAME: z.string().default('wire_trail'),
  WIRE_TRAIL_SECRET: z.string().min(32, 'at least 32 characters'),
  WIRE_TRAIL_DEMO: flag.default(true),
  WIRE_TRAIL_DEMO_FOLDER: z.string().optional(),
  WIRE_TRAIL_WEB_FOLDER: z.string().optional(),
  WIRE_TRAIL_TLS_CERT: z.string().optional(),
  WIRE_TRAIL_TLS_KEY: z.string().optional(),
  /** Set behind a proxy that ends https and sets X-Forwarded-Proto. */
  WIRE_TRAIL_TRUST_PROXY: flag.default(false),
  /** How many proxies stand before the server: so many addresses of X-Forwarded-For are believed, from its end. */
  WIRE_TRAIL_PROXIES: z.coerce.number().int().min(1).max(9).default(1),
  /** Every answer is held against the contract before it is sent: for tests and development. */
  WIRE_TRAIL_CHECK_ANSWERS: flag.default(false),
  WIRE_TRAIL_LOG: z.enum(['debug', 'info', 'warn', 'error', 'silent']).default('info'),
  /** A file for the log, beside the console; begun anew when it is large. */
  WIRE_TRAIL_LOG_FILE: z.string().optional(),
  /** Where the data lie, so that a disk that fills up is noticed. */
  WIRE_TRAIL_DATA: z.string().optional(),
});

export type DatabaseConfig = Readonly<{ host: string; port: number; user: string; password: string; database: string }>;
export type Config = Readonly<{
  host: string;
  port: number;
  database: DatabaseConfig;
  secret: string;
  demo: boolean;
  demoFolder: string | null;
  webFolder: string | null;
  tls: Readonly<{ certFile: string; keyFile: string }> | null;
  trustProxy: boolean;
  proxies: number;
  checkAnswers: boolean;
  logFile: string | null;
  dataFolder: string | null;
  logLevel: 'debug' | 'info' | 'warn' | 'error' | 'silent';
}>;

/** Reads the configuration from environment variables; throws one error that names every wrong one. */
export function readConfig(environment: Record<string, string | undefined>): Config {
  const read = Environment.safeParse(environment);
  if (!read.success)
    throw new Error(
      `wrong environment:\n${read.error.issues.map((i) => `  ${i.path.join('.')}: ${i.message}`).join('\n')}`,
    );
  const e = read.data;
  if ((e.WIRE_TRAIL_TLS_CERT === undefined) !== (e.WIRE_TRAIL_TLS_KEY === undefined))
    throw new Error('wrong environment:\n  WIRE_TRAIL_TLS_CERT and WIRE_TRAIL_TLS_KEY belong together');
  return {
    host: e.WIRE_TRAIL_HOST,
    port: e.WIRE_TRAIL_PORT,
    database: {
      host: e.WIRE_TRAIL_DB_HOST,
      port: e.WIRE_TRAIL_DB_PORT,
      user: e.WIRE_TRAIL_DB_USER,
      password: e.WIRE_TRAIL_DB_PASSWORD,
      database: e.WIRE_TRAIL_DB_NAME,
    },
    secret: e.WIRE_TRAIL_SECRET,
    demo: e.WIRE_TRAIL_DEMO,
    demoFolder: e.WIRE_TRAIL_DEMO_FOLDER ?? null,
    webFolder: e.WIRE_TRAIL_WEB_FOLDER ?? null,
    tls:
      e.WIRE_TRAIL_TLS_CERT && e.WIRE_TRAIL_TLS_KEY
        ? { certFile: e.WIRE_TRAIL_TLS_CERT, keyFile: e.WIRE_TRAIL_TLS_KEY }
        : null,
    trustProxy: e.WIRE_TRAIL_TRUST_PROXY,
    proxies: e.WIRE_TRAIL_PROXIES,
    checkAnswers: e.WIRE_TRAIL_CHECK_ANSWERS,
    logFile: e.WIRE_TRAIL_LOG_FILE ?? null,
    dataFolder: e.WIRE_TRAIL_DATA ?? null,
    logLevel: e.WIRE_TRAIL_LOG,
  };
}
