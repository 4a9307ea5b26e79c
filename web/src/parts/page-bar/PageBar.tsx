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
  /** What the page belongs to is the title here; the page names itself below. */
  isAbove?: boolean;
  /** Its tabs, on the same line. */
  tabs?: ReactNode;
  actions?: ReactNode;
}>;

/** What the browser's tab and history say; null leaves it to whoever stands below. */
export function useTitle(words: string | null): void {
  useEffect(() => {
    if (words !== null) document.title = words ? `${words} · Wire Trail` : 'Wire Trail';
  }, [words]);
}

/** What a page is, where it belongs, how it stands and what can be done with it: always at the same place. */
export function PageBar({ title, called, above = [], isAbove = false, state, tabs, actions }: Props) {
  const place = useContext(PageBarPlace);
  const words = called ?? (typeof title === 'string' ? title : '');
  useTitle(isAbove ? null : words);
  const bar = (
    <>
      {above.length > 0 && (
        <Breadcrumbs aria-label="above this page" separator={<ChevronRightIcon fontSize="small" />}>
          {above.map(({ name, to }) => (
            <MuiLink key={to} component={Link} to={to} underline="hover" color="inherit">
              {name}
            </MuiLink>
          ))}
          <span />
        </Breadcrumbs>
      )}
      {isAbove ? <strong className="page-title">{title}</strong> : <h1 className="page-title">{title}</h1>}
      {tabs}
      {state && <div className="row">{state}</div>}
      {actions && (
        <div className="row hide-narrow" style={{ marginLeft: 'auto' }}>
          {actions}
        </div>
      )}
    </>
  );
  return place ? createPortal(bar, place) : <header className="row">{bar}</header>;
}
