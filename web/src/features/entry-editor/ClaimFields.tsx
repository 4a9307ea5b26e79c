import Button from '@mui/material/Button';
import { type Claim, entriesOf, standings, standingWords } from '@wire-trail/core';
import type { FieldProps } from './field-props.ts';
import { Choice, Text } from './inputs.tsx';

const about = ['saw', 'does', 'suspects', 'detection', 'reading', 'other'] as const;

/** What each source says, side by side. Nothing is merged. */
export function ClaimFields({ body, bodies, edit, wrong }: FieldProps) {
  const sources = entriesOf(bodies, 'source');
  const put = (i: number, change: Partial<Claim>, what: string) => {
    const before = body.claims[i];
    if (before)
      edit({ claims: body.claims.with(i, { ...before, ...change }) }, what === '' ? '' : `claims.${i}.${what}`);
  };
  const [firstSource] = sources;
  return (
    <section className="sheet stack">
      <h2>Who says what</h2>
      {body.claims.map((claim, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: claims have no identity but their place
        <div key={i} className="stack">
          <Text
            label="Says"
            long
            value={claim.says}
            wrong={wrong(`claims.${i}.says`)}
            onChange={(says) => put(i, { says }, 'says')}
          />
          <div className="three">
            <Choice
              label="About"
              value={claim.about}
              options={about.map((a) => [a, a])}
              onChange={(a) => put(i, { about: a as Claim['about'] }, '')}
            />
            <Choice
              label="Source"
              value={claim.source}
              options={sources.map((s) => [s.id, s.title])}
              onChange={(id) => put(i, { source: id as Claim['source'] }, '')}
            />
            <Choice
              label="How sure"
              value={claim.standing}
              options={standings.map((s) => [s, standingWords[s]] as const)}
              onChange={(s) => put(i, { standing: s as Claim['standing'] }, '')}
            />
          </div>
          <Button variant="text" onClick={() => edit({ claims: body.claims.toSpliced(i, 1) }, '')}>
            Remove
          </Button>
        </div>
      ))}
      {firstSource && (
        <Button
          onClick={() =>
            edit(
              {
                claims: [
                  ...body.claims,
                  { about: 'other', says: 'New claim', source: firstSource.id, standing: 'hearsay' },
                ],
              },
              '',
            )
          }
        >
          Add a claim
        </Button>
      )}
    </section>
  );
}
