// JSON schemas of what the desk keeps. The checks made of them are in desk-check.generated.js: `npx tsx tools/checks.ts`.
import { REMEDY_KINDS } from '../core/advice/remedy';
import { SETTING_IDS } from '../core/exposure/automatic';
import { RECEPTORS } from '../core/meter/incident';
import { PATTERN_IDS } from '../core/meter/pattern';
import { PIN_LETTERS } from '../core/meter/pins';
import { SUPPORTS } from '../core/scene/outside';
import { WHEEL_SPEEDS } from '../core/scene/scene';
import { LENS_IDS } from '../core/sensor/simulated-camera';
import { PART_SCHEMAS } from '../core/setup/setup';
import { THEME_IDS } from '../ui/theme';
import { CHECK_SCHEMA } from './check-settings';
import type { KeptDesk } from './desk-state';

const SHARE = { type: 'number', minimum: 0, maximum: 1 } as const;
const POINT = { type: 'object', required: ['x', 'y'], properties: { x: SHARE, y: SHARE } } as const;
const nullable = (schema: object) => ({ anyOf: [{ type: 'null' }, schema] });

/** The schema of each part that is kept. */
export const DESK_SCHEMAS: Readonly<Record<keyof KeptDesk, object>> = {
  controls: {
    type: 'object',
    required: ['shutter', 'iso', 'compensationEv'],
    properties: {
      shutter: PART_SCHEMAS.shutter,
      iso: PART_SCHEMAS.iso,
      aperture: PART_SCHEMAS.aperture,
      compensationEv: PART_SCHEMAS.compensationEv,
    },
  },
  focus: PART_SCHEMAS.focus,
  lens: { enum: LENS_IDS },
  scene: { type: 'string', pattern: '^[a-z0-9-]+$' },
  outside: {
    type: 'object',
    required: ['levels', 'support', 'wheel'],
    properties: {
      levels: { type: 'object', additionalProperties: SHARE },
      support: { enum: SUPPORTS },
      wheel: { enum: WHEEL_SPEEDS },
    },
  },
  pattern: { enum: PATTERN_IDS },
  spot: POINT,
  spotShare: PART_SCHEMAS.meter.properties.spotShare,
  burnShare: PART_SCHEMAS.meter.properties.burnShare,
  pins: {
    type: 'array',
    maxItems: PIN_LETTERS.length,
    items: {
      ...POINT,
      required: ['letter', 'x', 'y'],
      properties: { ...POINT.properties, letter: { enum: PIN_LETTERS } },
    },
  },
  rules: PART_SCHEMAS.rules,
  lock: nullable({
    type: 'object',
    required: ['ev100', 'by'],
    properties: {
      ev100: { type: 'number', minimum: -40, maximum: 60 },
      by: { type: 'string', maxLength: 80 },
    },
  }),
  trade: nullable({
    type: 'object',
    required: ['gives', 'with'],
    properties: { gives: { enum: SETTING_IDS }, with: { enum: SETTING_IDS } },
  }),
  filterStops: PART_SCHEMAS.filterStops,
  delayS: PART_SCHEMAS.delayS,
  receptor: { enum: RECEPTORS },
  remediesOff: { type: 'array', items: { enum: REMEDY_KINDS } },
  check: CHECK_SCHEMA,
  other: nullable({
    type: 'object',
    required: ['shutterS', 'iso', 'apertureN'],
    properties: {
      shutterS: { type: 'number', minimum: 1e-6, maximum: 8192 },
      iso: { type: 'number', minimum: 1, maximum: 1e6 },
      apertureN: { type: 'number', minimum: 0.5, maximum: 100 },
    },
  }),
  theme: { enum: THEME_IDS },
  scope: { enum: ['raw', 'picture'] },
};
