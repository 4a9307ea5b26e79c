import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import type { ReactNode } from 'react';

type Props<Value extends string | number> = Readonly<{
  /** What the tabs are of, for those who do not see them. */
  name: string;
  value: Value;
  tabs: ReadonlyArray<Readonly<{ value: Value; label: ReactNode }>>;
  onPick: (value: Value) => void;
  className?: string;
}>;

/** One of several views; arrow keys go along them, and what does not fit is swiped to. */
export function TabRow<Value extends string | number>({ name, value, tabs, onPick, className }: Props<Value>) {
  return (
    <Tabs
      aria-label={name}
      value={value}
      onChange={(_, to: Value) => onPick(to)}
      variant="scrollable"
      {...(className && { className })}
    >
      {tabs.map((tab) => (
        // where one is already is a way as well: from what was opened in a tab back to its list
        <Tab key={tab.value} value={tab.value} label={tab.label} onClick={() => tab.value === value && onPick(value)} />
      ))}
    </Tabs>
  );
}
