import Button from '@mui/material/Button';
import { decode, encode, type Listed, looksOf, readCaller, runVectors, type TestVector } from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { CodeGlyph } from '../../../parts/code/CodeGlyph.tsx';
import { Input } from '../../../parts/field/Input.tsx';
import { Select } from '../../../parts/field/Select.tsx';
import type { ReadoutAt } from './readout-at.ts';

/** Things seen on a real unit with what they stood for: kept, and tried again at every save. */
export function VectorsPane({ body, texts, nameOf, onEdit }: ReadoutAt) {
  const listed = useMemo<Listed[]>(() => texts.map((text) => ({ text, frequency: 1 })), [texts]);
  const runs = useMemo(() => runVectors(body, listed), [body, listed]);
  const [said, setSaid] = useState('');
  const [name, setName] = useState('');
  const [expect, setExpect] = useState(texts[0] ?? '');
  const labels = useMemo(
    () => ({
      names: new Map(
        body.stages.flatMap((s) =>
          'lamps' in s.reads ? s.reads.lamps.map((l) => [l.sign as string, [nameOf(l.sign)]] as const) : [],
        ),
      ),
      at: new Map(),
    }),
    [body, nameOf],
  );
  const heard = useMemo(() => readCaller(body, said, labels), [body, said, labels]);
  const looks = said.trim() === '' ? null : (heard.readings[0]?.looks ?? null);
  const reads = looks ? (decode(body, listed, { slot: 1, looks: [...looks] }).candidates[0]?.code ?? 'nothing') : null;
  const add = (vector: TestVector) => onEdit({ vectors: [...body.vectors, vector] }, 'vectors');
  const addShown = () => {
    const shows = encode(body, expect);
    if (shows.ok) add({ name: name || `${expect} as it shows`, looks: looksOf(body, shows.value), expect });
  };
  const failing = runs.filter((r) => !r.holds).length;
  return (
    <div className="stack">
      <section className="sheet">
        <div className="row spread">
          <h2>Tests kept</h2>
          <span className={failing > 0 ? 'tag bad' : 'tag'}>
            {runs.length === 0
              ? 'none yet'
              : failing > 0
                ? `${failing} of ${runs.length} fail`
                : `all ${runs.length} hold`}
          </span>
        </div>
        <ul className="plain lined vectors">
          {runs.map(({ vector, reads: now, holds }, i) => (
            <li key={`${vector.name}${vector.expect}`} className={holds ? 'good' : 'bad'}>
              <span>
                <strong>{holds ? 'holds' : 'fails'}</strong> {vector.name}
              </span>
              <span className="soft small">{vector.looks.map(lookWords(nameOf)).join(' · ')}</span>
              <span>
                {vector.expect === null ? 'no code' : <CodeGlyph text={vector.expect} />}
                {!holds && <> reads {now ?? 'as nothing'}</>}
              </span>
              <Button
                variant="text"
                aria-label={`take out ${vector.name}`}
                onClick={() => onEdit({ vectors: body.vectors.filter((_, k) => k !== i) }, 'vectors')}
              >
                take out
              </Button>
            </li>
          ))}
        </ul>
      </section>
      <section className="sheet">
        <h2>Keep another</h2>
        <div className="two">
          <label className="field">
            What was seen, in words
            <Input fullWidth value={said} onChange={(e) => setSaid(e.target.value)} placeholder="b d e, then a d e" />
          </label>
          <label className="field">
            Where, and when
            <Input
              fullWidth
              value={name}
              onChange={(e) => setName(e.target.value)}
              placeholder="harbour kitchen, rinse cold"
            />
          </label>
          <label className="field">
            What it was
            <Select native fullWidth value={expect} onChange={(e) => setExpect(e.target.value)}>
              {texts.map((t) => (
                <option key={t}>{t}</option>
              ))}
              <option value="">no code</option>
            </Select>
          </label>
          <div className="stack">
            <p className="soft small" role="status">
              {said.trim() === ''
                ? 'Say it as a caller would; or keep the code just as the readout shows it.'
                : looks
                  ? `reads ${reads}${heard.ask ? '; the numbers could be meant otherwise' : ''}`
                  : 'Nothing can be made of that yet.'}
            </p>
            <div className="row">
              <Button
                variant="contained"
                color="primary"
                disabled={!looks}
                onClick={() => {
                  if (!looks) return;
                  add({ name: name || said.slice(0, 100), looks: [...looks], expect: expect === '' ? null : expect });
                  setSaid('');
                  setName('');
                }}
              >
                Keep what was said
              </Button>
              <Button disabled={expect === ''} onClick={addShown}>
                Keep {expect} as it shows
              </Button>
            </div>
          </div>
        </div>
      </section>
    </div>
  );
}

const lookWords =
  (nameOf: (sign: string) => string) =>
  (look: TestVector['looks'][number]): string => {
    switch (look.kind) {
      case 'lamps': {
        const lit = Object.entries(look.lamps).flatMap(([s, v]) =>
          v === 'dark' ? [] : [`${nameOf(s)}${v === 'lit' ? '' : ` ${v}`}`],
        );
        return lit.join(' ') || 'all dark';
      }
      case 'blinks':
        return `${look.sign ? `${nameOf(look.sign)} ` : ''}${look.count} ×`;
      case 'rhythm':
        return [...look.pattern].map((c) => (c === 'l' ? 'long' : 'short')).join(' ');
      case 'text':
        return `“${look.text}”`;
      case 'pulses':
        return `${look.pulses.length} taps`;
      case 'trace':
        return 'a trace';
    }
  };
