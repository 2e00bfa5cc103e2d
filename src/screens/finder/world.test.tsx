// The world outside, lenses, focus, framing and white, as panels and keys have them.
import { useDesk } from '../../live/desk';
import { useReport } from '../../live/report';
import { useWorld } from '../../live/world';
import { loadScene } from '../../../tests/screens/camera';
import { LONG } from '../../../tests/sweep';
import {
  appears,
  becomes,
  changes,
  closeFinder,
  doing,
  focus,
  frame,
  frames,
  goes,
  openFinder,
  press,
  shown,
  tap,
  text,
  there,
  type as write,
} from '../../../tests/screens/finder';

const checked = (id: string) => shown(id).getAttribute('aria-checked');
const ev = () => useReport.getState().report!.reading.ev100;
const headroom = () =>
  Number(
    /([+−][\d.]+) EV/.exec(shown('stopline-raw').getAttribute('aria-valuetext')!)![1]!.replace('−', '-'),
  );
const times = (key: string, count: number) => press(...Array<string>(count).fill(key));
/** Nothing open, everything automatic, the first scene as it was. */
const plain = async () => {
  if (there('close-panel')) await press('Escape');
  await press('0');
  await doing(() => {
    useWorld.getState().setScene('wheel-bench');
    useWorld.getState().arrange({ levels: {}, support: 'hand' });
    useDesk.getState().setOptic('small-24');
  });
  await frames(2);
};

/** Lying and wide, too, in the long checks: the way to a panel differs there, not what is in it. */
const SCREENS = LONG ? (['upright', 'lying', 'wide'] as const) : (['upright'] as const);

afterAll(closeFinder);

describe('the world outside', () => {
  beforeAll(() => openFinder('upright'));
  afterEach(plain);

  it('a lamp put out takes its light away, a dimmer changes the reading', async () => {
    const before = ev();
    await press('v');
    await tap('lamp-sun');
    expect(checked('lamp-sun')).toBe('false');
    expect(ev()).toBeLessThan(before - 0.1);
    const out = ev();
    await focus('level-window');
    await times('ArrowLeft', 10);
    expect(shown('level-window').getAttribute('aria-valuenow')).toBe('50');
    expect(ev()).toBeLessThan(out - 0.3);
    await press('Escape');
    expect(there('scene-wheel-bench')).toBeNull();
  });

  it('another scene is chosen with its lamps; a lamp in several places moves from one to another', async () => {
    await loadScene('tile-board', 'small-24');
    await loadScene('glaze-table', 'small-24');
    await tap('outside');
    await tap('scene-tile-board');
    await appears('lamp-cool');
    await press('Escape');
    await becomes('outside', /Tile board/);
    await tap('outside');
    await tap('scene-glaze-table');
    await tap('place-right');
    expect([checked('place-right'), checked('place-left')]).toEqual(['true', 'false']);
    await appears('level-right');
    await tap('support-tripod');
    await press('Escape');
    await becomes('status', /on a tripod/);
  });

  it('the tele has its own field, the ultra-wide says that its focus is fixed', async () => {
    await loadScene('wheel-bench', 'small-77');
    await loadScene('wheel-bench', 'small-13');
    await tap('lens-small-77');
    await becomes('status', /77 mm f\/2\.8/);
    expect(useReport.getState().report!.view).toBe('wheel-bench.small-77');
    await press('1');
    await frame();
    expect(text('fixed-focus')).toMatch(/fixed.*sharp from 0\.\d+ m/);
  });
});

describe.each(SCREENS)('%s', (size) => {
  beforeAll(() => openFinder(size));
  afterEach(plain);

  it('focus: found at a place, with a distance there; peaking; a place of its own; held; by hand; given back', async () => {
    // Of so few sites nearly all is within the depth of field: a place at which there is something to be found.
    await doing(() => useDesk.getState().setSpot({ x: 0.7, y: 0.1 }));
    await tap('value-focus');
    await becomes('focus-stands', /found in \d\.\d\d s/);
    await becomes('subject', /There: \d.* m, by the depth sensor/);
    await tap('in-focus');
    await tap('depth');
    await tap('depth-back');
    await goes('depth-back');
    await press(';');
    expect(checked('in-focus')).toBe('false');
    await tap('focus-again');
    await becomes('focus-stands', /found in/);
    // Edges in focus light up, the more the more is asked for; in another colour too.
    await press("'");
    await becomes('peaking-share', /[1-9].* % of the frame/);
    const lit = parseFloat(text('peaking-share'));
    await tap('peaking-strength-few');
    await frames(2);
    expect(parseFloat(text('peaking-share'))).toBeLessThan(lit);
    await tap('peaking-strength-usual');
    await tap('peaking-colour-amber');
    expect(checked('peaking-colour-amber')).toBe('true');
    await tap('peaking');
    await goes('peaking-share');
    // A place of its own: moved by keys, the spot stays.
    await tap('focus-part');
    await press('Escape');
    const spot = useDesk.getState().spot;
    await focus('focus-place');
    await times('ArrowLeft', 4);
    expect(useDesk.getState().focusAt!.x).toBeLessThan(spot.x);
    expect(useDesk.getState().spot).toEqual(spot);
    await press('Delete');
    await goes('focus-place');
    await becomes('state-focus', /^automatic$/);
    // Held where it stands, to recompose.
    const stands = text('focus-words');
    await press('.');
    await becomes('state-focus', /by hand/);
    expect(text('focus-words')).toBe(stands);
    await goes('focus-mark');
    await press('.');
    await becomes('state-focus', /^automatic$/);
    // By hand: up is farther; on the ladder to infinity; given back.
    await focus('fader-focus');
    await times('ArrowUp', 3);
    await becomes('state-focus', /by hand/);
    expect(shown('fader-focus').getAttribute('aria-valuetext')).toMatch(
      /set by hand, hyperfocal .* marked, sharp from .* to /,
    );
    await tap('value-focus');
    await tap('step-∞');
    await becomes('focus-words', /∞/);
    await tap('ladder-auto');
    await press('Escape');
    await becomes('state-focus', /automatic|searching|not found/);
  });

  it('framing: zoom by keys and slider, shapes, grids, the level, the depth planner in metres and feet', async () => {
    const zoom = () => useReport.getState().report!.zoomTimes;
    await press('+');
    await frame();
    expect(zoom()).toBeCloseTo(1.09, 2);
    await press(',');
    await focus('cut-times');
    await times('ArrowRight', 15);
    await becomes('cut-words', /4\.0× cut: 0\.\d of 1 MP/);
    expect(zoom()).toBeCloseTo(4, 2);
    for (const shape of ['4:3', '3:2', '1:1', '65:24', '16:9']) {
      await tap(`aspect-${shape}`);
      await becomes('cut-words', new RegExp(shape));
    }
    await appears('lines-16:9');
    for (const grid of ['golden', 'cross', 'diagonals', 'thirds']) {
      await tap(`grid-${grid}`);
      const lines = shown('finder').querySelectorAll(`[data-testid="grid-${grid}"] line`);
      expect(lines).toHaveLength(grid === 'golden' || grid === 'thirds' ? 4 : 2);
    }
    await tap('grid-none');
    await tap('level-on');
    expect(shown('level').getAttribute('aria-label')).toMatch(/level$/);
    await tap('level-on');
    await focus('cut-times');
    await press('Home');
    await frame();
    expect(zoom()).toBe(1);
    await tap('aspect-whole');
    // What a lens shows, in feet, with another lens from farther back.
    await loadScene('wheel-bench', 'small-77');
    await tap('frame-tab-depth');
    const [near, told] = [text('plan-focus-words'), text('plan-told')];
    await tap('plan-lens-small-77');
    await changes('plan-told', told);
    expect(parseFloat(text('plan-focus-words'))).toBeGreaterThan(2 * parseFloat(near));
    await focus('plan-background');
    await times('ArrowRight', 3);
    await tap('lengths-ft');
    await becomes('plan-told', /ft to .*blurred [\d.]+ px/);
    await becomes('value-focus', /ft/);
    await tap('lengths-m');
    await tap('plan-take');
    await becomes('state-focus', /by hand/);
    expect(useReport.getState().report!.view).toBe('wheel-bench.small-77');
    await tap('frame-tab-frame');
  });

  it('white: up is warmer; usual lights, tint and kept ones; a ring measures a thing, and raw stands still', async () => {
    await becomes('state-white', /automatic|guess/);
    await press('y');
    await becomes('state-white', /tint/);
    expect(shown('fader-white').getAttribute('aria-valuetext')).toMatch(
      /set by hand.*Daylight 5500 K marked/,
    );
    const by = Number(text('white-words'));
    await focus('fader-white');
    await press('ArrowUp');
    expect(Number(text('white-words'))).toBeGreaterThan(by);
    await press('Backspace');
    await becomes('state-white', /automatic|guess/);
    await tap('value-white');
    await tap('light-tungsten');
    await becomes('white-stands', /2856 K, tint 0, set by hand/);
    await focus('tint');
    await press('PageUp');
    await becomes('white-stands', /tint \+10/);
    await press('Backspace');
    await write('keep-name', 'Kiln room');
    await focus('keep-name');
    await press('Enter');
    await appears('kept-Kiln room');
    await tap('light-daylight');
    await becomes('white-stands', /5503 K/);
    await tap('kept-Kiln room');
    await becomes('white-stands', /2856 K/);
    await doing(() => useDesk.getState().forgetWhite('Kiln room'));
    // A ring on a white tile under tungsten gives its light; the picture follows and raw does not.
    await loadScene('tile-board', 'small-24');
    await doing(() => {
      useWorld.getState().setScene('tile-board');
      useWorld.getState().arrange({ levels: { day: 0, tungsten: 1 } });
    });
    await tap('light-shade');
    await becomes('white-stands', /7504 K/);
    const raw = headroom();
    const [x, y] = size === 'upright' ? [0.15, 0.65] : [0.24, 0.72];
    await tap('ring-toggle');
    await doing(() => useDesk.getState().setRing({ ...useDesk.getState().ring!, at: { x, y } }));
    await focus('white-ring');
    await press('Enter');
    await becomes('white-stands', /2[4-9]\d\d K|3[01]\d\d K/);
    await becomes('ring-words', /K, tint/);
    // Shade to tungsten is nearly 2 EV of blue in the picture.
    expect(Math.abs(headroom() - raw)).toBeLessThan(0.25);
    await press('+', 'Enter', 'Delete');
    await goes('white-ring');
  });

  it('two lights are told, shown and taken; a ring refuses what is burnt', async () => {
    await tap('value-white');
    await becomes('mixed', /lit by two lights/);
    await tap('show-lights');
    await appears('lights');
    const kelvin = () => Number(/\d+/.exec(text('white-stands'))![0]);
    await tap('take-cooler');
    await becomes('white-stands', /set by hand/);
    const cooler = kelvin();
    await tap('take-warmer');
    expect(kelvin()).toBeLessThan(cooler - 500);
    await tap('light-cloudy');
    await becomes('white-stands', /6504 K/);
    await focus('fader-compensation');
    await times('ArrowUp', 15);
    await tap('ring-toggle');
    await doing(() => useDesk.getState().setRing({ ...useDesk.getState().ring!, at: { x: 0.38, y: 0.28 } }));
    await focus('white-ring');
    await press('Enter');
    await becomes('ring-words', /clipped/);
    await becomes('notice', /White stays as it was/);
    expect(text('white-stands')).toMatch(/6504 K/);
    await press('Escape');
    await goes('lights');
    await doing(() => useDesk.getState().setRing(null));
  });
});
