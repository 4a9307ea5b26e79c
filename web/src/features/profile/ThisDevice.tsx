import Button from '@mui/material/Button';
import { lastingSaid } from '../../foundation/device/sync-slice.ts';
import { askToLast } from '../../foundation/device/use-sync.ts';
import { useAppDispatch, useAppSelector } from '../../foundation/store.ts';

/** What is kept on this device, and whether its browser promised to leave it. */
export function ThisDevice() {
  const dispatch = useAppDispatch();
  const { waiting, lasting } = useAppSelector((s) => s.sync);
  return (
    <section className="sheet stack">
      <h2>This device</h2>
      <p>
        {waiting === 0 || waiting === null
          ? 'Everything you did here has been sent.'
          : `${waiting === 1 ? 'One step is' : `${waiting} steps are`} kept here and not sent yet.`}
      </p>
      {lasting === false && (
        <>
          <p className="soft">
            This browser may clear what is kept here when the device runs short of space. Adding Wire Trail to the home
            screen, or allowing it to keep data, prevents that.
          </p>
          <div>
            <Button onClick={() => void askToLast().then((is) => dispatch(lastingSaid(is)))}>
              Ask the browser again
            </Button>
          </div>
        </>
      )}
      {lasting && <p className="soft">This browser has promised to keep it, also when space runs short.</p>}
    </section>
  );
}
