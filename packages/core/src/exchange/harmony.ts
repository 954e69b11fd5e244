/** Chords between our symbols and the `harmony` element of MusicXML 4: root, kind with the text as printed, bass. */
import { parseChord } from '../theory/chord';
import { noteText, type NoteName } from '../theory/note';

/** Kinds of MusicXML 4 and the suffix that means the same here. Ours are written with the text as printed beside them. */
const KINDS: Readonly<Record<string, string>> = {
  major: '',
  minor: 'm',
  augmented: 'aug',
  diminished: 'dim',
  dominant: '7',
  'major-seventh': 'maj7',
  'minor-seventh': 'm7',
  'diminished-seventh': 'dim7',
  'augmented-seventh': 'aug7',
  'half-diminished': 'm7b5',
  'major-minor': 'mMaj7',
  'major-sixth': '6',
  'minor-sixth': 'm6',
  'dominant-ninth': '9',
  'major-ninth': 'maj9',
  'minor-ninth': 'm9',
  'dominant-11th': '11',
  'minor-11th': 'm11',
  'dominant-13th': '13',
  'major-13th': 'maj13',
  'minor-13th': 'm13',
  'suspended-second': 'sus2',
  'suspended-fourth': 'sus4',
  power: '5',
};
const KIND_OF = new Map(
  Object.entries(KINDS).map(([kind, suffix]) => {
    const chord = parseChord(`C${suffix}`);
    return [chord.ok ? chord.value.quality : suffix, kind] as const;
  }),
);

export interface WrittenHarmony {
  readonly root: NoteName;
  readonly kind: string;
  /** The suffix as it is printed. */
  readonly text: string;
  readonly bass: NoteName | null;
}

/** Null for `N.C.` and for what is no chord. */
export function harmonyOf(symbol: string): WrittenHarmony | null {
  const read = parseChord(symbol);
  if (!read.ok || read.value.tones.length === 0) return null;
  const { root, bass, quality } = read.value;
  const text = read.value.symbol.slice(noteText(root).length).replace(/\/[A-G][#b]*$/, '');
  return { root, kind: KIND_OF.get(quality) ?? 'other', text, bass: bass ?? null };
}

/** The symbol of a harmony, by its printed text where that can be read, else by its kind; null where neither can. */
export function symbolOf(root: string, kind: string, text: string, bass: string | null): string | null {
  const slash = bass ? `/${bass}` : '';
  for (const suffix of [text, KINDS[kind]]) {
    if (suffix === undefined || (suffix === '' && kind !== 'major')) continue;
    const read = parseChord(`${root}${suffix}${slash}`);
    if (read.ok) return read.value.symbol;
  }
  return null;
}
