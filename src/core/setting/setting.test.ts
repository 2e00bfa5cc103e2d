// A setting is one object: one that nobody has thought of before is put on the list, and is found everywhere.
import Ajv, { type AnySchema } from 'ajv';
import { settingFlags, settingUsage } from '../../../cli/exposure';
import { orderOf } from '../../live/desk-controls';
import { restoreParts } from '../../live/desk-memory';
import { deskSchemas } from '../../live/desk-schema';
import { useDesk } from '../../live/desk';
import { captureNote, recordSchema } from '../frame/record';
import type { DeskChange } from '../advice/situation';
import { OPTICS, opticOfCamera, simulatedBodies } from '../sensor/cameras';
import type { RawFrame } from '../sensor/raw-frame';
import {
  changesOf,
  onLadders,
  pickParts,
  setupFileSchema,
  setupParts,
  type SetupValues,
} from '../setup/setup';
import { COMPENSATION_LADDER, SHUTTER_LADDER } from '../units/ladders';
import { stepsOn } from './ladder';
import type { Setting } from '../define/setting';
import { SETTINGS, type SettingValues } from './settings';
import { exifOf, initialValues, settingsOf, settingsOn } from './values';
import { someFacts } from '../../../tests/facts';

jest.mock('@react-native-async-storage/async-storage', () => ({ createAsyncStorage: () => ({}) }));
jest.mock('./settings', () => {
  const actual = jest.requireActual<typeof import('./settings')>('./settings');
  const { Integer } = jest.requireActual<typeof import('@sinclair/typebox')>('@sinclair/typebox');
  // Coloured foil before the lens: made up.
  const gelMired: Setting<number> = {
    name: 'Gel',
    schema: Integer({ minimum: -200, maximum: 200 }),
    initial: 0,
    words: (mired) => (mired === 0 ? 'none' : `${mired} mired`),
    badge: (mired) => (mired === 0 ? null : `gel ${mired}`),
    inSetups: true,
    settled: (mired) => Math.round(mired / 10) * 10,
    on: ({ id }) => id !== 'ultra-wide',
    options: [{ flag: 'gel', placeholder: 'MIRED', parse: (text) => Number(text) }],
    exif: (mired) => (mired ? { comment: `Gel ${mired} mired.` } : {}),
  };
  return { ...actual, SETTINGS: { ...actual.SETTINGS, gelMired } };
});

const gel = (values: object) => (values as { gelMired?: number }).gelMired;
const compiled = (schema: AnySchema) => new Ajv({ strictTypes: false }).compile(schema);
const desk = () => useDesk.getState();

describe('a setting that was put on the list', () => {
  it('is on the desk, in orders and in what remedies and setups change', () => {
    expect(gel(desk().settings)).toBe(0);
    desk().change([{ setting: 'gelMired', value: 40 } as unknown as DeskChange]);
    expect(gel(orderOf(desk(), { running: true, retries: 0 }).settings)).toBe(40);
    desk().applySetup({ gelMired: -20 } as unknown as Partial<SetupValues>);
    expect(gel(desk().settings)).toBe(-20);
  });

  it('is a part of setups: chosen, put into words, brought to its clicks, and of their files', () => {
    const now = { ...initialValues(), lock: false };
    const part = setupParts().find((key) => (key as string) === 'gelMired')!;
    expect(gel(pickParts(now, [part]))).toBe(0);
    expect(changesOf(now, { ...now, gelMired: 60 } as SetupValues)).toEqual([
      { part: 'gelMired', from: 'none', to: '60 mired' },
    ]);
    expect(gel(onLadders({ gelMired: 57 } as object))).toBe(60);
    const file = (values: object) => ({ kind: 'setups', version: 1, setups: [{ name: 'x', values }] });
    const isFile = compiled(setupFileSchema());
    expect([isFile(file({ gelMired: 60 })), isFile(file({ gelMired: 6000 }))]).toEqual([true, false]);
  });

  it('is remembered, by its own schema', () => {
    const schema = deskSchemas().set_gelMired!;
    expect([compiled(schema)(30), compiled(schema)('blue')]).toEqual([true, false]);
    restoreParts({ set_gelMired: 30 });
    expect(gel(desk().settings)).toBe(30);
  });

  it('has its flag in the terminal, and its line in the help', () => {
    expect(settingFlags()).toContain('gel');
    expect(settingUsage()).toContain('[--gel MIRED]');
  });

  it('is in the record and in Exif, where the lens has it', () => {
    const values = { ...initialValues(), gelMired: 50 } as SettingValues;
    const [wide, ultraWide] = [OPTICS.wide, OPTICS['ultra-wide']].map(opticOfCamera);
    expect(settingsOn(wide!).map(({ name }) => name)).toContain('Gel');
    expect(gel(settingsOf(values, ultraWide!))).toBeUndefined();
    const set = settingsOf(values, wide!);
    expect(exifOf(set, {}).comment).toBe('Gel 50 mired.');
    const frame = { settings: {}, source: {}, colour: { white: {} } } as unknown as RawFrame;
    const made = { kind: 'imported', file: 'x' } as const;
    const note = captureNote(frame, made, someFacts({ set }), {});
    expect(gel(note.set)).toBe(50);
    const ofSet = recordSchema().properties.set as AnySchema;
    expect([compiled(ofSet)(set), compiled(ofSet)({ gelMired: 999 })]).toEqual([true, false]);
  });
});

describe('the list', () => {
  it('opens with values that its own schemas let through', () => {
    for (const { schema, initial } of Object.values(SETTINGS) as Setting<unknown>[])
      expect(compiled(schema)(initial)).toBe(true);
  });

  it('tells of every optic which clicks it has', () => {
    for (const { optics } of simulatedBodies())
      for (const optic of optics) {
        expect(stepsOn(SHUTTER_LADDER, 'shutter', optic)).toEqual({ ladder: SHUTTER_LADDER, skipped: 0 });
        const { aperture } = optic.can;
        const { ladder, skipped } = stepsOn(SETTINGS.aperture.ladder!, 'aperture', optic);
        if (!aperture) continue;
        expect(ladder[0]!.label).toBe('f/8');
        expect(ladder.at(-1)!.label).toBe('f/2.8');
        expect(SETTINGS.aperture.ladder![skipped]).toBe(ladder[0]);
      }
  });

  it('offers of a span what lies inside it, down to nothing', () => {
    const optic = (low: number, high: number) => ({ can: { compensationEv: { low, high } } });
    const steps = (low: number, high: number) =>
      stepsOn(COMPENSATION_LADDER, 'compensationEv', optic(low, high)).ladder.length;
    expect([steps(-2, 2), steps(0, 0), steps(0.1, 0.2), steps(-99, 99)]).toEqual([13, 1, 0, 31]);
  });
});
