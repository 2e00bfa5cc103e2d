// The parts of the desk that return after a reload.
import type { KeptDesk } from './desk-state';

export const DESK_PARTS: readonly (keyof KeptDesk)[] = [
  ...([
    'controls',
    'focus',
    'lens',
    'scene',
    'outside',
    'pattern',
    'spot',
    'spotShare',
    'burnShare',
    'pins',
  ] as const),
  ...([
    'rules',
    'lock',
    'trade',
    'filterStops',
    'delayS',
    'receptor',
    'remediesOff',
    'check',
    'other',
  ] as const),
  ...(['theme', 'scope'] as const),
];
