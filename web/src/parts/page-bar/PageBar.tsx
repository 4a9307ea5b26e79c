import ChevronRightIcon from '@mui/icons-material/ChevronRight';
import Breadcrumbs from '@mui/material/Breadcrumbs';
import MuiLink from '@mui/material/Link';
import { createContext, type ReactNode, useContext, useEffect } from 'react';
import { createPortal } from 'react-dom';
import { Link } from 'react-router';

/** Where the shell shows what a page says of itself. */
export const PageBarPlace = createContext<HTMLElement | null>(null);

type Props = Readonly<{
  title: ReactNode;
  /** What the browser's tab and history say, where the title is more than words. */
  called?: string;
  /** The pages above this one, the nearest last. */
  above?: ReadonlyArray<Readonly<{ name: string; to: string }>>;
  /** How it stands: published, draft, waiting. */
  state?: ReactNode;
  actions?: ReactNode;
}>;

/** What a page is, where it belongs, how it stands and what can be done with it: always at the same place. */
export function PageBar({ title, called, above = [], state, actions }: Props) {
  const place = useContext(PageBarPlace);
  const words = called ?? (typeof title === 'string' ? title : '');
  useEffect(() => {
    document.title = words ? `${words} · Wire Trail` : 'Wire Trail';
  }, [words]);
  const bar = (
    <>
      {above.length > 0 && (
        <Breadcrumbs aria-label="above this page" separator={<ChevronRightIcon fontSize="small" />} className="crumbs">
          {above.map(({ name, to }) => (
            <MuiLink key={to} component={Link} to={to} underline="hover" color="inherit">
              {name}
            </MuiLink>
          ))}
          <span />
        </Breadcrumbs>
      )}
      <h1 className="page-title">{title}</h1>
      {state && <div className="page-state">{state}</div>}
      {actions && <div className="page-actions">{actions}</div>}
    </>
  );
  return place ? createPortal(bar, place) : <header className="page-bar-alone">{bar}</header>;
}
