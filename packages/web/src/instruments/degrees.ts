/** Degrees of a grip's strings against the chord it is named for; null where muted or foreign. */
import type { GripItem } from '@finch/core/drills';
import { degreeOfPitchClass, mod12, parseChord } from '@finch/core/theory';

export function gripDegrees(grip: Pick<GripItem, 'frets' | 'tuning' | 'capo' | 'chord'>): (string | null)[] {
  const chord = parseChord(grip.chord);
  return grip.frets.map((fret, s) =>
    fret === null || !chord.ok
      ? null
      : degreeOfPitchClass(chord.value, mod12(grip.tuning[s] + grip.capo + fret)),
  );
}
