import { useColorScheme } from '@mui/material/styles';
import { useEffect } from 'react';
import { useAppSelector } from './store.ts';
import { type Mode, paperOf } from './theme/inks.ts';

/** The look that is shown now, whoever chose it: the person, or the device. */
export function useMode(): Mode {
  const { mode, systemMode } = useColorScheme();
  return (mode === 'system' ? systemMode : mode) === 'dark' ? 'dark' : 'light';
}

/** Has the page, and the bar of a phone's browser, follow the look of the profile. */
export function useLook(): void {
  const look = useAppSelector((s) => s.profile.own.look);
  const { setMode } = useColorScheme();
  const shown = useMode();
  const hand = useAppSelector((s) => s.profile.own.hand);
  useEffect(() => {
    document.documentElement.dataset.hand = hand;
  }, [hand]);
  useEffect(() => setMode(look === 'device' ? 'system' : look), [look, setMode]);
  useEffect(() => {
    document.querySelector('meta[name=theme-color]')?.setAttribute('content', paperOf(shown));
  }, [shown]);
}
