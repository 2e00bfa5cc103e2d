// Facts of a frame for tests that are about something else.
import { FIRST_ROLL, type Facts } from '../src/core/facts/facts';
import { initialValues } from '../src/core/setting/values';

/** @param own what the test is about */
export function someFacts(own: Partial<Facts> = {}): Facts {
  return {
    ...{ id: '0'.repeat(32), roll: FIRST_ROLL, timeMs: Date.UTC(2026, 6, 24, 12), offsetMinutes: 120 },
    ...{ set: initialValues(), meteredEv100: 9 },
    ...own,
  };
}
