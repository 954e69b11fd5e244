/** Progressions by what they do, in numbers: common property of tonal music, each in a mode of key, to be had in any. */
export interface PlainProgression {
  readonly name: string;
  readonly does: 'cadence' | 'turnaround' | 'song' | 'blues' | 'line' | 'pedal' | 'vamp';
  readonly mode: 'major' | 'minor' | 'dorian' | 'mixolydian' | 'lydian' | 'phrygian';
  readonly numbers: string;
}

export const PROGRESSIONS: readonly PlainProgression[] = [
  { name: 'authentic cadence', does: 'cadence', mode: 'major', numbers: '| IV | V7 | I |' },
  { name: 'plagal cadence', does: 'cadence', mode: 'major', numbers: '| I | IV | I |' },
  { name: 'half cadence', does: 'cadence', mode: 'major', numbers: '| I | ii | V |' },
  { name: 'deceptive cadence', does: 'cadence', mode: 'major', numbers: '| IV | V7 | vi |' },
  { name: 'minor cadence', does: 'cadence', mode: 'minor', numbers: '| i | iv | V7 | i |' },
  { name: 'borrowed plagal', does: 'cadence', mode: 'major', numbers: '| I | IV | iv | I |' },
  { name: 'two five one', does: 'cadence', mode: 'major', numbers: '| ii7 | V7 | Imaj7 | |' },
  { name: 'two five one in minor', does: 'cadence', mode: 'minor', numbers: '| iim7b5 | V7b9 | i | |' },
  { name: 'one six two five', does: 'turnaround', mode: 'major', numbers: '| Imaj7 vi7 | ii7 V7 |' },
  { name: 'three six two five', does: 'turnaround', mode: 'major', numbers: '| iii7 V7/ii | ii7 V7 |' },
  { name: 'by the tritone', does: 'turnaround', mode: 'major', numbers: '| Imaj7 bIII7 | ii7 bII7 |' },
  { name: 'one five six four', does: 'song', mode: 'major', numbers: '| I | V | vi | IV |' },
  { name: 'six four one five', does: 'song', mode: 'major', numbers: '| vi | IV | I | V |' },
  { name: 'one six four five', does: 'song', mode: 'major', numbers: '| I | vi | IV | V |' },
  { name: 'minor descent', does: 'song', mode: 'minor', numbers: '| i | bVII | bVI | V |' },
  { name: 'minor with its relatives', does: 'song', mode: 'minor', numbers: '| i | bVI | bIII | bVII |' },
  { name: 'round of fifths', does: 'song', mode: 'minor', numbers: '| iv7 | bVII7 | bIIImaj7 | bVImaj7 | iim7b5 | V7 | i | |' },
  { name: 'twelve-bar blues', does: 'blues', mode: 'major', numbers: '| I7 | IV7 | I7 | | IV7 | | I7 | | V7 | IV7 | I7 | V7 |' },
  { name: 'minor blues', does: 'blues', mode: 'minor', numbers: '| i7 | | | | iv7 | | i7 | | bVI7 | V7 | i7 | V7 |' },
  { name: 'line over a minor chord', does: 'line', mode: 'minor', numbers: '| i | imMaj7 | i7 | i6 |' },
  { name: 'walk down to the sixth', does: 'line', mode: 'major', numbers: '| I | V/7 | vi | I/5 |' },
  { name: 'pedal on five', does: 'pedal', mode: 'major', numbers: '| IV/5 | ii7/5 | V7 | I |' },
  { name: 'dorian vamp', does: 'vamp', mode: 'dorian', numbers: '| i7 | IV7 |' },
  { name: 'mixolydian vamp', does: 'vamp', mode: 'mixolydian', numbers: '| I | bVII | IV | I |' },
  { name: 'lydian vamp', does: 'vamp', mode: 'lydian', numbers: '| I | II | I | II |' },
  { name: 'phrygian vamp', does: 'vamp', mode: 'phrygian', numbers: '| i | bII |' },
]; // prettier-ignore
