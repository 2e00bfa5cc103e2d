// What XMP says of a frame after it was taken: its rating in the standard's own words (XMP part 2, xmp:Rating), print and framing in a namespace of ours
// beside the packet's other parts.
import type { Reframe } from '../raw/reframe';
import type { Print } from '../setting/print';
import { escapeXml } from './xmp';

export const AFTERWARDS = 'urn:velmo:afterwards:1';

export interface Said {
  /** −1 dropped, 0 without a rating, 1 … 5. */
  readonly rating?: number;
  readonly print?: Print;
  readonly reframe?: Reframe;
}

/** A description of its own, to stand beside the packet's other ones. @param before what the file was, for taking it out again; empty where there is nothing to be taken out */
export function afterwardsXml({ print, reframe }: Said, before: string): string {
  const facts: [string, string][] = [];
  if (print) {
    const { name, exposureEv, warmthMired, contrast, saturation, mix } = print;
    facts.push(
      ['PrintName', name],
      ['PrintExposure', plain(exposureEv)],
      ['PrintWarmthMired', plain(warmthMired)],
      ['PrintContrast', plain(contrast)],
      ...(mix
        ? [['PrintBlackAndWhite', mix.map(plain).join(' ')] as [string, string]]
        : [['PrintSaturation', plain(saturation)] as [string, string]]),
    );
  }
  if (reframe) {
    const { x, y, width, height } = reframe.lines;
    facts.push(['Lines', [x, y, width, height].join(' ')]);
    if (reframe.tiltDeg !== 0) facts.push(['TiltDegrees', plain(reframe.tiltDeg)]);
  }
  if (before) facts.push(['Before', before]);
  const words = facts.map(([name, value]) => `\n    velmoAfter:${name}="${escapeXml(value)}"`).join('');
  return `<rdf:Description rdf:about="" xmlns:velmoAfter="${AFTERWARDS}"${words}/>`;
}

/** At most six places, and none that say nothing. */
function plain(value: number): string {
  return String(Math.round(value * 1e6) / 1e6);
}

const EMPTY = `<?xpacket begin="\\ufeff" id="W5M0MpCehiHzreSzNTczkc9d"?>
<x:xmpmeta xmlns:x="adobe:ns:meta/">
 <rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
 </rdf:RDF>
</x:xmpmeta>
<?xpacket end="w"?>`;

/** A packet with one more description; a new one where there is none, or none that could be added to. */
export function withDescription(
  packet: string | undefined,
  description: string,
  rating: number | undefined,
): Uint8Array {
  const whole = packet?.includes('</rdf:RDF>') ? packet : EMPTY;
  const own =
    rating === undefined
      ? ''
      : `<rdf:Description rdf:about="" xmlns:xmp="http://ns.adobe.com/xap/1.0/" xmp:Rating="${rating}"/>`;
  // A rating that the packet has already is not said twice.
  const rest = rating === undefined ? whole : whole.replace(/\s+xmp:Rating="[^"]*"/, '');
  const at = rest.lastIndexOf('</rdf:RDF>');
  const added = [description, own].filter(Boolean).join('\n  ');
  return new TextEncoder().encode(`${rest.slice(0, at)} ${added}\n ${rest.slice(at)}`);
}

export interface Before {
  readonly length: number;
  readonly patches: readonly { readonly at: number; readonly was: Uint8Array }[];
}

/** What a file was before, as its packet tells; undefined where nothing was said of it. */
export function beforeOf(packet: string | undefined): Before | undefined {
  const [, text] = /velmoAfter:Before="([0-9a-f: ]{1,4000})"/.exec(packet ?? '') ?? [];
  const [length, ...rest] = text?.split(' ') ?? [];
  if (!length || !/^\d{1,10}$/.test(length)) return undefined;
  const patches = rest.map((word) => {
    const [, at, hex] = /^(\d{1,10}):((?:[0-9a-f]{2}){1,64})$/.exec(word) ?? [];
    return at === undefined
      ? null
      : { at: Number(at), was: Uint8Array.from(hex!.match(/../g)!, (b) => parseInt(b, 16)) };
  });
  return patches.some((p) => p === null)
    ? undefined
    : { length: Number(length), patches: patches as Before['patches'] };
}
