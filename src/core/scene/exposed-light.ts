// The light that falls on each site of a capture while the shutter is open, as its mean over that time: lamps that flicker,
// things that turn, a hand that shakes, stars that move. Rows come from top to bottom, each with its own moment of a rolling
// shutter.
import type { LightRows } from './light-rows';
import { gatherer } from './gather';
import { channelAt, varying, type Opening } from './opening';
import { StarRows } from './star-light';
import { rowProduct } from './site-rows';
import type { SurfaceRows } from './surface-rows';

/** Rows of light one after the other, lx on each site in the colour of that site. */
export interface ExposedLight {
  next(out: Float32Array): void;
}

/**
 * For a capture: rows from the plates.
 * @param mostKernel entries of the blur kernel at most
 * @param from the first row that is wanted: each row is what it is, wherever it is begun
 */
export function exposedLight(
  rows: LightRows,
  surface: SurfaceRows | undefined,
  opening: Opening,
  mostKernel: number,
  from = 0,
): ExposedLight {
  const { view, width, height } = rows;
  const { kernel, landscape, arc, turnOf, factors, ...sky } = varying(rows, opening, mostKernel);
  const stars = new StarRows();
  sky.drawStars(stars.collect);
  const falling = new Float32Array(width);
  const part = new Float32Array(width);
  const sameFactor = new Float32Array(width);
  const product = rowProduct(width);

  /** Row `y` in the light of all lamps, before fall-off and shake. @param draw fills a row with what one group gives */
  const addGroups = (y: number, out: Float32Array, draw: (group: number, row: Float32Array) => void) => {
    for (let g = 0; g < view.groups.length; g++) {
      const light = g === 0 ? out : part;
      draw(g, light);
      const byLine = factors[g];
      // Where the sensor is read along its rows, one row has one factor.
      if (byLine) product(light, landscape ? sameFactor.fill(byLine[y]!) : byLine);
      if (g > 0) for (let x = 0; x < width; x++) out[x] = out[x]! + part[x]!;
    }
  };
  const siteFactors = (y: number) => {
    rows.fallOff(y, falling);
    surface?.apply(y, turnOf(y), arc, falling);
  };

  let y = from;
  if (kernel.reach === 0) {
    return {
      next: (out) => {
        siteFactors(y);
        const channels = [channelAt(0, y), channelAt(1, y)] as const;
        addGroups(y, out, (g, row) => rows.mosaicRow(g, channels, y, row));
        product(out, falling);
        stars.addTo(y, out);
        y++;
      },
    };
  }

  const { reach, dx, dy, weight } = kernel;
  const kept = Math.min(height, 2 * reach + 1);
  const ring = gatherer(width, kept, reach);
  const line = new Float32Array(width);
  const slots = new Int32Array(weight.length);
  let made = Math.max(0, from - reach);
  const make = () => {
    siteFactors(made);
    for (let c = 0; c < 3; c++) {
      addGroups(made, line, (g, row) => rows.row(g, c, made, row, 0));
      ring.put(c, made % kept, line, 0, falling);
    }
    made++;
  };
  return {
    next: (out) => {
      while (made < height && made <= y + reach) make();
      for (let k = 0; k < weight.length; k++) {
        // What the kernel moves by (dx, dy) comes from (−dx, −dy).
        slots[k] = Math.min(height - 1, Math.max(0, y - dy[k]!)) % kept;
      }
      ring.gather([channelAt(0, y), channelAt(1, y)], slots, { dx, weight }, out, 0);
      stars.addTo(y, out);
      y++;
    },
  };
}
