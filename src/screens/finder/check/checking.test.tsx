// Checking before the press: zebra, scopes, fit, habit, comparison and what is laid over the picture, by panel and by key.
import { useDesk } from '../../../live/desk';
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
  hold,
  keeps,
  openFinder,
  press,
  shown,
  tap,
  text,
  there,
} from '../../../../tests/screens/finder';

const check = async (tab: string) => {
  if (!there('check-tab')) await tap('check');
  await tap(`check-tab-${tab}`);
};
const plain = async () => {
  if (there('close-panel')) await press('Escape');
  await press('0');
  await frames(2);
};

describe('upright', () => {
  beforeAll(() => openFinder('upright'));
  afterAll(closeFinder);
  afterEach(plain);

  it('marks are switched one by one and kept, with the shares and sites behind them', async () => {
    await check('marks');
    expect(await becomes('shares', /Picture/)).toMatch(/R\d.*%.*\d.*G\d.*%.*B\d.*%.*at 255: \d/);
    await tap('mark-pictureBlack');
    await keeps('"pictureBlack":true');
    await tap('mark-pictureBlack');
    await keeps('"pictureBlack":false');
  });

  it('the zebra stands on raw or on the picture, with thresholds apart for native and extended ISO', async () => {
    await check('marks');
    await tap('zebra');
    await becomes('zebra-native-words', /clip − 0\.33/);
    await tap('zebra-native-less');
    await becomes('zebra-native-words', /clip − 0\.42/);
    expect(text('zebra-extended-words')).toMatch(/0\.33/);
    await tap('zebra-extended-more');
    await becomes('zebra-extended-words', /clip − 0\.25/);
    await tap('zebra-of-picture');
    await becomes('zebra-native-words', /95 %/);
    await tap('zebra-native-more');
    await becomes('zebra-native-words', /96 %/);
    await keeps('"native":{"belowClip12":5,"percent":96},"extended":{"belowClip12":3,"percent":90}');
    await tap('zebra');
  });

  it('histograms are named, and it is said why they differ', async () => {
    await check('scopes');
    await tap('histogram-both');
    expect(text('histogram-raw-box')).toMatch(/^Raw/);
    await becomes('histogram-picture-box', /^Picture.*luminance/);
    await becomes('verdict', /burnt|agree/);
    expect(text('why')).toMatch(/White balance lifts .*×\d\.\d\d.*tone curve.*EV under clip/);
    await tap('histogram-off');
    await goes('histogram-box');
    await tap('heights-log');
    await tap('clean-more');
    await becomes('clean-words', /15 dB/);
    await tap('heights-root');
    await tap('clean-less');
  });

  it('one action fits exposure to the highlights, through what was chosen, at a price told before', async () => {
    await check('fit');
    await becomes('fit-room', /Over by \d\.\d EV: more than 0\.1 % of a channel burns/);
    expect(text('fit-price')).toMatch(
      /Compensation −\d.*Shadows lose \d+\.\d dB and are clean \d\.\d EV less deep/,
    );
    await tap('fit');
    await becomes('fit-room', /Headroom \+?0\.[0-3] EV/);
    await becomes('fit', /^Fits$/);
    await tap('fit-by-shutter');
    await tap('share-more');
    await tap('share-more');
    await becomes('share-words', /1 %/);
    await becomes('fit-price', /Shutter 1\/\d+, the others held.*Shadows win/);
    await tap('fit');
    // Within a third; the hand moves the light a little, so that a last third may come and go.
    await becomes('fit-room', /Headroom \+?0\.[0-3] EV until 1 %/);
    await becomes('state-iso', /by hand/);
    const before = text('sparkle-words');
    await tap('sparkle-more');
    await changes('sparkle-words', before);
    await tap('sparkle-more');
    await becomes('sparkle-words', /^\d+ px$/);
    await becomes('range-words', /(One frame holds|It takes \d frames).*Scene \d+\.\d EV.*Raw \d+\.\d EV/);
    await tap('fit-by-carrying');
    for (const id of ['sparkle-less', 'sparkle-less', 'share-less', 'share-less']) await tap(id);
  });

  it('a habit is added to every compensation and shown as one', async () => {
    const before = text('shutter-words');
    await check('fit');
    await tap('habit-less');
    await tap('habit-less');
    await becomes('state-compensation', /habit −⅔/);
    expect(text('status')).toMatch(/habit −⅔/);
    expect(text('compensation-words')).toBe('0');
    await changes('shutter-words', before);
    await tap('habit-more');
    await tap('habit-more');
    await becomes('state-compensation', /moves/);
  });

  it('another exposure is held up: ISO 50 against 100 is the same raw and a picture a stop darker', async () => {
    await check('compare');
    await tap('other-present');
    for (let i = 0; i < 3; i++) await tap('other-iso-less');
    await becomes('other-iso-words', /50/);
    await press('Escape');
    await hold('c', async () => {
      await becomes('comparison', /Raw identical\. Picture −1\.0 EV, on average \d+ codes darker/);
    });
    await goes('comparison');
    await check('compare');
    await tap('other-away');
    await goes('hold');
  });
});

describe('wide, by keys', () => {
  beforeAll(() => openFinder('wide'));
  afterAll(closeFinder);
  afterEach(plain);

  it('K checks, U fits, Z stripes, J lays the loupe, B bares, O marks', async () => {
    await press('k');
    await appears('check-tab');
    await press('Escape');
    await doing(() => useDesk.getState().setCheck({ fitBy: 'carrying' }));
    await press('u');
    await becomes('compensation-words', /^−/);
    await becomes('headroom', /^headroom \+0\.[0-3] EV$/);
    await press('z');
    await keeps('"zebra":{"on":true');
    await press('j');
    await appears('loupe');
    await press('j');
    await goes('loupe');
    await press('b');
    await goes('check');
    await press('b');
    await appears('check');
    await press('o');
    await keeps('"rawClip":false');
    await press('o');
    await keeps('"rawClip":true');
  });

  it('C holds the other exposure up while it is down', async () => {
    await check('compare');
    await tap('other-present');
    await tap('other-shutter-more');
    await press('Escape');
    await hold('c', async () => {
      await becomes('comparison', /Raw not identical: \+0\.3 EV.*Picture \+0\.3 EV/);
    });
    await goes('comparison');
    await doing(() => useDesk.getState().setOther(null));
  });

  it('Space presses the switch or the radio button that has the focus, and takes no frame then', async () => {
    const isOn = (id: string) => shown(id).getAttribute('aria-checked') === 'true';
    await focus('lock');
    await press(' ');
    expect(isOn('lock')).toBe(true);
    await press(' ');
    expect(isOn('lock')).toBe(false);
    await press('k');
    for (const id of ['check-tab-scopes', 'check-tab-marks']) {
      await focus(id);
      await press(' ');
      expect(isOn(id)).toBe(true);
    }
    expect(useDesk.getState().capture.kind).toBe('idle');
  });

  it('+ and − zoom the stopline by steps', async () => {
    const from = () => Number(shown('stopline-raw').dataset.fromEv);
    const whole = from();
    await focus('stopline-raw');
    await press('+');
    await frame();
    expect(from()).toBeGreaterThan(whole);
    await press('-');
    expect(from()).toBe(whole);
  });
});
