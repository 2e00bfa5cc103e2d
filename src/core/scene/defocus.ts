// Defocus by depth: the picture is cut into layers of nearly equal blur, each blurred by the disc of its distance, and laid
// over each other from far to near, so that a near thing spreads over what is behind it and a far one does not spread over
// what is in front.

export interface Planes {
  readonly width: number;
  readonly height: number;
  readonly planes: readonly Float32Array[];
}

/** Discs narrower than this are left sharp, samples. */
const SHARP_PX = 0.9;
/** Neighbouring layers differ by at most this, samples or share of their disc. */
const LAYER_STEP_PX = 1.2;
const LAYER_STEP_SHARE = 0.3;

interface Layer {
  /** Signed disc diameters of the layer: `to` is farther. */
  readonly from: number;
  readonly to: number;
  readonly diameter: number;
}

/**
 * @param disc signed diameter of the blur disc of every sample, in samples, rising with distance (negative in front)
 * @returns new planes; the same ones when all is sharp
 */
export function defocus(picture: Planes, disc: Float32Array): Planes {
  let [low, high] = [Infinity, -Infinity];
  for (const d of disc) {
    if (d < low) low = d;
    if (d > high) high = d;
  }
  if (!(Math.max(-low, high) >= SHARP_PX)) return picture;
  const layers = layersOf(low, high);
  const { width, height } = picture;
  const size = width * height;
  const out = picture.planes.map(() => new Float32Array(size));
  const weight = new Float32Array(size);
  const cover = new Float32Array(size);
  const blurredWeight = new Float32Array(size);
  const blurredCover = new Float32Array(size);
  const light = new Float32Array(size);
  const blurredLight = new Float32Array(size);
  let below = false;
  for (const layer of layers) {
    // The layer covers itself and all in front of it; its light comes from itself and, thinly, its nearer neighbour.
    const near = layer.from - LAYER_STEP_PX - LAYER_STEP_SHARE * Math.abs(layer.from);
    let some = false;
    for (let i = 0; i < size; i++) {
      const d = disc[i]!;
      const inside = d >= layer.from && d <= layer.to;
      some ||= inside;
      weight[i] = inside ? 1 : d < layer.from && d >= near ? 0.5 : 0;
      cover[i] = d <= layer.to ? 1 : 0;
    }
    if (!some) continue;
    blurDisc(weight, width, height, layer.diameter, blurredWeight);
    if (below) blurDisc(cover, width, height, layer.diameter, blurredCover);
    picture.planes.forEach((plane, c) => {
      for (let i = 0; i < size; i++) light[i] = weight[i]! * plane[i]!;
      blurDisc(light, width, height, layer.diameter, blurredLight);
      const target = out[c]!;
      for (let i = 0; i < size; i++) {
        const w = blurredWeight[i]!;
        if (w <= 1e-4) continue;
        const value = blurredLight[i]! / w;
        const a = below ? blurredCover[i]! : 1;
        target[i] = target[i]! + a * (value - target[i]!);
      }
    });
    below = true;
  }
  return { width, height, planes: out };
}

/** Layers from far to near. */
function layersOf(low: number, high: number): Layer[] {
  const layers: Layer[] = [];
  let to = high;
  while (to >= low) {
    const step = LAYER_STEP_PX + LAYER_STEP_SHARE * Math.abs(to);
    // What is sharp stays in one layer.
    const from =
      Math.abs(to) <= SHARP_PX ? -SHARP_PX : Math.max(to - step, to > SHARP_PX ? SHARP_PX : -Infinity);
    const middle = Math.abs((to + Math.max(from, low)) / 2);
    layers.push({ from, to: layers.length === 0 ? Infinity : to, diameter: middle <= SHARP_PX ? 0 : middle });
    to = from - 1e-6;
  }
  return layers;
}

/** Wider discs are made at half the size: their edge is softer than a sample by far. */
const HALVE_FROM_PX = 7;

/** Mean over a disc of the given diameter; light outside the picture is that of its edge. */
export function blurDisc(
  plane: Float32Array,
  width: number,
  height: number,
  diameter: number,
  out: Float32Array,
): void {
  if (diameter < SHARP_PX) out.set(plane);
  else if (diameter < HALVE_FROM_PX) discBySums(plane, width, height, diameter, out);
  else {
    const [w, h] = [(width + 1) >> 1, (height + 1) >> 1];
    const half = new Float32Array(w * h);
    halve(plane, width, height, half, w, h);
    const blurred = new Float32Array(w * h);
    blurDisc(half, w, h, diameter / 2, blurred);
    double(blurred, w, h, out, width, height);
  }
}

function halve(
  a: Float32Array,
  width: number,
  height: number,
  out: Float32Array,
  w: number,
  h: number,
): void {
  for (let y = 0; y < h; y++) {
    const top = 2 * y * width;
    const bottom = Math.min(height - 1, 2 * y + 1) * width;
    for (let x = 0; x < w; x++) {
      const right = Math.min(width - 1, 2 * x + 1);
      out[y * w + x] = (a[top + 2 * x]! + a[top + right]! + a[bottom + 2 * x]! + a[bottom + right]!) / 4;
    }
  }
}

/** Bilinear, with samples in the middle of their cells. */
function double(
  a: Float32Array,
  w: number,
  h: number,
  out: Float32Array,
  width: number,
  height: number,
): void {
  for (let y = 0; y < height; y++) {
    const near = y >> 1;
    const far = Math.min(h - 1, Math.max(0, near + (y & 1 ? 1 : -1)));
    const [n, f] = [near * w, far * w];
    for (let x = 0; x < width; x++) {
      const i = x >> 1;
      const j = Math.min(w - 1, Math.max(0, i + (x & 1 ? 1 : -1)));
      out[y * width + x] = 0.5625 * a[n + i]! + 0.1875 * (a[n + j]! + a[f + i]!) + 0.0625 * a[f + j]!;
    }
  }
}

/** A disc as rows of running sums. */
function discBySums(
  plane: Float32Array,
  width: number,
  height: number,
  diameter: number,
  out: Float32Array,
): void {
  const radius = diameter / 2;
  const reach = Math.ceil(radius + 0.5);
  const half: number[] = [];
  const share: number[] = [];
  let area = 0;
  for (let dy = 0; dy <= reach; dy++) {
    // Rows at the rim count by the part of them that lies inside.
    share[dy] = Math.min(1, Math.max(0, radius + 0.5 - dy));
    const inner = Math.min(dy, radius);
    half[dy] = Math.max(0, Math.sqrt(Math.max(0, radius * radius - inner * inner)) - 0.5);
    area += (dy === 0 ? 1 : 2) * share[dy]! * (2 * half[dy]! + 1);
  }
  const pad = reach + 2;
  const span = width + 2 * pad + 1;
  // Sums of the rows in reach, each made once.
  const kept = Math.min(height, 2 * reach + 1);
  const sums = new Float64Array(kept * span);
  let made = 0;
  const sumRow = () => {
    const row = made * width;
    const at = (made % kept) * span;
    const [first, last] = [plane[row]!, plane[row + width - 1]!];
    let sum = 0;
    for (let x = 0; x < pad; x++) sums[at + x + 1] = sum += first;
    for (let x = 0; x < width; x++) sums[at + pad + x + 1] = sum += plane[row + x]!;
    for (let x = 0; x < pad; x++) sums[at + pad + width + x + 1] = sum += last;
    made++;
  };
  for (let y = 0; y < height; y++) {
    while (made < height && made <= y + reach) sumRow();
    const row = y * width;
    out.fill(0, row, row + width);
    for (let dy = -reach; dy <= reach; dy++) {
      const part = share[Math.abs(dy)]!;
      if (part <= 0) continue;
      const sy = y + dy < 0 ? 0 : y + dy >= height ? height - 1 : y + dy;
      const at = (sy % kept) * span + pad;
      const whole = Math.floor(half[Math.abs(dy)]!);
      const rest = half[Math.abs(dy)]! - whole;
      const [l, r] = [at - whole, at + whole + 1];
      const [k0, k1] = [(part / area) * (1 - rest), (part / area) * rest];
      for (let x = 0; x < width; x++) {
        out[row + x] =
          out[row + x]! + k0 * (sums[r + x]! - sums[l + x]!) + k1 * (sums[r + 1 + x]! - sums[l - 1 + x]!);
      }
    }
  }
}
