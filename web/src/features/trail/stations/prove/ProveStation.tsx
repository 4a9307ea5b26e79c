import { StationLayout, type StationProps } from '../StationLayout.tsx';
import { Until } from '../test/Wait.tsx';
import { Close } from './Close.tsx';
import { Run } from './Run.tsx';

/** Run the unit: does it return, after how many cycles; readings before and after; what fixed it. */
export function ProveStation(props: StationProps) {
  const { walk } = props;
  if (walk.closed) return <Closed {...props} />;
  if (walk.waitingUntil) return <Until {...props} until={walk.waitingUntil} />;
  return walk.proved ? <Close {...props} /> : <Run {...props} />;
}

function Closed({ walk, data }: StationProps) {
  return (
    <StationLayout panel={{ face: data.front }}>
      <h1>{walk.closed?.outcome === 'fixed' ? `Fixed: ${walk.closed.fixedBy}` : 'Closed'}</h1>
      <p className="soft">
        {walk.proved && `${walk.proved.returned ? 'Returned' : 'Did not return'} in ${walk.proved.cycles}.`} Wire Trail
        keeps what was done; it does not say that the unit is safe.
      </p>
    </StationLayout>
  );
}
