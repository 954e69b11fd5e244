/** Draws the core's staff bars with VexFlow as SVG in the colour of the text around it. */
import type { StaffBar, StaffEvent } from '@finch/core/score';
import { noteText } from '@finch/core/theory';

type Engrave = (into: HTMLElement, bars: readonly StaffBar[]) => void;

const DURATIONS: readonly (readonly [beats: number, duration: string, dots: number])[] = [
  [4, 'w', 0],
  [3, 'h', 1],
  [2, 'h', 0],
  [1, 'q', 0],
  [0.5, '8', 0],
];
const FIRST_BAR = 96;
const BEAT = 38;
const HEIGHT = 142;
const CLEF_TOP = 4;

/** An event as durations that can be written: 3.5 beats are a dotted half and an eighth. */
export function durationsOf(beats: number): { duration: string; dots: number }[] {
  const out: { duration: string; dots: number }[] = [];
  let left = beats;
  for (const [length, duration, dots] of DURATIONS)
    while (left >= length - 1e-9) {
      out.push({ duration, dots });
      left -= length;
    }
  return out;
}

let loading: Promise<Engrave> | null = null;

/** The engraver, loaded once: it and its font are large, so no view pays for it before it shows a staff. */
export function loadStaff(): Promise<Engrave> {
  return (loading ??= import('vexflow/bravura').then(async (vexflow) => {
    const { Accidental, Barline, Dot, Formatter, Renderer, Stave, StaveNote, Voice } = vexflow;
    await document.fonts?.ready;
    const notesOf = (event: StaffEvent) =>
      durationsOf(event.beats).map(({ duration, dots }) => {
        const rest = event.notes.length === 0;
        const keys = event.notes.map(
          ({ written }) => `${noteText(written.note).toLowerCase()}/${written.octave}`,
        );
        const note = new StaveNote({
          keys: rest ? ['b/4'] : keys,
          duration: rest ? `${duration}r` : duration,
          dots,
          autoStem: true,
        });
        for (let dot = 0; dot < dots; dot++) Dot.buildAndAttach([note], { all: true });
        return note;
      });
    return (into, bars) => {
      into.replaceChildren();
      const widths = bars.map((bar, i) => bar.beats * BEAT + 24 + (i === 0 ? FIRST_BAR : 0));
      const renderer = new Renderer(into as HTMLDivElement, Renderer.Backends.SVG);
      renderer.resize(
        widths.reduce((sum, width) => sum + width, 12),
        HEIGHT,
      );
      const context = renderer.getContext();
      context.setFillStyle('currentColor');
      context.setStrokeStyle('currentColor');
      let x = 4;
      bars.forEach((bar, i) => {
        const stave = new Stave(x, CLEF_TOP, widths[i]);
        if (i === 0) stave.addClef('treble', 'default', '8vb').addTimeSignature(`${bar.beats}/4`);
        if (i === bars.length - 1) stave.setEndBarType(Barline.type.END);
        stave.setContext(context).draw();
        const voice = new Voice({ numBeats: bar.beats, beatValue: 4 }).setStrict(false);
        voice.addTickables(bar.events.flatMap(notesOf));
        Accidental.applyAccidentals([voice], 'C');
        new Formatter().joinVoices([voice]).formatToStave([voice], stave);
        voice.draw(context, stave);
        x += widths[i];
      });
    };
  }));
}
