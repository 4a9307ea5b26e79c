import Button from '@mui/material/Button';
import { Link, useLocation } from 'react-router';
import { PageBar } from '../parts/page-bar/PageBar.tsx';
import { Empty } from '../parts/states/States.tsx';

/** An address nothing answers to. */
export default function NotFound() {
  const { pathname } = useLocation();
  return (
    <>
      <PageBar title="No such page" />
      <Empty title="There is no page at this address">
        <p className="mono">{pathname}</p>
        <p>It may be mistyped, or what it showed may have been renamed. Find it by its code, or begin at the Trail.</p>
        <Button component={Link} to="/" variant="contained" color="primary">
          To the start
        </Button>
      </Empty>
    </>
  );
}
