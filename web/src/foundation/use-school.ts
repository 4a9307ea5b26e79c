import { SchoolSettings } from '@wire-trail/core';
import { useEffect } from 'react';
import { api } from './api.ts';
import { readKept } from './kept-json.ts';

const name = 'wire-trail-school';

/** What the school sets, as it was last heard of: whom to ring stands in a plant room without signal as well. */
export function useSchool(): SchoolSettings | null {
  const { data } = api.useSettingsQuery();
  useEffect(() => {
    if (data) localStorage.setItem(name, JSON.stringify(data));
  }, [data]);
  return data ?? SchoolSettings.safeParse(readKept(name)).data ?? null;
}
