// What one press will do: brackets, bursts and files as the drive panel has them, and what does not fit, with its way out.
import {
  closeFinder,
  appears,
  becomes,
  doing,
  focus,
  frame,
  goes,
  openFinder,
  press,
  shown,
  tap,
  text,
} from '../../../tests/screens/finder';
import { initialValues } from '../../core/setting/values';
import { useDesk } from '../../live/desk';

afterAll(closeFinder);

describe.each(['upright', 'lying', 'wide'] as const)('%s', (size) => {
  beforeAll(async () => {
    await openFinder(size);
    await doing(() => useDesk.getState().setSetting('bracket', initialValues().bracket));
  });

  it('a bracket is set by hand; what does not fit is said with what would; what the scene asks for is taken over', async () => {
    await press('x');
    await tap('more-tab-drive');
    await tap('takes-bracket');
    await becomes('bracket-frames-words', /^3$/);
    await tap('bracket-frames-more');
    await becomes('bracket-frames-words', /^4$/);
    await tap('bracket-frames-less');
    await becomes('bracket-frames-words', /^3$/);
    await tap('bracket-step-less');
    await becomes('bracket-step-words', /^⅔$/);
    await focus('bracket-order-middle');
    await press('ArrowRight');
    expect(shown('bracket-order-rising').getAttribute('aria-checked')).toBe('true');
    expect((await becomes('bracket-set', / · .* · /)).split(' · ')).toHaveLength(3);
    await becomes('status', /3 × ⅔ EV/);
    // By ISO there is nothing under the base: that is said, with a way out that fits.
    await tap('bracket-by-iso');
    await becomes('bracket-set', /does not fit.*darkest.*What fits/);
    await tap('bracket-other');
    await becomes('bracket-set', / · .* · /);
    // What the scene asks for, taken over, is what stands.
    await becomes('bracket-plan', /The scene spans .* (one frame holds it|hold it)/);
    await tap('bracket-take');
    await frame();
    expect(shown('bracket-take').getAttribute('aria-disabled')).toBe('true');
  });

  it('a burst is counted or held; a bracket is none then', async () => {
    await tap('takes-burst');
    await becomes('burst-words', /^10 frames in 0\.9 s/);
    await becomes('status', /10 @ 10\/s/);
    expect(text('status')).not.toMatch(/ EV/);
    await focus('burst-how-count');
    await press('ArrowRight');
    await becomes('burst-words', /Hold the release/);
    await focus('burst-how-held');
    await press('ArrowLeft');
  });

  it('pictures of half the size say before what they cost', async () => {
    await tap('takes-single');
    await tap('files-jpeg');
    await focus('files-size-1');
    await press('ArrowRight');
    await tap('files-quality-less');
    await becomes('files-words', /No raw is kept.*About \d+ kB/);
    await becomes('status', /JPEG 88, half/);
    await tap('files-quality-more');
    await focus('files-size-2');
    await press('ArrowLeft');
    await tap('files-dng');
    await press('Escape');
    await goes('close-panel');
    await appears('release');
  });
});
