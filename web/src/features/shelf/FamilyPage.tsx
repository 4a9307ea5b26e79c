import { entriesOf, roleAtLeast } from '@wire-trail/core';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { api } from '../../foundation/api.ts';
import { usePageKeys } from '../../foundation/keys.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { FamilyBar } from '../../parts/family/FamilyBar.tsx';
import { familyAddress, familyTabs } from '../../parts/family/family-tabs.ts';
import { Failed } from '../../parts/states/Failed.tsx';
import { Loading } from '../../parts/states/States.tsx';
import { Told } from '../../parts/undo/Told.tsx';
import { ChartsTab } from './ChartsTab.tsx';
import { CodesTab } from './CodesTab.tsx';
import { FindingsList } from './FindingsList.tsx';
import { ModesTab } from './modes/ModesTab.tsx';
import { PanelTab } from './PanelTab.tsx';
import { ReadoutsTab } from './ReadoutsTab.tsx';
import { RoutesTab, SourcesTab } from './RoutesTab.tsx';
import { SettingsTab } from './SettingsTab.tsx';
import type { Shelved, TabProps } from './tab-props.ts';
import './shelf.css';
import { SubmitDrafts } from './SubmitDrafts.tsx';

/** A family's tabs. Trainers see the newest drafts, technicians what is published. */
export default function FamilyPage() {
  const { family = '' } = useParams();
  const session = useAppSelector((s) => s.session);
  const writes = session.status === 'signed-in' && roleAtLeast(session.user.role, 'trainer');
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const tab = familyTabs.find((r) => r === search.get('room')) ?? 'Panel';
  const working = api.useWorkingQuery(family, { skip: !writes });
  const bundle = api.useBundleQuery(family, { skip: writes });
  const toFix = () => void navigate(familyAddress(family, 'To fix'));
  usePageKeys(writes ? { l: toFix, L: toFix } : {});
  const entries: readonly Shelved[] | undefined = writes
    ? working.currentData
    : bundle.currentData?.entries.map((body) => ({
        body,
        number: bundle.currentData?.pinned?.revisions[`${body.kind}:${body.id}`] ?? 0,
        state: 'published',
        published: 1,
      }));
  const error = writes ? working.error : bundle.error;
  if (error && !entries) return <Failed error={error} again={() => void (writes ? working : bundle).refetch()} />;
  if (!entries) return <Loading what="the family" />;
  const own = entriesOf({ entries: entries.map((e) => e.body) }, 'family').find((f) => f.id === family);
  const props: TabProps = { family, entries, writes };
  return (
    <>
      <FamilyBar
        family={family}
        name={own?.name ?? family}
        tab={tab}
        writes={writes}
        actions={
          writes &&
          entries.some((e) => e.state === 'draft') && <SubmitDrafts name={own?.name ?? family} entries={entries} />
        }
      />
      {tab === 'Panel' && <PanelTab {...props} onToFix={toFix} />}
      {tab === 'Modes' && (
        <Told>
          <ModesTab {...props} />
        </Told>
      )}
      {tab === 'Readouts' && <ReadoutsTab {...props} />}
      {tab === 'Codes' && <CodesTab {...props} />}
      {tab === 'Routes' && <RoutesTab {...props} />}
      {tab === 'Charts' && <ChartsTab {...props} />}
      {tab === 'Settings' && <SettingsTab {...props} />}
      {tab === 'Sources' && <SourcesTab {...props} />}
      {tab === 'To fix' && writes && (
        <Told>
          <FindingsList {...props} />
        </Told>
      )}
    </>
  );
}
