import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { entriesOf, type LookAlike, type Slip, slipWords } from '@wire-trail/core';
import { useMemo, useState } from 'react';
import { CodeGlyph } from '../../../parts/code/CodeGlyph.tsx';
import { useLookAlikes } from '../../../parts/look-alikes/use-look-alikes.ts';
import { Loading } from '../../../parts/states/States.tsx';
import type { ReadoutAt } from './readout-at.ts';

/** More codes than this are not drawn as a square. */
const mostDrawn = 48;
const marks: Record<Slip['kind'], string> = {
  'lamp-dark': '○',
  rate: '≈',
  colour: '◐',
  'blink-missed': '−1',
  'blink-added': '+1',
  length: '–',
  'segment-lost': '⌷',
  character: 'Aa',
};
const markWords: Record<Slip['kind'], string> = {
  'lamp-dark': 'a lamp dead or dim',
  rate: 'slow for fast',
  colour: 'a colour for another',
  'blink-missed': 'a blink missed',
  'blink-added': 'a blink too many',
  length: 'long for short',
  'segment-lost': 'a segment dead',
  character: 'a character for its look-alike',
};

/** Which codes become which by one slip: a square to see it, and the sentences that stand at the codes. */
export function LookAlikePane({ body, bodies, codes, texts }: ReadoutAt) {
  const found = useLookAlikes(body, texts);
  const [picked, setPicked] = useState<LookAlike | null>(null);
  const panel =
    entriesOf(bodies, 'panel').find((p) => p.controller === body.controller) ?? entriesOf(bodies, 'panel')[0];
  const hazardsOf = useMemo(() => new Map(codes.map((c) => [c.text, c.hazards] as const)), [codes]);
  if (!found) return <Loading what="the look-alikes" />;
  if (found.length === 0) return <p className="sheet">No listed code becomes another by one slip.</p>;
  const involved = texts.filter((t) => found.some((l) => l.code === t || l.becomes === t)).slice(0, mostDrawn);
  const unsaid = (l: LookAlike) => (hazardsOf.get(l.code) ?? []).filter((h) => !hazardsOf.get(l.becomes)?.includes(h));
  const isDanger = (l: LookAlike): boolean => unsaid(l).length > 0;
  const at = (code: string, becomes: string) => found.find((l) => l.code === code && l.becomes === becomes);
  const kinds = [...new Set(found.map((l) => l.slip.kind))];
  return (
    <div className="split flip">
      <section className="sheet">
        <h2>What shows, across; what it is read as, down</h2>
        <div className="scrolls">
          <Table className="matrix" stickyHeader padding="none">
            <TableHead>
              <TableRow>
                <TableCell />
                {involved.map((t) => (
                  <TableCell key={t} scope="col" className="mono">
                    <span>{t}</span>
                  </TableCell>
                ))}
              </TableRow>
            </TableHead>
            <TableBody>
              {involved.map((becomes) => (
                <TableRow key={becomes}>
                  <TableCell component="th" scope="row" className="mono">
                    {becomes}
                  </TableCell>
                  {involved.map((code) => {
                    const l = at(code, becomes);
                    if (code === becomes) return <TableCell key={code} className="same" />;
                    return (
                      <TableCell key={code}>
                        {l && (
                          <Button
                            size="dense"
                            color={isDanger(l) ? 'primary' : 'inherit'}
                            variant={picked === l ? 'contained' : isDanger(l) ? 'outlined' : 'text'}
                            aria-label={`${code} read as ${becomes}`}
                            aria-pressed={picked === l}
                            onClick={() => setPicked(l)}
                          >
                            {marks[l.slip.kind]}
                          </Button>
                        )}
                      </TableCell>
                    );
                  })}
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </div>
        <p className="small soft">
          {kinds.map((k) => `${marks[k]} ${markWords[k]}`).join(' · ')} · framed: the other warns of less
        </p>
      </section>
      <section className="sheet">
        <h2>{picked ? 'This pair' : 'As it stands at the codes'}</h2>
        <ul className="plain lined">
          {(picked ? [picked] : [...found].sort((a, b) => Number(isDanger(b)) - Number(isDanger(a))))
            .slice(0, 60)
            .map((l) => (
              <li key={`${l.code}${l.becomes}${l.slip.kind}`} className={isDanger(l) ? 'warning' : ''}>
                <CodeGlyph text={l.becomes} />: if {panel ? slipWords(l, panel) : l.slip.kind}, this is{' '}
                <CodeGlyph text={l.code} />.
                {isDanger(l) && (
                  <p className="small">
                    {l.becomes} does not warn of {unsaid(l).join(', ').replaceAll('-', ' ')}.
                  </p>
                )}
              </li>
            ))}
        </ul>
        {picked && (
          <Button variant="text" onClick={() => setPicked(null)}>
            show all {found.length}
          </Button>
        )}
      </section>
    </div>
  );
}
