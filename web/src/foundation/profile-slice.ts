import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { OwnUnits } from '@wire-trail/core';
import { z } from 'zod';
import { readKept } from './kept-json.ts';
import { rememberedOffline, signedIn, signedOut } from './session-slice.ts';

export const senses = ['sound', 'speech', 'vibration', 'picture'] as const;
export type Sense = (typeof senses)[number];
export const dateStyles = ['day-first', 'month-first', 'year-first'] as const;
export type DateStyle = (typeof dateStyles)[number];

/** How one person wants to be told things, on this device. */
export const Profile = z.strictObject({
  units: OwnUnits,
  dates: z.enum(dateStyles).default('day-first'),
  /** `device` follows the look the device is set to. */
  look: z.enum(['device', 'light', 'dark']).default('device'),
  /** The hand that holds the phone: the next action lies under its thumb. */
  hand: z.enum(['left', 'right']).default('right'),
  /** What the coach tells by while both hands are busy. */
  senses: z.record(z.enum(senses), z.boolean()).default({ sound: true, speech: true, vibration: true, picture: true }),
});
export type Profile = z.infer<typeof Profile>;

const usual = (): Profile => Profile.parse({ units: OwnUnits.parse({}) });
const keyOf = (user: number | null): string => `wire-trail-profile${user === null ? '' : `:${user}`}`;
const read = (user: number | null): Profile => Profile.safeParse(readKept(keyOf(user))).data ?? usual();

/** `changed`: by the person, since it was read. */
export type ProfileState = Readonly<{ user: number | null; own: Profile; changed: boolean }>;

/** Before anybody is known, the page looks as whoever used it last wanted it. */
export const profileSlice = createSlice({
  name: 'profile',
  initialState: (): ProfileState => ({ user: null, own: read(null), changed: false }),
  reducers: {
    profileChanged: (state, { payload }: PayloadAction<Partial<Profile>>): ProfileState => ({
      ...state,
      own: { ...state.own, ...payload },
      changed: true,
    }),
  },
  extraReducers: (when) => {
    when.addCase(signedIn, (_, { payload }) => ({ user: payload.id, own: read(payload.id), changed: false }));
    when.addCase(rememberedOffline, (_, { payload }) => ({ user: payload.id, own: read(payload.id), changed: false }));
    when.addCase(signedOut, ({ own }) => ({ user: null, own, changed: false }));
  },
});
export const { profileChanged } = profileSlice.actions;

/** Keeps a profile for its person, and its look for whoever opens the page next. */
export function keepProfile({ user, own }: ProfileState): void {
  const text = JSON.stringify(own);
  localStorage.setItem(keyOf(user), text);
  localStorage.setItem(keyOf(null), text);
}
