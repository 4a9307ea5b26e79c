import { useRouteError } from 'react-router';

/** A page that broke: what is kept on the device is not touched by it. */
export function Crash() {
  const error = useRouteError();
  return (
    <main style={{ maxWidth: 620, margin: '4rem auto', padding: '0 1rem' }}>
      <h1>This page broke</h1>
      <p>Walks are kept on this device. Load the page again to go on.</p>
      <p className="mono small soft">{error instanceof Error ? error.message : String(error)}</p>
      <button type="button" className="act first" onClick={() => location.reload()}>
        Load again
      </button>
    </main>
  );
}
