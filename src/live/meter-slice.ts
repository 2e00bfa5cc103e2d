// Where and how light is read: pattern and spot, pins, the hand meter.
import { freeLetter } from '../core/meter/pins';
import { PATTERNS } from '../core/meter/read';
import { formatThirds } from '../core/units/ladders';
import { clamp } from './desk-controls';
import type { MeterSlice } from './desk-state';
import { latestReport } from './report';
import type { Slice } from './slice';

export const meterSlice: Slice<MeterSlice> = (set, get) => ({
  spot: { x: 0.5, y: 0.5 },
  pins: [],
  hand: null,
  receptor: 'flat',

  setPattern: (pattern) => get().changeSetting('meter', { pattern }),
  nextPattern: () => {
    const ids = PATTERNS.map((p) => p.id);
    get().setPattern(ids[(ids.indexOf(get().settings.meter.pattern) + 1) % ids.length]!);
  },
  setSpot: ({ x, y }) => {
    set({ spot: { x: clamp(x), y: clamp(y) } });
    get().setPattern('spot');
  },
  setSpotShare: (spotShare) => get().changeSetting('meter', { spotShare, pattern: 'spot' }),
  setBurnShare: (burnShare) => get().changeSetting('meter', { burnShare, pattern: 'highlight' }),
  addPin: (place) =>
    set(({ pins }) => {
      const letter = freeLetter(pins);
      if (!letter) return { notice: 'Eight pins are in use. Remove one to place another.' };
      return { pins: [...pins, { letter, x: clamp(place.x), y: clamp(place.y) }] };
    }),
  movePin: (letter, place) =>
    set(({ pins }) => ({
      pins: pins.map((pin) =>
        pin.letter === letter ? { letter, x: clamp(place.x), y: clamp(place.y) } : pin,
      ),
    })),
  removePin: (letter) => set(({ pins }) => ({ pins: pins.filter((pin) => pin.letter !== letter) })),
  placePin: (letter, step) => {
    const reading = latestReport()?.pins.find((pin) => pin.letter === letter);
    if (!reading) return;
    const where = step === 0 ? 'mid-grey' : formatThirds(step);
    get().takeReading(reading.ev100, `pin ${letter} at ${where}`, step);
  },
  setHand: (hand) => set({ hand: hand && { x: clamp(hand.x), y: clamp(hand.y) } }),
  setReceptor: (receptor) => set({ receptor }),
  calibrations: {},
  calibrate: (calibration) =>
    set(({ optic, calibrations }) => {
      const { [optic]: _, ...others } = calibrations;
      return { calibrations: calibration ? { ...others, [optic]: calibration } : others };
    }),
});
