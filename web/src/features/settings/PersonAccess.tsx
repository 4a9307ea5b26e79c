import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { User } from '@wire-trail/core';
import { useState } from 'react';
import { type ApiError, api } from '../../foundation/api.ts';
import { useDates } from '../../foundation/use-own.ts';
import { Input } from '../../parts/field/Input.tsx';
import { Failed } from '../../parts/states/Failed.tsx';
import { Loading } from '../../parts/states/States.tsx';
import { Moment } from '../../parts/when/When.tsx';
import { browserWords } from './browser-words.ts';

/** Where somebody is signed in, ended from afar where a phone was lost; and a link to a new password. */
export function PersonAccess({ user, onClose }: { user: User; onClose: () => void }) {
  const dates = useDates();
  const { data, error, refetch } = api.useSessionsQuery(user.id);
  const [end, ending] = api.useEndSessionMutation();
  const [makeLink, { data: link, error: noLink, isLoading }] = api.usePasswordLinkMutation();
  const [copied, setCopied] = useState(false);
  const address = link && `${location.origin}${link.path}`;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="access-title">
      <DialogTitle id="access-title">{user.name}</DialogTitle>
      <DialogContent className="stack">
        <h3>Signed in on</h3>
        {error && <Failed error={error} again={() => void refetch()} />}
        {!data && !error && <Loading what="where they are signed in" />}
        {data?.length === 0 && <p className="soft">Nowhere at the moment.</p>}
        <ul className="plain stack">
          {data?.map((session) => (
            <li key={session.id} className="row spread">
              <span>
                {browserWords(session.browser)}
                <span className="soft small">
                  {' '}
                  {session.own && '· this one '}· last used <Moment at={session.seenAt} />
                </span>
              </span>
              {session.ended ? (
                <span className="soft">ended; what it keeps goes when it next comes</span>
              ) : (
                <Button
                  color="error"
                  disabled={ending.isLoading || session.own}
                  onClick={() => void end({ id: user.id, session: session.id })}
                >
                  Sign out and wipe
                </Button>
              )}
            </li>
          ))}
        </ul>
        <p className="small soft">
          For a phone that was lost: the library, the walks and whatever was not sent yet are removed from it as soon as
          it has a connection.
        </p>
        {ending.error && <Alert severity="error">{(ending.error as ApiError).title}</Alert>}
        <h3>Password forgotten</h3>
        {address ? (
          <div className="stack">
            <p>
              Give them this link. It sets a new password once, until {dates.moment(link.until)}; earlier links hold no
              more.
            </p>
            <div className="with-button">
              <Input fullWidth value={address} aria-label="link to a new password" readOnly />
              <Button
                onClick={() =>
                  void navigator.clipboard.writeText(address).then(
                    () => setCopied(true),
                    () => setCopied(false),
                  )
                }
              >
                {copied ? 'Copied' : 'Copy'}
              </Button>
            </div>
          </div>
        ) : (
          <div>
            <Button disabled={isLoading} onClick={() => void makeLink(user.id)}>
              Make a link to a new password
            </Button>
          </div>
        )}
        {noLink && <Alert severity="error">{(noLink as ApiError).title}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
