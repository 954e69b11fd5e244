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
type Engrave = (
  into: HTMLElement,
  bars: readonly StaffBar[],
  fifths: number,
  wanted: () => boolean,
) => Promise<void>;

const FIRST_BAR = 96;
const BEAT = 38;
/** Room for one note, however short. */
const NOTE = 26;
const HEIGHT = 142;
/** Room for a sign of the signature, and the signatures by name: from seven flats to seven sharps. */
const SIGN = 11;
const SIGNATURES = ['Cb', 'Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#'];
const CLEF_TOP = 4;
const MARGIN = 4;
/** Half the height of a bracket's number, and what an accent takes over a note. */
const BRACKET = 10;
const ACCENT = 18;

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

/** Makes the sheet as high as what stands on it: stems, brackets, accents and ledger lines, over the staff and under it. */
function fitHeight(svg: SVGSVGElement, width: number, marks: readonly number[]): void {
  const top = Math.min(0, Math.floor(Math.min(...marks)) - MARGIN);
  const high = Math.max(HEIGHT, Math.ceil(Math.max(...marks)) + MARGIN) - top;
  svg.setAttribute('viewBox', `0 ${top} ${width} ${high}`);
  svg.style.height = `${high}px`;
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
    return async (into, bars, fifths, wanted) => {
      const signature = SIGNATURES[fifths + 7] ?? 'C';
      const sheet = document.createElement('div');
      sheet.style.cssText = 'position: absolute; visibility: hidden';
      into.append(sheet);
      const lines = bars.map(writtenNotes);
      const widths = bars.map((bar, i) => {
        const timed = i === 0 || timeText(bar) !== timeText(bars[i - 1]);
        const room = Math.max((bar.beats * BEAT * 4) / (bar.unit ?? 4), lines[i].length * NOTE);
        return room + 24 + (i === 0 ? FIRST_BAR + SIGN * Math.abs(fifths) : timed ? 30 : 0);
      });
      const renderer = new Renderer(sheet, Renderer.Backends.SVG);
      const width = widths.reduce((sum, one) => sum + one, 12);
      renderer.resize(width, HEIGHT);
      const context = renderer.getContext();
      context.setFillStyle('currentColor');
      context.setStrokeStyle('currentColor');
      /** Heights at which something ends, for the size of the sheet. */
      const marks: number[] = [];
      let x = 4;
      let before: InstanceType<typeof StaveNote> | null = null;
      for (const [i, bar] of bars.entries()) {
        if (i > 0) await new Promise<void>((resolve) => afterPaint(resolve));
        if (!wanted()) return sheet.remove();
        const stave = new Stave(x, CLEF_TOP, widths[i]);
        if (i === 0) stave.addClef('treble', 'default', '8vb').addKeySignature(signature);
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
        notes.forEach((note, n) => {
          marks.push(...note.getYs());
          if (note.isRest()) return;
          const { topY, baseY } = note.getStemExtents();
          const over = line[n].event.accented ? ACCENT : 0;
          marks.push(Math.min(topY, baseY, ...note.getYs()) - over, Math.max(topY, baseY));
        });
        for (const tuplet of tuplets) {
          const at = tuplet.getYPosition();
          marks.push(at - BRACKET, at + 2 * BRACKET);
        }
        before = notes[notes.length - 1] ?? before;
        x += widths[i];
      }
      const svg = sheet.querySelector('svg');
      if (svg) fitHeight(svg, width, marks);
      sheet.style.cssText = '';
      into.replaceChildren(sheet);
    };
  }));
}
