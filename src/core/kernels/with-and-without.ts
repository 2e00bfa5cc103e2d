// For the tests of kernels: the same work with a kernel and by its twin.
import { allowKernels } from './kernel';

/** What work gives with kernels, and without; kernels are allowed afterwards, whatever became of it. */
export function withAndWithout<T>(work: () => T): [T, T] {
  const fast = work();
  try {
    allowKernels(false);
    return [fast, work()];
  } finally {
    allowKernels(true);
  }
}

/** The same of work that takes its time. */
export async function withAndWithoutSoon<T>(work: () => Promise<T>): Promise<[T, T]> {
  const fast = await work();
  try {
    allowKernels(false);
    return [fast, await work()];
  } finally {
    allowKernels(true);
  }
}
