/**
 * A piece out of MusicXML (score-partwise): bars, times, keys, tempo, chord names, repeats and endings, rehearsal marks
 * as sections, and one melody with its words. Whatever is not taken is said, with its part and bar. Files that declare
 * entities, nest too deep or are too large are refused before anything is read.
 */
import { XMLParser } from 'fast-xml-parser';
import { fail, ok, type Result } from '../kernel/result';
import {
  PIECE_LIMITS,
  type ChordOnBeat,
  type MelodyNote,
  type Piece,
  type PieceBar,
  type Section,
  type StrokePattern,
  type TimeSignature,
} from '../score/piece';
import { EMPTY_PIECE } from '../score/chart';
import { readPattern } from '../score/pattern';
import { keyOn } from '../theory/key';
import { readNote } from '../theory/note';
import type { Pitch } from '../theory/pitch';
import { beatsWords, TICKS_A_BEAT, ticksOf } from '../score/ticks';
import { symbolOf } from './harmony';
import { mostWithin, throughGate } from './xml-gate';

export interface NotTaken {
  /** "Violin 2", "Melody, bar 12". */
  readonly at: string;
  readonly code: string;
  readonly what: string;
}

export interface Imported {
  readonly piece: Piece;
  readonly notTaken: readonly NotTaken[];
}

const READ_LIMITS = { parts: 200, notTaken: 200, notesInBar: 500 } as const;

/** An element in order: name, attributes, children, text. */
interface Element {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly Element[];
  readonly text: string;
}

/** Problems: those of `throughGate`, `xml.form`, `xml.kind`, `xml.bars`. */
export function readMusicXml(text: string): Result<Imported> {
  const gate = throughGate(text, 'score-');
  if (!gate.ok) return gate;
  if (mostWithin(gate.value, '<measure', '<part ') > PIECE_LIMITS.bars)
    return fail('xml.bars', 0, `at most ${PIECE_LIMITS.bars} bars`);
  if (mostWithin(gate.value, '<note', '<measure') > READ_LIMITS.notesInBar)
    return fail('xml.count', 0, `at most ${READ_LIMITS.notesInBar} notes in a bar`);
  let root: Element | undefined;
  try {
    const parser = new XMLParser({
      preserveOrder: true,
      ignoreAttributes: false,
      attributeNamePrefix: '',
      parseTagValue: false,
      parseAttributeValue: false,
      trimValues: true,
    });
    root = elements(parser.parse(gate.value, true)).find((one) => one.name.startsWith('score-'));
  } catch (error) {
    return fail(
      'xml.form',
      0,
      `well-formed XML (${error instanceof Error ? error.message.slice(0, 120) : ''})`,
    );
  }
  if (!root) return fail('xml.kind', 0, 'a MusicXML score');
  if (root.name !== 'score-partwise')
    return fail('xml.kind', 0, 'a score by parts (score-partwise), not by time');
  return read(root);
}

/** The parser's ordered objects as elements. */
function elements(nodes: unknown): Element[] {
  if (!Array.isArray(nodes)) return [];
  return nodes.flatMap((node: Record<string, unknown>): Element[] => {
    const name = Object.keys(node).find((key) => key !== ':@');
    if (name === undefined || name === '#text' || name.startsWith('?')) return [];
    const inner = node[name];
    const text = Array.isArray(inner)
      ? inner
          .map((one: Record<string, unknown>) => (one['#text'] === undefined ? '' : String(one['#text'])))
          .join('')
      : '';
    const attributes = (node[':@'] ?? {}) as Record<string, string>;
    return [{ name, attributes, children: elements(inner), text }];
  });
}

const child = (of: Element | undefined, name: string) => of?.children.find((one) => one.name === name);
const all = (of: Element | undefined, name: string) => of?.children.filter((one) => one.name === name) ?? [];
const textOf = (of: Element | undefined, name: string) => child(of, name)?.text ?? '';
const numberOf = (of: Element | undefined, name: string): number | null => {
  const text = textOf(of, name);
  return text !== '' && Number.isFinite(Number(text)) ? Number(text) : null;
};

/** A bar as it is being read; the first part with it says what holds for all. */
interface DraftBar {
  time: TimeSignature | null;
  tempoBpm: number | null;
  key: string | null;
  chords: ChordOnBeat[];
  melody: MelodyNote[];
  ending: 1 | 2 | null;
  rehearsal: string | null;
  forward: boolean;
  backward: number;
}

function read(root: Element): Result<Imported> {
  const names = new Map(
    all(child(root, 'part-list'), 'score-part').map((part) => [
      part.attributes.id,
      textOf(part, 'part-name'),
    ]),
  );
  const parts = all(root, 'part').slice(0, READ_LIMITS.parts);
  const count = Math.max(0, ...parts.map((part) => all(part, 'measure').length));
  if (count === 0) return fail('xml.kind', 0, 'at least one part with a measure');
  if (count > PIECE_LIMITS.bars) return fail('xml.bars', 0, `at most ${PIECE_LIMITS.bars} bars`);
  const notTaken: NotTaken[] = [];
  const leave = (at: string, code: string, what: string) => {
    if (notTaken.length < READ_LIMITS.notTaken && !notTaken.some((one) => one.at === at && one.code === code))
      notTaken.push({ at, code, what });
  };
  const bars = Array.from({ length: count }, (): DraftBar => ({
    time: null,
    tempoBpm: null,
    key: null,
    chords: [],
    melody: [],
    ending: null,
    rehearsal: null,
    forward: false,
    backward: 0,
  }));
  const nameOf = (part: Element, i: number) => names.get(part.attributes.id) || `part ${i + 1}`;
  // One melody is taken: the first part that sings one note at a time on a staff of notes.
  const melodyPart = parts.findIndex((part) => singsAlone(part));
  parts.forEach((part, i) => {
    const name = nameOf(part, i);
    if (
      i !== melodyPart &&
      all(part, 'measure').some((one) => all(one, 'note').some((note) => child(note, 'pitch')))
    )
      leave(name, 'import.part', 'its notes; one melody is taken, chords are taken by name');
    readPart(part, i === melodyPart, bars, (bar, code, what) => leave(`${name}, bar ${bar + 1}`, code, what));
  });
  const misc = all(child(child(root, 'identification'), 'miscellaneous'), 'miscellaneous-field');
  return ok({ piece: asPiece(root, bars, misc), notTaken });
}

function singsAlone(part: Element): boolean {
  let notes = 0;
  for (const measure of all(part, 'measure')) {
    for (const note of all(measure, 'note')) {
      if (child(note, 'chord')) return false;
      if (child(note, 'pitch')) notes++;
    }
    if (child(measure, 'backup')) return false;
  }
  return notes > 0;
}

type Leave = (bar: number, code: string, what: string) => void;

function readPart(part: Element, melody: boolean, bars: DraftBar[], leave: Leave): void {
  let divisions = 1;
  let time: TimeSignature = { beats: 4, unit: 4 };
  all(part, 'measure').forEach((measure, index) => {
    const bar = bars[index];
    let at = 0;
    for (const one of measure.children) {
      const ticks = (duration: number) => ticksOf((duration / divisions) * (time.unit / 4));
      switch (one.name) {
        case 'attributes': {
          divisions = numberOf(one, 'divisions') ?? divisions;
          const read = readAttributes(one, index, leave);
          time = read.time ?? time;
          bar.time ??= read.time;
          bar.key ??= read.key;
          break;
        }
        case 'direction':
          readDirection(one, bar, time, index, leave);
          break;
        case 'sound':
          bar.tempoBpm ??= soundTempo(one, time);
          break;
        case 'barline':
          readBarline(one, bar, index, leave);
          break;
        case 'harmony':
          readHarmony(one, ticks(at + (numberOf(one, 'offset') ?? 0)), bar, index, leave);
          break;
        case 'backup':
          at -= numberOf(one, 'duration') ?? 0;
          break;
        case 'forward':
          at += numberOf(one, 'duration') ?? 0;
          break;
        case 'note': {
          const duration = numberOf(one, 'duration') ?? 0;
          if (child(one, 'grace') || child(one, 'cue')) {
            leave(index, 'import.grace', 'a grace or cue note');
            break;
          }
          if (melody && !child(one, 'chord')) readNoteOf(one, ticks(at), ticks(at + duration), bar);
          if (!child(one, 'chord')) at += duration;
          break;
        }
        default:
      }
    }
    if (melody) squareMelody(bar, time, index, leave);
  });
}

function readAttributes(
  one: Element,
  index: number,
  leave: Leave,
): { time: TimeSignature | null; key: string | null } {
  let time: TimeSignature | null = null;
  const said = child(one, 'time');
  if (said) {
    const [beats, unit] = [numberOf(said, 'beats'), numberOf(said, 'beat-type')];
    if (beats && unit && beats <= 16 && Number.isInteger(beats) && [2, 4, 8, 16].includes(unit))
      time = { beats, unit };
    else
      leave(index, 'import.time', `the time signature ${textOf(said, 'beats')}/${textOf(said, 'beat-type')}`);
  }
  const fifths = numberOf(child(one, 'key'), 'fifths');
  const minor = textOf(child(one, 'key'), 'mode') === 'minor';
  // Fifths from C, or from A for a minor key: seven half steps each.
  const key =
    fifths === null || Math.abs(fifths) > 7
      ? null
      : keyBySignature(fifths, minor ? 'minor' : 'major', ((fifths * 7 + (minor ? 9 : 0)) % 12) + 12);
  if (child(one, 'transpose'))
    leave(index, 'import.transpose', 'a transposing part; its notes are as written');
  return { time, key };
}

/** The key of that signature: F# and Gb are told apart by it. */
function keyBySignature(fifths: number, mode: 'major' | 'minor', pitchClass: number): string {
  const letters = ['F', 'C', 'G', 'D', 'A', 'E', 'B'];
  const place = fifths + 1 + (mode === 'minor' ? 3 : 0);
  const letter = letters[((place % 7) + 7) % 7];
  const signs = Math.floor(place / 7);
  const name = `${letter}${signs > 0 ? '#'.repeat(signs) : 'b'.repeat(-signs)}`;
  return readNote(name) ? `${name} ${mode}` : keyOn(pitchClass, mode).name;
}

function soundTempo(sound: Element | undefined, time: TimeSignature): number | null {
  const quarters = Number(sound?.attributes.tempo);
  if (!Number.isFinite(quarters) || quarters <= 0) return null;
  return inTempo((quarters * time.unit) / 4);
}
function inTempo(bpm: number): number | null {
  const [least, most] = PIECE_LIMITS.tempo;
  const rounded = Math.round(bpm * 10) / 10;
  return rounded >= least && rounded <= most ? rounded : null;
}

const UNITS: Readonly<Record<string, number>> = { half: 2, quarter: 4, eighth: 8, '16th': 16 };

function readDirection(one: Element, bar: DraftBar, time: TimeSignature, index: number, leave: Leave): void {
  for (const type of all(one, 'direction-type')) {
    const rehearsal = textOf(type, 'rehearsal');
    if (rehearsal) bar.rehearsal ??= rehearsal;
    const metronome = child(type, 'metronome');
    const perMinute = numberOf(metronome, 'per-minute');
    const unit = UNITS[textOf(metronome, 'beat-unit')];
    if (perMinute !== null && unit && !child(metronome, 'beat-unit-dot'))
      bar.tempoBpm ??= inTempo((perMinute * time.unit) / unit);
    if (child(type, 'segno') || child(type, 'coda'))
      leave(index, 'import.jump', 'a segno or coda sign; write the order of sections by hand');
  }
  bar.tempoBpm ??= soundTempo(child(one, 'sound'), time);
}

function readBarline(one: Element, bar: DraftBar, index: number, leave: Leave): void {
  const repeat = child(one, 'repeat');
  if (repeat?.attributes.direction === 'forward') bar.forward = true;
  if (repeat?.attributes.direction === 'backward')
    bar.backward = Math.min(8, Math.max(2, Number(repeat.attributes.times) || 2));
  const ending = child(one, 'ending');
  if (ending && bar.ending === null) {
    const number = Number.parseInt(ending.attributes.number ?? '', 10);
    if (number === 1 || number === 2) bar.ending = number;
    else leave(index, 'import.ending', `the ending ${ending.attributes.number ?? ''}`);
  }
}

function noteNameOf(of: Element | undefined, prefix: string): string | null {
  const step = textOf(of, `${prefix}-step`);
  const alter = numberOf(of, `${prefix}-alter`) ?? 0;
  if (!/^[A-G]$/.test(step) || !Number.isInteger(alter) || Math.abs(alter) > 2) return null;
  return step + (alter > 0 ? '#'.repeat(alter) : 'b'.repeat(-alter));
}

function readHarmony(one: Element, tick: number, bar: DraftBar, index: number, leave: Leave): void {
  const kind = child(one, 'kind');
  if (bar.chords.some((known) => known.tick === tick)) return;
  if (kind?.text === 'none') {
    bar.chords.push({ tick, chord: 'N.C.' });
    return;
  }
  const root = noteNameOf(child(one, 'root'), 'root');
  const bass = noteNameOf(child(one, 'bass'), 'bass');
  const text = kind?.attributes.text ?? '';
  const symbol = root ? symbolOf(root, kind?.text ?? '', text, bass) : null;
  if (symbol === null) {
    leave(index, 'import.chord', `the chord ${root ?? '?'}${text || (kind?.text ?? '')}`);
    return;
  }
  // Degrees added beside a text that already says them would say them twice.
  if (child(one, 'degree') && text === '') leave(index, 'import.degree', `what was added to ${symbol}`);
  bar.chords.push({ tick, chord: symbol });
}

function readNoteOf(one: Element, tick: number, until: number, bar: DraftBar): void {
  if (!(until > tick)) return;
  const pitch = child(one, 'pitch');
  const alter = numberOf(pitch, 'alter') ?? 0;
  const octave = numberOf(pitch, 'octave');
  const step = textOf(pitch, 'step');
  const sung: Pitch | null =
    pitch && /^[A-G]$/.test(step) && octave !== null && Math.abs(alter) <= 2
      ? { note: { letter: step as Pitch['note']['letter'], accidental: Math.trunc(alter) }, octave }
      : null;
  const lyric = child(one, 'lyric');
  const begun = ['begin', 'middle'].includes(textOf(lyric, 'syllabic'));
  const word = textOf(lyric, 'text')
    .replace(/[\s|]+/g, '')
    .slice(0, 39);
  bar.melody.push({
    tick,
    ticks: until - tick,
    pitch: sung,
    ...(all(one, 'tie').some((tie) => tie.attributes.type === 'start') && sung
      ? { tied: true as const }
      : {}),
    ...(word && sung ? { word: begun ? `${word}-` : word } : {}),
  });
}

/** What a bar of a file may be short or long by, a hundredth of a beat, and still be meant as full. */
const ROUNDED = ticksOf(0.01);

/** A bar of rests alone has no melody; one whose notes do not fill it is left out and said. */
function squareMelody(bar: DraftBar, time: TimeSignature, index: number, leave: Leave): void {
  const sum = bar.melody.reduce((total, note) => total + note.ticks, 0);
  const off = time.beats * TICKS_A_BEAT - sum;
  const last = bar.melody[bar.melody.length - 1];
  // Files with few divisions round what they cannot divide: the last note takes up what is missing or over.
  if (off !== 0 && Math.abs(off) <= ROUNDED && last && last.ticks + off > 0)
    bar.melody[bar.melody.length - 1] = { ...last, ticks: last.ticks + off };
  else if (bar.melody.length > 0 && off !== 0) {
    leave(index, 'import.bar', `a melody of ${beatsWords(sum)} beats in a bar of ${time.beats}`);
    bar.melody = [];
  }
  if (bar.melody.length === 1 && bar.melody[0].pitch === null) bar.melody = [];
}

function asPiece(root: Element, bars: readonly DraftBar[], misc: readonly Element[]): Piece {
  const field = (name: string) => misc.filter((one) => one.attributes.name === name).map((one) => one.text);
  const patterns = field('pattern').flatMap((text): StrokePattern[] => {
    const [, kind, name, perBeat, steps] = /^(strum|pick) (\S+) (\d+): (.*)$/.exec(text) ?? [];
    const read = kind ? readPattern(kind as 'strum' | 'pick', name, Number(perBeat), steps) : null;
    return read?.ok ? [read.value] : [];
  });
  const patternOf = new Map(field('section').map((text) => text.split(' ') as [string, string]));
  const [first] = bars;
  const time = first.time ?? EMPTY_PIECE.time;
  const key = first.key ?? EMPTY_PIECE.key;
  const tempoBpm = first.tempoBpm ?? EMPTY_PIECE.tempoBpm;
  const swing = child(descend(root, 'swing'), 'first')?.text;
  const title = (textOf(child(root, 'work'), 'work-title') || textOf(root, 'movement-title')).slice(0, 120);
  const creators = all(child(root, 'identification'), 'creator');
  const by =
    (creators.find((one) => one.attributes.type === 'composer') ?? creators[0])?.text.slice(0, 120) ?? '';
  const capo = Math.round(Number(field('capo')[0] ?? descend(root, 'capo')?.text ?? 0)) || 0;
  const sections = sectionsOf(bars, { time, key, tempoBpm }, patternOf, patterns);
  const order = field('order')[0]?.split(' ');
  return {
    ...EMPTY_PIECE,
    title,
    by,
    key,
    time,
    tempoBpm,
    swing: swing === '2' ? 'full' : swing === '3' ? 'light' : 'straight',
    capo: Math.min(PIECE_LIMITS.capo, Math.max(0, capo)),
    patterns,
    sections,
    ...(order?.every((name) => sections.some((one) => one.name === name)) ? { order } : {}),
  };
}

function descend(of: Element, name: string): Element | undefined {
  for (const one of of.children) {
    const found = one.name === name ? one : descend(one, name);
    if (found) return found;
  }
  return undefined;
}

/** A section begins at a rehearsal mark and where a repeat begins or has ended. */
function sectionsOf(
  bars: readonly DraftBar[],
  start: { time: TimeSignature; key: string; tempoBpm: number },
  patternOf: ReadonlyMap<string, string>,
  patterns: readonly StrokePattern[],
): Section[] {
  const sections: { name: string; times: number; bars: PieceBar[]; pattern?: string }[] = [];
  let { time, key, tempoBpm } = start;
  bars.forEach((bar, i) => {
    const before = bars[i - 1];
    const ended = before !== undefined && before.backward > 0 && bar.ending === null;
    const endedSecond = before?.ending === 2 && bar.ending === null;
    if (i === 0 || bar.rehearsal !== null || bar.forward || ended || endedSecond) {
      const name = sectionName(bar.rehearsal, sections.length, sections);
      const pattern = patternOf.get(name);
      sections.push({
        name,
        times: 1,
        bars: [],
        ...(pattern !== undefined && patterns.some((one) => one.name === pattern) ? { pattern } : {}),
      });
    }
    const section = sections[sections.length - 1];
    if (bar.backward > 0) section.times = bar.backward;
    section.bars.push({
      ...(bar.time && (bar.time.beats !== time.beats || bar.time.unit !== time.unit)
        ? { time: bar.time }
        : {}),
      ...(bar.tempoBpm !== null && bar.tempoBpm !== tempoBpm ? { tempoBpm: bar.tempoBpm } : {}),
      ...(bar.key !== null && bar.key !== key ? { key: bar.key } : {}),
      chords: [...bar.chords].sort((a, b) => a.tick - b.tick),
      ...(bar.melody.length ? { melody: bar.melody } : {}),
      ...(bar.ending === null ? {} : { ending: bar.ending }),
    });
    time = bar.time ?? time;
    key = bar.key ?? key;
    tempoBpm = bar.tempoBpm ?? tempoBpm;
  });
  // An ending in a section that is played once would never be left.
  for (const section of sections)
    if (section.times < 2) section.bars = section.bars.map(({ ending: _, ...bar }) => bar);
  return sections;
}

function sectionName(mark: string | null, index: number, known: readonly { name: string }[]): string {
  const plain = (mark ?? '')
    .replace(/[^\p{L}\d'-]+/gu, '')
    .replace(/^['-]+/, '')
    .slice(0, 20);
  let name = plain || String.fromCodePoint(65 + (index % 26));
  for (let n = 2; known.some((one) => one.name === name); n++) name = `${plain || 'S'}${n}`;
  return name;
}
