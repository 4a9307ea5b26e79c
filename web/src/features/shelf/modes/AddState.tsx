import AddIcon from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import ListItemText from '@mui/material/ListItemText';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { type Entry, entriesOf, type Preset, presetOf, presets, presetWords, withState } from '@wire-trail/core';
import { useState } from 'react';

type Props = Readonly<{ entries: readonly Entry[]; onAdd: (drafts: readonly Entry[], name: string) => void }>;

/** The states most units can be in, those that are not there yet: one press puts one on the map, with what is known to lead to it. */
export function AddState({ entries, onAdd }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const all = { entries: [...entries] };
  const there = new Set(entriesOf(all, 'mode').flatMap((m) => presetOf(m) ?? []));
  const missing = presets.filter((p) => !there.has(p));
  const add = (preset: Preset) => {
    setAnchor(null);
    onAdd(withState(all, preset), presetWords[preset].name);
  };
  if (missing.length === 0) return null;
  return (
    <>
      <Button startIcon={<AddIcon />} aria-haspopup="menu" onClick={(e) => setAnchor(e.currentTarget)}>
        Add a state
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {missing.map((p) => (
          <MenuItem key={p} onClick={() => add(p)}>
            <ListItemText primary={presetWords[p].name} secondary={presetWords[p].says} />
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
