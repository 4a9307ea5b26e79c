import PersonIcon from '@mui/icons-material/PersonOutlined';
import Button from '@mui/material/Button';
import { lazy, Suspense, useState } from 'react';

const SignOut = lazy(() => import('../parts/sign-out/SignOut.tsx'));
const PersonMenuItems = lazy(() => import('./PersonMenuItems.tsx'));

/** Whoever is signed in; a touch opens what is theirs. */
export function PersonMenu({ name }: { name: string }) {
  const [leaving, setLeaving] = useState(false);
  const [at, setAt] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        variant="text"
        size="rail"
        aria-label={`${name}: profile and more`}
        aria-haspopup="menu"
        aria-expanded={at !== null}
        onClick={(e) => setAt(e.currentTarget)}
      >
        <PersonIcon />
        <span className="hide-narrow">{name}</span>
      </Button>
      {at && (
        <Suspense fallback={null}>
          <PersonMenuItems at={at} onClose={() => setAt(null)} onLeave={() => setLeaving(true)} />
        </Suspense>
      )}
      {leaving && (
        <Suspense fallback={null}>
          <SignOut onClose={() => setLeaving(false)} />
        </Suspense>
      )}
    </>
  );
}
