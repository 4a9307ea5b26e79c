import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import type { ReactNode } from 'react';

type Props<Value extends string | number> = Readonly<{
  /** What the tabs are of, for those who do not see them. */
  name: string;
  value: Value;
  tabs: ReadonlyArray<Readonly<{ value: Value; label: ReactNode }>>;
  onPick: (value: Value) => void;
  /** Each as wide as the others: few, with much to say. */
  even?: boolean;
}>;

/** One of several views; arrow keys go along them, and what does not fit is swiped to. */
export function TabRow<Value extends string | number>({ name, value, tabs, onPick, even = false }: Props<Value>) {
  return (
    <Tabs
      aria-label={name}
      value={value}
      onChange={(_, to: Value) => onPick(to)}
      variant={even ? 'fullWidth' : 'scrollable'}
    >
      {tabs.map((tab) => (
        // where one is already is a way as well: from what was opened in a tab back to its list
        <Tab key={tab.value} value={tab.value} label={tab.label} onClick={() => tab.value === value && onPick(value)} />
      ))}
    </Tabs>
  );
}
