// Metering and setting exposure: panels, faders and keys of the finder, against the desk and frames of a camera in the same thread.
import { SHUTTER_LADDER } from '../../core/units/ladders';
import { useDesk } from '../../live/desk';
import { loadScene } from '../../../tests/screens/camera';
import {
  appears,
  becomes,
  changes,
  choose,
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
  tapOn,
  tapPicture,
  text,
  there,
  type as write,
} from '../../../tests/screens/finder';

const number = (words: string, pattern: RegExp) => Number(pattern.exec(words)![1]!.replace('−', '-'));
const close = async () => {
  await press('Escape');
  await goes('close-panel');
};
const more = async (tab: string) => {
  await tap('more');
  await tap(`more-tab-${tab}`);
};
const clicksBetween = (a: string, b: string) => {
  const index = (label: string) => SHUTTER_LADDER.findIndex((step) => step.label === label);
  return index(b) - index(a);
};
/** Everything automatic, nothing open, nothing held. */
const plain = async () => {
  if (document.querySelector('[role=dialog]')) await press('Escape');
  await press('0');
  if (there('lock-words')) await press('l');
  await frames(2);
};

afterAll(closeFinder);

describe('upright', () => {
  beforeAll(() => openFinder('upright'));
  afterEach(plain);

  it('the meter shows its patterns: the highlight one leaves raw unclipped, spots have three sizes', async () => {
    await tap('pattern');
    await tap('choose-pattern-highlight');
    await becomes('headroom', /^headroom \+\d\.\d EV$/);
    await tap('burn-share-0.01');
    await becomes('headroom', /over by/);
    // The headroom of the stopline is that of the first 0.1 %.
    await tap('burn-share-0.001');
    await becomes('headroom', /^headroom \+?0\.\d EV$/);
    await tap('spot-size-0.03');
    await becomes('pattern-says', /disc where you tap/);
    await tap('choose-pattern-whole');
    await frame();
    // Dots show how much each field counts.
    expect(document.querySelectorAll('svg circle').length).toBeGreaterThan(100);
  });

  it('two pins tell the contrast between them; one is put on a step, both are removed', async () => {
    await doing(() => useDesk.getState().addPin({ x: 0.42, y: 0.33 }));
    await doing(() => useDesk.getState().addPin({ x: 0.72, y: 0.62 }));
    await focus('pin-A');
    await press('Enter');
    await becomes('contrast', /A and B: \d+\.\d stops, 1 : /);
    await tap('pick-A');
    await tap('place-2');
    await becomes('pin-words-A', /^\+(1\.[89]|2\.[012]) from mid-grey$/);
    await becomes('lock-words', /pin A at \+2/);
    await tap('remove-B');
    await goes('pin-B');
    await tap('remove-A');
    await goes('pin-A');
  });

  it('the hand meter reads lux in the scene, takes a typed value, and its settings in one tap', async () => {
    await tap('pattern');
    await tap('meter-tab-hand');
    await tap('hold-hand');
    await becomes('hand-words', /^[\d ]+ lx$/);
    await appears('hand-marker');
    await write('lux', '320');
    await becomes('incident-words', /320 lx is EV 7\.0: /);
    await tap('receptor-dome');
    await becomes('incident-words', /EV 6\.6/);
    await tap('receptor-flat');
    const asked = /: (.*)$/.exec(text('incident-words'))![1]!;
    await tap('take-incident');
    await becomes('lock-words', new RegExp(`hand meter, 320 lx: ${asked}`));
    await write('lux', 'bright');
    expect(await becomes('lux-error', /./)).toMatch(/0\.001 … 1 000 000 lx/);
    await tap('hold-hand');
    await goes('hand-marker');
  });

  it('trading moves one setting against the other click for click, a row of the table applies, an end is said', async () => {
    await more('trade');
    await tap('gives-iso');
    await close();
    await becomes('state-iso', /gives way/);
    const [time, iso] = [text('shutter-words'), text('iso-words')];
    await focus('fader-shutter');
    await press(...Array<string>(6).fill('ArrowDown'));
    await becomes('iso-words', new RegExp(`^${Number(iso) * 4}$`));
    expect(clicksBetween(text('shutter-words'), time)).toBe(6);
    await becomes('deviation', /on the meter/);
    await more('trade');
    await tap('row-shutter-3');
    await becomes('iso-words', new RegExp(`^${Number(iso) * 2}$`));
    for (const next of [Number(iso), Number(iso) / 2]) {
      await frame();
      await tap('row-shutter-3');
      await becomes('iso-words', new RegExp(`^${next}$`));
    }
    await close();
    await focus('fader-shutter');
    await press(...Array<string>(6).fill('ArrowUp'));
    await more('trade');
    expect(await becomes('trade-missing', /ISO is at its end, 50: /)).toMatch(/2\.0 EV too bright/);
    await doing(() => useDesk.getState().startTrade(null));
  });

  it('everything manual has a scale; compensation says what it does in every mix; out of the scale is said', async () => {
    await becomes('state-compensation', /moves target/);
    await tap('value-iso');
    await tap('step-400');
    await close();
    await becomes('state-compensation', /moves shutter/);
    await tap('value-shutter');
    await tap('step-1/125');
    await becomes('explanation', /twice the light.*At 1\/125 your hand blurs about \d/);
    await close();
    await becomes('state-compensation', /shifts zero/);
    const off = number(await becomes('manual-scale', /over by|\(.\d\.\d\)/), /([+−\d.]+)\)?$/);
    await focus('fader-shutter');
    await press('ArrowUp', 'ArrowUp', 'ArrowUp');
    // A stop more is past the end of the scale.
    const over = number(await becomes('manual-scale', /^over by \d/), /over by ([\d.]+)/);
    expect(over - off).toBeCloseTo(1, 0);
    await tap('value-shutter');
    await tap('step-4 s');
    await becomes('manual-scale', /^over by \d+\.\d$/);
  });

  it('the automatic keeps to the bounds that it is given', async () => {
    await more('automatic');
    // The fastest time is pushed down to what is slower than the light wants.
    for (let i = 0; i < 4; i++) await tap('bound-shutter-1-less');
    await tap('bound-iso-0-more');
    await becomes('bound-iso-0-words', /^125$/);
    await becomes('iso-words', /^125$/);
    await becomes('rules-words', /ISO 125–6400/);
    await tap('first-iso');
    await becomes('rules-words', /ISO → shutter/);
    await tap('rules-reset');
    await becomes('iso-words', /^100$/);
  });

  it('a filter is reckoned with, put on the camera, and named in bulb times past 30 s', async () => {
    await more('filter');
    await write('filter-strength', '3');
    await becomes('filter-words', /3 stops, 8×, density 0\.90\. At ISO 100 1\/\d+ becomes 1\/\d+/);
    await tap('filter-unit-factor');
    expect((shown('filter-strength') as HTMLInputElement).value).toBe('8');
    const before = text('shutter-words');
    await tap('filter-on');
    await becomes('status', /ND 3 stops/);
    await changes('shutter-words', before);
    expect(clicksBetween(before, text('shutter-words'))).toBeGreaterThanOrEqual(8);
    await write('filter-strength', '900000');
    await becomes('filter-words', /bulb, .*longer than the camera/);
    await tap('filter-off');
    await tap('more-tab-drive');
    await tap('delay-2');
    await becomes('status', /after 2 s/);
    await tap('delay-0');
  });

  it('setups are saved with a choice, shown before they apply, renamed, ordered, deleted, taken back, taken in from files', async () => {
    await tap('value-iso');
    await tap('step-800');
    await close();
    await more('setups');
    await tap('setup-save');
    await tap('setup-keep');
    await becomes('setup-name-error', /needs a name/);
    await write('setup-name', 'Dusk');
    for (const part of ['shutter', 'compensationEv', 'focus', 'meter', 'rules', 'filterStops', 'delayS'])
      await tap(`part-${part}`);
    await tap('setup-keep');
    await becomes('setup-list', /^Dusk/);
    await close();
    await tap('all-auto');
    await more('setups');
    const open = async (index: number) => {
      await tapOn(document.querySelectorAll('[data-testid="setup-item"] > [role=button]')[index]!);
    };
    await open(0);
    await becomes('setup-changes', /^ISO: automatic → 800$/);
    await tap('setup-apply');
    await becomes('iso-words', /^800$/);
    await write('setup-rename', 'Late dusk');
    await tap('setup-rename-do');
    await becomes('setup-list', /^Late dusk/);
    // Another from a file, in front of the first; then a file with a mistake, named by its field.
    const file = (name: string, compensationEv: number) =>
      JSON.stringify({ kind: 'setups', version: 1, setups: [{ name, values: { compensationEv } }] });
    await choose('setup-file', 'good.json', file('Plus one', 1));
    await becomes('setup-said', /One setup taken in/);
    await choose('setup-file', 'bad.json', file('Bad', 7));
    await becomes('setup-said', /setups\[0\]\.values\.compensationEv \(Bad\) must be <= 5/);
    await open(1);
    await tap('setup-up');
    await becomes('setup-list', /^Plus one/);
    await tap('setup-delete');
    await becomes('setup-list', /^Late dusk/);
    await tap('setup-undo');
    await becomes('setup-list', /^Plus one/);
    await tap('setup-built-in-night-sky');
    await becomes('setup-changes', /Shutter: automatic → 13 s/);
    await tap('setup-apply');
    await becomes('shutter-words', /^13 s$/);
    await tap('more-tab-drive');
    await tap('delay-0');
  });

  it('another camera has an aperture to set; the cameras say what changes', async () => {
    await more('camera');
    // What is for tests is offered to nobody.
    expect(there('body-sim-small')).toBeNull();
    await loadScene('wheel-bench', 'zoom-24');
    await tap('body-sim-iris');
    await becomes('camera-notice', /24 mm becomes 24 mm; aperture automatic/);
    await close();
    await tap('notice-read');
    await becomes('status', /24 mm f\/2\.8–8/);
    await tap('value-aperture');
    await tap('step-f/8');
    await becomes('explanation', /At f\/8 it is sharp from [\d.]+ m to .*diffraction disc of 2\.5 px/);
    await close();
    await becomes('deviation', /on the meter/);
    await focus('fader-aperture');
    await press('ArrowUp', 'ArrowUp', 'ArrowUp');
    await becomes('aperture-words', /^f\/5\.6$/);
    await tap('lens-zoom-50');
    await becomes('status', /50 mm/);
    await loadScene('wheel-bench', 'tele');
    await more('camera');
    await tap('body-sim-one');
    await becomes('camera-notice', /50 mm becomes 77 mm; aperture fixed at f\/2\.8/);
    await close();
    await tap('notice-read');
    await doing(() => useDesk.getState().setOptic('small-24'));
  });

  it('a spot on the spy-hole, or its highlight pattern, gives a short time at base ISO', async () => {
    await loadScene('spy-hole', 'small-24');
    await tap('outside');
    await tap('scene-spy-hole');
    await close();
    await becomes('headroom', /over by/);
    await tap('pattern');
    await tap('meter-tab-pattern');
    await tap('choose-pattern-highlight');
    await tap('burn-share-0.0003');
    await becomes('shutter-words', /^1\/\d{4}$/);
    await becomes('clip-share', /^(0|< 0\.01|0\.0\d) %$/);
    expect(text('iso-words')).toBe('100');
    await close();
    await tapPicture(0.515, 0.503);
    await tap('pattern');
    await tap('spot-size-0.003');
    await becomes('shutter-words', /^1\/[3-8]\d{3}$/);
    expect(text('clip-share')).toMatch(/^(0|< 0\.01|0\.0\d) %$/);
    await tap('choose-pattern-whole');
    await close();
    await tap('outside');
    await tap('scene-wheel-bench');
  });
});

describe('wide, by keys', () => {
  beforeAll(() => openFinder('wide'));
  afterEach(plain);

  it('sets shutter, ISO, compensation, meter, lock, marks, and gives back', async () => {
    const before = text('shutter-words');
    await press('q');
    await changes('shutter-words', before);
    await press('d');
    await becomes('compensation-words', /^−⅓$/);
    await press('m');
    await becomes('pattern', /Centre/);
    await press('l');
    await becomes('reading', /Locked/);
    await press('0');
    await becomes('compensation-words', /^0$/);
    // A lock is opened on purpose only.
    expect(text('reading')).toMatch(/Locked/);
    await press('l');
    await becomes('reading', /^(?!.*Locked)/);
    await press('m', 'm', 'm');
    await becomes('pattern', /Whole/);
  });

  it('prints its keys from the table that listens to them; Escape puts them away', async () => {
    await press('?');
    await appears('key-q');
    expect(text('key- ')).toMatch(/^SpaceRelease/);
    // A lens without an iris has no keys for one.
    expect(there('key-t')).toBeNull();
    await press('Escape');
    await goes('key-q');
    await press('Escape');
  });

  it('each fader and the stopline answer the arrow keys when they have the focus', async () => {
    await focus('fader-iso');
    await press('End');
    await becomes('iso-words', /^6400$/);
    await press('ArrowDown');
    await becomes('iso-words', /^5000$/);
    await press('Backspace');
    expect(shown('fader-iso').getAttribute('aria-valuetext')).toMatch(/automatic/);
    await focus('stopline-raw');
    await press('ArrowLeft');
    await becomes('compensation-words', /^−⅓$/);
  });

  it('ISO 50 and 100 give the same raw share clipped', async () => {
    await focus('fader-iso');
    await press('Home');
    await becomes('iso-words', /^50$/);
    await focus('fader-shutter');
    await press('ArrowUp');
    await frame();
    const at50 = Number.parseFloat(text('clip-share'));
    await focus('fader-iso');
    await press('ArrowUp', 'ArrowUp', 'ArrowUp');
    await becomes('iso-words', /^100$/);
    await frame();
    const at100 = Number.parseFloat(text('clip-share'));
    expect(Math.abs(at100 - at50)).toBeLessThanOrEqual(Math.max(0.2, at50 * 0.06));
  });

  it('patterns and spot sizes are radio buttons', async () => {
    await press('n');
    await focus('choose-pattern-whole');
    await press('ArrowRight', 'ArrowRight', 'ArrowRight');
    await becomes('headroom', /^headroom \+\d\.\d EV$/);
    await press('ArrowRight');
    await press('Escape');
    await becomes('pattern', /Whole/);
  });

  it('P pins the spot; arrows move a pin, Delete removes it; the list puts it on a step', async () => {
    await press('p');
    await focus('pin-A');
    const before = text('pin-A');
    await press('ArrowUp', 'ArrowUp', 'ArrowUp', 'ArrowUp', 'ArrowUp');
    await changes('pin-A', before);
    await press('Enter');
    await tap('place--1');
    await becomes('lock-words', /pin A at −1/);
    await press('Escape');
    await focus('pin-A');
    await press('Delete');
    await goes('pin-A');
  });

  it('with trading on, W moves ISO and the shutter follows; with the panel open the table does too', async () => {
    await press('x');
    await tap('more-tab-trade');
    await focus('gives-none');
    await press('ArrowRight');
    await becomes('state-shutter', /gives way/);
    await tap('row-iso-3');
    await becomes('iso-words', /^200$/);
    await press('Escape');
    const time = SHUTTER_LADDER.findIndex((step) => step.label === text('shutter-words'));
    await press('w', 'w', 'w');
    await becomes('iso-words', /^400$/);
    await becomes('shutter-words', new RegExp(`^${SHUTTER_LADDER[time - 3]!.label}$`));
    await doing(() => useDesk.getState().startTrade(null));
  });

  it('with the trade panel open Q and A move the shutter, and the table follows', async () => {
    await press('x');
    await tap('gives-iso');
    await appears('row-shutter-0');
    const [shutter, row] = [text('shutter-words'), text('equivalents-shutter')];
    await press('a');
    await changes('shutter-words', shutter);
    await changes('equivalents-shutter', row);
    await press('q');
    await becomes('shutter-words', new RegExp(`^${shutter}$`));
    await doing(() => useDesk.getState().startTrade(null));
  });

  it('T and G move an iris, and with everything manual there is a scale', async () => {
    await doing(() => useDesk.getState().takeBody('sim-iris'));
    await appears('fader-aperture');
    await press('g');
    await becomes('state-aperture', /^by hand$/);
    const n = text('aperture-words');
    await press('t', 't', 't');
    await changes('aperture-words', n);
    await press('q', 's');
    await appears('manual-scale');
    await press('0');
    await goes('manual-scale');
    await tap('notice-read');
    await doing(() => useDesk.getState().setOptic('small-24'));
  });

  it('the list of remedies stands beside the faders; its action is a button', async () => {
    await becomes('remedy-list', /Raw clips/);
    await tapOn(shown('remedy-clipping').querySelector('[role=button]')!);
    await becomes('compensation-words', /^−/);
  });

  it('what is typed is typed', async () => {
    const shutter = text('shutter-words');
    await press('x');
    await tap('more-tab-setups');
    await tap('setup-save');
    await focus('setup-name');
    await press('q', 'a', 'b', '?');
    expect(text('shutter-words')).toBe(shutter);
  });
});
