// The person's setups: kept in this browser in their order.
import { SETUP_FILE_VERSION, troubleOf, type Setup } from '../core/setup/setup';
import { settingsForward } from '../core/setting/values';
import { keptList } from './kept-list';

/** A setup of an earlier version. */
export function setupForward<T>(setup: T): T {
  const { values } = (setup ?? {}) as { values?: unknown };
  return values === undefined ? setup : { ...setup, values: settingsForward(values) };
}

function fileOf({ name, values }: Setup) {
  return { kind: 'setups', version: SETUP_FILE_VERSION, setups: [{ name, values }] };
}

export const setups = keptList<Setup>(
  'setups',
  async () => {
    const { isSetupFile } = await import('./setup-check.generated');
    return (setup) => isSetupFile(fileOf(setup)) && !troubleOf(setup.values);
  },
  setupForward,
);

export function newSetupId(): string {
  return crypto.randomUUID();
}
