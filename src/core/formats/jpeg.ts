// The segments of a JPEG file (ITU-T T.81 annex B): what Exif in it says, and the same picture with other facts before it. The coded
// picture itself is never touched.
import { DngError } from '../dng/errors';
import { EXIF, TAG } from '../dng/tags';
import { finiteNumber, fractionAt, openTiff, readDirectory, text, wholeNumber } from '../dng/tiff-reader';
import { joinedBytes } from './bytes';

interface Segment {
  readonly marker: number;
  /** Of its marker, in the file. */
  readonly from: number;
  readonly to: number;
}

const SOI = 0xd8;
const SOS = 0xda;
const APP0 = 0xe0;
const APP1 = 0xe1;
const APP2 = 0xe2;
const EXIF_HEAD = 'Exif\0\0';
const ICC_HEAD = 'ICC_PROFILE\0';
const XMP_HEAD = 'http://ns.adobe.com/xap/1.0/\0';
/** Of a segment's length, the two bytes of the length included. */
const MOST_BYTES = 0xffff;

/** What a picture's own Exif says of its exposure. */
export interface JpegFacts {
  /** 1 … 8; 1 where it says nothing. */
  readonly orientation: number;
  readonly shutterS?: number;
  readonly iso?: number;
  readonly apertureN?: number;
  readonly focalLengthMm?: number;
  readonly make?: string;
  readonly model?: string;
  readonly xmp?: string;
}

/** @throws DngError bad-jpeg */
function segmentsOf(bytes: Uint8Array): { segments: Segment[]; scanAt: number } {
  const broken = (at: number) => new DngError('bad-jpeg', 'Not a whole JPEG picture', at);
  if (bytes[0] !== 0xff || bytes[1] !== SOI) throw broken(0);
  const segments: Segment[] = [];
  let at = 2;
  for (;;) {
    const marker = bytes[at + 1];
    if (bytes[at] !== 0xff || marker === undefined || at + 4 > bytes.length) throw broken(at);
    if (marker === 0xff) {
      at++;
      continue;
    }
    if (marker === SOS) return { segments, scanAt: at };
    const length = (bytes[at + 2]! << 8) | bytes[at + 3]!;
    const to = at + 2 + length;
    if (length < 2 || to > bytes.length) throw broken(at);
    segments.push({ marker, from: at, to });
    at = to;
  }
}

function startsWith(bytes: Uint8Array, at: number, head: string): boolean {
  for (let i = 0; i < head.length; i++) if (bytes[at + i] !== head.charCodeAt(i)) return false;
  return true;
}

const isExif = (bytes: Uint8Array, { marker, from }: Segment) =>
  marker === APP1 && startsWith(bytes, from + 4, EXIF_HEAD);
const isXmp = (bytes: Uint8Array, { marker, from }: Segment) =>
  marker === APP1 && startsWith(bytes, from + 4, XMP_HEAD);

const isProfile = (bytes: Uint8Array, { marker, from }: Segment) =>
  marker === APP2 && startsWith(bytes, from + 4, ICC_HEAD);

/** The facts in a JPEG. Exif that cannot be read counts as not there. @throws DngError for what is no JPEG */
export function jpegFacts(bytes: Uint8Array): JpegFacts {
  const { segments } = segmentsOf(bytes);
  const exif = segments.find((s) => isExif(bytes, s));
  const packet = segments.find((s) => isXmp(bytes, s));
  const xmp =
    packet && new TextDecoder().decode(bytes.subarray(packet.from + 4 + XMP_HEAD.length, packet.to));
  const said = exif && exifFacts(bytes.subarray(exif.from + 4 + EXIF_HEAD.length, exif.to));
  return { orientation: 1, ...said, ...(xmp !== undefined && { xmp }) };
}

function exifFacts(tiff: Uint8Array): Partial<JpegFacts> {
  try {
    const file = openTiff(tiff);
    const visited = new Set<number>();
    const main = readDirectory(file, file.firstDirectory, visited);
    const at = wholeNumber(file, main, TAG.ExifIFD);
    const exif = at === undefined ? undefined : readDirectory(file, at, visited);
    const time = exif && fractionAt(file, exif, EXIF.ExposureTime);
    const orientation = wholeNumber(file, main, TAG.Orientation) ?? 1;
    const found = {
      shutterS: time && time[1] > 0 ? positive(time[0] / time[1]) : undefined,
      iso: exif && positive(finiteNumber(file, exif, EXIF.PhotographicSensitivity)),
      apertureN: exif && positive(finiteNumber(file, exif, EXIF.FNumber)),
      focalLengthMm: exif && positive(finiteNumber(file, exif, EXIF.FocalLength)),
      make: text(file, main, TAG.Make),
      model: text(file, main, TAG.Model),
    };
    return {
      orientation: orientation >= 1 && orientation <= 8 ? orientation : 1,
      ...Object.fromEntries(Object.entries(found).filter(([, v]) => v !== undefined && v !== '')),
    };
  } catch (error) {
    if (error instanceof DngError) return {};
    throw error;
  }
}

function positive(value: number | undefined): number | undefined {
  return value !== undefined && value > 0 && Number.isFinite(value) ? value : undefined;
}

/**
 * The same coded picture with these facts in place of its own Exif and XMP.
 * @param exif a TIFF file of directories only
 * @param profile an ICC profile, in place of its own
 * @throws DngError for what is no JPEG, RangeError for facts that do not fit into a segment
 */
export function withFacts(
  jpeg: Uint8Array,
  exif: Uint8Array,
  xmp: Uint8Array,
  profile?: Uint8Array,
): Uint8Array {
  const { segments, scanAt } = segmentsOf(jpeg);
  const kept = segments.filter(
    (s) => !isExif(jpeg, s) && !isXmp(jpeg, s) && !(profile && isProfile(jpeg, s)),
  );
  // JFIF asks for its segment right after the start (T.871); Exif comes next.
  const first = kept.filter(({ marker }) => marker === APP0);
  const rest = kept.filter(({ marker }) => marker !== APP0);
  const piece = ({ from, to }: Segment) => jpeg.subarray(from, to);
  return joinedBytes([
    jpeg.subarray(0, 2),
    ...first.map(piece),
    segment(APP1, EXIF_HEAD, exif),
    segment(APP1, XMP_HEAD, xmp),
    // ICC.1 annex B.4: piece 1 of 1.
    ...(profile ? [segment(APP2, `${ICC_HEAD}\x01\x01`, profile)] : []),
    ...rest.map(piece),
    jpeg.subarray(scanAt),
  ]);
}

/** Where the Exif of a JPEG lies in it: a TIFF file. @throws DngError for what is no JPEG */
export function exifOfJpeg(jpeg: Uint8Array): { readonly from: number; readonly to: number } | undefined {
  const exif = segmentsOf(jpeg).segments.find((s) => isExif(jpeg, s));
  return exif && { from: exif.from + 4 + EXIF_HEAD.length, to: exif.to };
}

/** The coded picture: everything from its scan on. @throws DngError */
export function codedPicture(jpeg: Uint8Array): Uint8Array {
  return jpeg.subarray(segmentsOf(jpeg).scanAt);
}

function segment(marker: number, head: string, body: Uint8Array): Uint8Array {
  const length = 2 + head.length + body.length;
  if (length > MOST_BYTES) throw new RangeError('These facts do not fit into a JPEG');
  return joinedBytes([
    Uint8Array.of(0xff, marker, length >> 8, length & 255),
    new TextEncoder().encode(head),
    body,
  ]);
}
