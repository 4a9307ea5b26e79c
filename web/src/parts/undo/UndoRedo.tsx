import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import Button from '@mui/material/Button';
import ButtonGroup from '@mui/material/ButtonGroup';
import Tooltip from '@mui/material/Tooltip';

/** One step back, one step on; null where there is none. */
export function UndoRedo({ undo, redo }: { undo: (() => void) | null; redo: (() => void) | null }) {
  const steps = [
    { name: 'undo', keys: 'Undo (Ctrl Z)', go: undo, icon: <UndoIcon fontSize="small" /> },
    { name: 'redo', keys: 'Redo (Ctrl Shift Z)', go: redo, icon: <RedoIcon fontSize="small" /> },
  ];
  return (
    <ButtonGroup aria-label="steps">
      {steps.map(({ name, keys, go, icon }) => (
        <Tooltip key={name} title={keys}>
          <span>
            <Button disabled={!go} onClick={() => go?.()} aria-label={name}>
              {icon}
            </Button>
          </span>
        </Tooltip>
      ))}
    </ButtonGroup>
  );
}
