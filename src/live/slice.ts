// A part of the desk: it makes its own state and actions, and sees the whole.
import type { Desk } from './desk-state';

export type SetDesk = (change: Partial<Desk> | ((desk: Desk) => Partial<Desk>)) => void;

export type Slice<T> = (set: SetDesk, get: () => Desk) => T;
