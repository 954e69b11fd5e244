/**
 * What others play while a drill is played, without what is practised: whatever it has beside the hand's own part, a bass and
 * chords by the chords it names, or the drone of its root. A bass note where a chord begins, its fifth in the middle of a bar
 * of four, the chord between (our choice: the plainest that says where one is).
 */
import { pitchAt, type Instrument } from '../fretboard/instrument';
import type { Bar, Score, ScoreEvent, ScoreNote } from '../score/score';
import { TICKS_A_BEAT, ticksOf } from '../score/ticks';
import { parseChord, type Chord } from '../theory/chord';
import { mod12, noteText, pitchClassOf, type NoteName } from '../theory/note';
import { instrumentFor } from './drill';
import { droneBar, fingersFor, heardChord, lyingNearest } from './heard-notes';
import { rootOf } from './make-drill';
import type { Drill } from './recipe';

/** What can be heard of a drill: all of it, all of it with others, others alone, or the click alone. */
export const HEARD = ['drill', 'together', 'backing', 'click'] as const;
export type Heard = (typeof HEARD)[number];

/** A chord between strikes of the bass is damped after this share of a beat. */
const SHORT = 0.6;

type Parts = Score['parts'];

/** What may be chosen to hear of a drill for an instrument. Nothing plays along with a quiz, nor with strings heard one by one. */
export function heardChoices(drill: Drill, instrument: Instrument): readonly Heard[] {
  if (drill.judged === 'calls' || drill.judged === 'strings') return ['drill'];
  // Played freely over its own ground: that is the backing.
  if (drill.bounds) return ['drill', 'click'];
  const backing = backingOf(drill, instrument);
  if (!backing) return ['drill', 'click'];
  // What a drill has beside the hand's own part is heard with it anyway.
  return drill.score.parts.length > 1 ? ['drill', 'backing', 'click'] : HEARD;
}

/** The score to be heard; what cannot be had of this drill is the drill itself. */
export function heardScore(drill: Drill, instrument: Instrument, heard: Heard): Score {
  const { score } = drill;
  if (heard === 'drill' || !heardChoices(drill, instrument).includes(heard)) return score;
  if (heard === 'click') return { ...score, parts: score.parts.slice(0, 1).map(silent) };
  const backing = backingOf(drill, instrument) ?? [];
  return { ...score, parts: heard === 'together' ? [...score.parts, ...backing] : backing };
}

const silent = (part: Parts[number]): Parts[number] => ({
  ...part,
  bars: part.bars.map((bar) => ({ ...bar, events: [] })),
});

/** Null where nothing says what to play: no chord and no root, or a tuning on which it does not lie. */
function backingOf(drill: Drill, own: Instrument): Parts | null {
  const [hand, ...others] = drill.score.parts;
  if (others.length) return others;
  const instrument = instrumentFor(drill, own);
  const harmony = harmonyOf(drill);
  if (harmony.length) {
    const bars = chordBars(harmony, hand.bars, instrument);
    return bars.some((bar) => bar.events.length) ? [{ name: 'backing', bars }] : null;
  }
  const root = rootOf(drill.recipe);
  const drone = root && droneBar(root, 1, instrument)?.events[0];
  if (!drone) return null;
  const bars = hand.bars.map((bar) => ({ ...bar, events: [{ ...drone, ticks: ticksOf(bar.beats) }] }));
  return [{ name: 'backing', bars }];
}

interface Sounding {
  readonly chord: Chord;
  /** Ticks, of the whole or of a bar. */
  readonly from: number;
  readonly to: number;
}

/** The chords under a drill: those of its piece, or each that its score names until the next. */
function harmonyOf({ harmony, score }: Drill): Sounding[] {
  let start = 0;
  const named: { startTick: number; chord: string }[] = [];
  for (const bar of score.parts[0].bars) {
    for (const { tick, chord } of bar.events)
      if (chord !== undefined) named.push({ startTick: start + tick, chord });
    start += ticksOf(bar.beats);
  }
  const spans =
    harmony ?? named.map((one, i) => ({ ...one, ticks: (named[i + 1]?.startTick ?? start) - one.startTick }));
  return spans.flatMap(({ startTick, ticks, chord }) => {
    const read = parseChord(chord);
    return read.ok ? [{ chord: read.value, from: startTick, to: startTick + ticks }] : [];
  });
}

function chordBars(harmony: readonly Sounding[], bars: readonly Bar[], instrument: Instrument): Bar[] {
  let start = 0;
  return bars.map((bar) => {
    const begins = start;
    const ends = (start += ticksOf(bar.beats));
    const here = harmony.filter(({ from, to }) => from < ends && to > begins);
    return {
      ...bar,
      events: here.flatMap(({ chord, from, to }) =>
        struck(
          { chord, from: Math.max(from, begins) - begins, to: Math.min(to, ends) - begins },
          bar,
          instrument,
        ),
      ),
    };
  });
}

/** One chord of a bar, beat by beat. */
function struck({ chord, from, to }: Sounding, bar: Bar, instrument: Instrument): ScoreEvent[] {
  const notes = heardChord(chord, instrument);
  if (!notes.length) return [];
  const compound = bar.unit === 8 && bar.beats % 3 === 0;
  const beats: number[] = [from];
  for (let tick = TICKS_A_BEAT * (Math.floor(from / TICKS_A_BEAT) + 1); tick < to; tick += TICKS_A_BEAT)
    beats.push(tick);
  // Nothing else says what a chord is that lasts a beat.
  if (beats.length === 1) return [{ tick: from, ticks: to - from, notes, stroke: 'strum' }];
  const low = bassOf(chord.bass ?? chord.root, instrument);
  const fifth = chord.tones.find((tone) => /5$/.test(tone.degree));
  const under = fifth && !chord.bass ? bassOf(fifth.note, instrument) : null;
  return beats.flatMap((tick): ScoreEvent[] => {
    const beat = tick / TICKS_A_BEAT;
    const next = Math.min(to, TICKS_A_BEAT * (Math.floor(beat) + 1));
    const short = Math.min(next - tick, ticksOf(SHORT));
    const bass = (note: ScoreNote | null): ScoreEvent[] =>
      note ? [{ tick, ticks: next - tick, notes: [note], stroke: 'pick' }] : [];
    if (tick === from) return bass(low);
    if (compound && beat % 3 === 1) return [];
    if (compound ? beat % 3 === 0 : bar.beats === 4 && beat === 2) return bass(under ?? low);
    return [{ tick, ticks: short, notes, stroke: 'strum' }];
  });
}

/** The lowest place of a note; null on a tuning that has none. */
function bassOf(note: NoteName, instrument: Instrument): ScoreNote | null {
  const lowest = Math.min(...instrument.openPitches.map((_, s) => pitchAt(instrument, s, 0)));
  const places = lyingNearest([lowest + mod12(pitchClassOf(note) - lowest)], instrument);
  return places ? { ...places[0], finger: fingersFor(places)[0], name: noteText(note) } : null;
}
