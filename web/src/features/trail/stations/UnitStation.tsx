import { familyEntry, type MachineId, resolvePlate, SoftwareVersion, type VariantId } from '@wire-trail/core';
import { type FormEvent, useState } from 'react';
import { api } from '../../../app/api.ts';
import { lampsOfMode } from '../../../parts/panel/use-stage-show.ts';
import { reasonWords } from '../words.ts';
import { Room, type StationProps } from './station.tsx';

const isVersion = (text: string): boolean => SoftwareVersion.safeParse(text).success;

/** Which unit is this? Plate and software pick the variant; what cannot be read keeps all cases alive. */
export function UnitStation({ walk, data, add }: StationProps) {
  const family = familyEntry(data.bundle);
  const [serial, setSerial] = useState(walk.unit?.serial ?? '');
  const [model, setModel] = useState(walk.unit?.model ?? '');
  const [software, setSoftware] = useState(walk.unit?.software ?? '');
  const [tried, setTried] = useState(false);
  const versionWrong = software.trim() !== '' && !isVersion(software.trim());
  const resolved = resolvePlate(family, {
    model: model.trim() || null,
    serial: serial.trim() || null,
    software: versionWrong ? null : software.trim() || null,
  });
  const { data: history } = api.useMachineQuery(
    { family: family.id, serial: serial.trim() },
    { skip: serial.trim().length < 3 },
  );
  const nameOf = (id: VariantId) => family.variants.find((v) => v.id === id)?.name ?? id;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (serial.trim() === '' || versionWrong) return;
    const machine = walk.unit?.serial === serial.trim() ? walk.unit.machine : (crypto.randomUUID() as MachineId);
    void add({
      kind: 'unit',
      machine,
      serial: serial.trim(),
      model: model.trim(),
      software: software.trim() || null,
      variant: resolved.variant,
    });
  };
  const standby = data.bundle.entries.find((e) => e.kind === 'mode' && e.sort === 'standby');
  return (
    <Room
      panel={{ face: data.front, lamps: lampsOfMode(standby?.kind === 'mode' ? standby : null) }}
      panelTitle="Is this its panel?"
      beside={family.recognisedBy.length > 0 && <p className="small soft">{family.recognisedBy.join(' · ')}</p>}
    >
      <form className="stack" onSubmit={submit} noValidate>
        <h1>Which unit is it?</h1>
        {family.plate && <p className="soft">{family.plate}</p>}
        <label className="field">
          Serial number
          <input
            className="box mono"
            value={serial}
            maxLength={60}
            autoCapitalize="characters"
            aria-invalid={tried && serial.trim() === ''}
            onChange={(e) => setSerial(e.target.value)}
          />
          {tried && serial.trim() === '' && (
            <span className="wrong">The walk belongs to this very machine: it needs its serial number.</span>
          )}
        </label>
        <div className="two">
          <label className="field">
            <span>
              Model <span className="soft">empty if it cannot be read</span>
            </span>
            <input
              className="box mono"
              value={model}
              maxLength={60}
              autoCapitalize="characters"
              onChange={(e) => setModel(e.target.value)}
            />
          </label>
          <label className="field">
            <span>
              Software <span className="soft">empty if not known</span>
            </span>
            <input
              className="box mono"
              value={software}
              maxLength={30}
              inputMode="decimal"
              aria-invalid={versionWrong}
              onChange={(e) => setSoftware(e.target.value)}
            />
            {versionWrong && <span className="wrong">Numbers with dots, such as 2.4.</span>}
          </label>
        </div>
        {family.softwareShown && <p className="small soft">Software: {family.softwareShown}</p>}
        {family.variants.length > 0 && (
          <div className="sheet" role="status">
            {resolved.variant && (
              <>
                <strong>{nameOf(resolved.variant)}</strong>
                <p className="small soft">because {resolved.why.map(reasonWords).join(', ')}</p>
              </>
            )}
            {!resolved.variant && resolved.alive.length > 1 && (
              <>
                <strong>Could be any of {resolved.alive.length}</strong>
                <p className="small soft">
                  {resolved.alive.map(nameOf).join(' · ')}. Until it is known, the family’s own values are used.
                </p>
              </>
            )}
            {resolved.alive.length === 0 && (
              <>
                <strong className="wrong">No variant fits this plate.</strong>
                <p className="small soft">
                  Look once more. You can go on; the family’s own values are used, and the walk keeps what you typed.
                </p>
              </>
            )}
          </div>
        )}
        {history && history.walks.length > 0 && (
          <div className="note">
            <strong>Seen before</strong>
            <ul className="plain">
              {history.walks.slice(0, 3).map((w) => (
                <li key={w.id}>
                  {w.startedAt?.slice(0, 10)}: <span className="mono">{w.code?.toUpperCase()}</span>{' '}
                  {w.fixedBy ? `fixed by ${w.fixedBy}` : w.state}
                </li>
              ))}
            </ul>
          </div>
        )}
        <div className="actions">
          <button type="submit" className="act first big">
            This is the unit
          </button>
        </div>
      </form>
    </Room>
  );
}
