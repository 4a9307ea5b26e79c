import Checkbox from '@mui/material/Checkbox';
import { type Bundle, type Mode, quantities, testBegun } from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { Field } from '../../../parts/field/Field.tsx';
import { Fold } from '../../../parts/fold/Fold.tsx';
import { Choices } from './Choices.tsx';
import { SentenceDialog } from './SentenceDialog.tsx';
import { type NumberedTest, type TestDraft, testDraftOf, testTyped } from './test-draft.ts';
import { aroundOf } from './way-draft.ts';
import { Gap, Pick, SignsGap, StepsGap } from './way-gaps.tsx';

type Props = Readonly<{
  mode: Mode;
  bundle: Bundle;
  before: NumberedTest | null;
  onKeep: (test: NumberedTest) => void;
  onClose: () => void;
}>;

/** A numbered test inside a mode, as sentences with their gaps. */
export function TestDialog({ mode, bundle, before, onKeep, onClose }: Props) {
  const around = useMemo(() => aroundOf(bundle, mode), [bundle, mode]);
  const [draft, setDraft] = useState<TestDraft>(() => testDraftOf(before ?? testBegun(mode), around));
  const [tried, setTried] = useState(false);
  const put = (next: Partial<TestDraft>) => setDraft({ ...draft, ...next });
  // open where something of it is said already
  const [isMore] = useState(() => [draft.skipBy, draft.againBy, draft.stops, draft.repeatWhen].some((t) => t !== ''));
  const others = mode.tests.filter((t) => t !== before).map((t) => [t.number, `test ${t.number}`] as const);
  const made = testTyped(draft, mode, around, before);
  const keep = () => {
    setTried(true);
    if (typeof made !== 'string') onKeep(made);
  };
  return (
    <SentenceDialog
      title={before ? `Test ${before.number}` : 'A test more'}
      keeps="Keep this test"
      wrong={tried && typeof made === 'string' ? made : null}
      onKeep={keep}
      onClose={onClose}
    >
      <div className="sentence">
        <span>Test</span>
        <Gap
          name="its number"
          wrong={tried && draft.number.trim() === ''}
          value={draft.number}
          onType={(number) => put({ number })}
        />
        <span>is</span>
        <Gap
          name="what it tests"
          size={22}
          wrong={tried && draft.name.trim() === ''}
          value={draft.name}
          onType={(name) => put({ name })}
        />
      </div>
      <div className="sentence">
        <span>It begins</span>
        <Pick
          name="how it begins"
          value={draft.begins}
          of={[
            ['itself', 'by itself'],
            ['steps', 'when this is done:'],
          ]}
          onPick={(begins) => put({ begins: begins === 'steps' ? 'steps' : 'itself' })}
        />
        {draft.begins === 'steps' && (
          <StepsGap
            name="what begins it"
            value={draft.gesture}
            wrong={tried && draft.gesture.trim() === ''}
            onType={(gesture) => put({ gesture })}
          />
        )}
      </div>
      <Field
        label="How it starts, in words"
        value={draft.starts}
        wrong={tried && draft.starts.trim() === '' && 'Say how it starts.'}
        onChange={(e) => put({ starts: e.target.value })}
      />
      <Field
        label="What should happen, in words"
        value={draft.expected}
        wrong={tried && draft.expected.trim() === '' && 'Say what should happen.'}
        onChange={(e) => put({ expected: e.target.value })}
      />
      <div className="sentence">
        <span>It should show</span>
        <Pick
          name="what is watched for"
          value={draft.expects}
          of={[
            ['words', 'what the words say'],
            ...(around.everySign.length > 0 ? [['signs', 'this:'] as const] : []),
            ...(around.readouts.length > 0 && around.codes.length > 0 ? [['reads', 'a code, on'] as const] : []),
            ['reading', 'a reading of'],
          ]}
          onPick={(expects) => put({ expects: expects as TestDraft['expects'] })}
        />
        {draft.expects === 'reads' && (
          <>
            <Pick
              name="on which readout"
              value={draft.readout}
              of={around.readouts.map((r) => [r.id, r.name])}
              onPick={(readout) => put({ readout })}
            />
            <Pick
              name="which code"
              value={draft.code}
              of={around.codes.map((c) => [c.id, c.text])}
              onPick={(code) => put({ code })}
            />
          </>
        )}
        {draft.expects === 'reading' && (
          <>
            <Pick
              name="of what"
              value={draft.quantity}
              of={quantities.map((q) => [q, q])}
              onPick={(q) => put({ quantity: quantities.find((x) => x === q) ?? draft.quantity })}
            />
            <span>from</span>
            <Gap name="least" size={7} wrong={false} value={draft.least} onType={(least) => put({ least })} />
            <span>to</span>
            <Gap name="most" size={7} wrong={false} value={draft.most} onType={(most) => put({ most })} />
          </>
        )}
      </div>
      {draft.expects === 'signs' && (
        <SignsGap signs={around.everySign} value={draft.signs} onChange={(signs) => put({ signs })} />
      )}
      <div className="sentence">
        <span>It takes</span>
        <Gap
          name="how long it takes"
          wrong={false}
          value={draft.takes.usual}
          onType={(usual) => put({ takes: { ...draft.takes, usual } })}
        />
        <span>s, at least</span>
        <Gap
          name="at least"
          wrong={false}
          value={draft.takes.least}
          onType={(least) => put({ takes: { ...draft.takes, least } })}
        />
        <span>s, at most</span>
        <Gap
          name="at most"
          wrong={false}
          value={draft.takes.most}
          onType={(most) => put({ takes: { ...draft.takes, most } })}
        />
        <span>s.</span>
      </div>
      <div className="sentence">
        <label className="row small">
          <Checkbox checked={draft.coldOnly} onChange={(e) => put({ coldOnly: e.target.checked })} /> only when cold
        </label>
        {others.length > 0 && (
          <>
            <Pick
              name="after which test"
              value={draft.needsFirst}
              of={[['', 'after no other in particular'], ...others.map(([n, w]) => [n, `only after ${w}`] as const)]}
              onPick={(needsFirst) => put({ needsFirst })}
            />
            <Pick
              name="what follows"
              value={draft.followedBy}
              of={[
                ['', 'nothing follows by itself'],
                ...others.map(([n, w]) => [n, `${w} follows by itself`] as const),
              ]}
              onPick={(followedBy) => put({ followedBy })}
            />
          </>
        )}
      </div>
      <Fold title="More of it" open={isMore}>
        <div className="stack">
          <div className="sentence">
            <span>Passed over by</span>
            <StepsGap
              name="what passes it over"
              value={draft.skipBy}
              wrong={false}
              onType={(skipBy) => put({ skipBy })}
            />
            <span>Begun anew by</span>
            <StepsGap
              name="what begins it anew"
              value={draft.againBy}
              wrong={false}
              onType={(againBy) => put({ againBy })}
            />
          </div>
          <Field
            label="How it is stopped, where it does not end by itself"
            value={draft.stops}
            onChange={(e) => put({ stops: e.target.value })}
          />
          <Field
            label="When what it says does not count"
            value={draft.repeatWhen}
            onChange={(e) => put({ repeatWhen: e.target.value })}
          />
          <Choices
            name="Looked at in it"
            all={around.everySign.map((s) => [s.id, s.label])}
            picked={draft.looksAt}
            onChange={(looksAt) => put({ looksAt })}
          />
          <Choices
            name="Only on these; none ticked: on all"
            all={around.variants.map((v) => [v.id, v.name])}
            picked={draft.onlyVariants}
            onChange={(onlyVariants) => put({ onlyVariants })}
          />
        </div>
      </Fold>
    </SentenceDialog>
  );
}
