// What is said of a camera that does not open: by the names of the Media Capture specification, each with its way out.
import { InsecurePage, openingTrouble } from './device';

it.each([
  ['NotAllowedError', /may not use the camera.*Allow it/],
  ['SecurityError', /may not use the camera.*Allow it/],
  ['NotFoundError', /no camera.*Connect one/],
  ['NotReadableError', /busy.*Close that/],
  ['AbortError', /busy.*Close that/],
  ['OverconstrainedError', /cannot do what was asked/],
])('%s is said with a way out', (name, says) => {
  expect(openingTrouble(new DOMException('', name))).toMatch(says);
});

it('a page that is not secure, and what has no name, are said too', () => {
  expect(openingTrouble(new InsecurePage())).toMatch(/not secure.*https/);
  expect(openingTrouble(new Error('made up'))).toMatch(/did not open: made up/);
  expect(openingTrouble(undefined)).toMatch(/did not open/);
  expect(openingTrouble({ name: 'OverconstrainedError', constraint: 'width' })).toMatch(/\(width\)/);
});
