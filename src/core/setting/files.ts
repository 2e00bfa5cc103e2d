// What files a frame is kept as: the raw numbers, a finished picture, or both. Raw is always whole; pictures can be smaller.
import * as Type from '@sinclair/typebox';
import type { Setting } from '../define/setting';

/** Kinds of file that a frame can have. */
export const FORMATS = ['dng', 'jpeg', 'tiff', 'png'] as const;
export type Format = (typeof FORMATS)[number];

/** What their names end in. */
export const ENDINGS: Readonly<Record<Format, string>> = {
  ...{ dng: 'dng', jpeg: 'jpg', tiff: 'tif', png: 'png' },
};

export const FILE_KINDS = ['dng', 'dng+jpeg', 'jpeg', 'tiff', 'png', 'png16'] as const;
export type FileKind = (typeof FILE_KINDS)[number];

/** The picture's sides against the frame's: whole, a half, a quarter. */
export const PICTURE_SIZES = [1, 2, 4] as const;
export type PictureSize = (typeof PICTURE_SIZES)[number];

export const LEAST_QUALITY = 60;

export interface FileChoice {
  readonly kind: FileKind;
  /** Of a JPEG, 60 … 100. */
  readonly quality: number;
  /** Of pictures; raw has its size. */
  readonly size: PictureSize;
}

export const RAW_ONLY: FileChoice = { kind: 'dng', quality: 92, size: 1 };

const FORMATS_OF: Readonly<Record<FileKind, readonly Format[]>> = {
  dng: ['dng'],
  'dng+jpeg': ['dng', 'jpeg'],
  jpeg: ['jpeg'],
  tiff: ['tiff'],
  png: ['png'],
  png16: ['png'],
};

export function formatsOf({ kind }: FileChoice): readonly Format[] {
  return FORMATS_OF[kind];
}

export function hasRaw({ kind }: FileChoice): boolean {
  return FORMATS_OF[kind].includes('dng');
}

export function hasPicture({ kind }: FileChoice): boolean {
  return kind !== 'dng';
}

export function hasJpeg({ kind }: FileChoice): boolean {
  return FORMATS_OF[kind].includes('jpeg');
}

export const KIND_WORDS: Readonly<Record<FileKind, string>> = {
  dng: 'DNG',
  'dng+jpeg': 'DNG + JPEG',
  jpeg: 'JPEG',
  tiff: 'TIFF 16-bit',
  png: 'PNG 8-bit',
  png16: 'PNG 16-bit',
};

export const SIZE_WORDS: Readonly<Record<PictureSize, string>> = { 1: 'full', 2: 'half', 4: 'quarter' };

/** "DNG + JPEG 92, half". */
export function filesWords(choice: FileChoice): string {
  const quality = hasJpeg(choice) ? ` ${choice.quality}` : '';
  const size = hasPicture(choice) && choice.size > 1 ? `, ${SIZE_WORDS[choice.size]}` : '';
  return `${KIND_WORDS[choice.kind]}${quality}${size}`;
}

/** `dng+jpeg`, `jpeg,90`, `tiff,half`. @throws RangeError that says what is allowed */
export function parseFiles(text: string): FileChoice {
  const [first = '', ...rest] = text.split(',').map((word) => word.trim());
  const kind = FILE_KINDS.find((id) => id === first);
  const quality = rest.find((word) => /^\d+$/.test(word));
  const size = PICTURE_SIZES.find((id) => rest.includes(SIZE_WORDS[id]));
  const value = { ...RAW_ONLY, ...(kind && { kind }), ...(size && { size }) };
  const said = (quality === undefined ? 0 : 1) + (size === undefined ? 0 : 1);
  const fits =
    kind !== undefined &&
    said === rest.length &&
    (quality === undefined ||
      (hasJpeg(value) && Number(quality) >= LEAST_QUALITY && Number(quality) <= 100)) &&
    (size === undefined || hasPicture(value));
  if (!fits)
    throw new RangeError(
      `--format is ${FILE_KINDS.join('|')}, with a JPEG's quality of ${LEAST_QUALITY} to 100 and a picture's size of ${Object.values(SIZE_WORDS).join('|')} after commas, such as dng+jpeg,90,half, not ${text || 'nothing'}`,
    );
  return { ...value, ...(quality !== undefined && { quality: Number(quality) }) };
}

export const files: Setting<FileChoice> = {
  name: 'Files',
  schema: Type.Object(
    {
      kind: Type.Unsafe<FileKind>({ enum: FILE_KINDS }),
      quality: Type.Integer({ minimum: LEAST_QUALITY, maximum: 100 }),
      size: Type.Unsafe<PictureSize>({ enum: PICTURE_SIZES }),
    },
    { additionalProperties: false },
  ),
  initial: RAW_ONLY,
  words: filesWords,
  badge: (value) => (value.kind === 'dng' ? null : filesWords(value)),
  inSetups: true,
  on: ({ can }) => can.files !== undefined,
  options: [{ flag: 'format', placeholder: 'KIND[,QUALITY][,SIZE]', parse: (text) => parseFiles(text) }],
};
