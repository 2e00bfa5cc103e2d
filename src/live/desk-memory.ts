// The desk comes back as it was left: kept in AsyncStorage, each part checked by its schema on the way in.
import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import Ajv from 'ajv';
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
import { useDesk } from './desk';
import type { Desk, KeptDesk } from './desk-state';

const KEY = 'desk:1';
const SAVE_AFTER_MS = 400;
const store = createAsyncStorage('velmo-desk');

const SHARE = { type: 'number', minimum: 0, maximum: 1 } as const;
const POINT = { type: 'object', required: ['x', 'y'], properties: { x: SHARE, y: SHARE } } as const;
const nullable = (schema: object) => ({ anyOf: [{ type: 'null' }, schema] });

/** The schema of each part that is kept. */
const SCHEMAS: Readonly<Record<keyof KeptDesk, object>> = {
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
    properties: { ev100: { type: 'number' }, by: { type: 'string' } },
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
      shutterS: { type: 'number', exclusiveMinimum: 0 },
      iso: { type: 'number', exclusiveMinimum: 0 },
      apertureN: { type: 'number', exclusiveMinimum: 0 },
    },
  }),
  theme: { enum: THEME_IDS },
  scope: { enum: ['raw', 'picture'] },
};
const PARTS = Object.keys(SCHEMAS) as (keyof KeptDesk)[];
const ajv = new Ajv({ strictTypes: false });
const checks = new Map(PARTS.map((part) => [part, ajv.compile(SCHEMAS[part])]));

/** Brings back the last state, then keeps every change. Returns a function that stops keeping. */
export async function rememberDesk(): Promise<() => void> {
  try {
    const kept = parseDesk(await store.getItem(KEY));
    if (kept) useDesk.getState().restore(kept);
  } catch {
    // A store that cannot be read must not keep the finder from opening: the desk starts automatic.
  }
  let timer: ReturnType<typeof setTimeout> | undefined;
  let last = JSON.stringify(pick(useDesk.getState()));
  const stop = useDesk.subscribe((state) => {
    const next = JSON.stringify(pick(state));
    if (next === last) return;
    last = next;
    clearTimeout(timer);
    timer = setTimeout(() => void store.setItem(KEY, next).catch(() => undefined), SAVE_AFTER_MS);
  });
  return () => {
    clearTimeout(timer);
    stop();
  };
}

function pick(desk: Desk): KeptDesk {
  return Object.fromEntries(PARTS.map((part) => [part, desk[part]])) as unknown as KeptDesk;
}

/**
 * What is sound of a kept desk, or undefined when the text is none. A part that an earlier version did not keep, or that is not
 * what it should be, stays as the desk opens with.
 */
export function parseDesk(text: string | null): Partial<KeptDesk> | undefined {
  let value: unknown;
  try {
    value = JSON.parse(text ?? '');
  } catch {
    return undefined;
  }
  if (typeof value !== 'object' || value === null) return undefined;
  const desk = value as Record<string, unknown>;
  const sound = PARTS.filter((part) => part in desk && checks.get(part)!(desk[part]));
  if (sound.length === 0) return undefined;
  const kept = Object.fromEntries(sound.map((part) => [part, desk[part]])) as Partial<KeptDesk>;
  if (!kept.controls || kept.controls.aperture) return kept;
  return { ...kept, controls: { ...useDesk.getState().controls, ...kept.controls } };
}
