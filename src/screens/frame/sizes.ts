// How a screen with a picture lies in the window: side by side where it is wide, without a head over the picture where it is low.
import { useWindowDimensions } from 'react-native';
import { space } from '../../ui/theme';

/** Pixels of the page: a window as low as a phone's that lies has the picture in full height. */
const LOW = 500;
const HEAD = 60;
export interface Sizes {
  readonly wide: boolean;
  readonly low: boolean;
  /** Width of what stands beside the picture. */
  readonly side: number;
  /** The picture's window. */
  readonly view: { readonly width: number; readonly height: number };
  readonly scopeWidth: number;
}

/**
 * @param bars height of what stands under the picture, where there is room
 * @param share of the height that the picture has at most in a window that stands upright
 */
export function useSizes({ bars, share }: { bars: number; share: number }): Sizes {
  const { width, height } = useWindowDimensions();
  const wide = width > height && width >= 700;
  const low = wide && height < LOW;
  const side = Math.min(420, Math.round(width * 0.44));
  const upright = Math.round(Math.min(height * share, (width * 4) / 3));
  return {
    ...{ wide, low, side },
    view: {
      width: wide ? width - side : width,
      height: low ? height : wide ? height - HEAD - bars : upright,
    },
    scopeWidth: (wide ? side : width) - 4 * space.one,
  };
}
