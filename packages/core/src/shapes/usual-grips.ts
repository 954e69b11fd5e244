/**
 * How well the search meets what players call usual: a hand-written list of everyday grips with the fingering or
 * fingerings players use, and one of everyday chords with the grips a teacher shows first. The lists are ours, written from
 * common practice before any weight was looked at.
 */
import everyday from '../reference/everyday-first.json';
import usual from '../reference/usual-grips.json';
import { gradeGrip } from '../effort/grade-grip';
import { averageHand } from '../fretboard/hand';
import { pitchAt, standardGuitar } from '../fretboard/instrument';
import { relativePattern } from '../grips/fingerings';
import { fretsText, parseFrets } from '../grips/grip';
import { must } from '../kernel/result';
import { parseChord } from '../theory/chord';
import { mod12, pitchClassOf } from '../theory/note';
import { findShapes } from './find-shapes';

export interface UsualScore {
  readonly grips: number;
  readonly found: number;
  readonly inFirst40: number;
  readonly inFirst6: number;
  /** Chords of the list, and those whose most useful grip is a usual one of theirs. */
  readonly chords: number;
  readonly firstUsual: number;
  /** Everyday chords, and those whose most useful grip is one a teacher shows first. */
  readonly everyday: number;
  readonly everydayFirst: number;
  /** Grips whose listed fingering is the easiest or tied with it. */
  readonly fingered: number;
  /** What was missed, for reading: `chord frets: place or fingering`. */
  readonly misses: readonly string[];
}

/** A grip as quality and relative frets; an open string keeps it where it is. */
function patternOf(symbol: string, text: string): string {
  const frets = must(parseFrets(text));
  const pattern = new Int8Array(frets.length);
  relativePattern(frets, pattern);
  return `${must(parseChord(symbol)).quality} ${pattern.join()}`;
}

function movablePatterns(): ReadonlySet<string> {
  return new Set(
    usual.filter((one) => !one.frets.includes('0')).map((one) => patternOf(one.chord, one.frets)),
  );
}

function rootLowest(symbol: string, frets: string): boolean {
  const chord = must(parseChord(symbol));
  const pitches = must(parseFrets(frets)).flatMap((fret, s) =>
    fret === null ? [] : [pitchAt(standardGuitar, s, fret)],
  );
  return chord.bass !== undefined || mod12(Math.min(...pitches)) === pitchClassOf(chord.root);
}

/** Runs the whole list for a middle hand on a standard guitar; a grip without its root lowest is sought with any bass. */
export function scoreUsualGrips(): UsualScore {
  const lists = new Map<string, readonly string[]>();
  const listOf = (symbol: string, bass: 'root' | 'any'): readonly string[] => {
    const key = `${symbol} ${bass}`;
    const known = lists.get(key);
    if (known) return known;
    const found = findShapes({
      chord: must(parseChord(symbol)),
      instrument: standardGuitar,
      hand: averageHand,
      limits: { bass },
    }).map((grip) => fretsText(grip.frets));
    lists.set(key, found);
    return found;
  };
  const misses: string[] = [];
  let found = 0;
  let inFirst40 = 0;
  let inFirst6 = 0;
  let fingered = 0;
  for (const { chord, frets, fingers } of usual) {
    const place = listOf(chord, rootLowest(chord, frets) ? 'root' : 'any').indexOf(frets);
    if (place >= 0) found++;
    if (place >= 0 && place < 40) inFirst40++;
    if (place >= 0 && place < 6) inFirst6++;
    else misses.push(`${chord} ${frets}: place ${place + 1}`);
    const graded = gradeGrip(must(parseFrets(frets)), averageHand, standardGuitar);
    if (!graded.ok) continue;
    const easiest = [graded.value.fingering, ...graded.value.ties].map((one) =>
      one.fingers.map((finger) => finger ?? 'x').join(''),
    );
    if (easiest.some((one) => fingers.includes(one))) fingered++;
    else misses.push(`${chord} ${frets}: fingered ${easiest.join(' ')}, usual ${fingers.join(' ')}`);
  }
  const chords = [...new Set(usual.map((one) => one.chord))];
  const movable = movablePatterns();
  const notFirst = chords.filter((symbol) => {
    const first = listOf(symbol, 'root')[0];
    if (usual.some((one) => one.chord === symbol && one.frets === first)) return false;
    // A barre that is usual for one chord is usual for every chord of its quality.
    return first.includes('0') && !first.includes('-') ? true : !movable.has(patternOf(symbol, first));
  });
  for (const symbol of notFirst) misses.push(`${symbol}: first is ${listOf(symbol, 'root')[0]}`);
  const otherFirst = everyday.filter(({ chord, grips }) => !grips.includes(listOf(chord, 'root')[0]));
  for (const { chord, grips } of otherFirst)
    misses.push(`${chord}: first is ${listOf(chord, 'root')[0]}, a teacher shows ${grips.join(' or ')}`);
  return {
    grips: usual.length,
    found,
    inFirst40,
    inFirst6,
    chords: chords.length,
    firstUsual: chords.length - notFirst.length,
    everyday: everyday.length,
    everydayFirst: everyday.length - otherFirst.length,
    fingered,
    misses,
  };
}
