import type { Plate } from '../unit/plate.ts';
import type { Walk } from './state.ts';

/** What a walk knows of its unit's plate. What stands in for a serial number that could not be read rules nothing out. */
export const plateOf = ({ unit }: Pick<Walk, 'unit'>): Plate =>
  unit
    ? {
        model: unit.model || null,
        serial: unit.serialUnread ? null : unit.serial,
        software: unit.software,
        options: unit.options,
      }
    : { model: null, serial: null, software: null };
