/**
 * Bars on a staff as marks, for the screen and for paper: octave clef, signature, beams, brackets, ties, slurs, accents. What
 * stands there is `score/staff.ts`; where each sign goes is VexFlow's (docs/decisions/0018, 0043). Lengths are pixels at which
 * a staff is 40 high; a line of given width is spread to it.
 */
import {
  Accidental,
  Articulation,
  Barline,
  Beam,
  Curve,
  Dot,
  Formatter,
  Fraction,
  Stave,
  StaveLine,
  StaveNote,
  StaveTie,
  Tuplet,
  Voice,
} from 'vexflow/core';
import { writtenValues, type NoteValue, type WrittenValue } from '../score/notation';
import type { StaffBar, StaffEvent } from '../score/staff';
import type { Mark } from '../shapes/card-drawing';
import { noteText } from '../theory/note';
import { MarkContext, measureByOutlines } from './mark-context';

export interface StaffDrawing {
  readonly width: number;
  /** The highest mark, which may be over the staff: below 0 where it is. */
  readonly top: number;
  readonly height: number;
  readonly marks: readonly Mark[];
  /** Where each bar begins. */
  readonly bars: readonly number[];
}

interface StaffLook {
  /** Sharps of the signature, flats below zero. */
  readonly fifths: number;
  /** Spread to this width; left out, as wide as its notes. */
  readonly width?: number;
  /** Without the end of the piece after the last bar, where another line follows. */
  readonly goesOn?: boolean;
  /** The time of the bar before the first, where a line goes on. */
  readonly timeBefore?: Pick<StaffBar, 'beats' | 'unit'>;
}

const FIRST_BAR = 96;
const BEAT = 38;
/** Room for one note, however short. */
const NOTE = 26;
const BAR_ROOM = 24;
const TIME_ROOM = 30;
/** From the first line of the sheet to the edge, and what a sheet is high at least. */
const EDGE = 4;
const HEIGHT = 142;
/** Room for a sign of the signature, and the signatures by name: from seven flats to seven sharps. */
const SIGN = 11;
const SIGNATURES = ['Cb', 'Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#'];
const CLEF_TOP = 4;
const MARGIN = 4;

/** The engraver's names of note values, a share of a whole note each. */
const DURATIONS: Readonly<Record<NoteValue, string>> = {
  1: 'w',
  2: 'h',
  4: 'q',
  8: '8',
  16: '16',
  32: '32',
  64: '64',
  128: '128',
  256: '256',
};

interface WrittenNote extends WrittenValue {
  readonly event: StaffEvent;
  /** Tied to the note written before it. */
  readonly tied: boolean;
  /** Come to from the note before without being struck. */
  readonly slurred: StaffEvent['slurred'];
}

/** A bar as notes to be drawn one after the other; a rest is never tied. */
function writtenNotes(bar: StaffBar): WrittenNote[] {
  const values = writtenValues({ beats: bar.beats, unit: bar.unit ?? 4 }, bar.events);
  return values.map((one, i) => {
    const event = bar.events[one.of];
    const same = values[i - 1]?.of === one.of;
    const goesOn = same || event.tied === true;
    return {
      ...one,
      event,
      tied: event.notes.length > 0 && goesOn,
      slurred: same ? undefined : event.slurred,
    };
  });
}

const timeText = (bar: Pick<StaffBar, 'beats' | 'unit'>): string => `${bar.beats}/${bar.unit ?? 4}`;

/** How wide bars are without being spread: the first with its clef and signature. */
function barWidths(bars: readonly StaffBar[], { fifths, timeBefore }: StaffLook): number[] {
  return bars.map((bar, i) => {
    const before = i === 0 ? timeBefore : bars[i - 1];
    const timed = !before || timeText(bar) !== timeText(before);
    const room = Math.max((bar.beats * BEAT * 4) / (bar.unit ?? 4), writtenNotes(bar).length * NOTE);
    const clef = i === 0 ? FIRST_BAR - TIME_ROOM + SIGN * Math.abs(fifths) : 0;
    return room + BAR_ROOM + clef + (timed ? TIME_ROOM : 0);
  });
}

function engraved({ event, value, dots, tied }: WrittenNote): StaveNote {
  const rest = event.notes.length === 0;
  // Strings struck without ringing have crosses for heads.
  const head = event.muffled ? '/x2' : '';
  const keys = event.notes.map(
    ({ written }) => `${noteText(written.note).toLowerCase()}/${written.octave}${head}`,
  );
  const duration = DURATIONS[value];
  const note = new StaveNote({
    keys: rest ? ['b/4'] : keys,
    duration: rest ? `${duration}r` : duration,
    dots,
    autoStem: true,
  });
  for (let dot = 0; dot < dots; dot++) Dot.buildAndAttach([note], { all: true });
  if (event.accented && !tied) note.addModifier(new Articulation('a>').setPosition(3), 0);
  return note;
}

/** What joins a note to the one before: a tie, a slur over one that is not struck, a line where a finger slides. */
function join(from: StaveNote | null, to: StaveNote, line: WrittenNote, context: MarkContext): void {
  if (line.tied) {
    const indexes = line.event.notes.map((_, k) => k);
    const first = from ? { firstNote: from } : {};
    new StaveTie({ ...first, lastNote: to, firstIndexes: indexes, lastIndexes: indexes })
      .setContext(context)
      .draw();
    return;
  }
  if (!line.slurred || !from) return;
  context.openGroup('slur');
  new Curve(from, to, { cps: [{ x: 0, y: 10 }, { x: 0, y: 10 }] }).setContext(context).draw(); // prettier-ignore
  context.closeGroup();
  if (line.slurred !== 'slide') return;
  context.openGroup('slide');
  new StaveLine({ firstNote: from, lastNote: to, firstIndexes: [0], lastIndexes: [0] })
    .setContext(context)
    .draw();
  context.closeGroup();
}

/** How high and how low a mark goes; a curve stays within the points that draw it. */
function heightsOf(mark: Mark): number[] {
  if (mark.kind === 'circle') return [mark.y - mark.r, mark.y + mark.r];
  if (mark.kind === 'rect') return [mark.y, mark.y + mark.h];
  if (mark.kind !== 'path') return [];
  return [...mark.d.matchAll(/[-\d.]+ ([-\d.]+)/g)].map((point) => Number(point[1]));
}

/** The bars of one line. */
export function engrave(bars: readonly StaffBar[], look: StaffLook): StaffDrawing {
  measureByOutlines();
  const { fifths, timeBefore, goesOn } = look;
  const signature = SIGNATURES[fifths + 7] ?? 'C';
  const own = barWidths(bars, look);
  const sum = own.reduce((whole, one) => whole + one, 0);
  const spread = look.width === undefined ? 1 : (look.width - 2 * EDGE) / sum;
  const context = new MarkContext();
  const starts: number[] = [];
  let x = EDGE;
  let before: StaveNote | null = null;
  bars.forEach((bar, i) => {
    const width = own[i] * spread;
    starts.push(x);
    const stave = new Stave(x, CLEF_TOP, width);
    const last = i === 0 ? timeBefore : bars[i - 1];
    if (i === 0) stave.addClef('treble', 'default', '8vb').addKeySignature(signature);
    if (!last || timeText(bar) !== timeText(last)) stave.addTimeSignature(timeText(bar));
    if (i === bars.length - 1 && !goesOn) stave.setEndBarType(Barline.type.END);
    stave.setContext(context).draw();
    const line = writtenNotes(bar);
    const notes = line.map(engraved);
    const brackets = [...new Set(line.flatMap((one) => one.tuplet ?? []))];
    const tuplets = brackets.map((one) => {
      const inside = notes.filter((_, n) => line[n].tuplet === one);
      return new Tuplet(inside, { numNotes: one.actual, notesOccupied: one.normal });
    });
    const voice = new Voice({ numBeats: bar.beats, beatValue: bar.unit ?? 4 }).setStrict(false);
    voice.addTickables(notes);
    Accidental.applyAccidentals([voice], signature);
    const compound = (bar.unit ?? 4) === 8 && bar.beats % 3 === 0;
    const beams = Beam.generateBeams(notes, {
      groups: [compound ? new Fraction(3, 8) : new Fraction(1, 4)],
      maintainStemDirections: false,
    });
    new Formatter().joinVoices([voice]).formatToStave([voice], stave);
    voice.draw(context, stave);
    for (const beam of beams) beam.setContext(context).draw();
    for (const tuplet of tuplets) tuplet.setContext(context).draw();
    notes.forEach((note, n) => {
      join(n > 0 ? notes[n - 1] : before, note, line[n], context);
    });
    before = notes[notes.length - 1] ?? before;
    x += width;
  });
  const heights = context.marks.flatMap(heightsOf);
  const top = Math.min(0, Math.floor(Math.min(...heights)) - MARGIN);
  const height = Math.max(HEIGHT, Math.ceil(Math.max(...heights)) + MARGIN) - top;
  return { width: x + EDGE, top, height, marks: context.marks, bars: starts };
}

/** Bars in lines of one width, as many in each as go without crowding; the last is as wide as its bars. */
export function staffLines(bars: readonly StaffBar[], fifths: number, width: number): StaffDrawing[] {
  const lines: StaffBar[][] = [];
  for (const bar of bars) {
    const line = lines[lines.length - 1] ?? [];
    const look = { fifths, timeBefore: lines[lines.length - 2]?.at(-1) };
    const wide = barWidths([...line, bar], look).reduce((sum, one) => sum + one, 2 * EDGE);
    if (line.length === 0 || wide > width) lines.push([bar]);
    else line.push(bar);
  }
  return lines.map((line, i) => {
    const look = { fifths, timeBefore: lines[i - 1]?.at(-1), goesOn: i < lines.length - 1 };
    const own = barWidths(line, look).reduce((sum, one) => sum + one, 2 * EDGE);
    return engrave(line, { ...look, width: look.goesOn ? width : Math.min(width, own) });
  });
}
