import Alert from '@mui/material/Alert';
import { storeCleared } from '../foundation/device/sync-slice.ts';
import { useAppDispatch } from '../foundation/store.ts';

/** Says that the browser threw away what was kept here, and what of it is lost. */
export default function StoreCleared({ waited }: { waited: number }) {
  const dispatch = useAppDispatch();
  return (
    <Alert severity={waited > 0 ? 'error' : 'warning'} onClose={() => dispatch(storeCleared(null))}>
      This browser cleared what Wire Trail had kept on this device. The library is fetched anew.{' '}
      {waited === 0
        ? 'Everything you did had been sent before.'
        : `${waited === 1 ? 'One step' : `${waited} steps`} of your walks had not been sent, and cannot be brought back.`}
    </Alert>
  );
}
