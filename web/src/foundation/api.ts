import {
  type BaseQueryFn,
  createApi,
  type FetchArgs,
  type FetchBaseQueryError,
  fetchBaseQuery,
} from '@reduxjs/toolkit/query/react';
import type {
  Attached,
  Bundle,
  Change,
  ChangeSetState,
  EarlierReading,
  Entry,
  EntryKey,
  EntryKind,
  Family,
  FamilyId,
  Mode,
  Owed,
  Panel,
  RevisionState,
  Role,
  Station,
  WalkEvent,
} from '@wire-trail/core';

export type User = Readonly<{ id: number; name: string; signIn: string; role: Role }>;
export type FieldProblem = Readonly<{ path: Array<string | number>; reason: string }>;
export type Stale = Readonly<{
  number: number;
  body: Entry;
  author: string | null;
  savedAt: string;
  changes: Change[];
}>;
export type Problem = Readonly<{
  title: string;
  status: number;
  code: string;
  detail?: string;
  fields?: FieldProblem[];
  stale?: Stale;
}>;
export type FamilyCard = Readonly<{
  family: Family;
  panels: Panel[];
  standby: Mode | null;
  hash: string;
  counts: { codes: number; symptoms: number; charts: number; routes: number };
}>;
export type Working = Readonly<{
  family: FamilyId | null;
  kind: EntryKind;
  id: string;
  title: string;
  number: number;
  state: RevisionState;
  published: number | null;
  body: Entry;
}>;
export type Revision = Readonly<{
  number: number;
  state: RevisionState;
  note: string;
  basedOn: number | null;
  author: string | null;
  savedAt: string;
}>;
export type RevisionWithBody = Revision & Readonly<{ body: Entry }>;
export type EntryView = Readonly<{
  key: EntryKey;
  latest: RevisionWithBody;
  published: RevisionWithBody | null;
  changes: Change[];
  history: Array<Revision & { review: { by: string | null; ownReview: boolean } | null }>;
  usedBy: Array<{ kind: EntryKind; id: string; title: string }>;
}>;
export type ChangeSet = Readonly<{
  id: number;
  title: string;
  state: ChangeSetState;
  author: string | null;
  authorId: number | null;
  submittedAt: string;
  reviewer: string | null;
  reviewedAt: string | null;
  ownReview: boolean;
  note: string;
}>;
export type ChangeSetDetail = ChangeSet &
  Readonly<{
    items: Array<{ key: EntryKey; number: number; published: number | null; body: Entry; changes: Change[] }>;
  }>;
export type FindingView = Readonly<{
  code: string;
  severity: 'error' | 'warning' | 'hint';
  words: string;
  station: Station;
  entry: EntryKey | null;
  at: Array<string | number>;
}>;
export type WalkLine = Readonly<{
  id: string;
  family: string | null;
  serial: string | null;
  model: string | null;
  software: string | null;
  by: string;
  state: 'open' | 'waiting' | 'closed';
  code: string | null;
  station: string;
  outcome: string | null;
  fixedBy: string | null;
  startedAt: string | null;
  lastAt: string | null;
  waitingUntil: string | null;
}>;
export type Question = Readonly<{
  id: string;
  walk: string;
  family: string | null;
  text: string;
  words: string;
  by: string;
  askedAt: string;
}>;
/** Long work of the server: how far it got, and what became of it. */
export type Job = Readonly<{
  id: string;
  state: 'running' | 'done' | 'failed' | 'cancelled';
  done: number;
  total: number;
  result: { saved: Array<{ key: EntryKey; number: number }>; setId: number | null } | null;
  problem: { code: string; detail: string | null; fields: FieldProblem[] } | null;
}>;
export type Machine = Readonly<{
  id: string;
  family: string;
  serial: string;
  model: string;
  software: string | null;
  variant: string | null;
  options: Record<string, string>;
  composition: Attached[];
  lastSeenAt: string;
}>;
export type Settings = Readonly<{ schoolName: string; ownReview: boolean }>;
export type ImportLine = Readonly<{ key: EntryKey; title: string; what: 'new' | 'changed' | 'same' }>;

/** What the application says when a request fails: the server's own problem, or that there is no connection. */
export type ApiError =
  | Problem
  | Readonly<{ title: string; status: 0; code: 'offline'; fields?: undefined; stale?: undefined; detail?: undefined }>;

const base = fetchBaseQuery({ baseUrl: '/api/v1', credentials: 'same-origin', headers: { 'x-wire-trail': '1' } });

const asProblem = (error: FetchBaseQueryError): ApiError => {
  const { status, data } = error as { status: number | string; data?: unknown };
  if (typeof status === 'string') return { title: 'No connection to the server.', status: 0, code: 'offline' };
  if (typeof data === 'object' && data !== null && 'code' in data) return data as Problem;
  if (typeof data === 'string' && data.startsWith('{')) return JSON.parse(data) as Problem;
  return { title: `The server answered ${status}.`, status, code: 'internal' };
};

const baseQuery: BaseQueryFn<string | FetchArgs, unknown, ApiError> = async (args, api, extra) => {
  const result = await base(args, api, extra);
  return result.error ? { error: asProblem(result.error) } : { data: result.data };
};

const scope = (key: { family: string | null }): string => key.family ?? 'library';
const entryPath = (key: EntryKey): string => `/families/${scope(key)}/entries/${key.kind}/${key.id}`;

export const api = createApi({
  reducerPath: 'api',
  baseQuery,
  tagTypes: ['Entries', 'Sets', 'Families', 'Walks', 'Questions', 'Settings', 'Users'],
  endpoints: (build) => ({
    session: build.query<User, void>({ query: () => '/session' }),
    signIn: build.mutation<User, { signIn: string; password: string }>({
      query: (body) => ({ url: '/session', method: 'POST', body }),
    }),
    signOut: build.mutation<void, void>({ query: () => ({ url: '/session', method: 'DELETE' }) }),
    families: build.query<FamilyCard[], void>({ query: () => '/families', providesTags: ['Families'] }),
    working: build.query<Working[], string>({
      query: (family) => `/families/${family}/working`,
      providesTags: ['Entries'],
    }),
    library: build.query<Working[], void>({ query: () => '/library/working', providesTags: ['Entries'] }),
    begunFamilies: build.query<Array<{ family: Family; panels: Panel[] }>, void>({
      query: () => '/begun-families',
      providesTags: ['Entries'],
    }),
    saveDrafts: build.mutation<
      Job,
      { note: string; submit: string | null; items: Array<{ basedOn: number; body: Entry }> }
    >({ query: (body) => ({ url: '/drafts', method: 'POST', body }) }),
    discard: build.mutation<{ discarded: number }, EntryKey[]>({
      query: (items) => ({ url: '/drafts/discard', method: 'POST', body: { items } }),
      invalidatesTags: ['Entries', 'Sets'],
    }),
    job: build.query<Job, string>({ query: (id) => `/jobs/${id}` }),
    cancelJob: build.mutation<Job, string>({ query: (id) => ({ url: `/jobs/${id}`, method: 'DELETE' }) }),
    keepPicture: build.mutation<{ hash: string; type: string; bytes: number }, string>({
      query: (base64) => ({ url: '/assets', method: 'POST', body: { base64 } }),
    }),
    findings: build.query<FindingView[], string>({
      query: (family) => `/families/${family}/findings`,
      providesTags: ['Entries'],
    }),
    entry: build.query<EntryView, EntryKey>({ query: entryPath, providesTags: ['Entries'] }),
    revision: build.query<RevisionWithBody, { key: EntryKey; number: number }>({
      query: ({ key, number }) => `${entryPath(key)}/revisions/${number}`,
    }),
    saveDraft: build.mutation<RevisionWithBody, { key: EntryKey; basedOn: number; note: string; body: Entry }>({
      query: ({ key, ...body }) => ({ url: `${entryPath(key)}/draft`, method: 'PUT', body }),
      invalidatesTags: (_, error) => (error ? [] : ['Entries']),
    }),
    submit: build.mutation<{ id: number }, { title: string; items: Array<EntryKey & { number: number }> }>({
      query: (body) => ({ url: '/publish-sets', method: 'POST', body }),
      invalidatesTags: ['Entries', 'Sets'],
    }),
    changeSets: build.query<ChangeSet[], ChangeSet['state'] | undefined>({
      query: (state) => `/publish-sets${state ? `?state=${state}` : ''}`,
      providesTags: ['Sets'],
    }),
    changeSet: build.query<ChangeSetDetail, number>({ query: (id) => `/publish-sets/${id}`, providesTags: ['Sets'] }),
    publish: build.mutation<{ families: string[]; ownReview: boolean }, { id: number; note: string }>({
      query: ({ id, note }) => ({ url: `/publish-sets/${id}/publish`, method: 'POST', body: { note } }),
      invalidatesTags: ['Entries', 'Sets', 'Families'],
    }),
    giveBack: build.mutation<void, { id: number; note: string }>({
      query: ({ id, note }) => ({ url: `/publish-sets/${id}/return`, method: 'POST', body: { note } }),
      invalidatesTags: ['Entries', 'Sets'],
    }),
    previewImport: build.mutation<ImportLine[], unknown>({
      query: (body) => ({ url: '/imports/preview', method: 'POST', body }),
    }),
    importBundle: build.mutation<{ setId: number | null }, unknown>({
      query: (body) => ({ url: '/imports', method: 'POST', body }),
      invalidatesTags: ['Entries', 'Sets', 'Families'],
    }),
    bundle: build.query<Bundle, string>({
      query: (family) => `/families/${family}/bundle`,
      providesTags: ['Families'],
    }),
    walks: build.query<WalkLine[], { state?: WalkLine['state'] }>({
      query: ({ state }) => `/walks${state ? `?state=${state}` : ''}`,
      providesTags: ['Walks'],
    }),
    walk: build.query<{ id: string; mine: boolean; events: WalkEvent[] }, string>({
      query: (id) => `/walks/${id}`,
      providesTags: ['Walks'],
    }),
    chartUses: build.query<
      Array<{ kind: EntryKind; id: string; family: string | null; through: string | null; title: string }>,
      string
    >({ query: (id) => `/charts/${id}/uses`, providesTags: ['Entries'] }),
    machine: build.query<
      { machine: Machine | null; walks: WalkLine[]; ledger: Owed[]; readings: EarlierReading[] },
      { family: string; serial: string }
    >({
      query: ({ family, serial }) => `/machines/${family}/${encodeURIComponent(serial)}`,
      providesTags: ['Walks'],
    }),
    tries: build.query<Array<{ route: string; took: number; of: number }>, string>({
      query: (family) => `/families/${family}/tries`,
      providesTags: ['Walks'],
    }),
    questions: build.query<Question[], void>({ query: () => '/questions', providesTags: ['Questions'] }),
    settle: build.mutation<void, { id: string; answer: string }>({
      query: ({ id, answer }) => ({ url: `/questions/${id}/settle`, method: 'POST', body: { answer } }),
      invalidatesTags: ['Questions'],
    }),
    settings: build.query<Settings, void>({ query: () => '/settings', providesTags: ['Settings'] }),
    saveSettings: build.mutation<Settings, Settings>({
      query: (body) => ({ url: '/settings', method: 'PUT', body }),
      invalidatesTags: ['Settings'],
    }),
    users: build.query<Array<User & { disabled: boolean }>, void>({ query: () => '/users', providesTags: ['Users'] }),
    addUser: build.mutation<User, { name: string; signIn: string; role: Role; password: string }>({
      query: (body) => ({ url: '/users', method: 'POST', body }),
      invalidatesTags: (_, error) => (error ? [] : ['Users']),
    }),
    changeUser: build.mutation<void, { id: number; role: Role; disabled: boolean }>({
      query: ({ id, ...body }) => ({ url: `/users/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Users'],
    }),
  }),
});
