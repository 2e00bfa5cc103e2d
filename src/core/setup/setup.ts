// Setups: the settings of a situation under a name, with a choice of which are in it. What is not in a setup stays as it is when
// the setup is applied.
import {
  DEFAULT_RULES,
  type AutomaticRules,
  type Control,
  type ExposureControls,
  type SettingId,
} from '../exposure/automatic';
import { BURN_SHARES } from '../meter/highlight';
import { PATTERN_IDS, type PatternId } from '../meter/pattern';
import { patternOf } from '../meter/read';
import { SPOT_NAMES, SPOT_SHARES } from '../meter/spot';
import {
  APERTURE_LADDER,
  COMPENSATION_LADDER,
  FAR_M,
  FOCUS_LADDER,
  formatThirds,
  ISO_LADDER,
  SHUTTER_LADDER,
  stepOf,
} from '../units/ladders';

/** Everything of the desk that a setup can hold. */
export interface SetupValues {
  readonly shutter: Control;
  readonly iso: Control;
  readonly aperture: Control;
  readonly compensationEv: number;
  readonly focus: Control;
  readonly meter: { readonly pattern: PatternId; readonly spotShare: number; readonly burnShare: number };
  readonly rules: AutomaticRules;
  readonly filterStops: number;
  readonly delayS: number;
  /** True holds the reading that stands when the setup is applied. */
  readonly lock: boolean;
}

export type SetupPart = keyof SetupValues;

export const SETUP_PARTS: readonly SetupPart[] = [
  'shutter',
  'iso',
  'aperture',
  'compensationEv',
  'focus',
  'meter',
  'rules',
  'filterStops',
  'delayS',
  'lock',
];

export const PART_NAMES: Readonly<Record<SetupPart, string>> = {
  shutter: 'Shutter',
  iso: 'ISO',
  aperture: 'Aperture',
  compensationEv: 'Compensation',
  focus: 'Focus',
  meter: 'Meter',
  rules: 'Automatic rules',
  filterStops: 'Filter',
  delayS: 'Release delay',
  lock: 'Lock',
};

export interface Setup {
  readonly id: string;
  readonly name: string;
  readonly values: Partial<SetupValues>;
  /** What it is for; of the ones that ship with the program. */
  readonly says?: string;
}

export const DELAYS_S = [0, 2, 5, 10] as const;

const MOST_NAME = 40;
/** C0 and C1 controls, and the marks that override or embed a direction (Unicode Annex 9). */
const UNSEEN = /[\u0000-\u001f\u007f-\u009f\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]/;

/** A name as it is kept: without space around it. @throws RangeError that says what is wrong */
export function setupName(text: string): string {
  const name = text.trim().replace(/\s+/g, ' ');
  if (name === '') throw new RangeError('A setup needs a name');
  if (UNSEEN.test(name))
    throw new RangeError('A name cannot hold control characters or marks that turn the direction of writing');
  if (name.length > MOST_NAME) throw new RangeError(`A name has at most ${MOST_NAME} characters`);
  return name;
}

/** The chosen parts of what is set now. @throws RangeError without a single part */
export function pickParts(now: SetupValues, parts: readonly SetupPart[]): Partial<SetupValues> {
  if (parts.length === 0) throw new RangeError('Choose at least one setting to keep');
  return Object.fromEntries(SETUP_PARTS.filter((p) => parts.includes(p)).map((p) => [p, now[p]]));
}

export interface Change {
  readonly part: SetupPart;
  readonly from: string;
  readonly to: string;
}

/** What applying a setup would change, in words; nothing of what is so already. */
export function changesOf(now: SetupValues, values: Partial<SetupValues>): Change[] {
  return SETUP_PARTS.flatMap((part) => {
    if (values[part] === undefined) return [];
    const [from, to] = [partWords(part, now), partWords(part, { ...now, ...values })];
    return from === to ? [] : [{ part, from, to }];
  });
}

const LADDERS = { shutter: SHUTTER_LADDER, iso: ISO_LADDER, aperture: APERTURE_LADDER };

/** A part in words. */
export function partWords(part: SetupPart, values: SetupValues): string {
  switch (part) {
    case 'shutter':
    case 'iso':
    case 'aperture':
      return controlWords(values[part], stepOf(LADDERS[part], values[part].exact).label);
    case 'compensationEv':
      return formatThirds(values.compensationEv);
    case 'focus':
      return controlWords(values.focus, stepOf(FOCUS_LADDER, Math.min(FAR_M, values.focus.exact)).label);
    case 'meter':
      return meterWords(values.meter);
    case 'rules':
      return rulesWords(values.rules);
    case 'filterStops':
      return values.filterStops === 0 ? 'none' : `${trim(values.filterStops)} stops`;
    case 'delayS':
      return values.delayS === 0 ? 'none' : `${values.delayS} s`;
    case 'lock':
      return values.lock ? 'locked' : 'free';
  }
}

function controlWords({ auto }: Control, label: string): string {
  return auto ? 'automatic' : label;
}

export function meterWords({ pattern, spotShare, burnShare }: SetupValues['meter']): string {
  const { name } = patternOf(pattern);
  if (pattern === 'highlight') return `${name}, ${100 * burnShare} % may burn`;
  if (pattern !== 'spot') return name;
  const i = SPOT_SHARES.findIndex((share) => share === spotShare);
  return `${name}, ${(SPOT_NAMES[i] ?? `${trim(spotShare * 100)} %`).toLowerCase()}`;
}

const SETTING_NAMES: Readonly<Record<SettingId, string>> = {
  shutter: 'shutter',
  iso: 'ISO',
  aperture: 'aperture',
};

function apertureWords([narrowest, widest]: AutomaticRules['aperture']): string {
  const from = stepOf(APERTURE_LADDER, narrowest).label;
  return widest <= DEFAULT_RULES.aperture[1]
    ? `${from} and wider`
    : `${from}–${stepOf(APERTURE_LADDER, widest).label}`;
}

/** @param iris false for a lens whose aperture cannot be set */
export function rulesWords(rules: AutomaticRules, iris = true): string {
  const { steadyThirds, isoCeiling, shutter, iso, aperture } = rules;
  const order = rules.order.filter((id) => id !== 'aperture' || iris);
  const steady = steadyThirds === 0 ? '' : `, hand ${formatThirds(steadyThirds / 3)}`;
  const range = (ladder: typeof SHUTTER_LADDER, [a, b]: readonly [number, number]) =>
    `${stepOf(ladder, a).label}–${stepOf(ladder, b).label}`;
  return [
    order.map((id) => SETTING_NAMES[id]).join(' → '),
    `ISO ceiling ${stepOf(ISO_LADDER, isoCeiling).label}${steady}`,
    range(SHUTTER_LADDER, shutter),
    `ISO ${range(ISO_LADDER, iso)}`,
    ...(iris ? [apertureWords(aperture)] : []),
  ].join(', ');
}

function trim(n: number): string {
  return n.toFixed(1).replace(/\.0$/, '');
}

/** A control as a person would set it: on its ladder. */
const snapped = (ladder: typeof SHUTTER_LADDER, { auto, exact }: Control): Control => ({
  auto,
  exact: stepOf(ladder, exact).exact,
});

/** Values from a file, brought onto the ladders; what the schema let through but no fader has is moved to the nearest click. */
export function onLadders(values: Partial<SetupValues>): Partial<SetupValues> {
  const { shutter, iso, aperture, compensationEv, focus, ...rest } = values;
  return {
    ...rest,
    ...(shutter && { shutter: snapped(SHUTTER_LADDER, shutter) }),
    ...(iso && { iso: snapped(ISO_LADDER, iso) }),
    ...(aperture && { aperture: snapped(APERTURE_LADDER, aperture) }),
    ...(focus && { focus: snapped(FOCUS_LADDER, focus) }),
    ...(compensationEv !== undefined && {
      compensationEv: stepOf(COMPENSATION_LADDER, compensationEv).exact,
    }),
  };
}

/** What is wrong with values that the schema let through: its field and why; null when nothing is. */
export function troubleOf({ rules }: Partial<SetupValues>): { field: string; why: string } | null {
  if (!rules) return null;
  for (const field of ['shutter', 'iso'] as const) {
    const [low, high] = rules[field];
    if (low > high)
      return { field: `rules.${field}`, why: `has its bounds the wrong way round: ${low} … ${high}` };
  }
  const [narrowest, widest] = rules.aperture;
  if (narrowest < widest)
    return { field: 'rules.aperture', why: `names f/${narrowest} the narrowest and f/${widest} the widest` };
  return null;
}

/** The controls with a setup's parts in them. */
export function controlsWith(controls: ExposureControls, values: Partial<SetupValues>): ExposureControls {
  const { shutter, iso, aperture, compensationEv } = values;
  return {
    shutter: shutter ?? controls.shutter,
    iso: iso ?? controls.iso,
    aperture: aperture ?? controls.aperture,
    compensationEv: compensationEv ?? controls.compensationEv,
  };
}

const CONTROL = {
  type: 'object',
  required: ['auto', 'exact'],
  additionalProperties: false,
  properties: { auto: { type: 'boolean' }, exact: { type: 'number', exclusiveMinimum: 0, maximum: 8192 } },
} as const;
const BOUNDS = {
  type: 'array',
  items: { type: 'number', exclusiveMinimum: 0, maximum: 8192 },
  minItems: 2,
  maxItems: 2,
} as const;

/** JSON schemas of the parts, for files and for what this browser keeps. */
export const PART_SCHEMAS = {
  shutter: CONTROL,
  iso: CONTROL,
  aperture: CONTROL,
  compensationEv: { type: 'number', minimum: -5, maximum: 5 },
  focus: CONTROL,
  meter: {
    type: 'object',
    required: ['pattern', 'spotShare', 'burnShare'],
    additionalProperties: false,
    properties: {
      pattern: { enum: PATTERN_IDS },
      spotShare: { enum: SPOT_SHARES },
      burnShare: { enum: BURN_SHARES },
    },
  },
  rules: {
    type: 'object',
    required: ['order', 'steadyThirds', 'isoCeiling', 'shutter', 'iso', 'aperture'],
    additionalProperties: false,
    properties: {
      order: {
        type: 'array',
        items: { enum: ['shutter', 'aperture', 'iso'] },
        uniqueItems: true,
        minItems: 3,
        maxItems: 3,
      },
      steadyThirds: { type: 'integer', minimum: -6, maximum: 6 },
      isoCeiling: { type: 'number', minimum: 50, maximum: 6500 },
      shutter: BOUNDS,
      iso: BOUNDS,
      aperture: BOUNDS,
    },
  },
  filterStops: { type: 'number', minimum: 0, maximum: 20 },
  delayS: { enum: DELAYS_S },
  lock: { type: 'boolean' },
} as const;

export const SETUP_FILE_VERSION = 1;

/** A file of setups. */
export interface SetupFile {
  readonly kind: 'setups';
  readonly version: typeof SETUP_FILE_VERSION;
  readonly setups: readonly Pick<Setup, 'name' | 'values'>[];
}

export const SETUP_FILE_SCHEMA = {
  type: 'object',
  required: ['kind', 'version', 'setups'],
  additionalProperties: false,
  properties: {
    kind: { const: 'setups' },
    version: { const: SETUP_FILE_VERSION },
    setups: {
      type: 'array',
      minItems: 1,
      maxItems: 200,
      items: {
        type: 'object',
        required: ['name', 'values'],
        additionalProperties: false,
        properties: {
          name: { type: 'string', minLength: 1, maxLength: MOST_NAME, pattern: '\\S' },
          values: {
            type: 'object',
            minProperties: 1,
            additionalProperties: false,
            properties: PART_SCHEMAS,
          },
        },
      },
    },
  },
} as const;
