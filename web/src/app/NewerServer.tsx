import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';

/** Says that the server sent what this version cannot read, and what became of it. */
export default function NewerServer() {
  return (
    <Alert
      severity="warning"
      sx={{
        borderBottom: 1,
        borderColor: 'warning.main',
        borderRadius: 0,
        '& .MuiAlert-action': { pt: 0, alignItems: 'center' },
      }}
      action={
        <Button color="inherit" sx={{ whiteSpace: 'nowrap' }} onClick={() => location.reload()}>
          Load anew
        </Button>
      }
    >
      The server is newer than this page, and sent something it cannot read. What was here stays and goes on being used.
    </Alert>
  );
}
