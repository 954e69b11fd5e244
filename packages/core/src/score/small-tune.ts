/**
 * A tune over given chords, made by rule: within a tenth, mostly by step; a leap over a third lands on a tone of the chord and
 * turns back by step; what is on the strong beats is of the chord, what is not is come to and left by step; one summit, in
 * the second half; the end on the first degree. These are rules of singable lines as taught since Fux (1725), in our own
 * choice; the same request gives the same tune.
 */
import type { Random } from '../kernel/random';
import type { Chord } from '../theory/chord';
import type { Key } from '../theory/key';
import { LETTERS, pitchClassOf, type NoteName } from '../theory/note';
import { midiOf, type Pitch } from '../theory/pitch';
import { scaleOn } from '../theory/scale';
import type { MelodyNote } from './piece';
import { ticksOf } from './ticks';

export interface TuneBar {
  readonly chord: Chord;
  /** Beats of its notes one after the other. */
  readonly lengths: readonly number[];
  /** Beats, from 0, on which a tone of the chord stands. */
  readonly strong: readonly number[];
  /** The bar whose line this one follows where it can. */
  readonly like?: number;
}

/** A tenth: so many steps of the scale from the lowest note to the highest. */
const WIDEST_STEPS = 9;
/** Steps of the widest leap, a fifth, and of the widest one that need not turn back, a third. */
const LEAP = { most: 4, free: 2 } as const;
/** Lowest sounding pitch of the home note the tune lies around, and the pitches it stays between: a voice of middling compass. */
const HOME_LOW = 55;
const VOICE = { low: 53, high: 78 } as const;
/** Notes tried before another range and summit are drawn, and how often they are. */
const PATIENCE = { notes: 4000, draws: 60 } as const;

interface Slot {
  readonly bar: number;
  readonly at: number;
  readonly length: number;
  readonly strong: boolean;
}

/**
 * Notes of each bar; null where these figures have no tune over these chords.
 * @param bars one chord a bar, the last one on the first degree
 */
export function smallTune(bars: readonly TuneBar[], key: Key, random: Random): MelodyNote[][] | null {
  const slots = bars.flatMap(({ lengths, strong }, bar) => {
    let beat = 0;
    return lengths.map((length, at): Slot => {
      const slot = { bar, at, length, strong: strong.includes(beat) || length >= 2 };
      beat += length;
      return slot;
    });
  });
  const scale = scaleOn(key.tonic, key.mode).notes;
  // In minor the scale takes the chord's own leading tone.
  const steps = bars.map(({ chord }) =>
    scale.map((note) => chord.tones.find((tone) => tone.note.letter === note.letter)?.note ?? note),
  );
  const noteOf = (step: number, bar: number) =>
    steps[bar].find((note) => LETTERS.indexOf(note.letter) === mod7(step)) ?? key.tonic;
  const home = homeStep(key.tonic);
  for (let draw = 0; draw < PATIENCE.draws; draw++) {
    const [lowest, highest] = [home - random.int(1, 4), random.int(6, WIDEST_STEPS)];
    const outer = [lowest, lowest + highest].map((step) => midiOf(pitchOn(step, noteOf(step, 0))));
    if (outer[0] < VOICE.low || outer[1] > VOICE.high) continue;
    const found = lineOf(slots, bars, {
      lowest,
      highest,
      summit: summitSlot(slots, bars.length, random),
      home,
      noteOf,
      random,
    });
    if (found)
      return bars.map((_, bar) => {
        let beat = 0;
        return slots.flatMap((slot, i): MelodyNote[] => {
          if (slot.bar !== bar) return [];
          const tick = ticksOf(beat);
          beat += slot.length;
          return [{ tick, ticks: ticksOf(slot.length), pitch: found[i] }];
        });
      });
  }
  return null;
}

const mod7 = (n: number): number => ((n % 7) + 7) % 7;
/** Steps of the scale are counted by letter, C of the octave MIDI calls 0 as 0. */
const stepOf = ({ note, octave }: Pitch): number => 7 * octave + LETTERS.indexOf(note.letter);
const pitchOn = (step: number, note: NoteName): Pitch => ({ note, octave: Math.floor(step / 7) });

function homeStep(tonic: NoteName): number {
  for (let octave = 2; ; octave++) if (midiOf({ note: tonic, octave }) >= HOME_LOW) return stepOf({ note: tonic, octave }); // prettier-ignore
}

/** A strong note of the second half, before the last two bars. */
function summitSlot(slots: readonly Slot[], bars: number, random: Random): number {
  const able = slots.flatMap(({ bar, strong }, i) =>
    strong && bar >= bars / 2 && bar < bars - 2 ? [i] : [],
  );
  return random.pick(able);
}

interface LineAsked {
  readonly lowest: number;
  /** Steps above the lowest within which the summit lies. */
  readonly highest: number;
  /** Which note is the summit. */
  readonly summit: number;
  readonly home: number;
  readonly noteOf: (step: number, bar: number) => NoteName;
  readonly random: Random;
}

/** One note after the other, back one where none fits; null where patience ends or no line leads to the end. */
function lineOf(slots: readonly Slot[], bars: readonly TuneBar[], asked: LineAsked): Pitch[] | null {
  const { lowest, summit, home, noteOf, random } = asked;
  const last = slots.length - 1;
  const inChord = (step: number, i: number) => {
    const pc = pitchClassOf(noteOf(step, slots[i].bar));
    return bars[slots[i].bar].chord.tones.some((tone) => tone.pitchClass === pc);
  };
  const range = Array.from({ length: asked.highest + 1 }, (_, n) => lowest + n);
  const top = range.findLast((step) => step > home && inChord(step, summit));
  if (top === undefined) return null;
  /** What a note must be by itself, and after the one before. */
  const stands = (step: number, i: number) =>
    (i === summit ? step === top : step < top) &&
    (i !== last || step === home) &&
    ((!slots[i].strong && i > 0) || inChord(step, i));
  const follows = (from: number, to: number, i: number) => {
    const size = Math.abs(to - from);
    if (size > (i === last ? LEAP.free : LEAP.most) || (size > 1 && !inChord(to, i))) return false;
    // What is not of the chord is left by step, as it was come to.
    return size === 1 || inChord(from, i - 1);
  };
  /** Steps at each note from which the end can be come to, two notes looked at at a time. */
  const leads: Set<number>[] = slots.map(() => new Set());
  for (let i = last; i >= 0; i--)
    for (const step of range)
      if (stands(step, i) && (i === last || [...leads[i + 1]].some((next) => follows(step, next, i + 1))))
        leads[i].add(step);
  const line: number[] = [];
  let left: number = PATIENCE.notes;
  const fits = (step: number, i: number): boolean => {
    if (!leads[i].has(step)) return false;
    if (i === 0) return true;
    if (!follows(line[i - 1], step, i)) return false;
    const by = step - line[i - 1];
    const before = i > 1 ? line[i - 1] - line[i - 2] : null;
    if (before === null) return true;
    if (Math.abs(before) > LEAP.free) return Math.abs(by) === 1 && Math.sign(by) !== Math.sign(before);
    return by !== 0 || before !== 0;
  };
  const place = (i: number): boolean => {
    if (i === slots.length) return true;
    const { bar, at } = slots[i];
    const model = bars[bar].like;
    const like = model === undefined ? -1 : slots.findIndex((one) => one.bar === model && one.at === at);
    // Steps before thirds before leaps, each by chance; the bar it is like before all.
    const drawn = range.map((step) => {
      const size = i === 0 ? Math.abs(step - home) / 2 : Math.abs(step - line[i - 1]);
      const wish = step === line[like] ? -9 : size === 0 ? 2.5 : size;
      return { step, wish: wish + 2.5 * random.unit() };
    });
    drawn.sort((a, b) => a.wish - b.wish);
    for (const { step } of drawn) {
      if (--left < 0) return false;
      if (!fits(step, i)) continue;
      line.push(step);
      if (place(i + 1)) return true;
      line.pop();
    }
    return false;
  };
  return place(0) ? line.map((step, i) => pitchOn(step, noteOf(step, slots[i].bar))) : null;
}
