import Button from '@mui/material/Button';
import {
  type Attached,
  checkComposition,
  entryOf,
  familyEntry,
  type MachineId,
  type Plate,
  resolvePlate,
  SoftwareVersion,
} from '@wire-trail/core';
import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../../foundation/api.ts';
import { Input } from '../../../parts/field/Input.tsx';
import { Select } from '../../../parts/field/Select.tsx';
import { lampsOfMode } from '../../../parts/panel/lamps-of-mode.ts';
import { Composition } from './Composition.tsx';
import { StationLayout, type StationProps } from './StationLayout.tsx';
import { VariantSheet } from './VariantSheet.tsx';

const isVersion = (text: string): boolean => SoftwareVersion.safeParse(text).success;

/** Which unit is this? Plate, software and options pick the variant; what cannot be read keeps all cases alive. */
export function UnitStation({ walk, data, add }: StationProps) {
  const family = familyEntry(data.bundle);
  const [serial, setSerial] = useState(walk.unit?.serial ?? '');
  const [model, setModel] = useState(walk.unit?.model ?? '');
  const [software, setSoftware] = useState(walk.unit?.software ?? '');
  const [options, setOptions] = useState<Readonly<Record<string, string>>>(walk.unit?.options ?? {});
  const [composition, setComposition] = useState<readonly Attached[]>(walk.unit?.composition ?? []);
  const [tried, setTried] = useState(false);
  const versionWrong = software.trim() !== '' && !isVersion(software.trim());
  const version = versionWrong ? null : software.trim() || null;
  const plate: Plate = { model: model.trim() || null, serial: serial.trim() || null, software: version, options };
  const resolved = resolvePlate(family, plate);
  const problems = checkComposition(family, { alive: resolved.alive, software: version }, composition);
  const { data: history } = api.useMachineQuery(
    { family: family.id, serial: serial.trim() },
    { skip: serial.trim().length < 3 },
  );
  const names = [...new Set(family.variants.flatMap((v) => Object.keys(v.options)))];
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
      options,
      composition: [...composition],
    });
  };
  const standby = data.bundle.entries.find((e) => e.kind === 'mode' && e.sort === 'standby');
  const several = family.controllers.filter((c) => c.role !== 'remote' && c.role !== 'instrument');
  return (
    <StationLayout
      panel={{ face: data.front, lamps: lampsOfMode(standby?.kind === 'mode' ? standby : null) }}
      panelTitle="Is this its panel?"
      beside={
        <>
          {family.recognisedBy.length > 0 && <p className="small soft">{family.recognisedBy.join(' · ')}</p>}
          {several.length > 1 && (
            <div className="sheet small">
              <h3>Its controllers</h3>
              <ul>
                {several.map((c) => {
                  const route = entryOf(data.bundle, 'route', c.toldBy?.route);
                  return (
                    <li key={c.id}>
                      <strong>{c.name}</strong>
                      {c.authoritative && ' — believe this one'}
                      {c.howToTell && <span className="soft">: {c.howToTell}</span>}
                      {route && <span className="soft"> Shown by: {route.name}.</span>}
                    </li>
                  );
                })}
              </ul>
            </div>
          )}
        </>
      }
    >
      <form className="stack" onSubmit={submit} noValidate>
        <h1>Which unit is it?</h1>
        {family.plate && <p className="soft">{family.plate}</p>}
        <label className="field">
          Serial number
          <Input
            fullWidth
            className="mono"
            value={serial}
            error={Boolean(tried && serial.trim() === '')}
            onChange={(e) => setSerial(e.target.value)}
            slotProps={{ input: { maxLength: 60, autoCapitalize: 'characters' } }}
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
            <Input
              fullWidth
              className="mono"
              value={model}
              onChange={(e) => setModel(e.target.value)}
              slotProps={{ input: { maxLength: 60, autoCapitalize: 'characters' } }}
            />
          </label>
          <label className="field">
            <span>
              Software <span className="soft">empty if not known</span>
            </span>
            <Input
              fullWidth
              className="mono"
              value={software}
              error={Boolean(versionWrong)}
              onChange={(e) => setSoftware(e.target.value)}
              slotProps={{ input: { maxLength: 30, inputMode: 'decimal' } }}
            />
            {versionWrong && <span className="wrong">Numbers with dots, such as 2.4.</span>}
          </label>
          {names.map((name) => (
            <label key={name} className="field">
              <span>
                {name} <span className="soft">if you can tell</span>
              </span>
              <Select
                native
                fullWidth
                value={options[name] ?? ''}
                onChange={(e) => {
                  const { [name]: _, ...rest } = options;
                  setOptions(e.target.value === '' ? rest : { ...options, [name]: e.target.value });
                }}
              >
                <option value="">cannot tell</option>
                {[...new Set(family.variants.flatMap((v) => v.options[name] ?? []))].map((value) => (
                  <option key={value}>{value}</option>
                ))}
              </Select>
            </label>
          ))}
        </div>
        {family.softwareShown && <p className="small soft">Software: {family.softwareShown}</p>}
        {family.variants.length > 0 && <VariantSheet family={family} plate={plate} resolved={resolved} />}
        {family.attachments.length > 0 && (
          <Composition
            rules={family.attachments}
            attached={composition}
            problems={problems}
            onChange={setComposition}
          />
        )}
        {history && history.walks.length > 0 && (
          <div className="note">
            <strong>Seen before</strong>{' '}
            <Link className="small" to={`/machines/${family.id}/${encodeURIComponent(serial.trim())}`}>
              all of it
            </Link>
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
          <Button type="submit" variant="contained" size="glove" color="primary">
            This is the unit
          </Button>
        </div>
      </form>
    </StationLayout>
  );
}
