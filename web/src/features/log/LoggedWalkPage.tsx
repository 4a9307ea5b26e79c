import Button from '@mui/material/Button';
import {
  type Bundle,
  clearedWords,
  complaintLines,
  currentStation,
  entriesOf,
  entryOf,
  foldWalk,
  foundWords,
  happenedWords,
  outcomeWords,
  type Proposal,
  passedWords,
  permitWords,
  proposalWords,
  roundsSeen,
  stations,
  sweptWords,
  verdictWords,
  type WalkEvent,
  type WalkEventOf,
  writeReadings,
} from '@wire-trail/core';
import { Link, useParams } from 'react-router';
import { api } from '../../foundation/api.ts';
import { type Amounts, type Dates, useAmounts, useDates } from '../../foundation/use-own.ts';
import { CodeGlyph } from '../../parts/code/CodeGlyph.tsx';
import { PageBar } from '../../parts/page-bar/PageBar.tsx';
import { PicturedView } from '../../parts/pictured/PicturedView.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Empty, Loading } from '../../parts/states/States.tsx';
import { stationNames, TrailLine } from '../../parts/trail-line/TrailLine.tsx';
import { Moment } from '../../parts/when/When.tsx';

/** What things of the family are called; their ids where the library is not at hand. */
type Names = Readonly<{
  route: (id: string) => string;
  node: (chart: string, id: string) => string;
  symptom: (id: string) => string;
  hazard: (id: string) => string;
  part: (id: string) => string;
  code: (id: string) => string;
  special: (id: string) => string;
  controller: (id: string) => string;
  variant: (id: string) => string;
  found: (event: WalkEventOf<'chart-ended'>) => string;
  amount: Amounts['say'];
  day: Dates['day'];
  offer: (offer: Proposal) => string;
}>;

function namesOf(bundle: Bundle | undefined, amounts: Amounts, dates: Dates): Names {
  const family = bundle && entriesOf(bundle, 'family')[0];
  return {
    route: (id) => (bundle && entryOf(bundle, 'route', id)?.name) ?? id,
    node: (chart, id) => (bundle && entryOf(bundle, 'chart', chart)?.nodes.find((n) => n.id === id)?.title) ?? id,
    symptom: (id) => (bundle && entryOf(bundle, 'symptom', id)?.title) ?? id,
    code: (id) => (bundle && entryOf(bundle, 'code', id)?.text) ?? id.toUpperCase(),
    special: (id) =>
      (bundle ? entriesOf(bundle, 'readout') : []).flatMap((r) => r.specials).find((s) => s.id === id)?.label ?? id,
    part: (id) => family?.parts.find((p) => p.id === id)?.name ?? id,
    hazard: (id) => (bundle && entryOf(bundle, 'hazard', id)?.title) ?? id,
    controller: (id) => family?.controllers.find((c) => c.id === id)?.name ?? id,
    variant: (id) => family?.variants.find((v) => v.id === id)?.name ?? id,
    amount: amounts.say,
    day: dates.day,
    offer: (offer) => (bundle ? proposalWords(bundle, offer) : offer.kind),
    found: (event) => {
      const { cause, title } = bundle ? foundWords(bundle, event) : { cause: event.cause, title: null };
      const verdict = event.verdict ? verdictWords[event.verdict] : 'without a result';
      return [verdict, cause, title === cause ? null : title].filter(Boolean).join(', ');
    },
  };
}

const timesWords = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);

const testedWords = { pass: 'good', fail: 'bad', 'not-valid': 'not valid, to be repeated' } as const;
const settingWords = { noted: 'noted', set: 'set to', verified: 'verified', 'put-back': 'put back to' } as const;

/** One event in words, as seen and as made of it. */
function eventWords(event: WalkEvent, names: Names): string {
  switch (event.kind) {
    case 'started':
      return event.from.kind === 'code'
        ? `Began with ${event.from.code.toUpperCase()}`
        : event.from.kind === 'symptom'
          ? `Began with the symptom ${names.symptom(event.from.symptom)}`
          : event.from.kind === 'unlisted'
            ? `Began with ${event.from.text}, unlisted`
            : 'Began at the panel';
    case 'unit':
      return `Unit ${event.serialUnread ? 'with a serial number that could not be read' : event.serial}, model ${event.model || 'not read'}, software ${event.software ?? 'not known'}${event.variant ? `: ${names.variant(event.variant)}` : ''}`;
    case 'safe':
      return `Hazards confirmed: ${event.hazards.map(names.hazard).join(', ') || 'none named'}`;
    case 'tried':
      return `${names.route(event.route)}: ${event.took ? 'took' : 'did not take'}${event.happened ? `, ${happenedWords[event.happened]}` : ''}${event.step ? `, at step ${event.step}` : ''}`;
    case 'tested':
      return `Test ${event.number}: ${testedWords[event.result]}${event.reading ? `, ${event.reading.typed}` : ''}`;
    case 'setting':
      return `Setting ${event.setting} ${settingWords[event.did]}: ${event.value}`;
    case 'locked-out':
      return event.count === 0 ? `${event.part} let in again` : `Locked out: ${event.count} × ${event.part}`;
    case 'skipped':
      return `${stationNames[event.station]} left out: ${event.why}`;
    case 'passed':
      return `${stationNames[event.station]}: ${passedWords[event.why]}`;
    case 'chart-ended':
      return `Tests ended: ${names.found(event)}`;
    case 'code-settled':
      return `${names.code(event.code)} ${event.as === 'tested' ? 'tested' : `left for later: ${event.why}`}${event.next ? `; going on with ${names.code(event.next)}` : ''}`;
    case 'clear-step':
      return clearedWords[event.did];
    case 'seen':
      return `Stored code ${event.seen.slot} seen ${timesWords(roundsSeen(event.seen.looks))}: ${event.made.map((m) => `${m.code} ${Math.round(m.certainty * 100)} %`).join(', ')}`;
    case 'special':
      return `Shows ${names.special(event.special)}`;
    case 'code-taken':
      return `Stored code ${event.slot} taken as ${names.code(event.code)}${event.confirmAt ? ', to be confirmed' : ''}`;
    case 'swept':
      return `${names.controller(event.controller)}: ${sweptWords[event.result]}`;
    case 'confirmed':
      return `${names.controller(event.controller)} ${event.agrees ? 'says the same' : 'could not be asked'}`;
    case 'read-done':
      return event.code ? `Read, going on with ${event.code.toUpperCase()}` : 'Read';
    case 'unlisted':
      return `${event.text} is unlisted${event.ask ? ', trainer asked' : ''}. ${event.words}`;
    case 'symptom-taken':
      return `Goes on with a symptom: ${names.symptom(event.symptom)}`;
    case 'answered':
      return `${names.node(event.chart, event.node)}: ${event.reading ? `${event.reading.typed} is ${event.reading.verdict}` : event.answer}${event.skipped ? `, passed over: ${event.skipped}` : ''}`;
    case 'suspected':
      return `Seen on the way: ${event.text}`;
    case 'timer':
      return event.of.kind === 'prove'
        ? `The run began, ${Math.round(event.ms / 60_000)} min at the least`
        : `${names.node(event.of.chart, event.of.node)}: the timer began, ${Math.round(event.ms / 60_000)} min`;
    case 'owed':
      return `Left: ${event.what}${event.by ? `, to be put back by ${names.day(event.by)}` : ''}${event.who ? `, ${event.who}` : ''}`;
    case 'complaint':
      return complaintLines(event).join(' · ') || 'What the customer says was not asked';
    case 'offered':
      return `Handed over: ${event.what} is for ${permitWords({ scope: event.needs, trades: event.trades ?? [] })}`;
    case 'beside':
      return `${names.node(event.chart, event.node)}, ${event.one}${event.isGood ? ', which works' : ''}: ${event.reading.typed}`;
    case 'proposed':
      return `Offered to the library: ${names.offer(event.offer)}${event.words ? `. ${event.words}` : ''}`;
    case 'taken-over':
      return `Taken over by ${event.by}`;
    case 'ordered':
      return `Ordered: ${event.quantity} × ${names.part(event.part)}${event.number ? `, ${event.number}` : ''}`;
    case 'reset-first':
      return event.returned === null
        ? `${names.code(event.code)} ${event.by === 'reset' ? 'reset' : 'recalibrated'} before testing`
        : `${names.code(event.code)} ${event.returned ? 'came back' : 'stayed away'} after the ${event.by === 'reset' ? 'reset' : 'recalibration'}`;
    case 'pictured':
      return [event.type === 'image/jpeg' ? 'Picture' : 'Clip', event.words].filter(Boolean).join(': ');
    case 'changed':
      return `Changed by hand: ${event.what}`;
    case 'put-back':
      return 'What was left on an earlier walk is put back';
    case 'noted':
      return event.text;
    case 'cleared':
      return 'Cleared and put back';
    case 'waits':
      return `Waits until ${names.day(event.until)}: ${event.why}`;
    case 'resumed':
      return 'Went on';
    case 'reading-after':
      return `${names.node(event.chart, event.node)}, after: ${event.reading.value === null ? 'open' : names.amount(event.reading.value, event.reading.quantity)}, ${event.reading.verdict}`;
    case 'proved':
      return `${event.returned ? 'Returned' : 'Did not return'} in ${event.cycles}`;
    case 'closed':
      return event.fixedBy ? `Closed, fixed by ${event.fixedBy}` : `Closed: ${outcomeWords[event.outcome]}`;
    case 'taken-back':
      return 'The step before was taken back';
  }
}

export default function LoggedWalkPage() {
  const { walk: id = '' } = useParams();
  const amounts = useAmounts();
  const dates = useDates();
  const { data, error, refetch } = api.useWalkQuery(id);
  const walk = data ? foldWalk(data.events) : null;
  const { data: bundle } = api.useBundleQuery(walk?.family ?? '', { skip: !walk });
  if (error)
    return 'code' in error && error.code === 'not-found' ? (
      <Empty title="No such walk in the log">It may not have been sent yet.</Empty>
    ) : (
      <Failed error={error} again={() => void refetch()} />
    );
  if (!data) return <Loading what="the walk" />;
  if (!walk) return <Empty title="The beginning of this walk has not arrived yet" />;
  const names = namesOf(bundle, amounts, dates);
  const takenBack = new Set(data.events.flatMap((e) => (e.kind === 'taken-back' ? [e.event] : [])));
  return (
    <>
      <PageBar
        above={[{ name: 'Log', to: '/log' }]}
        called={`${walk.unit?.serial ?? 'a walk'} in the log`}
        title={
          <>
            <CodeGlyph text={(walk.code ?? walk.symptom ?? walk.unlisted?.text ?? '—').toUpperCase()} />{' '}
            <span className="mono">{walk.unit?.serial}</span>
          </>
        }
      />
      <div className="row walk-does">
        {!walk.closed && data.mine && (
          <Button component={Link} to={`/trail/${walk.id}`} variant="contained" color="primary">
            Go on with it here
          </Button>
        )}
        {walk.answers.some((a) => a.reading) && (
          <Button
            download={`readings-${walk.unit?.serial ?? walk.id}.csv`}
            href={`data:text/csv;charset=utf-8,${encodeURIComponent(writeReadings([data.events], bundle))}`}
          >
            Readings as CSV
          </Button>
        )}
      </div>
      <TrailLine stations={stations} current={walk.closed ? null : currentStation(walk)} done={walk.done} />
      <ol className="plain events">
        {data.events.map((event) => (
          <li key={event.id} className={takenBack.has(event.id) ? 'line soft taken-back' : 'line'}>
            <span className="soft small mono">
              <Moment at={event.at} />
            </span>
            <span className="grow">
              {eventWords(event, names)}
              {event.kind === 'pictured' && <PicturedView type={event.type} data={event.data} words="" />}
              {event.saidAt && (
                <span className="soft small">
                  {' '}
                  · by a clock that said <Moment at={event.saidAt} />
                </span>
              )}
            </span>
          </li>
        ))}
      </ol>
    </>
  );
}
