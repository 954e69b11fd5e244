/**
 * Text out of a file whose encoding nobody said: by its mark, else as UTF-8 when it is that without a fault, else
 * as the old Western encoding in which office programs still save (windows-1252).
 */
export interface TextFile {
  readonly text: string;
  readonly encoding: 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252';
}

/** Larger than any sheet anybody checks, small enough to be read at once. */
const MOST_BYTES = 4_000_000;

function encodingOf(bytes: Uint8Array): TextFile['encoding'] {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  // Two bytes a letter without a mark: every second byte of plain text is 0.
  const head = bytes.subarray(0, 400);
  const zeros = (parity: number) => head.filter((byte, i) => i % 2 === parity && byte === 0).length;
  if (zeros(1) > head.length / 4 && zeros(0) === 0) return 'utf-16le';
  if (zeros(0) > head.length / 4 && zeros(1) === 0) return 'utf-16be';
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}

/** Throws with words for what is too large or no text; nothing of it is taken then. */
export function readText(bytes: Uint8Array): TextFile {
  if (bytes.length > MOST_BYTES)
    throw new Error('That file is over 4 MB, more than a sheet. Save the part you mean as a text file.');
  const encoding = encodingOf(bytes);
  const text = new TextDecoder(encoding).decode(bytes);
  // eslint-disable-next-line no-control-regex -- what no text file has
  if (/[\u0000-\u0008\u000e-\u001a]/.test(text))
    throw new Error('That file is no plain text. Save it as text (.txt) or as CSV first.');
  return { text, encoding };
}

const WORDS: Readonly<Record<TextFile['encoding'], string>> = {
  'utf-8': 'UTF-8',
  'utf-16le': 'UTF-16',
  'utf-16be': 'UTF-16',
  'windows-1252': 'the older Western encoding (windows-1252)',
};
export const encodingText = (encoding: TextFile['encoding']): string => WORDS[encoding];
