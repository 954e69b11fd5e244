/**
 * What one note does: from a grip, which note must move and to where for another quality on the same root. First
 * the literal move with its verdict, because that is what a player does with the hand already there; then the
 * grip as it is better voiced nearby. Says which doubled note is spent, what is lost and which fingers change.
 */
import { ONE_NOTE_TARGETS } from './one-note-targets';
import { gradeGrip } from '../effort/grade-grip';
import type { Reason } from '../effort/explain';
import type { Hand } from '../fretboard/hand';
import { pitchAt, stringNumber, type Instrument } from '../fretboard/instrument';
import type { FingerLabel, Frets } from '../grips/grip';
import { makeChord, type Chord } from '../theory/chord';
import { degreeParts, degreeSemitones, type Degree } from '../theory/degree';
import { mod12, pitchClassOf } from '../theory/note';
import { layoutOfGrip } from './form';
import { findShapes } from './find-shapes';
import type { GradedGrip } from './graded-grip';
import { lowestFretted } from './limits';

export interface NoteMove {
  /** String number. */
  readonly string: number;
  readonly fromFret: number;
  readonly toFret: number;
  readonly from: Degree;
  readonly to: Degree;
  /** Whether the note sounded on another string too, so that nothing is lost by moving it. */
  readonly doubled: boolean;
}

/** The move itself, whatever a better voicing would be. */
export interface LiteralChange {
  readonly chord: Chord;
  readonly moves: readonly NoteMove[];
  /** The grip after the literal move, or null where it ends on no fret. */
  readonly literal: Frets | null;
  /** `move.plays`, `move.weak`, `move.unplayable`, `move.no-root`, `move.no-fret`, `move.missing`. */
  readonly verdict: Reason;
  /** Degrees that sounded and no longer do. */
  readonly lost: readonly Degree[];
  /** Strings whose finger is another one after the literal move. */
  readonly fingers: readonly {
    readonly string: number;
    readonly from: FingerLabel;
    readonly to: FingerLabel;
  }[];
  readonly effort: number | null;
}

export interface OneNoteChange extends LiteralChange {
  /** The most useful grip of the new chord within reach of where the hand is. */
  readonly revoiced: GradedGrip | null;
}

interface Context {
  readonly hand: Hand;
  readonly instrument: Instrument;
}

/** All changes from a grip that plays `chord`, one for each target that is not the chord's own quality. */
export function oneNoteChanges(frets: Frets, chord: Chord, context: Context): OneNoteChange[] {
  return ONE_NOTE_TARGETS.filter((quality) => quality !== chord.quality).map((quality) =>
    oneNoteChange(frets, chord, makeChord(chord.root, quality), context),
  );
}

interface Voice {
  readonly index: number;
  readonly fret: number;
  readonly degree: Degree | null;
}

/** The change to one other chord on the same root. */
export function oneNoteChange(frets: Frets, from: Chord, to: Chord, context: Context): OneNoteChange {
  const change = literalChange(frets, from, to, context);
  return { ...change, revoiced: revoice(frets, change.literal, to, context) };
}

/** Without looking for the grip nearby, which takes most of the time. */
export function literalChange(frets: Frets, from: Chord, to: Chord, context: Context): LiteralChange {
  const { instrument } = context;
  const voices = voicesOf(frets, from, instrument);
  const moves = movesBetween(voices, to, instrument);
  const next = [...frets];
  for (const move of moves) next[frets.length - move.string] = move.toFret;
  const onNeck = next.every(
    (fret) => fret === null || (fret >= 0 && fret <= instrument.frets - instrument.capo),
  );
  const literal = onNeck ? next : null;
  const before = gradeGrip(frets, context.hand, instrument);
  const after = literal ? gradeGrip(literal, context.hand, instrument) : null;
  const heard = literal ? voicesOf(literal, to, instrument) : [];
  const usual = literal !== null && layoutOfGrip(literal, to.quality, true, instrument.openPitches) !== null;
  const lost = [...new Set(voices.flatMap((voice) => voice.degree ?? []))].filter(
    (degree) =>
      literal &&
      !heard.some((voice) => voice.degree === degree) &&
      !moves.some((m) => m.from === degree && sameStep(m)),
  );
  const fingers =
    before.ok && after?.ok && literal
      ? frets.flatMap((_, s) => {
          const [was, is] = [before.value.fingering.fingers[s], after.value.fingering.fingers[s]];
          return was === is ? [] : [{ string: stringNumber(instrument, s), from: was, to: is }];
        })
      : [];
  return {
    chord: to,
    moves,
    literal,
    verdict: verdictOf(moves, heard, to, after, usual, instrument),
    lost,
    fingers,
    effort: after?.ok ? after.value.total : null,
  };
}

/** A third stays a third when it is lowered: then nothing is lost, it has changed. */
const sameStep = (move: NoteMove) => degreeParts(move.from).number === degreeParts(move.to).number;

function voicesOf(frets: Frets, chord: Chord, instrument: Instrument): Voice[] {
  return frets.flatMap((fret, index) => {
    if (fret === null) return [];
    const pitchClass = mod12(pitchAt(instrument, index, fret));
    const degree = chord.tones.find((tone) => tone.pitchClass === pitchClass)?.degree ?? null;
    return [{ index, fret, degree }];
  });
}

function movesBetween(voices: readonly Voice[], to: Chord, instrument: Instrument): NoteMove[] {
  const degreesTo = to.tones.map((tone) => tone.degree);
  const strings = instrument.openPitches.length;
  const counts = new Map<Degree, number>();
  for (const { degree } of voices) if (degree) counts.set(degree, (counts.get(degree) ?? 0) + 1);
  const moves: NoteMove[] = [];
  const sounding = new Map<number, Degree>();
  const move = (voice: Voice, target: Degree) => {
    const from = voice.degree ?? 'bass';
    const by = shortest(degreeSemitones(target) - (voice.degree ? degreeSemitones(voice.degree) : 0));
    moves.push({
      string: strings - voice.index,
      fromFret: voice.fret,
      toFret: voice.fret + by,
      from,
      to: target,
      doubled: (counts.get(from) ?? 0) > 1,
    });
    sounding.set(voice.index, target);
  };
  // Notes the new chord does not have go to the nearest one it has, the same step of the scale first.
  for (const voice of voices) {
    if (!voice.degree) continue;
    if (degreesTo.includes(voice.degree)) sounding.set(voice.index, voice.degree);
    else move(voice, nearestTone(voice.degree, degreesTo));
  }
  // Notes the new chord still lacks are made from one that can be spared.
  for (const tone of to.tones) {
    if (!tone.required || [...sounding.values()].includes(tone.degree)) continue;
    const spare = spareVoice(voices, sounding, tone.degree, to);
    if (spare) move(spare, tone.degree);
  }
  return moves;
}

const shortest = (semitones: number): number => mod12(semitones + 6) - 6;

function nearestTone(degree: Degree, among: readonly Degree[]): Degree {
  const step = degreeParts(degree).number;
  const cost = (other: Degree) =>
    Math.abs(shortest(degreeSemitones(other) - degreeSemitones(degree))) -
    (degreeParts(other).number === step ? 0.5 : 0) +
    // A third that leaves becomes the sus tone, never the root or fifth.
    (step === 3 && ['2', '4'].includes(other) ? -3 : 0);
  return among.reduce((best, other) => (cost(other) < cost(best) ? other : best));
}

/** The voice that can best become a tone: doubled or a perfect fifth, near, high, never the lowest root. */
function spareVoice(
  voices: readonly Voice[],
  sounding: ReadonlyMap<number, Degree>,
  wanted: Degree,
  to: Chord,
): Voice | null {
  const now = voices.flatMap((voice) => {
    const degree = sounding.get(voice.index);
    return degree ? [{ ...voice, degree }] : [];
  });
  const count = (degree: Degree) => now.filter((voice) => voice.degree === degree).length;
  const lowestRoot = now.find((voice) => voice.degree === '1');
  const optional = (degree: Degree) => to.tones.find((tone) => tone.degree === degree)?.required === false;
  let best: { voice: Voice; cost: number } | null = null;
  for (const voice of now) {
    const onlyRoot = voice === lowestRoot;
    if (!onlyRoot && count(voice.degree) < 2 && !optional(voice.degree)) continue;
    const by = shortest(degreeSemitones(wanted) - degreeSemitones(voice.degree));
    if (Math.abs(by) > 4) continue;
    const cost =
      Math.abs(by) +
      (count(voice.degree) > 1 ? 0 : 0.8) +
      (voices.length - now.indexOf(voice)) * 0.05 +
      (voice.fret + by < 0 ? 5 : 0) +
      // The lowest root is what the chord stands on; it goes when nothing else can.
      (onlyRoot ? 20 : 0);
    const original = voices.find((one) => one.index === voice.index);
    // Only a note that has not moved yet can be spent.
    if (!original || original.degree !== voice.degree) continue;
    if (!best || cost < best.cost) best = { voice: original, cost };
  }
  return best?.voice ?? null;
}

function verdictOf(
  moves: readonly NoteMove[],
  heard: readonly Voice[],
  to: Chord,
  after: ReturnType<typeof gradeGrip> | null,
  usual: boolean,
  instrument: Instrument,
): Reason {
  const under = moves.find((move) => move.toFret < 0);
  if (under) return { code: 'move.no-fret', values: { string: under.string, below: -under.toFret } };
  if (!after) {
    const past = moves.find((move) => move.toFret > instrument.frets - instrument.capo);
    return { code: 'move.no-fret-above', values: { string: past?.string ?? 0 } };
  }
  if (!heard.some((voice) => voice.degree === '1')) return { code: 'move.no-root', values: {} };
  const missing = to.tones.filter(
    (tone) => tone.required && !heard.some((voice) => voice.degree === tone.degree),
  );
  if (missing.length)
    return { code: 'move.missing', values: { degrees: missing.map((tone) => tone.degree).join(' ') } };
  if (!after.ok)
    return { code: 'move.unplayable', values: { problem: after.problem.code, detail: after.problem.detail } };
  // What players use every day is not weak, whatever a rule says of it.
  if (usual) return { code: 'move.plays', values: {} };
  return weakness(moves, heard, instrument) ?? { code: 'move.plays', values: {} };
}

/** Why a literal move may sound weak although it plays. */
function weakness(
  moves: readonly NoteMove[],
  heard: readonly Voice[],
  instrument: Instrument,
): Reason | null {
  const strings = instrument.openPitches.length;
  const pitch = (voice: Voice) => pitchAt(instrument, voice.index, voice.fret);
  const byPitch = [...heard].sort((a, b) => pitch(a) - pitch(b));
  const top = byPitch[byPitch.length - 1];
  const moved = (voice: Voice) => moves.find((move) => move.string === strings - voice.index);
  const seventh = byPitch.find(
    (voice) => voice.degree && degreeParts(voice.degree).number === 7 && moved(voice),
  );
  if (seventh && top.degree === '1' && seventh !== top)
    return { code: 'move.weak', values: { why: 'seventh-under-root', string: strings - top.index } };
  const lowest = byPitch[0];
  if (lowest.degree !== '1' && moved(lowest))
    return {
      code: 'move.weak',
      values: { why: 'bass-moved', string: strings - lowest.index, degree: lowest.degree ?? '' },
    };
  for (const low of byPitch)
    for (const high of byPitch)
      if (pitch(high) - pitch(low) === 13 && low.degree !== '1')
        return {
          code: 'move.weak',
          values: { why: 'minor-ninth', low: low.degree ?? '', high: high.degree ?? '' },
        };
  return null;
}

/** How far from where the hand is a better voicing may lie. */
const NEAR_FRETS = 2;

function revoice(frets: Frets, literal: Frets | null, to: Chord, context: Context): GradedGrip | null {
  const position = lowestFretted(frets);
  const near = findShapes({
    chord: to,
    ...context,
    // A movable grip stays movable.
    limits: { maxFret: position + NEAR_FRETS + 3, allowOpen: frets.includes(0) },
  }).filter((grip) => Math.abs(lowestFretted(grip.frets) - position) <= NEAR_FRETS);
  const rootIndex = frets.findIndex(
    (fret, s) => fret !== null && mod12(pitchAt(context.instrument, s, fret)) === pitchClassOf(to.root),
  );
  const rootString = rootIndex < 0 ? null : stringNumber(context.instrument, rootIndex);
  const other = near.filter((grip) => grip.frets.join() !== literal?.join());
  return other.find((grip) => grip.rootString === rootString) ?? other[0] ?? null;
}
