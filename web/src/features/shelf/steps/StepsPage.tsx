import DoneIcon from '@mui/icons-material/CheckCircle';
import OpenIcon from '@mui/icons-material/RadioButtonUnchecked';
import Button from '@mui/material/Button';
import List from '@mui/material/List';
import ListItemButton from '@mui/material/ListItemButton';
import ListItemIcon from '@mui/material/ListItemIcon';
import ListItemText from '@mui/material/ListItemText';
import { entriesOf, type StepStands, type UnitStep, unitSteps, unitStepsOf, unitStepWords } from '@wire-trail/core';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { api } from '../../../foundation/api.ts';
import { standAtStep } from '../../../parts/family/at-step.ts';
import { PageBar } from '../../../parts/page-bar/PageBar.tsx';
import { Failed } from '../../../parts/states/Failed.tsx';
import { Loading } from '../../../parts/states/States.tsx';
import type { Shelved } from '../tab-props.ts';
import './steps.css';
import { Keeping, useKeeping, useSettled } from './keeping.ts';
import { StepBody } from './StepBody.tsx';
import { WillSee } from './WillSee.tsx';

const none: readonly Shelved[] = [];

/**
 * A unit, step by step: what it is, its panel, the ways, how a code is shown, codes, tests, what can hurt. In any order; each
 * says what is there and what would be missed. Left at any time and come back to: it is read off the unit itself.
 */
export default function StepsPage() {
  const { family = '' } = useParams();
  const [search, setSearch] = useSearchParams();
  const fresh = search.get('new');
  const [begunAt, setBegunAt] = useState<UnitStep | null>(null);
  const { currentData, error, refetch } = api.useWorkingQuery(family);
  const isNew = fresh !== null && (error !== undefined || currentData?.length === 0);
  const entries: readonly Shelved[] | undefined = currentData ?? (isNew ? none : undefined);
  const stands = useMemo(() => unitStepsOf((entries ?? none).map((e) => e.body)), [entries]);
  const at = unitSteps.find((s) => s === search.get('step')) ?? begunAt ?? 'what';
  useEffect(() => standAtStep(family, at), [family, at]);
  // one goes on once what was typed is kept, and stays with it where it was not
  const [wants, setWants] = useState<UnitStep | null>(null);
  const lookAnew = useCallback(() => refetch(), [refetch]);
  const { isKeeping, hold } = useKeeping(
    lookAnew,
    useCallback(() => setWants(null), []),
  );
  const settled = useSettled(entries, isKeeping) ?? none;
  useEffect(() => {
    if (isKeeping || wants === null) return;
    setWants(null);
    setSearch({ step: wants }, { replace: true });
  }, [isKeeping, wants, setSearch]);
  if (error && !isNew) return <Failed error={error} again={() => void refetch()} />;
  if (!entries) return <Loading what="the unit" />;
  // where one comes in is where something is missed; one stays there until one goes on
  if (begunAt === null) setBegunAt(isNew ? 'what' : (stands.find((s) => s.lacks.length > 0)?.step ?? 'what'));
  const go = (step: UnitStep) => {
    if (isKeeping) setWants(step);
    else setSearch({ ...(fresh !== null && isNew ? { new: fresh } : {}), step }, { replace: true });
  };
  const own = ownOf(entries, family);
  const name = own?.name ?? fresh ?? family;
  const current = stands.find((s) => s.step === at) as StepStands;
  const carried = entries.filter((e) => e.body.carriedFrom !== undefined).length;
  const next = unitSteps[unitSteps.indexOf(at) + 1];
  const before = unitSteps[unitSteps.indexOf(at) - 1];
  return (
    <>
      <PageBar
        above={[{ name: 'Shelf', to: '/shelf' }, ...(own ? [{ name, to: `/shelf/${family}` }] : [])]}
        title={own ? 'Step by step' : name}
        state={
          <>
            <span className="tag">kept as you go</span>
            {own?.generationOf && (
              <Link className="tag" to={`/shelf/${family}/differences`}>
                new generation of {own.generationOf.name}: what differs
              </Link>
            )}
            {carried > 0 && (
              <Link className="tag" to={`/shelf/${family}?room=To%20fix`}>
                {carried} carried over, not looked at yet
              </Link>
            )}
          </>
        }
      />
      <div className={at === 'what' ? 'unit-steps wide' : 'unit-steps'}>
        <List component="nav" aria-label="steps" className="step-list">
          {stands.map((s) => (
            <ListItemButton
              key={s.step}
              selected={s.step === at}
              aria-current={s.step === at ? 'step' : undefined}
              onClick={() => go(s.step)}
            >
              <ListItemIcon className={isDone(s) ? 'step-mark done' : s.isBegun ? 'step-mark begun' : 'step-mark'}>
                {isDone(s) ? (
                  <DoneIcon titleAccess="done" />
                ) : (
                  <OpenIcon titleAccess={s.isBegun ? 'begun' : 'not begun'} />
                )}
              </ListItemIcon>
              <ListItemText
                primary={unitStepWords[s.step]}
                secondary={short(s)}
                slotProps={{ primary: { sx: { fontWeight: 600 } } }}
              />
            </ListItemButton>
          ))}
        </List>
        <section className="stack step-body" aria-label={unitStepWords[at]}>
          <Keeping value={hold}>
            <StepBody
              key={at}
              step={at}
              stands={current}
              family={family}
              name={name}
              entries={settled}
              isNew={!ownOf(settled, family)}
            />
          </Keeping>
          {isKeeping && wants !== null && (
            <p className="soft small" role="status">
              Keeping it, then on to {unitStepWords[wants].toLowerCase()} …
            </p>
          )}
          <div className="row spread">
            {before ? <Button onClick={() => go(before)}>Back</Button> : <span />}
            {next && (
              <Button
                color="primary"
                variant={current.lacks.length === 0 ? 'contained' : 'outlined'}
                onClick={() => go(next)}
                disabled={!own}
              >
                Next: {unitStepWords[next].toLowerCase()}
              </Button>
            )}
            {!next && (
              <Button component={Link} to={`/shelf/${family}?room=To%20fix`}>
                What is to fix
              </Button>
            )}
          </div>
        </section>
        {at !== 'what' && <WillSee entries={entries} />}
      </div>
    </>
  );
}

const ownOf = (entries: readonly Shelved[], family: string) =>
  entriesOf({ entries: entries.map((e) => e.body) }, 'family').find((f) => f.id === family);
const isDone = (s: StepStands): boolean => s.isBegun && s.lacks.length === 0;
/** What stands in the list under a step: what is there, or what is missed first. */
const short = (s: StepStands): string => {
  const has = s.has.slice(0, 2).join(', ') + (s.has.length > 2 ? ` and ${s.has.length - 2} more` : '');
  return has || 'none yet';
};
