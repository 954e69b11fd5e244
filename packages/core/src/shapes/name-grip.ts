/**
 * Every plausible name of a grip, ranked. Three notes or four belong to several chords at once: m6 and m7b5 on
 * another root, a six chord and its relative's m7, a ii m6 and a rootless V9. The name that fits the sounding
 * bass and the key comes first; each says what the full chord has that this grip leaves out, and why it stands
 * where it does. Weights are our assumptions, in nats, kept in one record.
 */
import { fail, ok, type Result } from '../kernel/result';
import type { Reason } from '../effort/explain';
import { pitchAt, type Instrument } from '../fretboard/instrument';
import type { Frets } from '../grips/grip';
import { makeChord, type Chord } from '../theory/chord';
import { degreeParts, degreeSemitones, type Degree } from '../theory/degree';
import type { Key } from '../theory/key';
import { mod12, noteText, pitchClassOf, readNote, type NoteName } from '../theory/note';
import { QUALITIES, type Quality } from '../theory/qualities';

export interface NamedGrip {
  readonly chord: Chord;
  /** Degrees of the full chord that do not sound. */
  readonly omitted: readonly Degree[];
  readonly why: readonly Reason[];
  /** Nats; lower is likelier. */
  readonly cost: number;
}

export interface NamingContext {
  readonly key?: Key;
  /** The note that sounds below the grip, when someone else plays it. */
  readonly bass?: NoteName;
}

export const NAMING = {
  inversion: 1.3,
  /** The fifth below is heard less as another chord than the third or seventh. */
  fifthLowest: 0.9,
  slash: 3.2,
  rootless: 2.6,
  omittedFifth: 0.9,
  omitted: 0.8,
  seldomOmitted: 0,
  /** Each tone beyond a triad, and each altered one: simpler names first. */
  perTone: 0.45,
  perAlteration: 0.55,
  added: 0.5,
  power: 0.3,
  /** A triad with an altered fifth that has no everyday name. */
  rareTriad: 4,
  /** A sus chord that lacks its root too is hardly heard as one. */
  rootlessSus: 2.5,
  /** Nobody hears a plain triad as a major seventh with an altered fifth that lacks its root. */
  rootlessRare: 2.5,
  /** Names further than this from the likeliest are left unsaid. */
  plausible: 4.5,
  inKey: -1.6,
  rootOutsideKey: 0.9,
} as const;

const ROOT_NAMES = 'C C# Db D D# Eb E F F# Gb G G# Ab A A# Bb B Cb'
  .split(' ')
  .flatMap((name) => readNote(name)?.note ?? []);

const RARE_TRIADS: ReadonlySet<string> = new Set(['major-b5', 'minor-#5', 'minor-b6']);
/** Root names that nobody uses without a key that asks for them; as bad as so many accidentals. */
const UNUSUAL: ReadonlyMap<string, number> = new Map([
  ['A#', 2],
  ['D#', 2],
  ['Cb', 4],
]);

interface Sounding {
  readonly mask: number;
  readonly lowest: number;
}

/**
 * Names a grip. Problems: `name.few` when fewer than two different notes sound, `name.strings` when the grip
 * has another number of strings than the instrument. An empty list means that no chord of ours has these notes.
 */
export function nameGrip(
  frets: Frets,
  instrument: Instrument,
  context: NamingContext = {},
): Result<NamedGrip[]> {
  const strings = instrument.openPitches.length;
  if (frets.length !== strings) return fail('name.strings', 'frets', `${strings} strings`);
  const pitches = frets.flatMap((fret, s) => (fret === null ? [] : [pitchAt(instrument, s, fret)]));
  if (new Set(pitches.map(mod12)).size < 2) return fail('name.few', 'frets', 'two different notes or more');
  let mask = 0;
  for (const pitch of pitches) mask |= 1 << mod12(pitch);
  const lowest = context.bass ? pitchClassOf(context.bass) : mod12(Math.min(...pitches));
  return ok(ranked({ mask: mask | (1 << lowest), lowest }, context.key));
}

interface QualityShape {
  readonly quality: Quality;
  readonly tones: number;
  readonly required: number;
  readonly toneDegrees: readonly (readonly [number, Degree])[];
}

/** Tones and required tones of each quality as bits over its root. */
const SHAPES: readonly QualityShape[] = QUALITIES.map((quality) => {
  const chord = makeChord({ letter: 'C', accidental: 0 }, quality.id);
  const bit = (degree: Degree) => 1 << degreeSemitones(degree);
  return {
    quality,
    tones: chord.tones.reduce((sum, tone) => sum | bit(tone.degree), 0),
    required: chord.tones.reduce((sum, tone) => (tone.required ? sum | bit(tone.degree) : sum), 0),
    toneDegrees: chord.tones.map((tone) => [degreeSemitones(tone.degree), tone.degree] as const),
  };
});

interface Fit {
  readonly rootless: boolean;
  readonly slash: boolean;
}

/** Twelve bits turned so that bit 0 is the root. */
const turned = (mask: number, root: number): number => ((mask >>> root) | (mask << (12 - root))) & 0xfff;

function fits(shape: QualityShape, root: number, { mask, lowest }: Sounding): Fit | null {
  const heard = turned(mask, root);
  const low = 1 << mod12(lowest - root);
  const foreign = heard & ~shape.tones;
  // One note outside the chord may stand lowest, as a slash bass.
  if (foreign !== 0 && foreign !== low) return null;
  const missing = shape.required & ~heard;
  if (missing === 0) return { rootless: false, slash: foreign !== 0 };
  // Without its root a chord is still known by four tones and more, when all the others that matter sound.
  const fourTones = shape.toneDegrees.length >= 4;
  return missing === 1 && fourTones && foreign === 0 ? { rootless: true, slash: false } : null;
}

function describe(
  shape: QualityShape,
  root: number,
  { mask, lowest }: Sounding,
  fit: Fit,
  key: Key | undefined,
): NamedGrip {
  const rootName = spellRoot(root, shape.quality, key);
  const heard = turned(mask, root);
  const lowDegree = shape.toneDegrees.find(([semitones]) => semitones === mod12(lowest - root))?.[1] ?? null;
  const bassName =
    lowDegree === '1' || fit.rootless ? undefined : spellBass(rootName, shape.quality, lowest, key);
  const chord = makeChord(rootName, shape.quality.id, bassName);
  const omitted = shape.toneDegrees
    .filter(([semitones]) => !(heard & (1 << semitones)))
    .map(([, degree]) => degree);
  const why: Reason[] = [];
  let cost = 0;
  if (fit.rootless) {
    cost += NAMING.rootless + (shape.quality.suffix.includes('sus') ? NAMING.rootlessSus : 0);
    const tones = shape.quality.formula;
    if (tones.includes('7') && (tones.includes('#5') || tones.includes('b5'))) cost += NAMING.rootlessRare;
    why.push({ code: 'name.rootless', values: { root: noteText(rootName) } });
  } else if (lowDegree === '1') why.push({ code: 'name.root-lowest', values: { root: noteText(rootName) } });
  else if (lowDegree) {
    cost += degreeParts(lowDegree).number === 5 ? NAMING.fifthLowest : NAMING.inversion;
    why.push({ code: 'name.inversion', values: { degree: lowDegree } });
  } else {
    cost += NAMING.slash;
    why.push({ code: 'name.slash', values: { bass: bassName ? noteText(bassName) : '' } });
  }
  const gone = omitted.filter((degree) => degree !== '1');
  for (const degree of gone) {
    const seldom = chord.tones.find((tone) => tone.degree === degree)?.seldom;
    cost += seldom ? NAMING.seldomOmitted : degree === '5' ? NAMING.omittedFifth : NAMING.omitted;
  }
  if (gone.length) why.push({ code: 'name.omitted', values: { degrees: gone.join(' ') } });
  const { formula } = shape.quality;
  cost += Math.max(0, formula.length - 3) * NAMING.perTone;
  cost +=
    formula.filter((degree) => /^[b#]/.test(degree) && !['b3', 'b7'].includes(degree)).length *
    NAMING.perAlteration;
  if (shape.quality.suffix.includes('add') || shape.quality.suffix.includes('sus')) cost += NAMING.added;
  if (formula.length === 2) cost += NAMING.power;
  if (RARE_TRIADS.has(shape.quality.id)) cost += NAMING.rareTriad;
  if (key) {
    const scale = key.scale.reduce((sum, note) => sum | (1 << pitchClassOf(note)), 0);
    const inside = chord.tones.every((tone) => scale & (1 << tone.pitchClass));
    if (inside) {
      cost += NAMING.inKey;
      why.push({ code: 'name.in-key', values: { key: key.name } });
    } else if (!(scale & (1 << root))) cost += NAMING.rootOutsideKey;
  }
  return { chord, omitted, why, cost };
}

/** The root's name: the key's own, else the one under which the chord has the fewest accidentals. */
function spellRoot(root: number, quality: Quality, key: Key | undefined): NoteName {
  const ofKey = key?.scale.find((note) => pitchClassOf(note) === root);
  if (ofKey) return ofKey;
  const signs = (name: NoteName) =>
    makeChord(name, quality.id).tones.reduce((sum, { note }) => sum + note.accidental ** 2, 0) +
    (UNUSUAL.get(noteText(name)) ?? 0);
  const names = ROOT_NAMES.filter((name) => pitchClassOf(name) === root);
  return names.reduce((best, name) => (signs(name) < signs(best) ? name : best));
}

/** A slash bass takes the chord's own spelling of that note, else the key's, else the plainest. */
function spellBass(root: NoteName, quality: Quality, bass: number, key: Key | undefined): NoteName {
  const tone = makeChord(root, quality.id).tones.find((one) => one.pitchClass === bass);
  if (tone) return tone.note;
  const ofKey = key?.scale.find((note) => pitchClassOf(note) === bass);
  return ofKey ?? spellRoot(bass, QUALITIES[0], undefined);
}

/** Names of notes given lowest first, without an instrument. Empty when no chord of ours has these notes. */
export function nameNotes(notes: readonly NoteName[], key?: Key): NamedGrip[] {
  const classes = notes.map(pitchClassOf);
  if (new Set(classes).size < 2) return [];
  const mask = classes.reduce((sum, pitchClass) => sum | (1 << pitchClass), 0);
  return ranked({ mask, lowest: classes[0] }, key);
}

function ranked(sounding: Sounding, key: Key | undefined): NamedGrip[] {
  const named: NamedGrip[] = [];
  for (let root = 0; root < 12; root++)
    for (const shape of SHAPES) {
      const found = fits(shape, root, sounding);
      if (found) named.push(describe(shape, root, sounding, found, key));
    }
  named.sort((a, b) => a.cost - b.cost || (a.chord.symbol < b.chord.symbol ? -1 : 1));
  return named.filter((one) => one.cost <= named[0].cost + NAMING.plausible);
}
