import type { ErrorObject } from 'ajv';
import type { SetupFile } from '../core/setup/setup';

export const isSetupFile: { (value: unknown): value is SetupFile; errors?: ErrorObject[] | null };
