import { type BaseQueryFn, createApi } from '@reduxjs/toolkit/query/react';
import type { Answer, Asked, ChartId, EntryKey, FamilyId, RouteName } from '@wire-trail/core';
import { type Asking, ask, type Refused } from './client.ts';
import { freshLibrary } from './device/library.ts';
import { isLeaving, leavingMarked } from './leaving.ts';

export type ApiError = Refused;

/** `by` made it: what is asked with belongs to the route. */
type Question = Readonly<{ route: RouteName; asking: unknown }>;

const baseQuery: BaseQueryFn<Question, unknown, ApiError> = async ({ route, asking }) => {
  const answered = await ask(route, asking as Asking<RouteName>);
  switch (answered.kind) {
    case 'answer':
      // RTK Query wants something where there is nothing to say
      return { data: answered.value ?? null };
    case 'refused':
      return { error: answered.refused };
    case 'unchanged':
      throw new Error('nothing is held here that could be unchanged');
  }
};

/** How a route is asked: what `make` makes of a hook's argument. */
const by = <N extends RouteName, Arg>(route: N, make: (arg: Arg) => Asking<N>) => ({
  query: (arg: Arg): Question => ({ route, asking: make(arg) }),
});
// a page's address may say anything: what cannot be a family's name leads nowhere when the request's address is made of it
const ofFamily = (family: string) => ({ params: { family: family as FamilyId } });
const nothing = () => ({});
const body = <B>(given: B) => ({ body: given });

type Body<N extends RouteName> = Asked<N>['body'];

const nothingHeld: ApiError = { title: 'Nothing is held here.', status: 0, code: 'offline' };

export const api = createApi({
  reducerPath: 'api',
  baseQuery,
  tagTypes: ['Entries', 'Sets', 'Families', 'Walks', 'Questions', 'Proposals', 'Settings', 'Users', 'Sessions'],
  endpoints: (build) => ({
    session: build.query<Answer<'session'>, void>({
      queryFn: async () => {
        // somebody left while there was no connection: the server is told first
        if (isLeaving()) {
          const left = await ask('signOut', {});
          if (left.kind === 'refused') return { error: left.refused };
          leavingMarked(false);
        }
        const said = await ask('session', {});
        if (said.kind === 'answer') return { data: said.value };
        return said.kind === 'refused' ? { error: said.refused } : { error: nothingHeld };
      },
    }),
    signIn: build.mutation<Answer<'signIn'>, Body<'signIn'>>(by('signIn', body)),
    signOut: build.mutation<Answer<'signOut'>, void>(by('signOut', nothing)),
    families: build.query<Answer<'families'>['cards'], void>({
      queryFn: async () => {
        const library = await freshLibrary();
        return library.kind === 'cards' ? { data: library.cards } : { error: library.refused };
      },
      providesTags: ['Families'],
    }),
    ownFamilies: build.query<Answer<'ownFamilies'>, void>({
      ...by('ownFamilies', nothing),
      providesTags: ['Entries'],
    }),
    familyFace: build.query<Answer<'familyFace'>, string>({
      ...by('familyFace', ofFamily),
      providesTags: ['Families'],
    }),
    alikeFamilies: build.query<Answer<'alikeFamilies'>, void>({
      ...by('alikeFamilies', nothing),
      providesTags: ['Families'],
    }),
    working: build.query<Answer<'working'>, string>({ ...by('working', ofFamily), providesTags: ['Entries'] }),
    library: build.query<Answer<'library'>, void>({ ...by('library', nothing), providesTags: ['Entries'] }),
    begunFamilies: build.query<Answer<'begunFamilies'>, void>({
      ...by('begunFamilies', nothing),
      providesTags: ['Entries'],
    }),
    saveDrafts: build.mutation<Answer<'saveDrafts'>, Body<'saveDrafts'>>(by('saveDrafts', body)),
    discard: build.mutation<Answer<'discard'>, EntryKey[]>({
      ...by('discard', (items: EntryKey[]) => body({ items })),
      invalidatesTags: ['Entries', 'Sets'],
    }),
    job: build.query<Answer<'job'>, string>(by('job', (id: string) => ({ params: { id } }))),
    cancelJob: build.mutation<Answer<'cancelJob'>, string>(by('cancelJob', (id: string) => ({ params: { id } }))),
    keepPicture: build.mutation<Answer<'keepPicture'>, string>(by('keepPicture', (base64: string) => body({ base64 }))),
    findings: build.query<Answer<'findings'>, string>({ ...by('findings', ofFamily), providesTags: ['Entries'] }),
    mend: build.mutation<Answer<'mend'>, { family: string } & Body<'mend'>>(
      by('mend', ({ family, ...asked }: { family: string } & Body<'mend'>) => ({ ...ofFamily(family), body: asked })),
    ),
    entry: build.query<Answer<'entry'>, EntryKey>({
      ...by('entry', (params: EntryKey) => ({ params })),
      providesTags: ['Entries'],
    }),
    revision: build.query<Answer<'revision'>, { key: EntryKey; number: number }>(
      by('revision', ({ key, number }: { key: EntryKey; number: number }) => ({ params: { ...key, number } })),
    ),
    saveDraft: build.mutation<Answer<'saveDraft'>, { key: EntryKey } & Body<'saveDraft'>>({
      ...by('saveDraft', ({ key, ...draft }: { key: EntryKey } & Body<'saveDraft'>) => ({ params: key, body: draft })),
      invalidatesTags: (_, error) => (error ? [] : ['Entries']),
    }),
    submit: build.mutation<Answer<'submit'>, Body<'submit'>>({
      ...by('submit', body),
      invalidatesTags: ['Entries', 'Sets'],
    }),
    changeSets: build.query<Answer<'changeSets'>, Asked<'changeSets'>['query']['state']>({
      ...by('changeSets', (state: Asked<'changeSets'>['query']['state']) => ({ query: { state } })),
      providesTags: ['Sets'],
    }),
    changeSet: build.query<Answer<'changeSet'>, number>({
      ...by('changeSet', (id: number) => ({ params: { id } })),
      providesTags: ['Sets'],
    }),
    publish: build.mutation<Answer<'publish'>, { id: number; note: string }>({
      ...by('publish', ({ id, note }: { id: number; note: string }) => ({ params: { id }, body: { note } })),
      invalidatesTags: ['Entries', 'Sets', 'Families'],
    }),
    giveBack: build.mutation<Answer<'giveBack'>, { id: number; note: string }>({
      ...by('giveBack', ({ id, note }: { id: number; note: string }) => ({ params: { id }, body: { note } })),
      invalidatesTags: ['Entries', 'Sets'],
    }),
    previewImport: build.mutation<Answer<'previewImport'>, unknown>(by('previewImport', body)),
    importBundle: build.mutation<Answer<'importBundle'>, unknown>({
      ...by('importBundle', body),
      invalidatesTags: ['Entries', 'Sets', 'Families'],
    }),
    bundle: build.query<Answer<'bundle'>, string>({ ...by('bundle', ofFamily), providesTags: ['Families'] }),
    takeOver: build.mutation<Answer<'takeOver'>, string>({
      ...by('takeOver', (id: string) => ({ params: { id } })),
      invalidatesTags: ['Walks'],
    }),
    proposals: build.query<Answer<'proposals'>, void>({
      ...by('proposals', () => ({ query: {} })),
      providesTags: ['Proposals'],
    }),
    settleProposal: build.mutation<Answer<'settleProposal'>, { id: string } & Body<'settleProposal'>>({
      ...by('settleProposal', ({ id, ...said }: { id: string } & Body<'settleProposal'>) => ({
        params: { id },
        body: said,
      })),
      invalidatesTags: ['Proposals', 'Entries'],
    }),
    orders: build.query<Answer<'orders'>, void>({ ...by('orders', nothing), providesTags: ['Walks'] }),
    walks: build.query<Answer<'walks'>, Asked<'walks'>['query']>({
      ...by('walks', (query: Asked<'walks'>['query']) => ({ query })),
      providesTags: ['Walks'],
    }),
    /** The log as it is paged through. */
    log: build.infiniteQuery<Answer<'walks'>, Asked<'walks'>['query'], string | null>({
      query: ({ queryArg, pageParam }) => ({
        route: 'walks',
        asking: { query: { ...queryArg, ...(pageParam !== null && { before: pageParam }) } },
      }),
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      providesTags: ['Walks'],
    }),
    walk: build.query<Answer<'walk'>, string>({
      ...by('walk', (id: string) => ({ params: { id } })),
      providesTags: ['Walks'],
    }),
    chartUses: build.query<Answer<'chartUses'>, ChartId>({
      ...by('chartUses', (id: ChartId) => ({ params: { id } })),
      providesTags: ['Entries'],
    }),
    machine: build.query<Answer<'machine'>, { family: string; serial: string }>({
      ...by('machine', ({ family, serial }: { family: string; serial: string }) => ({
        params: { ...ofFamily(family).params, serial },
      })),
      providesTags: ['Walks'],
    }),
    tries: build.query<Answer<'tries'>, string>({ ...by('tries', ofFamily), providesTags: ['Walks'] }),
    questions: build.query<Answer<'questions'>, void>({ ...by('questions', nothing), providesTags: ['Questions'] }),
    settle: build.mutation<Answer<'settle'>, { id: string; answer: string }>({
      ...by('settle', ({ id, answer }: { id: string; answer: string }) => ({ params: { id }, body: { answer } })),
      invalidatesTags: ['Questions'],
    }),
    settings: build.query<Answer<'settings'>, void>({ ...by('settings', nothing), providesTags: ['Settings'] }),
    saveSettings: build.mutation<Answer<'saveSettings'>, Body<'saveSettings'>>({
      ...by('saveSettings', body),
      invalidatesTags: ['Settings'],
    }),
    users: build.query<Answer<'users'>, void>({ ...by('users', nothing), providesTags: ['Users'] }),
    addUser: build.mutation<Answer<'addUser'>, Body<'addUser'>>({
      ...by('addUser', body),
      invalidatesTags: (_, error) => (error ? [] : ['Users']),
    }),
    changePassword: build.mutation<Answer<'changePassword'>, Body<'changePassword'>>(by('changePassword', body)),
    signOutEverywhere: build.mutation<Answer<'signOutEverywhere'>, void>(by('signOutEverywhere', nothing)),
    sessions: build.query<Answer<'sessions'>, number>({
      ...by('sessions', (id: number) => ({ params: { id } })),
      providesTags: ['Sessions'],
    }),
    endSession: build.mutation<Answer<'endSession'>, Asked<'endSession'>['params']>({
      ...by('endSession', (params: Asked<'endSession'>['params']) => ({ params })),
      invalidatesTags: ['Sessions'],
    }),
    passwordLink: build.mutation<Answer<'passwordLink'>, number>(
      by('passwordLink', (id: number) => ({ params: { id } })),
    ),
    resetPassword: build.mutation<Answer<'resetPassword'>, Body<'resetPassword'>>(by('resetPassword', body)),
    changeUser: build.mutation<Answer<'changeUser'>, Asked<'changeUser'>['params'] & Body<'changeUser'>>({
      ...by('changeUser', ({ id, ...change }: Asked<'changeUser'>['params'] & Body<'changeUser'>) => ({
        params: { id },
        body: change,
      })),
      invalidatesTags: ['Users'],
    }),
  }),
});
