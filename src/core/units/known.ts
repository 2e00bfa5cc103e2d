// A value that may not be known, with the reason why it is not: never a stand-in number.

export interface Unknown {
  readonly unknown: string;
}

export type Known<T> = T | Unknown;

export function isUnknown(value: unknown): value is Unknown {
  return typeof value === 'object' && value !== null && typeof (value as Unknown).unknown === 'string';
}

/** The value, or undefined where it is not known. */
export function known<T>(value: Known<T> | undefined): T | undefined {
  return isUnknown(value) ? undefined : value;
}
