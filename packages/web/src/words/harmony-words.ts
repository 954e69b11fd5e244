/** What chords do in a key, in words: figures, jobs, modes, tensions with their care, swaps with their reasons. */
import type {
  ApproachKind,
  Cadence,
  Clash,
  PassedOver,
  ScaleReason,
  Swap,
  SwapCondition,
  SwapKind,
} from '@finch/core/harmony';
import { noteText, type DegreeChord, type NoteName, type Tension } from '@finch/core/theory';
import { chordText, degreeText, nameChord, plural } from './names';

export const noteWord = (note: NoteName): string => chordText(noteText(note));
export const notesWords = (notes: readonly NoteName[]): string => notes.map(noteWord).join(' ');

/** A figure as it is drawn: `viim7b5` as viiø7, `viio7` as vii°7, `bIII+maj7` as ♭III+△7. */
export const figureText = (figure: string): string =>
  chordText(figure)
    .replace(/b(?=[ivIV])/g, '♭')
    .replace(/m7♭5/g, 'ø7')
    .replace(/(?<=[ivIV\d])o/g, '°');

const JOBS: Readonly<Record<string, string>> = {
  'tonic 1': 'rest',
  'tonic 3': 'rest, lighter',
  'tonic 6': 'rest, darker',
  'subdominant 2': 'sets out',
  'subdominant 4': 'sets out',
  'subdominant 6': 'sets out, darker',
  'dominant 5': 'pulls home',
  'dominant 7': 'pulls home',
};
export const jobWords = ({ job, degree }: Pick<DegreeChord, 'job' | 'degree'>): string =>
  JOBS[`${job} ${degree}`] ?? 'rest';

/** "11 (A♭): a half step over the 3, G". Empty where a tension wants no care. */
export function careWords({ degree, note, against }: Tension): string {
  if (!against) return '';
  const how =
    against.as === 'half step'
      ? `a half step over the ${degreeText(against.degree)}, ${noteWord(against.note)}`
      : `with the ${degreeText(against.degree)}, ${noteWord(against.note)}, it is the pull of V7`;
  return `${degreeText(degree)} (${noteWord(note)}): ${how}`;
}

export const swapKindWords: Readonly<Record<SwapKind, string>> = {
  colour: 'richer, same chord',
  'a third away': 'a third away',
  relative: 'same notes, other root',
  'two for five': 'two for five',
  'two and four': 'two for four',
  'leading tone': 'on the 7, no root of V',
  tritone: 'a tritone away',
  sus4: 'held back',
  applied: 'made a dominant',
  borrowed: 'from the parallel key',
  'same job': 'same job',
};

const CONDITIONS: Readonly<Record<SwapCondition, string>> = {
  'melody not the 1 of the key': 'not while the tune has the 1 of the key',
  'bass decides the name': 'the bass decides which of the two it is',
  'bass has the 5, or goes 2 to 1': 'wants the bass on the 5, or going 2 to 1',
  'as the dominant': 'stands for the whole dominant',
  'melody tones change': 'over it the tune’s 1 is ♯11, its 5 ♭9, its 9 ♭13, its 13 ♯9',
  'melody not the 3': 'not while the tune has its 3',
  'melody has no such natural': 'not while the tune has the natural note it lowers',
  'next a fifth below': 'when the next chord lies a fifth below',
  'leave out the 5': 'leave out the 5',
  'ear decides': 'let the ear decide',
};

const half = (by: number): string =>
  Math.abs(by) === 1 ? 'a half step' : Math.abs(by) === 2 ? 'a whole step' : `${Math.abs(by)} half steps`;

/** Why it works, in notes: what is shared, what moves, where the bass goes. */
export function swapReason({ shared, differ, bassMoves, when, kind }: Swap): string {
  const moved =
    kind === 'relative'
      ? ''
      : differ.comes.length && differ.goes.length
        ? `${notesWords(differ.goes)} becomes ${notesWords(differ.comes)}`
        : differ.comes.length
          ? `${notesWords(differ.comes)} comes in`
          : differ.goes.length
            ? `${notesWords(differ.goes)} goes`
            : '';
  const bass =
    bassMoves === 0 ? '' : `the bass lies ${half(bassMoves)} ${bassMoves > 0 ? 'higher' : 'lower'}`;
  const parts = [shared.length ? `Shares ${notesWords(shared)}` : 'Shares nothing', moved, bass].filter(
    Boolean,
  );
  const conditions = when.map((one) => CONDITIONS[one]);
  return `${parts.join('; ')}.${conditions.length ? ` ${conditions[0].charAt(0).toUpperCase()}${conditions.join('; ').slice(1)}.` : ''}`;
}

export const clashWords = ({ note, against, lies }: Clash): string =>
  `Rubs: ${noteWord(note)} in the tune lies a half step ${lies === 'below' ? 'over' : 'under'} its ${noteWord(against)}.`;

export const scaleReasonWords: Readonly<Record<ScaleReason, string>> = {
  'of the key': 'the key’s own over this degree',
  'V7 to minor': 'a dominant that goes to minor',
  'does not fall a fifth': 'a dominant that does not fall a fifth',
  'altered tones': 'its 9 and 5 are altered',
  'b9 with 13': '♭9 beside the natural 13',
  'raised 5': 'its 5 is raised',
  'tonic minor': 'a minor chord that is home',
  'borrowed major': 'a major chord from outside, bright on its ♯11',
  'two five in minor': 'the two of a two-five in minor',
  'its tones fit': 'all its tones are in it',
};

export const approachWords: Readonly<Record<ApproachKind, string>> = {
  'dim7 below': 'diminished, a fret below',
  dominant: 'its dominant',
  'two-five': 'its two and five',
  tritone: 'a half step above, as a dominant',
  'half step above': 'itself, a fret above',
  'half step below': 'itself, a fret below',
  chromatic: 'fret by fret',
};

export const cadenceWords: Readonly<Record<Cadence, string>> = {
  authentic: 'authentic cadence',
  plagal: 'plagal cadence',
  half: 'half cadence',
  deceptive: 'deceptive cadence',
  'borrowed plagal': 'plagal cadence by the borrowed iv',
};

export const passedWords: Readonly<Record<PassedOver, string>> = {
  'off the neck': 'off the neck on this string',
  'outside the key': 'outside the key, passed over',
  rubs: 'rubs against the chord, passed over',
  'no grip': 'no grip this hand may hold',
};

/** "ionian" as "Ionian". */
export const modeText = (mode: string): string =>
  chordText(mode.charAt(0).toUpperCase() + mode.slice(1)).replace(/b(?=\d)/g, '♭');

/** "no sharps or flats", "4 flats: B♭ E♭ A♭ D♭". */
export function signatureWords(fifths: number): string {
  const count = Math.abs(fifths);
  if (count === 0) return 'no sharps or flats';
  const order = (fifths < 0 ? 'B E A D G C F' : 'F C G D A E B').split(' ').slice(0, count);
  const sign = fifths < 0 ? '♭' : '♯';
  return `${plural(count, fifths < 0 ? 'flat' : 'sharp')}: ${order.map((letter) => letter + sign).join(' ')}`;
}

/** Names for a key sheet: chords, figures, keys and jobs as they are to be printed. */
export function sheetNames(
  all: readonly { readonly name: string; readonly degrees: readonly DegreeChord[] }[],
): Record<string, string> {
  return Object.fromEntries(
    all.flatMap(({ name, degrees }) => [
      [name, chordText(name)],
      ...degrees.flatMap((one) => [
        [one.chord.symbol, nameChord(one.chord.symbol)],
        [one.figure, figureText(one.figure)],
        [one.numeral, figureText(one.numeral)],
        [`${one.job} ${one.degree}`, jobWords(one)],
      ]),
    ]),
  ) as Record<string, string>;
}

export const guideMove = (by: number, to: NoteName, from: NoteName): string =>
  by === 0
    ? `${noteWord(from)} stays`
    : `${noteWord(from)} ${by < 0 ? 'falls' : 'rises'} ${half(by)} to ${noteWord(to)}`;

/** From here on a thing is said to be held clean. */
export const CLEAN = 0.8;

/** "Yusra holds it clean; under way: Bram 61." by first names, of whoever has met it. */
export function readyWords(
  held: readonly { readonly name: string; readonly mean: number | null }[] | null,
): string {
  if (!held) return 'No skill of the syllabus is about this grip.';
  const first = (name: string) => name.split(' ')[0];
  const clean = held.filter((one) => (one.mean ?? 0) >= CLEAN).map((one) => first(one.name));
  const some = held.flatMap(({ name, mean }) =>
    mean !== null && mean < CLEAN ? [`${first(name)} ${Math.round(100 * mean)}`] : [],
  );
  const holds = clean.length === 1 ? 'holds' : 'hold';
  const said = clean.length ? `${clean.join(', ')} ${holds} it clean` : 'Nobody holds it clean yet';
  return `${said}${some.length ? `; under way: ${some.join(', ')}` : ''}.`;
}
