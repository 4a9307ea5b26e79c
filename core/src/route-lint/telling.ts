import { alignAccounts, contradictions, differenceKey } from '../accounts/align.ts';
import type { ControlId } from '../base/ids.ts';
import type { Path } from '../base/path.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Finding } from '../model/finding.ts';
import type { Route } from '../model/route.ts';
import { entriesOf } from '../model/select.ts';
import type { UnitAsLeft } from '../play/track.ts';
import { printStep } from '../script/print.ts';
import { readTelling } from '../telling/telling.ts';
import { bundleFacts, type UnitFacts } from '../unit/facts.ts';

const facts = new WeakMap<Bundle, UnitFacts>();
function factsFor(bundle: Bundle): UnitFacts {
  const known = facts.get(bundle) ?? bundleFacts(bundle);
  facts.set(bundle, known);
  return known;
}

/** What a route says in words, held against its steps: its summary, what must be before it, and accounts nobody settled. */
export function lintTelling(route: Route, before: UnitAsLeft, bundle: Bundle, at: Path): Finding[] {
  return [
    ...lintSummary(route, bundle, at),
    ...lintBefore(route, before, bundle, at),
    ...lintAccounts(route, bundle, at),
  ];
}

function lintSummary(route: Route, bundle: Bundle, at: Path): Finding[] {
  if (!route.summary) return [];
  const said = readTelling(route.summary, factsFor(bundle), entriesOf(bundle, 'instrument'));
  return contradictions(said.steps, route.steps).map((row): Finding => {
    const [mine, theirs] = row.cells;
    return {
      code: 'summary-differs',
      severity: 'warning',
      at: [...at, 'summary'],
      said: mine ? printStep(mine.step) : '',
      steps: theirs ? printStep(theirs.step) : '',
    };
  });
}

/** A precondition that names a place of a control, while the steps before leave it elsewhere. */
function lintBefore(route: Route, before: UnitAsLeft, bundle: Bundle, at: Path): Finding[] {
  return route.before.flatMap((text, i): Finding[] =>
    readTelling(text, factsFor(bundle)).steps.flatMap((step): Finding[] => {
      if (step.kind !== 'set') return [];
      const own = factsFor(bundle).controls.get(step.control as ControlId);
      const stands = before.places.get(step.control);
      if (!own || stands === undefined || stands === step.to || own.mechanism.kind !== 'places') return [];
      // what somebody sees to before beginning is not contradicted by how the panel is delivered
      if (route.from === 'any') return [];
      const word = own.mechanism.places.find((p) => p.id === stands)?.label ?? stands;
      return [
        {
          code: 'precondition-contradicted',
          severity: 'warning',
          at: [...at, 'before', i],
          before: text,
          control: own.control.label,
          stands: word,
        },
      ];
    }),
  );
}

function lintAccounts(route: Route, bundle: Bundle, at: Path): Finding[] {
  const open = route.settled.filter((s) => s.open).map((s) => s.about);
  const settled = new Set(route.settled.map((s) => s.about));
  const accounts = entriesOf(bundle, 'account').filter((a) => a.route === route.id);
  const rows = accounts.length > 0 ? alignAccounts([route.steps, ...accounts.map((a) => a.steps)]) : [];
  const keys = new Set(rows.flatMap((row) => differenceKey(row) ?? []));
  const unsettled = [...keys].filter((about) => !settled.has(about));
  return [...open, ...unsettled].map((about) => ({
    code: 'difference-open',
    severity: 'hint',
    at,
    route: route.name,
    about,
  }));
}
