// How the camera is held, for the level and for what a frame tells of itself: of a simulated one as the person arranged it, of a real one by the
// device's own sensor, where the browser lets it be asked (W3C Device Orientation Event).
import { useEffect } from 'react';
import { create } from 'zustand';
import { attitudeOfDevice, type Attitude } from '../core/body/attitude';
import { known, type Known } from '../core/units/known';
import { bodyWith } from './camera';
import { useDesk } from './desk';
import { useBody } from './in-use';
import { useWorld } from './world';

const NOT_ASKED = 'the device’s sensor was not asked yet';
const NO_SENSOR = 'this device tells no angles';
const REFUSED = 'the browser does not let the sensor be read: allow motion sensors for this page';

const useDevice = create<{ readonly attitude: Known<Attitude> }>()(() => ({
  attitude: { unknown: NOT_ASKED },
}));

type Asking = typeof DeviceOrientationEvent & { requestPermission?: () => Promise<'granted' | 'denied'> };

/** True where the browser wants to be asked by a touch before it tells anything. */
export function sensorMustBeAsked(): boolean {
  const Event = (globalThis as { DeviceOrientationEvent?: Asking }).DeviceOrientationEvent;
  return Event?.requestPermission !== undefined;
}

/** Asks for the sensor, from a touch. */
export async function askForSensor(): Promise<void> {
  const Event = (globalThis as { DeviceOrientationEvent?: Asking }).DeviceOrientationEvent;
  const answer = await Event?.requestPermission?.().catch(() => 'denied' as const);
  useDevice.setState({ attitude: { unknown: answer === 'denied' ? REFUSED : NO_SENSOR } });
}

let listeners = 0;

function onAngles({ beta, gamma }: DeviceOrientationEvent): void {
  const attitude = attitudeOfDevice(beta, gamma, globalThis.screen?.orientation?.angle ?? 0);
  useDevice.setState({ attitude: attitude ?? { unknown: NO_SENSOR } });
}

/** Listens to the sensor while anybody looks at it. */
function listen(): () => void {
  if (listeners++ === 0) {
    if (!sensorMustBeAsked()) useDevice.setState({ attitude: { unknown: NO_SENSOR } });
    window.addEventListener('deviceorientation', onAngles);
  }
  return () => {
    if (--listeners === 0) window.removeEventListener('deviceorientation', onAngles);
  };
}

/** The attitude of the camera in use, as it changes. */
export function useAttitude(): Known<Attitude> {
  const { arrangedWorld } = useBody();
  const arranged = useWorld((w) => w.attitude);
  const told = useDevice(({ attitude }) => attitude);
  useEffect(() => (arrangedWorld ? undefined : listen()), [arrangedWorld]);
  return arrangedWorld ? arranged : told;
}

/** The attitude now, as far as it is known. */
export function attitudeNow(): Attitude | undefined {
  const { arrangedWorld } = bodyWith(useDesk.getState().optic);
  return known(arrangedWorld ? useWorld.getState().attitude : useDevice.getState().attitude);
}
