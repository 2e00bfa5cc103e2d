// The click that a tap is owed: given once where the engine gives none, never twice, never for what is no tap.
import { owedClicks } from './owed-clicks';

let stop: () => void;
let button: HTMLElement;
let clicks: number;
beforeEach(() => {
  jest.useFakeTimers();
  document.body.innerHTML = '<div role="button" id="b"><span>Lock</span></div><p>words</p>';
  button = document.getElementById('b')!;
  clicks = 0;
  button.addEventListener('click', () => clicks++);
  stop = owedClicks();
});
afterEach(() => {
  stop();
  jest.useRealTimers();
});

const fire = (type: string, on: Element, { at = 0, x = 5, y = 5, pointerType = 'touch' } = {}) => {
  const event = new MouseEvent(type, { bubbles: true, cancelable: true, clientX: x, clientY: y });
  Object.defineProperty(event, 'timeStamp', { value: at });
  on.dispatchEvent(Object.assign(event, { pointerType, isPrimary: true }));
};
const words = () => button.firstElementChild!;
function tap({ on = words(), lasts = 60, dx = 0, pointerType = 'touch' } = {}): void {
  fire('pointerdown', on, { pointerType });
  fire('pointerup', on, { at: lasts, x: 5 + dx, pointerType });
}

it('comes where the engine makes none of a tap', () => {
  tap();
  expect(clicks).toBe(0);
  jest.advanceTimersByTime(100);
  expect(clicks).toBe(1);
});

it('is the engine’s own where that comes', () => {
  tap();
  words().dispatchEvent(new MouseEvent('click', { bubbles: true }));
  jest.advanceTimersByTime(1000);
  expect(clicks).toBe(1);
});

it('is one also where the engine’s own comes late; the next tap has its own', () => {
  tap();
  jest.advanceTimersByTime(300);
  words().dispatchEvent(new MouseEvent('click', { bubbles: true }));
  expect(clicks).toBe(1);
  tap();
  words().dispatchEvent(new MouseEvent('click', { bubbles: true }));
  expect(clicks).toBe(2);
});

it.each([
  ['a hold', { lasts: 600 }],
  ['a drag', { dx: 30 }],
  ['a mouse, whose clicks are never lost', { pointerType: 'mouse' }],
])('is not owed to %s', (_, how) => {
  tap(how);
  jest.advanceTimersByTime(1000);
  expect(clicks).toBe(0);
});

it('is not owed by what lies beside, nor where the touch itself was answered, nor to what is gone', () => {
  fire('pointerdown', words());
  fire('pointerup', document.querySelector('p')!, { at: 50 });
  tap();
  const answered = new Event('touchend', { bubbles: true, cancelable: true });
  answered.preventDefault();
  words().dispatchEvent(answered);
  jest.advanceTimersByTime(1000);
  tap();
  button.remove();
  jest.advanceTimersByTime(1000);
  expect(clicks).toBe(0);
});
