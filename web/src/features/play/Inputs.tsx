import Slider from '@mui/material/Slider';
import { baseUnit, type Family, type InputId } from '@wire-trail/core';

/** The physical quantities the control reacts to, as sliders: without them its tests could not be drilled. */
export function Inputs({
  family,
  values,
  onValue,
}: {
  family: Family;
  values: ReadonlyMap<InputId, number>;
  onValue: (input: InputId, value: number) => void;
}) {
  return (
    <div className="sheet">
      <h3>What it feels</h3>
      {family.inputs.map((input) => {
        const value = values.get(input.id) ?? input.start;
        return (
          <label key={input.id} className="field">
            <span className="row spread">
              {input.name}
              <span className="mono">
                {value.toFixed(1)} {baseUnit(input.quantity)}
              </span>
            </span>
            <Slider
              min={input.least}
              max={input.most}
              step={(input.most - input.least) / 200}
              value={value}
              onChange={(_, to) => onValue(input.id, to)}
            />
          </label>
        );
      })}
    </div>
  );
}
