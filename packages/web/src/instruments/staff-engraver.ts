/** Draws the core's staff bars with VexFlow as SVG in the colour of the text around it. */
import {
  writtenValues,
  type NoteValue,
  type StaffBar,
  type StaffEvent,
  type WrittenValue,
} from '@finch/core/score';
import { noteText } from '@finch/core/theory';
import { afterPaint } from '../app/stages';

/** Bar by bar, a frame each, out of sight until the last stands; given up where `wanted` says no meanwhile. */
type Engrave = (into: HTMLElement, bars: readonly StaffBar[], wanted: () => boolean) => Promise<void>;

const FIRST_BAR = 96;
const BEAT = 38;
/** Room for one note, however short. */
const NOTE = 26;
const HEIGHT = 142;
const CLEF_TOP = 4;

/** VexFlow's names of note values, a share of a whole note each. */
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
}

/** A bar as notes to be drawn one after the other; a rest is never tied. */
function writtenNotes(bar: StaffBar): WrittenNote[] {
  const values = writtenValues({ beats: bar.beats, unit: bar.unit ?? 4 }, bar.events);
  return values.map((one, i) => {
    const event = bar.events[one.of];
    const goesOn = values[i - 1]?.of === one.of || event.tied === true;
    return { ...one, event, tied: event.notes.length > 0 && goesOn };
  });
}

/** Pixels a staff goes down for what stands high over it, in steps of half a staff space from its top line, F5. */
function roomAbove(bars: readonly StaffBar[]): number {
  const steps = bars.flatMap((bar) =>
    bar.events.flatMap((event) =>
      event.notes.map(({ written }) => 7 * written.octave + 'CDEFGAB'.indexOf(written.note.letter)),
    ),
  );
  return Math.max(0, 5 * (Math.max(0, ...steps) - (7 * 5 + 3)) - 14);
}

const timeText = (bar: StaffBar): string => `${bar.beats}/${bar.unit ?? 4}`;

let loading: Promise<Engrave> | null = null;

/** The engraver, loaded once: it and its font are large, so no view pays for it before it shows a staff. */
export function loadStaff(): Promise<Engrave> {
  return (loading ??= import('vexflow/bravura').then(async (vexflow) => {
    const { Accidental, Articulation, Barline, Beam, Dot, Formatter, Renderer } = vexflow;
    const { Fraction, Stave, StaveNote, StaveTie, Tuplet, Voice } = vexflow;
    await document.fonts?.ready;
    const engraved = ({ event, value, dots, tied }: WrittenNote) => {
      const duration = DURATIONS[value];
      const rest = event.notes.length === 0;
      // Strings struck without ringing have crosses for heads.
      const head = event.muffled ? '/x2' : '';
      const keys = event.notes.map(
        ({ written }) => `${noteText(written.note).toLowerCase()}/${written.octave}${head}`,
      );
      const note = new StaveNote({
        keys: rest ? ['b/4'] : keys,
        duration: rest ? `${duration}r` : duration,
        dots,
        autoStem: true,
      });
      for (let dot = 0; dot < dots; dot++) Dot.buildAndAttach([note], { all: true });
      if (event.accented && !tied) note.addModifier(new Articulation('a>').setPosition(3), 0);
      return note;
    };
    return async (into, bars, wanted) => {
      const sheet = document.createElement('div');
      sheet.style.cssText = 'position: absolute; visibility: hidden';
      into.append(sheet);
      const lines = bars.map(writtenNotes);
      const widths = bars.map((bar, i) => {
        const timed = i === 0 || timeText(bar) !== timeText(bars[i - 1]);
        const room = Math.max((bar.beats * BEAT * 4) / (bar.unit ?? 4), lines[i].length * NOTE);
        return room + 24 + (i === 0 ? FIRST_BAR : timed ? 30 : 0);
      });
      const above = roomAbove(bars);
      const renderer = new Renderer(sheet, Renderer.Backends.SVG);
      renderer.resize(
        widths.reduce((sum, width) => sum + width, 12),
        HEIGHT + above,
      );
      const context = renderer.getContext();
      context.setFillStyle('currentColor');
      context.setStrokeStyle('currentColor');
      let x = 4;
      let before: InstanceType<typeof StaveNote> | null = null;
      for (const [i, bar] of bars.entries()) {
        if (i > 0) await new Promise<void>((resolve) => afterPaint(resolve));
        if (!wanted()) return sheet.remove();
        const stave = new Stave(x, CLEF_TOP + above, widths[i]);
        if (i === 0) stave.addClef('treble', 'default', '8vb');
        if (i === 0 || timeText(bar) !== timeText(bars[i - 1])) stave.addTimeSignature(timeText(bar));
        if (i === bars.length - 1) stave.setEndBarType(Barline.type.END);
        stave.setContext(context).draw();
        const line = lines[i];
        const notes = line.map(engraved);
        const brackets = [...new Set(line.flatMap((one) => one.tuplet ?? []))];
        const tuplets = brackets.map((one) => {
          const inside = notes.filter((_, n) => line[n].tuplet === one);
          return new Tuplet(inside, { numNotes: one.actual, notesOccupied: one.normal });
        });
        const voice = new Voice({ numBeats: bar.beats, beatValue: bar.unit ?? 4 }).setStrict(false);
        voice.addTickables(notes);
        Accidental.applyAccidentals([voice], 'C');
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
          const from = n > 0 ? notes[n - 1] : before;
          if (!line[n].tied) return;
          const indexes = line[n].event.notes.map((_, k) => k);
          new StaveTie({
            ...(from ? { firstNote: from } : {}),
            lastNote: note,
            firstIndexes: indexes,
            lastIndexes: indexes,
          })
            .setContext(context)
            .draw();
        });
        before = notes[notes.length - 1] ?? before;
        x += widths[i];
      }
      sheet.style.cssText = '';
      into.replaceChildren(sheet);
    };
  }));
}
