/** Calls answered by one of several words: a right one among those that are usually mixed up with it, each heard after. */
import type { Reason } from '../effort/explain';
import { pitchAt, type Instrument } from '../fretboard/instrument';
import type { DrillContext } from '../hands/taught-hand';
import type { Random } from '../kernel/random';
import type { Bar, ScoreEvent } from '../score/score';
import { TICKS_A_BEAT, ticksOf } from '../score/ticks';
import { mod12, noteText, pitchClassOf, type Letter, type NoteName } from '../theory/note';
import { BEATS_A_CALL, shuffled, type CallsPlan } from './calls';
import type { Answer, DrillStep, Slip } from './drill';
import type { Item } from './items';

export interface Asked {
  readonly item: Item;
  readonly ask: Reason;
  readonly right: string;
  /** Wrong choices with what each mixes up, the likeliest slip first; those equal to the right one are passed over. */
  readonly wrong: readonly (readonly [choice: string, slip: Slip])[];
  /** Heard once it is answered: notes from the lowest up, or a bar of four beats. */
  readonly heard: readonly NoteName[] | Bar;
}

const CHOICES = 4;
/** Beats a minute of what is heard after an answer. */
const HEARD_BPM = 84;
/** The lowest pitch of what is heard: the open string 5. */
const LOWEST = 45;

/** Steps and bars of questions, each a bar long; choices in a drawn order. */
export function choiceCalls(
  asked: readonly Asked[],
  random: Random,
  { instrument }: DrillContext,
): Pick<CallsPlan, 'steps' | 'bars' | 'heardBpm'> {
  const steps = asked.map((one, i): DrillStep => ({
    item: one.item,
    ask: one.ask,
    answer: answerOf(one, random),
    startTick: ticksOf(i * BEATS_A_CALL),
    ticks: ticksOf(BEATS_A_CALL),
  }));
  const bars = asked.map(({ heard }) => ('events' in heard ? heard : heardNotes(heard, instrument)));
  return { steps, bars, heardBpm: HEARD_BPM };
}

function answerOf({ right, wrong }: Asked, random: Random): Answer {
  const others = new Map(wrong.filter(([choice]) => choice !== right));
  const taken = [...others].slice(0, CHOICES - 1);
  return {
    kind: 'choice',
    choices: shuffled([right, ...taken.map(([choice]) => choice)], random),
    right,
    slips: Object.fromEntries(taken),
  };
}

/** Notes one after the other, rising, each where it lies lowest on the neck. */
export function heardNotes(notes: readonly NoteName[], instrument: Instrument): Bar {
  const each = Math.floor((BEATS_A_CALL * TICKS_A_BEAT) / Math.max(BEATS_A_CALL, notes.length));
  const open = instrument.openPitches.map((_, s) => pitchAt(instrument, s, 0));
  const highest = instrument.frets - instrument.capo;
  let below = Math.max(LOWEST, Math.min(...open)) - 1;
  return {
    beats: BEATS_A_CALL,
    events: notes.flatMap((note, i): ScoreEvent[] => {
      const pitch = below + 1 + mod12(pitchClassOf(note) - below - 1);
      const places = open.map((from, s) => ({ stringIndex: s, fret: pitch - from }));
      const place = places
        .filter(({ fret }) => fret >= 0 && fret <= highest)
        .reduce<(typeof places)[number] | null>(
          (best, one) => (best && best.fret <= one.fret ? best : one),
          null,
        );
      if (!place) return [];
      below = pitch;
      const finger = place.fret === 0 ? 0 : ((((place.fret - 1) % 4) + 1) as 1 | 2 | 3 | 4);
      return [
        { tick: i * each, ticks: each, stroke: 'pick', notes: [{ ...place, finger, name: noteText(note) }] },
      ];
    }),
  };
}

const LETTERS = 'CDEFGAB';
/** The same sound by the letter above or below, with one sign at most; null where nobody writes that. */
export function respelled(note: NoteName): NoteName | null {
  const at = LETTERS.indexOf(note.letter);
  for (const by of [1, -1]) {
    const letter = LETTERS[(at + by + 7) % 7] as Letter;
    const off = mod12(pitchClassOf(note) - pitchClassOf({ letter, accidental: 0 }) + 6) - 6;
    if (Math.abs(off) <= 1) return { letter, accidental: off };
  }
  return null;
}

/** The same letter a half step up or down: towards the natural where it has a sign. */
export const altered = ({ letter, accidental }: NoteName): NoteName => ({
  letter,
  accidental: accidental > 0 ? accidental - 1 : accidental < 0 ? accidental + 1 : -1,
});
