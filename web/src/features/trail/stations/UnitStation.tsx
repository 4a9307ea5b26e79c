import { zodResolver } from '@hookform/resolvers/zod';
import ScanIcon from '@mui/icons-material/QrCodeScanner';
import Button from '@mui/material/Button';
import {
  type Attached,
  checkComposition,
  entryOf,
  familyEntry,
  type MachineId,
  type Plate,
  resolvePlate,
  type ScannedPlate,
  SoftwareVersion,
} from '@wire-trail/core';
import { lazy, Suspense, useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link, useLocation } from 'react-router';
import { z } from 'zod';
import { api } from '../../../foundation/api.ts';
import { Field } from '../../../parts/field/Field.tsx';
import { Select } from '../../../parts/field/Select.tsx';
import { lampsOfMode } from '../../../parts/panel/lamps-of-mode.ts';
import { Day } from '../../../parts/when/When.tsx';
import { Composition } from './Composition.tsx';
import { CustomerSays } from './CustomerSays.tsx';
import { StationLayout, type StationProps } from './StationLayout.tsx';
import { VariantSheet } from './VariantSheet.tsx';

const ScanPlate = lazy(() => import('../scan/ScanPlate.tsx'));

/** What the start page scanned before the walk began. */
const read = z.string().nullable();
const Came = z.object({ plate: z.object({ serial: read, model: read, software: read }).nullable() });

const isVersion = (text: string): boolean => SoftwareVersion.safeParse(text).success;

/** What a plate says, as it is typed. */
const Typed = z.object({
  serial: z.string().trim().min(1, 'The walk belongs to this very machine: it needs its serial number.'),
  model: z.string().trim(),
  software: z
    .string()
    .trim()
    .refine((text) => text === '' || isVersion(text), 'Numbers with dots, such as 2.4.'),
});

/** Which unit is this? Plate, software and options pick the variant; what cannot be read keeps all cases alive. */
export function UnitStation({ walk, data, add }: StationProps) {
  const family = familyEntry(data.bundle);
  const scanned = Came.safeParse(useLocation().state).data?.plate ?? null;
  const before = walk.unit?.serialUnread ? { ...walk.unit, serial: '' } : walk.unit;
  const { register, handleSubmit, formState, watch, setValue, trigger } = useForm({
    resolver: zodResolver(Typed),
    mode: 'onChange',
    defaultValues: {
      serial: before?.serial ?? scanned?.serial ?? '',
      model: before?.model ?? scanned?.model ?? '',
      software: before?.software ?? scanned?.software ?? '',
    },
  });
  const { serial, model, software } = watch();
  const { errors } = formState;
  const [options, setOptions] = useState<Readonly<Record<string, string>>>(before?.options ?? {});
  const [composition, setComposition] = useState<readonly Attached[]>(before?.composition ?? []);
  const [scanning, setScanning] = useState(false);
  const version = isVersion(software.trim()) ? software.trim() : null;
  const plate: Plate = { model: model.trim() || null, serial: serial.trim() || null, software: version, options };
  const resolved = resolvePlate(family, plate);
  const problems = checkComposition(family, { alive: resolved.alive, software: version }, composition);
  const { data: history } = api.useMachineQuery(
    { family: family.id, serial: serial.trim() },
    { skip: serial.trim().length < 3 },
  );
  const names = [...new Set(family.variants.flatMap((v) => Object.keys(v.options)))];
  const keep = (number: string, serialUnread: boolean) => {
    const isSame = walk.unit !== null && (serialUnread || walk.unit.serial === number);
    void add({
      kind: 'unit',
      machine: isSame && walk.unit ? walk.unit.machine : (crypto.randomUUID() as MachineId),
      serial: number,
      ...(serialUnread && { serialUnread }),
      model: model.trim(),
      software: version,
      variant: resolved.variant,
      options,
      composition: [...composition],
    });
  };
  const submit = handleSubmit((typed) => keep(typed.serial, false));
  const goOnUnread = async () => {
    if (await trigger('software'))
      keep(walk.unit?.serialUnread ? walk.unit.serial : `NOT-READ-${walk.id.slice(0, 4).toUpperCase()}`, true);
  };
  const take = (read: ScannedPlate) => {
    setScanning(false);
    for (const field of ['serial', 'model', 'software'] as const)
      if (read[field]) setValue(field, read[field], { shouldValidate: true });
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
              <h3>Its control boards</h3>
              <ul>
                {several.map((c) => {
                  const route = entryOf(data.bundle, 'route', c.toldBy?.route);
                  return (
                    <li key={c.id}>
                      <strong>{c.name}</strong>
                      {c.authoritative && ' (trust this one)'}
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
        <div className="with-button">
          <Field
            label="Serial number"
            className="mono"
            wrong={errors.serial?.message}
            {...register('serial')}
            maxLength={60}
            autoCapitalize="characters"
          />
          <Button size="glove" startIcon={<ScanIcon />} onClick={() => setScanning(true)}>
            Scan
          </Button>
        </div>
        <div className="two">
          <Field
            label="Model"
            hint="empty if it cannot be read"
            className="mono"
            {...register('model')}
            maxLength={60}
            autoCapitalize="characters"
          />
          <Field
            label="Software"
            hint="empty if not known"
            className="mono"
            wrong={errors.software?.message}
            {...register('software')}
            maxLength={30}
            inputMode="decimal"
          />
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
            <Button variant="text" component={Link} to={`/machines/${family.id}/${encodeURIComponent(serial.trim())}`}>
              All of it
            </Button>
            <ul className="plain">
              {history.walks.slice(0, 3).map((w) => (
                <li key={w.id}>
                  <Day at={w.startedAt} />: <span className="mono">{w.code?.toUpperCase()}</span>{' '}
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
          {serial.trim() === '' && (
            <Button variant="text" onClick={() => void goOnUnread()}>
              The number cannot be read
            </Button>
          )}
        </div>
      </form>
      <CustomerSays key={`${walk.complaint?.says}`} walk={walk} data={data} add={add} />
      {scanning && (
        <Suspense fallback={null}>
          <ScanPlate families={[family]} onScan={take} onClose={() => setScanning(false)} />
        </Suspense>
      )}
    </StationLayout>
  );
}
