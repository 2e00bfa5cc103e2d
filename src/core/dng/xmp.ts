// XMP of a file of ours: who made it and when, what Exif has no tag for in words, and the program's own note.
import type { Credit } from '../setting/credit';
import { isoDateTime } from './exif-time';

export const SOFTWARE = 'Velmo 0.1.0';

/**
 * The packet of a file.
 * @param words for people: what Exif has no tag for
 * @param captureNote kept as it is; what the program knows of the capture beyond the standard's tags
 */
export function xmpPacket(
  { timeMs, offsetMinutes }: { timeMs: number; offsetMinutes: number },
  words: string,
  captureNote: string | undefined,
  credit?: Credit,
): Uint8Array {
  const time = isoDateTime(timeMs, offsetMinutes);
  const own =
    captureNote === undefined
      ? ''
      : `\n    xmlns:velmo="${NAMESPACE}" velmo:Capture="${escapeXml(captureNote)}"`;
  const body = `<?xpacket begin="\ufeff" id="W5M0MpCehiHzreSzNTczkc9d"?>
<x:xmpmeta xmlns:x="adobe:ns:meta/">
 <rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
  <rdf:Description rdf:about="" xmlns:xmp="http://ns.adobe.com/xap/1.0/" xmlns:dc="http://purl.org/dc/elements/1.1/"
    xmp:CreatorTool="${escapeXml(SOFTWARE)}" xmp:CreateDate="${time}" xmp:ModifyDate="${time}"${own}>
   <dc:description><rdf:Alt><rdf:li xml:lang="x-default">${escapeXml(words)}</rdf:li></rdf:Alt></dc:description>${creditXml(credit)}
  </rdf:Description>
 </rdf:RDF>
</x:xmpmeta>
<?xpacket end="w"?>`;
  return new TextEncoder().encode(body);
}

/** Dublin Core, as XMP part 1 §8.3 has it. */
function creditXml(credit: Credit | undefined): string {
  if (!credit) return '';
  const { person, copyright, keywords } = credit;
  const items = (words: readonly string[]) =>
    words.map((word) => `<rdf:li>${escapeXml(word)}</rdf:li>`).join('');
  return [
    person && `<dc:creator><rdf:Seq>${items([person])}</rdf:Seq></dc:creator>`,
    copyright &&
      `<dc:rights><rdf:Alt><rdf:li xml:lang="x-default">${escapeXml(copyright)}</rdf:li></rdf:Alt></dc:rights>`,
    keywords.length > 0 && `<dc:subject><rdf:Bag>${items(keywords)}</rdf:Bag></dc:subject>`,
  ]
    .filter(Boolean)
    .map((line) => `\n   ${line}`)
    .join('');
}

const NAMESPACE = 'urn:velmo:capture:1';

/** The note that `captureDng` kept in an XMP packet; undefined where there is none. */
export function captureNoteOf(xmp: string | undefined): string | undefined {
  const found = new RegExp(`xmlns:velmo="${NAMESPACE}" velmo:Capture="([^"]*)"`).exec(xmp ?? '');
  return found?.[1]?.replace(/&#(\d{1,7});/g, (_, code: string) =>
    String.fromCodePoint(Math.min(0x10ffff, Number(code))),
  );
}

export function escapeXml(text: string): string {
  return text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);
}
