// Reads the one kind of OpenEXR file that the renderer writes: scan lines, half floats, ZIP blocks of 16 lines.
// OpenEXR "File Layout" (open specification).
import { unzlibSync } from 'fflate';

export interface ExrImage {
  width: number;
  height: number;
  /** R, G, B interleaved. */
  rgb: Float32Array;
}

export function readExr(bytes: Uint8Array): ExrImage {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (view.getUint32(0, true) !== 20000630) throw new Error('Not an OpenEXR file');
  let p = 8;
  const text = () => {
    const start = p;
    while (bytes[p] !== 0) p++;
    return Buffer.from(bytes.subarray(start, p++)).toString('latin1');
  };
  let channels: string[] = [];
  let [width, height] = [0, 0];
  for (let name = text(); name !== ''; name = text()) {
    text();
    const size = view.getInt32(p, true);
    p += 4;
    const end = p + size;
    if (name === 'channels') {
      channels = [];
      for (let channel = text(); channel !== ''; channel = text()) {
        if (view.getInt32(p, true) !== 1) throw new Error(`Channel ${channel} is not half float`);
        p += 16;
        channels.push(channel);
      }
    } else if (name === 'compression' && bytes[p] !== 3) throw new Error('Compression is not ZIP');
    else if (name === 'dataWindow') {
      width = view.getInt32(p + 8, true) + 1;
      height = view.getInt32(p + 12, true) + 1;
    }
    p = end;
  }
  if (channels.join() !== 'B,G,R') throw new Error(`Channels ${channels.join()}`);
  const rgb = new Float32Array(width * height * 3);
  const half = halfTable();
  const blocks = Math.ceil(height / 16);
  for (let b = 0; b < blocks; b++) {
    const at = Number(view.getBigUint64(p + b * 8, true));
    const y0 = view.getInt32(at, true);
    const size = view.getInt32(at + 4, true);
    const rows = Math.min(16, height - y0);
    const raw = rows * width * 6;
    const stored = bytes.subarray(at + 8, at + 8 + size);
    const data = size < raw ? unpredict(unzlibSync(stored)) : stored;
    for (let y = 0; y < rows; y++)
      for (let c = 0; c < 3; c++)
        for (let x = 0; x < width; x++) {
          const i = (y * 3 + c) * width * 2 + x * 2;
          rgb[((y0 + y) * width + x) * 3 + 2 - c] = half[data[i]! | (data[i + 1]! << 8)]!;
        }
  }
  return { width, height, rgb };
}

/** Undoes the byte differences and the split of even and odd bytes. */
function unpredict(coded: Uint8Array): Uint8Array {
  for (let i = 1; i < coded.length; i++) coded[i] = (coded[i - 1]! + coded[i]! - 128) & 255;
  const out = new Uint8Array(coded.length);
  const half = (coded.length + 1) >> 1;
  for (let i = 0; i < coded.length; i++) out[i] = coded[(i >> 1) + (i & 1 ? half : 0)]!;
  return out;
}

function halfTable(): Float32Array {
  return Float32Array.from({ length: 65536 }, (_, h) => {
    const [sign, e, m] = [h & 0x8000 ? -1 : 1, (h >> 10) & 31, h & 1023];
    return e === 31 ? 65504 * sign : e === 0 ? sign * m * 2 ** -24 : sign * (1 + m / 1024) * 2 ** (e - 15);
  });
}
