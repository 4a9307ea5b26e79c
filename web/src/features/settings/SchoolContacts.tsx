import Button from '@mui/material/Button';
import { type Contact, type Scope, scopes, scopeWords } from '@wire-trail/core';
import { Field } from '../../parts/field/Field.tsx';
import { Select } from '../../parts/field/Select.tsx';

type Props = Readonly<{
  contacts: readonly Contact[];
  country: string;
  onContacts: (contacts: Contact[]) => void;
  onCountry: (country: string) => void;
}>;

const fresh: Contact = { name: '', sort: 'shop', for: 'technician', reach: '', asks: ['model', 'serial'] };
const sorts: ReadonlyArray<readonly [Contact['sort'], string]> = [
  ['maker', 'a maker’s support'],
  ['shop', 'a parts counter or workshop'],
  ['trade', 'a licensed trade'],
  ['colleague', 'a colleague'],
];

/** Whom to ring for any unit, beside those a unit names itself; and the country the school works in. */
export function SchoolContacts({ contacts, country, onContacts, onCountry }: Props) {
  const change = (at: number, to: Partial<Contact>) =>
    onContacts(contacts.map((c, i) => (i === at ? { ...c, ...to } : c)));
  return (
    <fieldset className="field stack">
      <legend>Whom to ring</legend>
      <Field
        label="The country the school works in"
        hint="those named for another one are left out"
        value={country}
        maxLength={120}
        onChange={(e) => onCountry(e.target.value)}
      />
      {contacts.map((contact, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: they have no other name while they are typed
        <section key={i} className="sheet stack" aria-label={`contact ${i + 1}`}>
          <div className="two">
            <Field
              label="Name"
              value={contact.name}
              maxLength={120}
              onChange={(e) => change(i, { name: e.target.value })}
            />
            <Field
              label="How to reach them"
              value={contact.reach}
              maxLength={120}
              wrong={contact.name.trim() !== '' && contact.reach.trim() === '' && 'Nobody can be reached without it.'}
              onChange={(e) => change(i, { reach: e.target.value })}
            />
            <Field
              label="When"
              value={contact.hours ?? ''}
              maxLength={120}
              wrong={contact.name.trim() !== '' && !contact.hours?.trim() && 'Nothing says when they answer.'}
              onChange={(e) => change(i, { hours: e.target.value })}
            />
            <Field
              label="Trade"
              hint="where it is one"
              value={contact.trade ?? ''}
              maxLength={120}
              onChange={(e) => {
                const { trade: _, ...rest } = contact;
                const trade = e.target.value;
                onContacts(contacts.map((c, at) => (at === i ? { ...rest, ...(trade && { trade }) } : c)));
              }}
            />
            <label className="field">
              What they are
              <Select
                native
                fullWidth
                value={contact.sort}
                onChange={(e) => change(i, { sort: e.target.value as Contact['sort'] })}
              >
                {sorts.map(([sort, words]) => (
                  <option key={sort} value={sort}>
                    {words}
                  </option>
                ))}
              </Select>
            </label>
            <label className="field">
              Work that is theirs
              <Select
                native
                fullWidth
                value={contact.for}
                onChange={(e) => change(i, { for: e.target.value as Scope })}
              >
                {scopes.map((scope) => (
                  <option key={scope} value={scope}>
                    what is for {scopeWords[scope]}
                  </option>
                ))}
              </Select>
            </label>
          </div>
          <div className="row">
            <Button variant="text" onClick={() => onContacts(contacts.filter((_, at) => at !== i))}>
              Remove
            </Button>
          </div>
        </section>
      ))}
      <div className="row">
        <Button onClick={() => onContacts([...contacts, fresh])}>Add a contact</Button>
      </div>
    </fieldset>
  );
}
