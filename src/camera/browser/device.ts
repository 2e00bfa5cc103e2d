// The devices that a browser lists, opened as video tracks; and why one does not open, in words with a way on.
import type { Unknown } from '../../core/units/known';
import type { Optic } from '../../core/body/body';
import { capabilitiesOf, withPictureWhite, type TrackCapabilities } from './track-settings';

/** Large enough for a finder and for averages; the largest still is taken apart from it. */
const WANTED = { width: { ideal: 1280 }, height: { ideal: 960 } };

export const PREFIX = 'browser:';
/** What stands for a device before the browser has named any: the one that looks away from the person, or at them. */
export const FACING = { [`${PREFIX}rear`]: 'environment', [`${PREFIX}front`]: 'user' } as const;

const UNTOLD: Unknown = { unknown: 'the browser does not tell it' };

export function optic(id: string, name: string, can: TrackCapabilities | undefined): Optic {
  return {
    id,
    name,
    apertureN: UNTOLD,
    equivalentMm: UNTOLD,
    geometry: UNTOLD,
    hyperfocalM: UNTOLD,
    exposesWhole: true,
    ...(can ? withPictureWhite(capabilitiesOf(can)) : { can: {} }),
  };
}

/** The optics of a body that has not been opened yet. */
export function unopened(): readonly Optic[] {
  return [optic(`${PREFIX}rear`, 'Rear', undefined), optic(`${PREFIX}front`, 'Front', undefined)];
}

export interface Opened {
  readonly stream: MediaStream;
  readonly track: MediaStreamTrack;
  /** The optic's id, of the device that was opened. */
  readonly id: string;
}

/** Asks for a device; the browser asks the person, the first time. @throws what the browser throws, or `InsecurePage` */
export async function openDevice(id: string): Promise<Opened> {
  const { mediaDevices } = navigator as { mediaDevices?: MediaDevices };
  if (!globalThis.isSecureContext || !mediaDevices?.getUserMedia) throw new InsecurePage();
  const facing = (FACING as Readonly<Record<string, string>>)[id];
  const which: MediaTrackConstraints = facing
    ? { facingMode: { ideal: facing } }
    : { deviceId: { exact: id.slice(PREFIX.length) } };
  const stream = await mediaDevices.getUserMedia({ video: { ...WANTED, ...which }, audio: false });
  const track = stream.getVideoTracks()[0];
  if (!track) throw new DOMException('', 'NotFoundError');
  const { deviceId } = track.getSettings();
  return { stream, track, id: deviceId ? `${PREFIX}${deviceId}` : id };
}

/** All devices, rear ones first, and the one in use even where the browser does not list it (any more). */
export async function listOptics(inUse: Opened, known: readonly Optic[]): Promise<readonly Optic[]> {
  const all = await navigator.mediaDevices.enumerateDevices().catch(() => [] as MediaDeviceInfo[]);
  const devices = all.filter(({ kind, deviceId }) => kind === 'videoinput' && deviceId !== '');
  const optics = devices.map((device, i) => {
    const id = `${PREFIX}${device.deviceId}`;
    const facing = facingOf(device);
    const before = known.find((o) => o.id === id);
    const can = id === inUse.id ? capabilities(inUse.track) : undefined;
    const found = optic(id, nameOf(device, facing, i), can);
    // What was learnt of a device while it was open stays known.
    const { can: could, whiteOnPicture } = before ?? found;
    return {
      facing,
      optic: can || !before ? found : { ...found, can: could, ...(whiteOnPicture && { whiteOnPicture }) },
    };
  });
  if (!optics.some((o) => o.optic.id === inUse.id))
    optics.unshift({
      facing: undefined,
      optic: optic(inUse.id, inUse.track.label || 'Camera', capabilities(inUse.track)),
    });
  const rank = (facing: string | undefined) => (facing === 'environment' ? 0 : facing === 'user' ? 2 : 1);
  return optics.sort((a, b) => rank(a.facing) - rank(b.facing)).map((o) => o.optic);
}

export function capabilities(track: MediaStreamTrack): TrackCapabilities {
  // Not every browser tells.
  return (track as { getCapabilities?: () => unknown }).getCapabilities
    ? (track.getCapabilities() as TrackCapabilities)
    : {};
}

function facingOf(device: MediaDeviceInfo): string | undefined {
  const told = (device as { getCapabilities?: () => { facingMode?: string[] } }).getCapabilities?.()
    .facingMode?.[0];
  if (told) return told;
  if (/back|rear|environment/i.test(device.label)) return 'environment';
  return /front|user|face/i.test(device.label) ? 'user' : undefined;
}

/** Short enough for a button on the picture. */
function nameOf({ label }: MediaDeviceInfo, facing: string | undefined, i: number): string {
  const side = facing === 'environment' ? 'Rear' : facing === 'user' ? 'Front' : null;
  if (side) return `${side} ${i + 1}`;
  return label === '' || label.length > 24 ? `Camera ${i + 1}` : label;
}

export class InsecurePage extends Error {}

/** Why there is no picture, and what the person can do. */
export function openingTrouble(error: unknown): string {
  const { name = '', message = '', constraint } = (error ?? {}) as Partial<Error> & { constraint?: string };
  if (error instanceof InsecurePage)
    return 'This page is not secure: browsers lend a camera to https pages and to localhost only. Open it there';
  if (name === 'NotAllowedError' || name === 'SecurityError')
    return 'The browser may not use the camera. Allow it for this page in the browser’s settings, then start again';
  if (name === 'NotFoundError' || name === 'DevicesNotFoundError')
    return 'There is no camera. Connect one, then start again';
  if (name === 'NotReadableError' || name === 'AbortError')
    return 'The camera is busy: another program or page holds it. Close that, then start again';
  if (name === 'OverconstrainedError')
    return `This camera cannot do what was asked of it${constraint ? ` (${constraint})` : ''}. Choose another one`;
  return `The camera did not open: ${message || name || String(error)}`;
}

export const GONE =
  'The camera is gone: it was unplugged, or the browser took it back. Start again when it is there';
export const NO_PICTURE =
  'The camera is open, but no picture comes from it. Another program may be using it: close that, and start the finder again';
