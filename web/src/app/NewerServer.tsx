import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';

/** Says that the server sent what this version cannot read, and what became of it. */
export default function NewerServer() {
  return (
    <Alert
      severity="warning"
      action={
        <Button color="inherit" onClick={() => location.reload()}>
          Load anew
        </Button>
      }
    >
      The server is newer than this page, and sent something it cannot read. What was here stays and goes on being used.
    </Alert>
  );
}
