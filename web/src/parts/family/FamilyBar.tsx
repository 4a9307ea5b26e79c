import { type ReactNode, useEffect } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../../foundation/api.ts';
import { PageBar } from '../page-bar/PageBar.tsx';
import { TabRow } from '../tabs/TabRow.tsx';
import { leaveSteps, stepAddress } from './at-step.ts';
import { type FamilyTab, familyAddress, familyTabs } from './family-tabs.ts';

type Props = Readonly<{
  family: string;
  name: string;
  tab: FamilyTab;
  /** What is opened under one of the tabs is the page; the unit stands above it. */
  isAbove?: boolean;
  writes: boolean;
  actions?: ReactNode;
}>;

/** One line: which unit, and its tabs. It stays while what is in them is opened. */
export function FamilyBar({ family, name, tab, isAbove = false, writes, actions }: Props) {
  const navigate = useNavigate();
  const { data } = api.useFindingsQuery(family, { skip: !writes });
  const count = data?.filter((f) => f.severity !== 'hint' && f.accepted === null).length ?? 0;
  const steps = isAbove ? stepAddress(family) : null;
  useEffect(() => {
    if (!isAbove) leaveSteps();
  }, [isAbove]);
  return (
    <PageBar
      above={[{ name: 'Shelf', to: '/shelf' }, ...(steps ? [{ name: 'Steps', to: steps }] : [])]}
      title={name}
      isAbove={isAbove}
      tabs={
        <TabRow
          name="the unit"
          value={tab}
          onPick={(to) => void navigate(familyAddress(family, to))}
          tabs={familyTabs
            .filter((of) => writes || of !== 'To fix')
            .map((of) => ({ value: of, label: of === 'To fix' && count > 0 ? `To fix ${count}` : of }))}
        />
      }
      actions={actions}
    />
  );
}
