// A drive is one object: one that nobody has thought of before, whose frames differ in focus, is put on the list and is found everywhere.
import Ajv, { type AnySchema } from 'ajv';
import { settingFlags } from '../../../cli/exposure';
import { deskSchemas } from '../../live/desk-schema';
import { useDesk } from '../../live/desk';
import { exifDirectory } from '../dng/exif-directory';
import { EXIF } from '../dng/tags';
import { opticOfCamera, OPTICS } from '../sensor/cameras';
import type { RawFrame } from '../sensor/raw-frame';
import { initialValues, settingsOf } from '../setting/values';
import type { SettingValues } from '../setting/settings';
import type { Drive, AsShown } from './drive';
import { DRIVES, type DriveId, type DriveValues } from './drives';
import { driveOf, oneFrame, withDrive, withOneDrive } from './in-use';
import { someFacts } from '../../../tests/facts';

interface NearAndFar {
  readonly nearM: number | null;
}

jest.mock('@react-native-async-storage/async-storage', () => ({ createAsyncStorage: () => ({}) }));
jest.mock('./drives', () => {
  const actual = jest.requireActual<typeof import('./drives')>('./drives');
  const box = jest.requireActual<typeof import('@sinclair/typebox')>('@sinclair/typebox');
  const { timed } = jest.requireActual<typeof import('./moments')>('./moments');
  // One frame nearer than the lens stands, one where it stands: made up.
  const nearAndFar: Drive<'nearAndFar', NearAndFar> = {
    id: 'nearAndFar',
    choice: 'Near and far',
    setting: {
      name: 'Near and far',
      schema: box.Object({ nearM: box.Union([box.Null(), box.Number({ exclusiveMinimum: 0 })]) }),
      initial: { nearM: null },
      words: ({ nearM }) => (nearM === null ? 'one frame' : `from ${nearM} m`),
      badge: ({ nearM }) => (nearM === null ? null : 'near and far'),
      inSetups: true,
      on: ({ can }) => can.focus !== undefined,
      options: [{ flag: 'near', placeholder: 'M', parse: (text) => ({ nearM: Number(text) }) }],
    },
    asks: ({ nearM }) => nearM !== null,
    begun: () => ({ nearM: 1 }),
    ended: () => ({ nearM: null }),
    frames: () => 2,
    plan: ({ nearM }, seen) =>
      typeof seen.focusM === 'number' && nearM! >= seen.focusM
        ? { kind: 'beyond', says: `the lens stands nearer than ${nearM} m` }
        : { kind: 'fits', shots: timed([{ ...seen, focusM: nearM! }, seen]) },
  };
  return {
    ...actual,
    DRIVES: [...actual.DRIVES, nearAndFar],
    DRIVE_IDS: [...actual.DRIVE_IDS, 'nearAndFar'],
    DRIVE_SETTINGS: { ...actual.DRIVE_SETTINGS, nearAndFar: nearAndFar.setting },
  };
});

const NEW = 'nearAndFar' as DriveId;
const valueOf = (values: object) => (values as { nearAndFar?: NearAndFar }).nearAndFar;
const asking = (nearM: number) => ({ nearAndFar: { nearM } }) as Partial<DriveValues>;
const settings = { shutterS: 1 / 128, iso: 100, apertureN: 1.8, compensationEv: 0 };
const seen: AsShown = { settings, focusM: 3 };
const wide = opticOfCamera(OPTICS.wide);

describe('a drive that was put on the list', () => {
  it('plans frames of different focus, one after the other, or says what lies beyond', () => {
    const drive = driveOf(asking(0.5), wide);
    expect([drive.id, drive.frames, drive.whileHeld, drive.lightThirds]).toEqual([NEW, 2, false, null]);
    const planned = drive.plan(seen);
    if (planned.kind !== 'fits') throw new Error('does not fit');
    expect(planned.shots.map(({ focusM }) => focusM)).toEqual([0.5, 3]);
    expect(planned.shots[0]!.atS).toBe(0);
    expect(planned.shots[1]!.atS).toBeGreaterThan(settings.shutterS);
    expect(driveOf(asking(5), wide).plan(seen)).toMatchObject({ kind: 'beyond', says: /nearer/ });
  });

  it('is not there for a lens that has not what it takes', () => {
    const fixed = Object.values(OPTICS)
      .map(opticOfCamera)
      .find(({ can }) => !can.focus)!;
    expect(driveOf(asking(0.5), fixed).id).toBe('single');
  });

  it('is on the desk, where it ends the others and they end it', () => {
    const desk = () => useDesk.getState();
    desk().setSetting('burst', { frames: 5, perS: 10, held: false });
    desk().setSetting(NEW, { nearM: 0.5 } as never);
    expect([valueOf(desk().settings)?.nearM, desk().settings.burst.frames]).toEqual([0.5, 1]);
    desk().changeSetting('bracket', { frames: 3 });
    expect([valueOf(desk().settings)?.nearM, desk().settings.bracket.frames]).toEqual([null, 3]);
  });

  it('is remembered by its own schema, has its flag, and is in the record', () => {
    const schema = (deskSchemas() as Record<string, AnySchema>)[`set_${NEW}`]!;
    const isValue = new Ajv({ strictTypes: false }).compile(schema);
    expect([isValue({ nearM: 2 }), isValue({ nearM: 'far' })]).toEqual([true, false]);
    expect(settingFlags()).toContain('near');
    const values = { ...initialValues(), ...asking(2) } as SettingValues;
    expect(valueOf(settingsOf(values, wide))).toEqual({ nearM: 2 });
  });
});

describe('the drive that a press goes by', () => {
  it('is a single frame while none is asked for, of whatever is known', () => {
    expect(driveOf(initialValues()).id).toBe('single');
    expect(driveOf({}).id).toBe('single');
    const unknown: AsShown = { settings: { unknown: 'x' }, focusM: { unknown: 'y' } };
    expect(driveOf(oneFrame()).plan(unknown)).toEqual({ kind: 'fits', shots: [{ ...unknown, atS: 0 }] });
  });

  it('takes a burst of what is not known, and says why a bracket cannot be', () => {
    const unknown: AsShown = { settings: { unknown: 'the device does not tell it' }, focusM: 1 };
    const burst = driveOf({ burst: { frames: 3, perS: 10, held: false } }).plan(unknown);
    expect(burst.kind === 'fits' && burst.shots.map(({ atS }) => atS)).toHaveLength(3);
    const bracket = { frames: 3, stepThirds: 3, order: 'rising', by: 'shutter' } as const;
    expect(driveOf({ bracket }).plan(unknown)).toMatchObject({ kind: 'beyond', says: /does not tell/ });
  });

  it('is chosen alone, and keeps how it was set', () => {
    const now = { ...initialValues(), bracket: { ...initialValues().bracket, frames: 7, stepThirds: 2 } };
    expect(withDrive(now, 'bracket').bracket).toEqual(now.bracket);
    const burst = withDrive(now, 'burst');
    expect([driveOf(burst).id, burst.bracket.frames, burst.bracket.stepThirds]).toEqual(['burst', 1, 2]);
    for (const { id } of DRIVES) expect(driveOf(withDrive(now, id)).id).toBe(id);
    expect(driveOf(withDrive(now, 'single')).id).toBe('single');
  });

  it('is the newest where two ask', () => {
    const bracket = { frames: 3, stepThirds: 3, order: 'rising', by: 'shutter' } as const;
    const burst = { frames: 5, perS: 10, held: false };
    const both = { ...initialValues(), bracket, burst };
    expect(driveOf(withOneDrive(both, { burst })).id).toBe('burst');
    expect(driveOf(withOneDrive(both, { bracket })).id).toBe('bracket');
    expect(driveOf(withOneDrive(both, { bracket, burst })).id).toBe('burst');
    const one = { ...initialValues(), burst };
    expect(withOneDrive(one, { burst })).toBe(one);
  });

  it('tells Exif of a frame of a bracket, and of none other', () => {
    const bracket = { frames: 3, stepThirds: 3, order: 'rising', by: 'shutter' } as const;
    const frame = {
      ...{ width: 8, height: 6, timeMs: 0, offsetMinutes: 0, settings },
      source: { make: '', camera: '', lensModel: '', widestN: 2, focalLengthMm: 5, equivalentMm: 24 },
    } as unknown as RawFrame;
    const modeOf = (set: SettingValues, index?: number) => {
      const group = index === undefined ? undefined : { id: '0'.repeat(32), index, of: 3 };
      const facts = someFacts({ set, ...(group && { group }) });
      const field = exifDirectory(frame, facts).find(({ tag }) => tag === EXIF.ExposureMode)!;
      return field.values[0];
    };
    const set = { ...initialValues(), bracket };
    expect([modeOf(set, 1), modeOf(set), modeOf(initialValues(), 1)]).toEqual([2, 0, 0]);
  });
});
