import Button from '@mui/material/Button';
import { useRouteError } from 'react-router';

/** What a browser says where a part of the application could not be fetched. */
const isMissingPart = (message: string): boolean => /imported module|module script|preload CSS/i.test(message);

/** A page that broke, or is not on this device: what is kept on it is not touched. */
export function Crash() {
  const error = useRouteError();
  const message = error instanceof Error ? error.message : String(error);
  if (isMissingPart(message))
    return (
      <section style={{ maxWidth: 620, margin: '4rem auto', padding: '0 1rem' }}>
        <h1>This page is not on this device yet</h1>
        <p>It comes when it is opened with a connection, and stays from then on. Walks and the trail work without.</p>
        <Button variant="contained" color="primary" onClick={() => location.reload()}>
          Try again
        </Button>
      </section>
    );
  return (
    <section style={{ maxWidth: 620, margin: '4rem auto', padding: '0 1rem' }}>
      <h1>This page broke</h1>
      <p>Walks are kept on this device. Load the page again to go on.</p>
      <p className="mono small soft">{message}</p>
      <Button variant="contained" color="primary" onClick={() => location.reload()}>
        Load again
      </Button>
    </section>
  );
}
