// How the frame screen lies in the window: side by side where it is wide, without a head over the picture where it is low.
import { useWindowDimensions } from 'react-native';
import { space } from '../../ui/theme';

/** Pixels of the page: a window as low as a phone's that lies has the picture in full height. */
const LOW = 500;
const HEAD = 60;
/** Room for what stands under a picture. */
const BARS = 128;

export interface Sizes {
  readonly wide: boolean;
  readonly low: boolean;
  /** Width of what stands beside the picture. */
  readonly side: number;
  /** The picture's window. */
  readonly view: { readonly width: number; readonly height: number };
  readonly scopeWidth: number;
}

export function useSizes(): Sizes {
  const { width, height } = useWindowDimensions();
  const wide = width > height && width >= 700;
  const low = wide && height < LOW;
  const side = Math.min(420, Math.round(width * 0.44));
  const upright = Math.round(Math.min(height * 0.52, (width * 4) / 3));
  return {
    ...{ wide, low, side },
    view: {
      width: wide ? width - side : width,
      height: low ? height : wide ? height - HEAD - BARS : upright,
    },
    scopeWidth: (wide ? side : width) - 4 * space.one,
  };
}
