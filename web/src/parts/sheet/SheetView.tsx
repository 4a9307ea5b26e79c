import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { type Block, type Sheet, sheetText } from '@wire-trail/core';
import { useState } from 'react';
import { CodeGlyph } from '../code/CodeGlyph.tsx';
import { PicturedView } from '../pictured/PicturedView.tsx';
import './sheet.css';

/** A sheet on the screen, as it will be on paper, to print, keep or share. */
export function SheetView({ sheet }: { sheet: Sheet }) {
  const [busy, setBusy] = useState<'making' | 'failed' | 'missing' | null>(null);
  const makePdf = async () => {
    setBusy('making');
    // it is not kept ahead: too large for what it is needed for on the way
    const writer = await import('./pdf.ts').catch(() => null);
    if (!writer) return setBusy('missing');
    await writer.savePdf(sheet).then(
      () => setBusy(null),
      () => setBusy('failed'),
    );
  };
  const share = async () => {
    const text = sheetText(sheet);
    if (navigator.share) await navigator.share({ title: sheet.title, text }).catch(() => {});
    else await navigator.clipboard.writeText(text);
  };
  return (
    <section className="stack paper" aria-label={sheet.title}>
      <div className="row">
        <Button disabled={busy === 'making'} onClick={() => void makePdf()}>
          {busy === 'making' ? 'Making the PDF …' : 'PDF'}
        </Button>
        <Button onClick={() => void share()}>{'share' in navigator ? 'Share as text' : 'Copy as text'}</Button>
        {busy === 'missing' && (
          <span className="wrong">What makes a PDF is not on this device yet; it comes with a connection.</span>
        )}
        {busy === 'failed' && <span className="wrong">The PDF could not be made here.</span>}
      </div>
      <div className="paper-page">
        {sheet.blocks.map((block, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a sheet is drawn once and does not change
          <BlockView key={i} block={block} />
        ))}
        <p className="small soft">{sheet.foot}</p>
      </div>
    </section>
  );
}

function BlockView({ block }: { block: Block }) {
  switch (block.kind) {
    case 'code':
      return (
        <p className="row">
          <CodeGlyph text={block.text} size="large" /> <strong>{block.name}</strong>
        </p>
      );
    case 'heading':
      return <h3>{block.text}</h3>;
    case 'text':
      return <p className={block.tone ?? ''}>{block.text}</p>;
    case 'drawing':
      return (
        <img className="drawn" alt={block.words} src={`data:image/svg+xml;utf8,${encodeURIComponent(block.svg)}`} />
      );
    case 'pictures':
      return block.pictures.map((p) => <PicturedView key={p.data.slice(-40)} {...p} />);
    case 'list':
      return (
        <ul>
          {block.items.map((item) => (
            <li key={item}>{item}</li>
          ))}
        </ul>
      );
    case 'table':
      return (
        <Table>
          {block.head.length > 0 && (
            <TableHead>
              <TableRow>
                {block.head.map((h) => (
                  <TableCell key={h}>{h}</TableCell>
                ))}
              </TableRow>
            </TableHead>
          )}
          <TableBody>
            {block.rows.map((row) => (
              <TableRow key={row.join()}>
                {row.map((cell, i) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a cell is known by its column
                  <TableCell key={i}>{cell}</TableCell>
                ))}
              </TableRow>
            ))}
          </TableBody>
        </Table>
      );
    case 'steps':
      return (
        <ol>
          {block.steps.map((s) => (
            <li key={s.number}>
              <strong>{s.title}</strong> {s.lines.join(' ')} <span className="soft">{s.ways.join(' · ')}</span>
            </li>
          ))}
        </ol>
      );
  }
}
