import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { User } from '@wire-trail/core';

export type SessionState = Readonly<
  | { status: 'asking' }
  | { status: 'signed-out' }
  /** `confirmed` is false while only this device vouches for it, without a connection. */
  | { status: 'signed-in'; user: User; confirmed: boolean }
>;

const initial = { status: 'asking' } as SessionState;

export const sessionSlice = createSlice({
  name: 'session',
  initialState: initial,
  reducers: {
    signedIn: (_, { payload }: PayloadAction<User>): SessionState => ({
      status: 'signed-in',
      user: payload,
      confirmed: true,
    }),
    rememberedOffline: (_, { payload }: PayloadAction<User>): SessionState => ({
      status: 'signed-in',
      user: payload,
      confirmed: false,
    }),
    signedOut: (): SessionState => ({ status: 'signed-out' }),
  },
});

export const { signedIn, rememberedOffline, signedOut } = sessionSlice.actions;
