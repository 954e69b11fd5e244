import { readText } from './text-file';

const SHEET = 'Gürtel: é\r\nAm x02210\n';
const utf16 = (little: boolean, mark: boolean) => {
  const units = [...(mark ? '\uFEFF' : ''), ...SHEET].map((one) => one.charCodeAt(0));
  return Uint8Array.from(
    units.flatMap((unit) => (little ? [unit & 255, unit >> 8] : [unit >> 8, unit & 255])),
  );
};

test.each([
  ['utf-8', new TextEncoder().encode(SHEET)],
  ['utf-8', new TextEncoder().encode(`\uFEFF${SHEET}`)],
  ['utf-16le', utf16(true, true)],
  ['utf-16be', utf16(false, true)],
  ['utf-16le', utf16(true, false)],
  ['utf-16be', utf16(false, false)],
  ['windows-1252', Uint8Array.from(SHEET, (one) => one.charCodeAt(0))],
] as const)('reads %s', (encoding, bytes) => {
  expect(readText(bytes)).toEqual({ text: SHEET, encoding });
});

test('what is no text, or far too much of it, is refused with a next step', () => {
  expect(() =>
    readText(Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 0x0d)),
  ).toThrow(/Save it as text/);
  expect(() => readText(new Uint8Array(4_000_001).fill(65))).toThrow(/over 4 MB/);
});

test('an empty file is an empty sheet', () => expect(readText(new Uint8Array()).text).toBe(''));
