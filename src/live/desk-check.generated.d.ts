import type { KeptDesk } from './desk-state';

export const deskChecks: Readonly<Record<keyof KeptDesk, (value: unknown) => boolean>>;
