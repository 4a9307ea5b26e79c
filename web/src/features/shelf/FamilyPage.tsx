import Button from '@mui/material/Button';
import { entriesOf, roleAtLeast } from '@wire-trail/core';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { api } from '../../foundation/api.ts';
import { usePageKeys } from '../../foundation/keys.ts';
import { useAppSelector } from '../../foundation/store.ts';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Loading } from '../../parts/states/States.tsx';
import { TabRow } from '../../parts/tabs/TabRow.tsx';
import { ChartsTab } from './ChartsTab.tsx';
import { CodesTab } from './CodesTab.tsx';
import { FindingsList, LooseTrailLine } from './FindingsList.tsx';
import { ModesTab } from './modes/ModesTab.tsx';
import { PanelTab } from './PanelTab.tsx';
import { ReadoutsTab } from './ReadoutsTab.tsx';
import { RoutesTab, SourcesTab } from './RoutesTab.tsx';
import { SettingsTab } from './SettingsTab.tsx';
import type { Shelved, TabProps } from './tab-props.ts';
import './shelf.css';
import { SubmitDrafts } from './SubmitDrafts.tsx';

const tabs = ['Panel', 'Modes', 'Readouts', 'Codes', 'Routes', 'Charts', 'Settings', 'Sources', 'Loose ends'] as const;
type TabName = (typeof tabs)[number];

/** A family's tabs. Trainers see the newest drafts, technicians what is published. */
export default function FamilyPage() {
  const { family = '' } = useParams();
  const session = useAppSelector((s) => s.session);
  const writes = session.status === 'signed-in' && roleAtLeast(session.user.role, 'trainer');
  const [search, setSearch] = useSearchParams();
  const tab = tabs.find((r) => r === search.get('room')) ?? 'Panel';
  const working = api.useWorkingQuery(family, { skip: !writes });
  const bundle = api.useBundleQuery(family, { skip: writes });
  const [go] = useState(() => (to: TabName) => setSearch({ room: to }, { replace: true }));
  usePageKeys(writes ? { l: () => go('Loose ends'), L: () => go('Loose ends') } : {});
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
  const shown = tabs.filter((r) => writes || r !== 'Loose ends');
  return (
    <>
      <PageBar
        above={[{ name: 'Shelf', to: '/shelf' }]}
        title={own?.name ?? family}
        actions={
          writes &&
          own && (
            <>
              <Button component={Link} to={`/shelf/${family}/family/${family}`}>
                Variants, parts, traits …
              </Button>
              {props.entries.some((e) => e.state === 'draft') && <SubmitDrafts family={family} entries={entries} />}
            </>
          )
        }
      />
      {own?.summary && <p className="soft family-summary">{own.summary}</p>}
      {writes && <LooseTrailLine family={family} onGo={() => go('Loose ends')} />}
      <TabRow
        name="rooms of the family"
        value={tab}
        onPick={go}
        tabs={shown.map((name) => ({
          value: name,
          label:
            name === 'Loose ends' ? (
              <span>
                {name} <kbd>L</kbd>
              </span>
            ) : (
              name
            ),
        }))}
      />
      {tab === 'Panel' && <PanelTab {...props} />}
      {tab === 'Modes' && <ModesTab {...props} />}
      {tab === 'Readouts' && <ReadoutsTab {...props} />}
      {tab === 'Codes' && <CodesTab {...props} />}
      {tab === 'Routes' && <RoutesTab {...props} />}
      {tab === 'Charts' && <ChartsTab {...props} />}
      {tab === 'Settings' && <SettingsTab {...props} />}
      {tab === 'Sources' && <SourcesTab {...props} />}
      {tab === 'Loose ends' && writes && <FindingsList family={family} />}
    </>
  );
}
