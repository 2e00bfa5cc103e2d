import type { ErrorObject } from 'ajv';
import type { Print } from '../core/setting/print';
import type { SetupFile } from '../core/setup/setup';

export const isSetupFile: { (value: unknown): value is SetupFile; errors?: ErrorObject[] | null };
export const isPrint: (value: unknown) => value is Print;
