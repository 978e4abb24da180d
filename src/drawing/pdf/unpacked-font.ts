/** A face as it is laid out: files for pages hold each table packed, and whoever sets type would unpack one with every letter. */
import { readFileSync } from 'node:fs';
import { inflateSync } from 'node:zlib';

/** Lengths in a packed file and in a plain one, bytes: head, and an entry of the directory (WOFF 1.0, OpenType). */
const PACKED = { head: 44, entry: 20 };
const PLAIN = { head: 12, entry: 16 };

interface Table {
  readonly tag: Buffer;
  readonly checksum: number;
  readonly content: Buffer;
}

function tablesOf(file: Buffer): Table[] {
  return Array.from({ length: file.readUInt16BE(12) }, (_, i) => {
    const entry = file.subarray(PACKED.head + i * PACKED.entry);
    const [offset, packed, length] = [entry.readUInt32BE(4), entry.readUInt32BE(8), entry.readUInt32BE(12)];
    const stored = file.subarray(offset, offset + packed);
    return {
      tag: entry.subarray(0, 4),
      checksum: entry.readUInt32BE(16),
      // What would not have become shorter is not packed.
      content: packed < length ? inflateSync(stored) : stored,
    };
  });
}

/**
 * A font file as browsers are sent it, as a plain one.
 * @param file in WOFF 1.0
 * @returns an OpenType font
 * @throws where the file is no WOFF
 */
export function plainFontOf(file: Buffer): Buffer {
  if (file.toString('latin1', 0, 4) !== 'wOFF') throw new Error('not a WOFF file');
  const tables = tablesOf(file);
  const head = Buffer.alloc(PLAIN.head + tables.length * PLAIN.entry);
  const selector = Math.floor(Math.log2(tables.length));
  file.copy(head, 0, 4, 8);
  head.writeUInt16BE(tables.length, 4);
  head.writeUInt16BE(16 * 2 ** selector, 6);
  head.writeUInt16BE(selector, 8);
  head.writeUInt16BE(16 * (tables.length - 2 ** selector), 10);
  const parts: Buffer[] = [head];
  let at = head.length;
  tables.forEach(({ tag, checksum, content }, i) => {
    const entry = PLAIN.head + i * PLAIN.entry;
    tag.copy(head, entry);
    head.writeUInt32BE(checksum, entry + 4);
    head.writeUInt32BE(at, entry + 8);
    head.writeUInt32BE(content.length, entry + 12);
    const padded = Buffer.alloc(Math.ceil(content.length / 4) * 4);
    content.copy(padded);
    parts.push(padded);
    at += padded.length;
  });
  return Buffer.concat(parts);
}

const known = new Map<string, Buffer>();

/** @param path of a font file as browsers are sent it; @returns a plain one, unpacked once */
export function unpackedFont(path: string): Buffer {
  const found = known.get(path) ?? plainFontOf(readFileSync(path));
  known.set(path, found);
  return found;
}
