// Setups as files: JSON, checked by their schema; what is wrong in one is said by its field.
import type { ErrorObject } from 'ajv';
import { parseTree, type Node } from 'jsonc-parser';
import {
  onLadders,
  SETUP_FILE_VERSION,
  setupName,
  troubleOf,
  type Setup,
  type SetupFile,
} from '../core/setup/setup';
import { setupForward } from './setups';

const MOST_FILE_BYTES = 1_000_000;

/** @throws (rejects with) RangeError that names the field that is wrong, and what is allowed there */
export async function readSetupFile(text: string): Promise<SetupFile['setups']> {
  if (text.length > MOST_FILE_BYTES) throw new RangeError('This file is too large for a file of setups');
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw new RangeError('This file is not JSON. Choose one that was exported here');
  }
  value = fileForward(value);
  const { isSetupFile } = await import('./setup-check.generated');
  if (!isSetupFile(value)) throw new RangeError(fieldError(isSetupFile.errors ?? [], value));
  const twice = repeatedKey(parseTree(text));
  if (twice) throw new RangeError(`${twice} is there twice: it is not clear which one is meant`);
  return value.setups.map(({ name, values }, i) => {
    const trouble = troubleOf(values);
    if (trouble) throw new RangeError(`setups[${i}].values.${trouble.field} (${name}) ${trouble.why}`);
    try {
      return { name: setupName(name), values: onLadders(values) };
    } catch (error) {
      throw new RangeError(`setups[${i}].name: ${(error as Error).message}`);
    }
  });
}

/** The path of a key that an object has twice, "setups[0].values.iso"; of them a parser keeps the last and says nothing. */
function repeatedKey(node: Node | undefined, path = ''): string | null {
  const seen = new Set<string>();
  for (const [i, child] of (node?.children ?? []).entries()) {
    if (node!.type === 'array') {
      const found = repeatedKey(child, `${path}[${i}]`);
      if (found) return found;
      continue;
    }
    const [key, value] = child.children ?? [];
    const name = String(key?.value);
    const here = path ? `${path}.${name}` : name;
    if (seen.has(name)) return here;
    seen.add(name);
    const found = repeatedKey(value, here);
    if (found) return found;
  }
  return null;
}

/** "setups[0].values.iso.exact: must be > 0", with the setup's name where it has one. */
function fieldError(errors: readonly ErrorObject[], value: unknown): string {
  const error = errors[0];
  if (!error) return 'This file is not one of setups';
  const path = error.instancePath
    .replace(/\/(\d+)/g, '[$1]')
    .replaceAll('/', '.')
    .replace(/^\./, '');
  const allowed = (error.params as { allowedValues?: unknown[]; allowedValue?: unknown }).allowedValues;
  const field = (error.params as { additionalProperty?: string }).additionalProperty;
  const what = field
    ? `${error.message}: ${field}`
    : `${error.message}${allowed ? `: ${allowed.join(', ')}` : ''}`;
  const index = /^\/setups\/(\d+)/.exec(error.instancePath)?.[1];
  const list = (value as { setups?: { name?: unknown }[] } | null)?.setups;
  const name = index === undefined ? undefined : list?.[Number(index)]?.name;
  return `${path || 'The file'}${typeof name === 'string' ? ` (${name})` : ''} ${what}`;
}

export function writeSetupFile(list: readonly Setup[]): string {
  const file: SetupFile = {
    kind: 'setups',
    version: SETUP_FILE_VERSION,
    setups: list.map(({ name, values }) => ({ name, values })),
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}

function fileForward(file: unknown): unknown {
  const { setups: list } = (file ?? {}) as { setups?: unknown };
  return Array.isArray(list) ? { ...(file as object), setups: list.map(setupForward) } : file;
}
