import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import {
  type Bundle,
  type Entry,
  entriesOf,
  lookAlikes,
  type Readout,
  runVectors,
  type Sign,
  showsCode,
} from '@wire-trail/core';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import stackerJson from '../../../../../demo/hobrannet-t12.json';
import launchJson from '../../../../../demo/sandrelle-l6.json';
import { glasswasher, readDemo, show } from '../../../testing/trail.tsx';
import { AccountsPane } from './AccountsPane.tsx';
import { LearnPane } from './LearnPane.tsx';
import { LookAlikePane } from './LookAlikePane.tsx';
import type { ReadoutAt } from './readout-at.ts';
import { ShownPane } from './ShownPane.tsx';
import { VectorsPane } from './VectorsPane.tsx';

const [launch, stacker] = [readDemo(launchJson), readDemo(stackerJson)];
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const sees = (text: string | RegExp) => expect(screen.getAllByText(text).length).toBeGreaterThan(0);
beforeEach(() => {
  class StandIn {
    onmessage: ((event: { data: unknown }) => void) | null = null;
    postMessage({ readout, texts }: { readout: Readout; texts: readonly string[] }): void {
      setTimeout(() => this.onmessage?.({ data: lookAlikes(readout, texts) }));
    }
    terminate(): void {}
  }
  vi.stubGlobal('Worker', StandIn);
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

/** A tab with the draft behind it, as the editor keeps it. */
function Room({
  bundle,
  id,
  tab: Shown,
  latest,
}: {
  bundle: Bundle;
  id: string;
  tab: (at: ReadoutAt & { signs: ReadonlyMap<string, Sign> }) => React.ReactNode;
  latest: { body: Readout | null };
}) {
  const [body, setBody] = useState(() => entriesOf(bundle, 'readout').find((r) => r.id === id) as Readout);
  latest.body = body;
  const bodies = { entries: bundle.entries.map((e): Entry => (e.kind === 'readout' && e.id === id ? body : e)) };
  const codes = entriesOf(bundle, 'code').filter((c) => showsCode(body, c));
  const signs = new Map(
    entriesOf(bundle, 'panel').flatMap((p) => p.faces.flatMap((f) => f.signs.map((s): [string, Sign] => [s.id, s]))),
  );
  return (
    <Shown
      body={body}
      bodies={bodies}
      codes={codes}
      texts={[...new Set(codes.map((c) => c.text))]}
      nameOf={(sign) => signs.get(sign)?.label ?? sign}
      onEdit={(change) => setBody({ ...body, ...change } as Readout)}
      signs={signs}
    />
  );
}
const open = (bundle: Bundle, id: string, tab: Parameters<typeof Room>[0]['tab']) => {
  const latest: { body: Readout | null } = { body: null };
  show(<Room bundle={bundle} id={id} tab={tab} latest={latest} />);
  return latest;
};

describe('shown and read', () => {
  it('plays a code, and shows what each sign does over one round', () => {
    open(stacker, 'lift', ShownPane);
    sees('As the unit shows it');
    expect(screen.getByRole('img', { name: /^one round lasts \d/ })).toBeTruthy();
    fireEvent.change(screen.getByLabelText('code'), { target: { value: 'LC' } });
    expect((screen.getByLabelText('code') as HTMLSelectElement).value).toBe('LC');
  });
  it('scenes parted by a gesture are picked by it', () => {
    open(launch, 'codes', ShownPane);
    press('Show the number');
    sees(/^after “Show the number”/);
  });
  it('what the engine found stands beside it, and follows an edit', () => {
    const latest = open(glasswasher, 'lamps', ShownPane);
    sees(/K23 reads as K19, which warns of less/);
    const weights = within(screen.getByRole('table', { name: /weights of first character/ }));
    fireEvent.change(weights.getByLabelText(/^weight of b/), { target: { value: '16' } });
    expect(latest.body?.stages[0]?.reads).toMatchObject({ lamps: [{ weight: 16 }, { weight: 16 }, {}, {}, {}] });
    sees(/ways of lighting add up to/);
    press('1 2 4 from the left');
    expect(latest.body?.stages[0]?.reads).toMatchObject({ lamps: [1, 2, 4, 8, 16].map((weight) => ({ weight })) });
    fireEvent.change(weights.getByLabelText(/^weight of c/), { target: { value: '' } });
    expect(latest.body?.stages[0]?.reads).toMatchObject({ lamps: [{}, {}, { sign: 'lamp-c' }, {}, {}] });
  });
  it('a weight is laid on a lamp: whoever had it counts nothing until it is given one', () => {
    const latest = open(glasswasher, 'lamps', ShownPane);
    press('1 2 4 from the left');
    press('weight 16');
    const onto = within(screen.getByRole('group', { name: 'lay 16 on' }));
    fireEvent.click(onto.getByRole('button', { name: /^b$/ }));
    expect(latest.body?.stages[0]?.reads).toMatchObject({
      lamps: [{ weight: 1 }, { weight: 16 }, { weight: 4 }, { weight: 8 }, { sign: 'lamp-e' }],
    });
    expect(screen.queryByRole('group', { name: 'lay 16 on' })).toBeNull();
  });
  it('a truth table is pasted: rows that read are used, those that do not stay with the reason', () => {
    const latest = open(launch, 'codes', ShownPane);
    press('Paste a truth table');
    const box = screen.getByLabelText(/One line a pattern/) as HTMLTextAreaElement;
    fireEvent.change(box, { target: { value: '100 P\n010 M\n01 T' } });
    sees('line 3: 2 signs for 3 lamps');
    press('Use 2 rows');
    expect(latest.body?.stages[0]?.reads).toMatchObject({
      to: {
        kind: 'table',
        rows: [
          { pattern: '100', value: 'P' },
          { pattern: '010', value: 'M' },
        ],
      },
    });
    expect(box.value).toBe('01 T');
  });
  it('times of a blinking lamp are changed, and a pause too short is found', () => {
    const latest = open(stacker, 'lift', ShownPane);
    fireEvent.change(screen.getByLabelText('pause'), { target: { value: '0.4 s' } });
    expect(latest.body?.stages[0]?.reads).toMatchObject({ pauseMs: 400 });
    sees(/cannot be told from the 0.3 s between two lights/);
  });
});

describe('tests', () => {
  it('hold or fail as the readout changes, and can be kept from what was said', () => {
    const latest = open(glasswasher, 'lamps', VectorsPane);
    sees('all 2 hold');
    fireEvent.change(screen.getByLabelText('What was seen, in words'), { target: { value: 'b d e, then a c d e' } });
    sees('reads K23');
    fireEvent.change(screen.getByLabelText('What it was'), { target: { value: 'K19' } });
    fireEvent.change(screen.getByLabelText('Where, and when'), { target: { value: 'wrongly noted' } });
    press('Keep what was said');
    sees('1 of 3 fail');
    expect(latest.body?.vectors.at(-1)).toMatchObject({ name: 'wrongly noted', expect: 'K19' });
    press('take out wrongly noted');
    press('Keep K19 as it shows');
    sees('all 3 hold');
  });
  it('long and short, counts and texts are kept as well', () => {
    open(stacker, 'lift', VectorsPane);
    sees('long short long');
    fireEvent.change(screen.getByLabelText('What was seen, in words'), { target: { value: 'two short one long' } });
    sees('reads LD');
  });
});

describe('two accounts', () => {
  it('the codes on which they differ stand side by side; following one keeps the other', () => {
    const latest = open(glasswasher, 'lamps', AccountsPane);
    const before = latest.body?.stages;
    expect(screen.getAllByRole('row').length).toBeGreaterThan(8);
    press('Follow this one');
    expect(latest.body?.stages).not.toEqual(before);
    expect(latest.body?.accounts).toMatchObject([{ label: 'as this readout had it', stages: before }]);
  });
  it('the usual quarrels are one button each', () => {
    const latest = open(glasswasher, 'lamps', AccountsPane);
    press('Counted from the other end');
    press('Lamps counted, not weighed');
    press('The other half first');
    expect(latest.body?.accounts.map((a) => a.id)).toEqual(['from-right', 'account-2', 'account-3', 'account-4']);
    sees('another listed code');
  });
});

describe('look-alikes', () => {
  it('a square of what becomes what, framed where the other warns of less, and the sentences', async () => {
    open(glasswasher, 'lamps', LookAlikePane);
    const cell = await screen.findByRole('button', { name: 'K23 read as K19' });
    expect(cell.classList.contains('MuiButton-colorPrimary')).toBe(true);
    fireEvent.click(cell);
    sees('This pair');
    sees(/does not warn of steam pressure/);
    press(/^show all/);
    await waitFor(() => sees('As it stands at the codes'));
  });
  it('says so where there are none', async () => {
    open(stacker, 'lift', ({ texts, ...at }) => <LookAlikePane {...at} texts={texts.slice(0, 1)} />);
    await waitFor(() => sees('No listed code becomes another by one slip.'));
  });
});

describe('learnt from examples', () => {
  const type = (code: number, text: string) =>
    fireEvent.change(screen.getByLabelText(`code ${code}`), { target: { value: text } });
  const mark = (code: number, part: number, lamps: string) => {
    const group = within(screen.getByRole('group', { name: `lit for code ${code}, part ${part}` }));
    for (const lamp of lamps) fireEvent.click(group.getByRole('button', { name: lamp }));
  };
  const blank = (bundle: Bundle): Bundle => ({
    ...bundle,
    entries: bundle.entries.map((e): Entry => (e.kind === 'readout' ? { ...e, vectors: [] } : e)),
  });
  const says = () => screen.getByRole('status').textContent ?? '';

  it('asks for a code of the unit while it is open, finds what each lamp counts, and keeps the examples as tests', () => {
    const latest = open(blank(glasswasher), 'lamps', LearnPane);
    press('in two parts');
    type(1, 'K19');
    mark(1, 1, 'bde');
    mark(1, 2, 'ade');
    expect(says()).toMatch(/4 ways still fit/);
    expect(screen.queryByRole('button', { name: 'Use this' })).toBeNull();
    const asked = screen.getByRole('button', { name: /^Add [A-Z]\d\d$/ }).textContent?.replace('Add ', '') ?? '';
    expect(entriesOf(glasswasher, 'code').map((c) => c.text)).toContain(asked);
    type(2, 'C06');
    mark(2, 1, 'de');
    mark(2, 2, 'cd');
    type(3, 'D09');
    mark(3, 1, 'c');
    mark(3, 2, 'be');
    expect(says()).toMatch(/a counts 16.*b counts 8.*c counts 4.*d counts 2.*e counts 1/);
    expect(says()).toMatch(/codes of the unit are among them/);
    press('Use this');
    expect(says()).toMatch(/It is in the readout now/);
    const { body } = latest;
    expect(body?.vectors.map((v) => v.expect)).toEqual(['K19', 'C06', 'D09']);
    // what the stages were called, and what tells them apart, stays
    expect(body?.stages.map((s) => [s.id, s.comes.kind])).toEqual([
      ['letter', 'colour'],
      ['number', 'colour'],
    ]);
    expect(
      runVectors(body as Readout, [
        { text: 'K19', frequency: 1 },
        { text: 'C06', frequency: 1 },
        { text: 'D09', frequency: 1 },
      ]).every((r) => r.holds),
    ).toBe(true);
  });

  it('two that cannot both be so are named where they stand; where nothing fits, so is the one that is in the way', () => {
    open(blank(glasswasher), 'lamps', LearnPane);
    press('in two parts');
    for (const [i, [text, first, second]] of [
      ['K19', 'bde', 'ade'],
      ['C06', 'de', 'cd'],
      ['D09', 'de', 'cd'],
    ].entries()) {
      type(i + 1, text ?? '');
      mark(i + 1, 1, first ?? '');
      mark(i + 1, 2, second ?? '');
    }
    expect(screen.getByText(/^C06 and D09 have the same lamps marked/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Use this' })).toBeNull();
    // the one that was marked wrong, set otherwise and wrong again
    mark(3, 1, 'e');
    press('Add a code');
    type(4, 'B03');
    mark(4, 1, 'd');
    mark(4, 2, 'de');
    expect(says()).toMatch(/No way of adding up fits all of these. Without .*D09.* the others fit/);
  });

  it('lamps that are not in the row are left out of it', () => {
    open(blank(glasswasher), 'lamps', LearnPane);
    fireEvent.click(within(screen.getByRole('group', { name: 'lamps in the row' })).getByRole('button', { name: 'a' }));
    expect(
      within(screen.getByRole('group', { name: 'lit for code 1' })).queryByRole('button', { name: 'a' }),
    ).toBeNull();
  });
});
