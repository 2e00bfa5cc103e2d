// A script that does not come is not waited for: told after six seconds, with a way on; one that fails is asked for again.
import { act, cleanup, render } from '@testing-library/react/pure';
import { Text } from 'react-native';
import { laterScreen } from './later';

let mockScript: () => object = () => ({ rest: {} });
jest.mock('./rest', () => mockScript());

const Sheet = laterScreen(
  'The sheet',
  () => () => <Text>here</Text>,
  () => undefined,
);
const text = () => document.body.textContent ?? '';

afterEach(() => {
  cleanup();
  jest.useRealTimers();
  jest.resetModules();
});

it('a script that stalls is given up after six seconds', async () => {
  jest.useFakeTimers();
  // What is waited for, and never comes.
  mockScript = () => ({ then: () => undefined });
  await act(async () => void render(<Sheet />));
  expect(text()).toMatch(/Opening/);
  await act(async () => void jest.advanceTimersByTime(5900));
  expect(text()).toMatch(/Opening/);
  await act(async () => void jest.advanceTimersByTime(200));
  expect(text()).toMatch(/The sheet does not come from the server.*Try again.*To the finder/);
});

it('a script that fails is told at once, and asked for again', async () => {
  mockScript = () => {
    throw new Error('made up');
  };
  await act(async () => void render(<Sheet />));
  expect(text()).toMatch(/The sheet did not load/);
  mockScript = () => ({ rest: {} });
  const again = [...document.querySelectorAll<HTMLElement>('[role=button]')].find((e) =>
    /Try again/.test(e.textContent ?? ''),
  )!;
  await act(async () => again.click());
  expect(text()).toBe('here');
});
