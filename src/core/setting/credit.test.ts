// Lines of text as they are kept: what can be seen and what a file can carry (Unicode general categories and directional marks).
import { keywordsOf, tidy } from './credit';

it.each([
  ['  Ansa \n Verrel ', 'Ansa Verrel'],
  ['\u202eevil\u202c', 'evil'],
  ['a\u200bb\ufeff', 'ab'],
  ['half \ud800 letter', 'half letter'],
  ['bell\u0007\u0085', 'bell'],
  // Joined letters stay joined.
  ['\u0915\u094d\u200d\u0937', '\u0915\u094d\u200d\u0937'],
  ['👩‍🎨', '👩‍🎨'],
  ['窯', '窯'],
  ['', ''],
  ['\u200b\u200d', ''],
  ['\u3164 \u2800', ''],
  ['\u0301', ''],
])('%j is kept as %j', (text, kept) => expect(tidy(text)).toBe(kept));

it('keywords that nobody sees are none', () => {
  expect(keywordsOf('kiln, \u200b, \u202ekiln, glaze')).toEqual(['kiln', 'glaze']);
});
