import { StandingMark } from '../../../parts/code/CodeGlyph.tsx';
import { Coach } from './Coach.tsx';
import { Skip } from './Skip.tsx';
import { Next, Room, type StationProps } from './station.tsx';

/** Put the control into its service mode. Tries are kept; leaving the station out needs a word why. */
export function EnterStation({ walk, data, add }: StationProps) {
  const route = data.enter;
  const tries = walk.tries.filter((t) => t.route === route?.id);
  const failed = tries.filter((t) => !t.took).length;
  if (!route)
    return (
      <Room
        panel={{ face: data.front }}
        actions={
          <Next onClick={() => void add({ kind: 'skipped', station: 'enter', why: 'no service mode is needed' })}>
            Go on
          </Next>
        }
      >
        <h1>No mode to enter</h1>
        <p>For this, nothing has to be read from the control.</p>
      </Room>
    );
  return (
    <Coach
      key={tries.length}
      route={route}
      data={data}
      title="Front, as it should stand"
      failed={failed}
      onEnd={(took) => void add({ kind: 'tried', route: route.id, took })}
      aside={
        <div className="sheet small">
          <div className="row spread">
            <StandingMark standing={route.standing} />
            {tries.length > 0 && (
              <span className="soft">{tries.length === 1 ? '1 try' : `${tries.length} tries`} so far</span>
            )}
          </div>
          {route.sideEffects.map((effect) => (
            <p key={effect}>{effect}</p>
          ))}
          <Skip
            example="it stands in that mode already"
            onSkip={(why) => void add({ kind: 'skipped', station: 'enter', why })}
          />
        </div>
      }
    />
  );
}
