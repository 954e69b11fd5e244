/**
 * What sounds when: a score and its count-in as a list of clicks and plucks in seconds from the start. Times
 * are absolute, so whoever plays them against an audio clock never adds up rounding. A strum spreads its
 * strings, thickest first, over a few hundredths of a second (assumption: 12 ms a string).
 */
import type { Instrument } from '../fretboard/instrument';
import { soundingMidi, type Score } from '../score/score';
import { beatsOf } from '../score/ticks';
import { goesUp } from '../score/struck-strings';
import type { Touch } from './pluck';
import { SHORT_SECONDS, STRUCK } from './struck';

export interface ClickSound {
  readonly kind: 'click';
  readonly atSeconds: number;
  readonly accent: boolean;
  /** Beat of the bar from 0; negative while counting in. */
  readonly beat: number;
}

export interface PluckSound {
  readonly kind: 'pluck';
  readonly atSeconds: number;
  readonly seconds: number;
  readonly midiPitch: number;
  readonly stringIndex: number;
  readonly fret: number;
  readonly touch: Touch;
  /** 0 to 1; a plain stroke is .8. */
  readonly level: number;
}

export type Sound = ClickSound | PluckSound;

/** How loud a note is that is hammered, pulled, slid or bent to, against a struck one (assumption). */
const SLURRED = 0.7;
export const STRUM_SPREAD_SECONDS = 0.012;

/** Sounds in time order. `tempoBpm` 20 to 300 replaces the score's own. */
export function soundSchedule(score: Score, instrument: Instrument, tempoBpm = score.tempoBpm): Sound[] {
  if (!(tempoBpm >= 20 && tempoBpm <= 300)) throw new RangeError(`tempo ${tempoBpm} out of 20 to 300`);
  const beatSeconds = 60 / tempoBpm;
  const swingAt = score.swingAt ?? 0.5;
  /** Seconds of a beat of the whole, swung within its beat. */
  const clock = (beat: number): number => {
    const whole = Math.floor(beat + 1e-9);
    const part = Math.max(0, beat - whole);
    const swung = part < 0.5 ? part * 2 * swingAt : swingAt + (part - 0.5) * 2 * (1 - swingAt);
    return (whole + swung) * beatSeconds;
  };
  const sounds: Sound[] = [];
  for (let beat = 0; beat < score.countInBeats; beat++) {
    sounds.push({
      kind: 'click',
      atSeconds: clock(beat),
      accent: beat === 0,
      beat: beat - score.countInBeats,
    });
  }
  let barStart = score.countInBeats;
  for (const [b, bar] of (score.parts[0]?.bars ?? []).entries()) {
    for (let beat = 0; beat < bar.beats; beat++)
      sounds.push({ kind: 'click', atSeconds: clock(barStart + beat), accent: beat === 0, beat });
    // Other parts sound with the first one, whose bars are theirs.
    for (const event of score.parts.flatMap((part) => part.bars[b]?.events ?? [])) {
      const struck = event.notes.filter((note) => !note.tied);
      const { hand } = event;
      const strum = event.stroke === 'strum' ? (typeof hand === 'string' ? hand : 'down') : null;
      const { level, touch } = STRUCK[strum ?? 'down'];
      const inOrder = strum && goesUp(strum) ? [...struck].reverse() : struck;
      const atSeconds = clock(barStart + beatsOf(event.tick));
      const seconds = Math.max(0.15, clock(barStart + beatsOf(event.tick + event.ticks)) - atSeconds);
      inOrder.forEach((note, order) => {
        sounds.push({
          kind: 'pluck',
          atSeconds: atSeconds + (strum ? order * STRUM_SPREAD_SECONDS : 0),
          seconds: touch === 'ring' ? seconds : Math.min(seconds, SHORT_SECONDS),
          midiPitch: soundingMidi(note, instrument),
          stringIndex: note.stringIndex,
          fret: note.fret,
          touch,
          // What is not struck anew sounds softer.
          level: note.by ? SLURRED * level : level,
        });
      });
    }
    barStart += bar.beats;
  }
  return sounds.sort((a, b) => a.atSeconds - b.atSeconds);
}
