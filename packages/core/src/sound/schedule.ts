/**
 * What sounds when: a score and its count-in as a list of clicks and plucks in seconds from the start. Times
 * are absolute, so whoever plays them against an audio clock never adds up rounding. A strum spreads its
 * strings, thickest first, over a few hundredths of a second (assumption: 12 ms a string).
 */
import { pitchAt, type Instrument } from '../fretboard/instrument';
import type { Score } from '../score/score';
import type { Touch } from './pluck';

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

export const PLAIN_LEVEL = 0.8;

export type Sound = ClickSound | PluckSound;

export const STRUM_SPREAD_SECONDS = 0.012;

/** Sounds in time order. `tempoBpm` 20 to 300 replaces the score's own. */
export function soundSchedule(score: Score, instrument: Instrument, tempoBpm = score.tempoBpm): Sound[] {
  if (!(tempoBpm >= 20 && tempoBpm <= 300)) throw new RangeError(`tempo ${tempoBpm} out of 20 to 300`);
  const beatSeconds = 60 / tempoBpm;
  const sounds: Sound[] = [];
  for (let beat = 0; beat < score.countInBeats; beat++) {
    sounds.push({
      kind: 'click',
      atSeconds: beat * beatSeconds,
      accent: beat === 0,
      beat: beat - score.countInBeats,
    });
  }
  let barStart = score.countInBeats;
  for (const bar of score.parts[0]?.bars ?? []) {
    for (let beat = 0; beat < bar.beats; beat++) {
      sounds.push({ kind: 'click', atSeconds: (barStart + beat) * beatSeconds, accent: beat === 0, beat });
    }
    for (const event of bar.events) {
      const struck = event.notes.filter((note) => !note.tied);
      struck.forEach((note, order) => {
        const delay = event.stroke === 'strum' ? order * STRUM_SPREAD_SECONDS : 0;
        sounds.push({
          kind: 'pluck',
          atSeconds: (barStart + event.beat) * beatSeconds + delay,
          seconds: Math.max(0.15, event.beats * beatSeconds),
          midiPitch: pitchAt(instrument, note.stringIndex, note.fret),
          stringIndex: note.stringIndex,
          fret: note.fret,
          touch: 'ring',
          level: PLAIN_LEVEL,
        });
      });
    }
    barStart += bar.beats;
  }
  return sounds.sort((a, b) => a.atSeconds - b.atSeconds);
}
