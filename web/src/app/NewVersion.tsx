import Alert from '@mui/material/Alert';
import Snackbar from '@mui/material/Snackbar';

/** Says that a new version of the application takes over now. */
export default function NewVersion() {
  return (
    <Snackbar open anchorOrigin={{ vertical: 'top', horizontal: 'center' }}>
      <Alert severity="info" variant="filled">
        A new version of Wire Trail is here: it loads now.
      </Alert>
    </Snackbar>
  );
}
