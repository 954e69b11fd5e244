/**
 * Checks a teacher's own sheet line by line: chord names with frets (`Am x02210`), with fingers after them
 * (`Am x02210 x02310`) and the root's string (`root on string 5`) if the sheet says so, chords spelled out
 * (`F#: F# A# C#`) and, under a line `key: G major`, numbered chords (`ii Am7`) and progressions. Every mismatch
 * is found with its place, what is wrong, and the nearest right answer. A line that is none of these is said to
 * be unread and left alone.
 */
import { averageHand, type Hand } from '../fretboard/hand';
import { pitchAt, standardGuitar, stringNumber, type Instrument } from '../fretboard/instrument';
import { fingeringsFor, gradeGrip } from '../effort/grade-grip';
import type { Reason } from '../effort/explain';
import { fretsText, gripKey, parseFrets, type FingerLabel, type Frets } from '../grips/grip';
import { chordNotes, parseChord, type Chord } from '../theory/chord';
import { degreeChords } from '../theory/degree-chords';
import { makeKey, type Key } from '../theory/key';
import { mod12, noteText, pitchClassOf, readNote } from '../theory/note';
import { findShapes } from './find-shapes';
import type { GradedGrip } from './graded-grip';
import { nameGrip } from './name-grip';

export interface SheetFinding {
  /** From 1. */
  readonly line: number;
  /** Character in the line, from 1. */
  readonly column: number;
  /** `fine` for a line that was checked and is right. */
  readonly verdict: 'fine' | 'wrong' | 'unread';
  readonly what: Reason;
  /** What the line should be, ready to be put in its place; null when there is nothing nearer. */
  readonly nearest: string | null;
}

interface Context {
  readonly instrument?: Instrument;
  readonly hand?: Hand;
}

const LONGEST_LINE = 300;
const MOST_LINES = 5000;

/** Findings in reading order, at least one for each line with something on it; and one that says so when lines
 * past 5,000 were not read. Commas, semicolons, tabs and bars part words as spaces do; a cell that begins like a
 * formula is read as text. */
export function checkSheet(text: string, context: Context = {}): SheetFinding[] {
  const instrument = context.instrument ?? standardGuitar;
  const hand = context.hand ?? averageHand;
  const findings: SheetFinding[] = [];
  let key: Key | null = null;
  const all = text.replace(/^\uFEFF/, '').split(/\r?\n/);
  const lines = all.slice(0, MOST_LINES);
  const grips: GripsOf = new Map();
  const names = new Map<number, string>();
  for (const [i, line] of lines.entries()) {
    const raw = line.replaceAll('"', ' ').slice(0, LONGEST_LINE);
    const at = (column: number) => ({ line: i + 1, column: column + 1 });
    if (raw.trim() === '') continue;
    const named = /^\s*key\s*[:=]?\s*(.+)$/i.exec(raw);
    if (named) {
      const made = makeKey(named[1].trim());
      key = made.ok ? made.value : key;
      findings.push(
        made.ok
          ? {
              ...at(0),
              verdict: 'fine',
              what: { code: 'sheet.key', values: { key: made.value.name } },
              nearest: null,
            }
          : {
              ...at(raw.indexOf(named[1])),
              verdict: 'wrong',
              what: { code: 'sheet.no-key', values: { text: named[1].slice(0, 30) } },
              nearest: `key: ${made.problem.detail}`,
            },
      );
      continue;
    }
    const words = [...raw.matchAll(/[^\s,;|=]+/g)].map((match) => ({ text: match[0], column: match.index }));
    findings.push(
      ...lineFindings(raw, words, key, { instrument, hand, grips, names }).map((one) => ({
        ...at(one.column),
        ...one.finding,
      })),
    );
  }
  if (all.length > MOST_LINES)
    findings.push({
      line: MOST_LINES + 1,
      column: 1,
      verdict: 'unread',
      what: { code: 'sheet.long', values: { read: MOST_LINES, lines: all.length } },
      nearest: null,
    });
  return findings;
}

/** How far above what was written the right grip is sought. */
const NEAR_FRETS = 2;

/** Grips of the chords of one sheet, searched once each. */
type GripsOf = Map<string, readonly GradedGrip[]>;

interface Desk {
  readonly instrument: Instrument;
  readonly hand: Hand;
  readonly grips: GripsOf;
  readonly names: Map<number, string>;
}

interface Word {
  readonly text: string;
  readonly column: number;
}
interface Placed {
  readonly column: number;
  readonly finding: Omit<SheetFinding, 'line' | 'column'>;
}

function lineFindings(raw: string, words: readonly Word[], key: Key | null, desk: Desk): Placed[] {
  const { instrument } = desk;
  const gripAt = words.findIndex((word) => readsAsFrets(word.text, instrument));
  if (gripAt >= 0 && words.length >= 2) {
    const name = words.find((_, i) => i !== gripAt) ?? words[0];
    const chord = parseChord(name.text.replace(/[:=]$/, ''));
    if (!chord.ok) return [unreadChord(name, chord.problem.detail)];
    const frets = parseFrets(words[gripAt].text);
    if (!frets.ok) return [];
    const wrong = checkGrip(words[gripAt], chord.value, frets.value, desk);
    if (wrong.finding.verdict !== 'fine') return [wrong];
    // What else the line says of the grip is looked at once its notes are right.
    const beside = [
      checkHeld(words[gripAt], chord.value, frets.value, desk),
      checkFingers(words[gripAt + 1], chord.value, frets.value, desk),
      checkRootString(raw, chord.value, frets.value, desk),
    ].filter((one) => one !== null);
    return beside.length ? beside : [wrong];
  }
  const spelled = /^\s*(\S+?)\s*[:=]\s*(.+)$/.exec(raw);
  if (spelled) {
    const chord = parseChord(spelled[1]);
    if (!chord.ok)
      return [unreadChord({ text: spelled[1], column: raw.indexOf(spelled[1]) }, chord.problem.detail)];
    return [checkSpelling(chord.value, spelled[2], raw.indexOf(spelled[2]))];
  }
  if (key) return words.flatMap((word, i) => checkInKey(word, words[i - 1], key));
  return [
    { column: 0, finding: { verdict: 'unread', what: { code: 'sheet.unread', values: {} }, nearest: null } },
  ];
}

function readsAsFrets(text: string, instrument: Instrument): boolean {
  const read = parseFrets(text);
  return read.ok && read.value.length === instrument.openPitches.length;
}

function unreadChord(word: Word, near: string): Placed {
  return {
    column: word.column,
    finding: {
      verdict: 'wrong',
      what: { code: 'sheet.no-chord', values: { text: word.text.slice(0, 30) } },
      // A word that only begins like a chord has no reading worth offering.
      nearest: near.length <= word.text.length + 1 ? near : null,
    },
  };
}

function checkGrip(word: Word, chord: Chord, frets: Frets, desk: Desk): Placed {
  const { instrument } = desk;
  const placed = (finding: Placed['finding']): Placed => ({ column: word.column, finding });
  const classes = chord.tones.map((tone) => tone.pitchClass);
  const bass = chord.bass ? pitchClassOf(chord.bass) : null;
  const wrong = frets.flatMap((fret, s) => {
    if (fret === null) return [];
    const pitchClass = mod12(pitchAt(instrument, s, fret));
    return classes.includes(pitchClass) || pitchClass === bass ? [] : [{ s, fret, pitchClass }];
  });
  const highest = instrument.frets - instrument.capo;
  const past = frets.findIndex((fret) => fret !== null && fret > highest);
  if (past >= 0)
    return placed({
      verdict: 'wrong',
      what: {
        code: 'sheet.fret',
        values: { string: stringNumber(instrument, past), fret: frets[past] ?? 0, highest },
      },
      nearest: nearestText(chord, frets, desk),
    });
  const pitches = frets.flatMap((fret, s) => (fret === null ? [] : [pitchAt(instrument, s, fret)]));
  const heard = pitches.map(mod12);
  const missing = chord.tones.filter((tone) => tone.required && !heard.includes(tone.pitchClass));
  const turned = chord.bass ? slashTurned(chord, frets, desk) : null;
  if (turned)
    return placed({
      verdict: 'wrong',
      what: { code: 'sheet.slash', values: { typed: chord.symbol, right: turned } },
      nearest: `${turned} ${fretsText(frets)}`,
    });
  if (!wrong.length && !missing.length && bass !== null && mod12(Math.min(...pitches)) !== bass)
    return placed({
      verdict: 'wrong',
      what: { code: 'sheet.bass', values: { chord: chord.symbol, bass: noteText(chord.bass ?? chord.root) } },
      nearest: nearestText(chord, frets, desk),
    });
  if (!wrong.length && !missing.length)
    return placed({
      verdict: 'fine',
      what: { code: 'sheet.grip', values: { chord: chord.symbol } },
      nearest: null,
    });
  const is = nameOf(frets, desk);
  const what: Reason = wrong.length
    ? {
        code: 'sheet.foreign',
        values: {
          chord: chord.symbol,
          string: stringNumber(instrument, wrong[0].s),
          fret: wrong[0].fret,
          notes: chordNotes(chord).join(' '),
          more: wrong.length - 1,
          is,
        },
      }
    : {
        code: 'sheet.missing',
        values: { chord: chord.symbol, degrees: missing.map((tone) => tone.degree).join(' '), is },
      };
  return placed({ verdict: 'wrong', what, nearest: nearestText(chord, frets, desk) });
}

/** `C/E` where `E/C` was written over a grip of C with its third lowest; null where it stands the right way round. */
function slashTurned(chord: Chord, frets: Frets, desk: Desk): string | null {
  const is = nameOf(frets, desk);
  const [over, under] = is.split('/');
  if (under === undefined) return null;
  const named = parseChord(over);
  const written = noteText(chord.root);
  return named.ok && noteText(named.value.root) === noteText(chord.bass ?? chord.root) && under === written
    ? is
    : null;
}

function nearestText(chord: Chord, frets: Frets, desk: Desk): string | null {
  const right = nearestGrip(chord, frets, desk);
  return right && `${chord.symbol} ${fretsText(right)}`;
}

/** A grip whose notes are right and that no hand like this one can hold. */
function checkHeld(word: Word, chord: Chord, frets: Frets, desk: Desk): Placed | null {
  const graded = gradeGrip(frets, desk.hand, desk.instrument);
  if (graded.ok) return null;
  return {
    column: word.column,
    finding: {
      verdict: 'wrong',
      what: { code: 'sheet.held', values: { chord: chord.symbol, needs: graded.problem.detail } },
      nearest: nearestText(chord, frets, desk),
    },
  };
}

/** Fingers written after a grip, `x02210 x02310`: the string whose finger cannot be, by the fingering most like it, and the usual fingering. */
function checkFingers(word: Word | undefined, chord: Chord, frets: Frets, desk: Desk): Placed | null {
  if (!word || !/^[xX01234T]+$/.test(word.text) || word.text.length !== frets.length) return null;
  const typed = [...word.text].map((cell) => (/x/i.test(cell) ? null : cell === 'T' ? 'T' : Number(cell)));
  const all = fingeringsFor(frets, desk.hand, desk.instrument);
  if (all.length === 0 || all.some((one) => one.fingers.every((finger, s) => finger === typed[s])))
    return null;
  const agree = (fingers: readonly FingerLabel[]) =>
    fingers.filter((finger, s) => finger === typed[s]).length;
  const nearest = all.reduce((best, one) => (agree(one.fingers) > agree(best.fingers) ? one : best));
  const s = nearest.fingers.findIndex((finger, i) => finger !== typed[i]);
  const fingers = all[0].fingers.map((finger) => finger ?? 'x').join('');
  return {
    column: word.column,
    finding: {
      verdict: 'wrong',
      what: {
        code: 'sheet.finger',
        values: {
          finger: String(typed[s] ?? 'x'),
          string: stringNumber(desk.instrument, s),
          right: fingers,
        },
      },
      nearest: `${chord.symbol} ${fretsText(frets)} ${fingers}`,
    },
  };
}

/** `root on string 5` beside a grip whose lowest root lies elsewhere. */
function checkRootString(raw: string, chord: Chord, frets: Frets, { instrument }: Desk): Placed | null {
  const said = /\broot\s*(?:on)?\s*(?:string)?\s*(\d)\b/i.exec(raw);
  if (!said) return null;
  const root = pitchClassOf(chord.root);
  const at = frets.findIndex((fret, s) => fret !== null && mod12(pitchAt(instrument, s, fret)) === root);
  const string = at < 0 ? 0 : stringNumber(instrument, at);
  if (string === Number(said[1])) return null;
  return {
    column: said.index,
    finding: {
      verdict: 'wrong',
      what: { code: 'sheet.root-string', values: { chord: chord.symbol, typed: said[1], right: string } },
      nearest: string === 0 ? null : raw.trim().replace(said[0], said[0].replace(/\d$/, String(string))),
    },
  };
}

/** The likeliest name of a grip, empty when it has none. */
function nameOf(frets: Frets, { instrument, names }: Desk): string {
  const key = gripKey(frets);
  const known = names.get(key);
  if (known !== undefined) return known;
  const named = nameGrip(frets, instrument);
  const name = named.ok ? (named.value[0]?.chord.symbol ?? '') : '';
  names.set(key, name);
  return name;
}

/** The grip of the chord that differs least from what was written, in strings first and frets second. */
function nearestGrip(chord: Chord, frets: Frets, { instrument, hand, grips }: Desk): Frets | null {
  const apart = (other: Frets) =>
    other.reduce<number>((sum, fret, s) => {
      const was = frets[s];
      if (fret === was) return sum;
      return sum + 1 + (fret === null || was === null ? 1.5 : Math.min(4, Math.abs(fret - was)) * 0.5);
    }, 0);
  let best: { frets: Frets; cost: number } | null = null;
  const pitches = frets.flatMap((fret, s) => (fret === null ? [] : [pitchAt(instrument, s, fret)]));
  // Who wrote the root lowest wants it lowest.
  const bass = mod12(Math.min(...pitches)) === pitchClassOf(chord.root) ? 'root' : 'any';
  const highest = frets.reduce<number>((most, fret) => Math.max(most, fret ?? 0), 0);
  const limits = { bass, maxFret: highest + NEAR_FRETS } as const;
  const asked = `${chord.symbol} ${bass} ${limits.maxFret}`;
  const known = grips.get(asked) ?? findShapes({ chord, instrument, hand, limits });
  grips.set(asked, known);
  for (const grip of known) {
    const cost = apart(grip.frets) + grip.usefulness * 0.05;
    if (!best || cost < best.cost) best = { frets: grip.frets, cost };
  }
  return best?.frets ?? null;
}

function checkSpelling(chord: Chord, typed: string, column: number): Placed {
  const words = [...typed.matchAll(/[^\s,–-]+/g)];
  const right = chordNotes(chord);
  const nearest = `${chord.symbol}: ${right.join(' ')}`;
  for (const [i, word] of words.entries()) {
    const plain = word[0].replaceAll('♭', 'b').replaceAll('♯', '#');
    if (i < right.length && plain === right[i]) continue;
    const read = readNote(plain);
    const sounds = read && right.findIndex((name) => sameSound(name, noteText(read.note)));
    const enharmonic = sounds !== null && sounds >= 0 && !right.includes(plain);
    return {
      column: column + (word.index ?? 0),
      finding: {
        verdict: 'wrong',
        what: enharmonic
          ? {
              code: 'sheet.enharmonic',
              values: { chord: chord.symbol, typed: plain, right: right[sounds ?? 0] },
            }
          : {
              code: 'sheet.spelling',
              values: { chord: chord.symbol, typed: word[0].slice(0, 12), right: right[i] ?? '' },
            },
        nearest,
      },
    };
  }
  const short = words.length < right.length;
  return {
    column,
    finding: short
      ? {
          verdict: 'wrong',
          what: {
            code: 'sheet.short',
            values: { chord: chord.symbol, right: right.slice(words.length).join(' ') },
          },
          nearest,
        }
      : { verdict: 'fine', what: { code: 'sheet.spelled', values: { chord: chord.symbol } }, nearest: null },
  };
}

const sameSound = (a: string, b: string) => {
  const [x, y] = [readNote(a), readNote(b)];
  return x !== null && y !== null && pitchClassOf(x.note) === pitchClassOf(y.note);
};

const NUMERAL = /^(?:[b#]?(?:iii|ii|iv|i|vii|vi|v|III|II|IV|I|VII|VI|V))[o°]?7?$/;

function checkInKey(word: Word, before: Word | undefined, key: Key): Placed[] {
  if (NUMERAL.test(word.text)) return [];
  const chord = parseChord(word.text);
  if (!chord.ok) return [unreadChord(word, chord.problem.detail)];
  const sevenths = chord.value.tones.length > 3;
  const degrees = degreeChords(key, { sevenths });
  const asked =
    before && NUMERAL.test(before.text) ? before.text.replace(/[7]$/, '').replace('°', 'o') : null;
  if (asked) {
    const wanted = degrees.find(
      (one) => one.numeral === asked || one.numeral.toLowerCase() === asked.toLowerCase(),
    );
    if (wanted && wanted.chord.symbol !== chord.value.symbol)
      return [
        {
          column: word.column,
          finding: {
            verdict: 'wrong',
            what: {
              code: 'sheet.numeral',
              values: {
                numeral: asked,
                key: key.name,
                right: wanted.chord.symbol,
                typed: chord.value.symbol,
              },
            },
            nearest: `${before?.text ?? ''} ${wanted.chord.symbol}`,
          },
        },
      ];
  }
  const scale = key.scale.map(pitchClassOf);
  const outside = chord.value.tones.find((tone) => !scale.includes(tone.pitchClass));
  if (!outside)
    return [
      {
        column: word.column,
        finding: {
          verdict: 'fine',
          what: { code: 'sheet.in-key', values: { chord: chord.value.symbol } },
          nearest: null,
        },
      },
    ];
  const near = degrees.find((one) => one.chord.root.letter === chord.value.root.letter);
  return [
    {
      column: word.column,
      finding: {
        verdict: 'wrong',
        what: {
          code: 'sheet.out-of-key',
          values: { chord: chord.value.symbol, note: noteText(outside.note), key: key.name },
        },
        nearest: near?.chord.symbol ?? null,
      },
    },
  ];
}
