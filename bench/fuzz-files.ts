/**
 * npm run fuzz:files: hostile files of 4 MB and 10,000 mutated ones against both readers. What cannot be read must be refused in
 * words, never thrown; the time of the worst is printed. Seeded: the same files every time.
 */
import { readMidi, readMusicXml, writeMidi, writeMusicXml } from '@finch/core/exchange';
import { standardGuitar } from '@finch/core/fretboard';
import { seededRandom, type Random } from '@finch/core/kernel';
import { readChart, writtenChords } from '@finch/core/score';

const MUTATIONS = 5_000;
const MB = 1_000_000;
const SIZE = 4 * MB;
const CHART = `title: The Lamp Lighter’s Round
key: Ab
tempo: 88
[A] x2
| Ab | Fm7 . Bbm7 | Eb7 | Ab |
m: | C5:2 Eb5 C5 | Ab4:4 | G4:2 Bb4:2 | Ab4:4 |
w: Light the | lamp | one by | one
[B]
| (3/4) Db | Gb | (4/4) Ab | N.C. |`;

const { piece } = readChart(CHART);
const grips = writtenChords(piece).map(() => null);
const whole = (text: string) => text.repeat(Math.ceil(SIZE / text.length)).slice(0, SIZE);

/** Files made to cost a reader more than they are worth. */
const HOSTILE: readonly (readonly [name: string, text: () => string])[] = [
  ['80,000 characters of <a', () => '<a'.repeat(40_000)],
  ['4 MB of <a', () => whole('<a')],
  ['4 MB of <a>', () => whole('<a>')],
  ['4 MB of <!DOCTYPE', () => whole('<!DOCTYPE ')],
  ['4 MB of <!--', () => whole('<!--')],
  ['4 MB of <![CDATA[', () => whole('<![CDATA[')],
  ['600,000 attributes', () => `<a ${Array.from({ length: 600_000 }, (_, i) => `b${i}=""`).join(' ')}/>`],
  ['one attribute of 4 MB', () => `<a b="${'x'.repeat(SIZE)}"/>`],
  ['4 MB of quotes', () => `<a b=${whole(`"'`)}`],
  ['4 MB of small elements', () => `<score-partwise>${whole('<a/>')}</score-partwise>`],
  ['4 MB of text', () => `<score-partwise>${whole('x')}</score-partwise>`],
  ['4 MB of blanks', () => `<score-partwise>${whole(' ')}</score-partwise>`],
  ['4 MB of &', () => `<score-partwise>${whole('&amp;')}</score-partwise>`],
  ['a name of 4 MB', () => `<${whole('a')}>`],
  [
    '4 MB of measures',
    () =>
      `<score-partwise><part id="P1">${'<measure number="1"><note><rest/><duration>4</duration></note></measure>'.repeat(50_000)}</part></score-partwise>`,
  ],
  [
    '4 MB of notes in one measure',
    () =>
      `<score-partwise><part id="P1"><measure number="1">${'<note><rest/><duration>4</duration></note>'.repeat(49_000)}</measure></part></score-partwise>`,
  ],
];

function mutated(text: string, random: Random): string {
  const chars = [...text];
  for (let n = random.int(1, 6); n > 0; n--) {
    const at = random.int(0, chars.length - 1);
    const what = random.int(0, 5);
    if (what === 0) chars.splice(at, random.int(1, 40));
    else if (what === 1) chars[at] = String.fromCharCode(random.int(1, 0xd7ff));
    else if (what === 2) chars.splice(at, 0, ...chars.slice(at, at + random.int(1, 60)));
    else if (what === 3)
      chars.splice(
        at,
        0,
        random.pick(['<', '>', '"', '/>', '&', '</note>', '-1', '999999999', '\u0000', '<!--']),
      );
    else if (what === 4) chars.length = Math.max(1, at);
    else chars.splice(at, 1, random.pick(['0', '-', '9', 'e', '.', '']));
  }
  return chars.join('');
}
function mutatedBytes(bytes: Uint8Array, random: Random): Uint8Array {
  const all = [...bytes];
  for (let n = random.int(1, 8); n > 0; n--) {
    const at = random.int(0, all.length - 1);
    const what = random.int(0, 3);
    if (what === 0) all[at] = random.int(0, 255);
    else if (what === 1) all.splice(at, random.int(1, 12));
    else if (what === 2)
      all.splice(at, 0, ...Array.from({ length: random.int(1, 8) }, () => random.pick([0, 127, 128, 255])));
    else all.length = Math.max(1, at);
  }
  return Uint8Array.from(all);
}

interface Tried {
  took: number;
  said: string;
}
function tried(read: () => { readonly ok: boolean; readonly problem?: { readonly code: string } }): Tried {
  const began = performance.now();
  try {
    const answer = read();
    return { took: performance.now() - began, said: answer.ok ? 'read' : (answer.problem?.code ?? '') };
  } catch (error) {
    return { took: performance.now() - began, said: `THREW ${String(error).slice(0, 120)}` };
  }
}

const slow = { name: '', took: 0 };
for (const [name, text] of HOSTILE) {
  const made = text();
  const { took, said } = tried(() => readMusicXml(made));
  console.log(`${took.toFixed(0).padStart(6)} ms  ${said.padEnd(14)} ${name}`);
  if (took > slow.took) Object.assign(slow, { name, took });
}
console.log(`worst: ${slow.took.toFixed(0)} ms, ${slow.name} (aim 500)`);

const random = seededRandom(2026);
const xml = writeMusicXml(piece, grips, standardGuitar);
const midi = writeMidi(piece, { grips, instrument: standardGuitar });
const counts = new Map<string, number>();
let threw = 0;
let longest = 0;
for (let i = 0; i < MUTATIONS; i++) {
  for (const [kind, answer] of [
    ['xml', tried(() => readMusicXml(mutated(xml, random)))],
    ['midi', tried(() => readMidi(mutatedBytes(midi, random)))],
  ] as const) {
    const key = answer.said.startsWith('THREW') ? answer.said : `${kind}: ${answer.said}`;
    counts.set(key, (counts.get(key) ?? 0) + 1);
    if (answer.said.startsWith('THREW')) threw++;
    longest = Math.max(longest, answer.took);
  }
}
for (const [said, times] of [...counts].sort((a, b) => b[1] - a[1]))
  console.log(`${String(times).padStart(6)}  ${said}`);
console.log(`${2 * MUTATIONS} mutated files, ${threw} threw, longest ${longest.toFixed(0)} ms`);
if (threw > 0) process.exitCode = 1;
