import Button from '@mui/material/Button';

/** One more of what a field holds. */
export function AddButton({ label, onClick }: { label: string; onClick: () => void }) {
  return (
    <Button variant="text" onClick={onClick}>
      Add {label}
    </Button>
  );
}
