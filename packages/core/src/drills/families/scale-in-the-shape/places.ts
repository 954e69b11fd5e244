/** Where a scale lies: a form, a box, a position, three a string, one string, two of them joined, or all five. */
import type { Instrument } from '../../../fretboard/instrument';
import { fail, ok, type Result } from '../../../kernel/result';
import { acrossStrings, alongString } from '../../../scales/across';
import { pentatonicBoxes, scaleForms } from '../../../scales/boxes';
import { inPosition, type StretchSchool } from '../../../scales/in-position';
import { lastFret, type FingeredNote, type Tones } from '../../../scales/tones';
import type { PLACES } from './parameters';

export type ScalePlace = (typeof PLACES)[number];

/** Notes from the lowest up, place by place: one for most, more where places are joined. */
export type Laid = readonly (readonly FingeredNote[])[];

const HIGHEST_ALONG = 17;
/** Frets of a position beside its index. */
const SPAN = 3;

const named = (tones: Tones, instrument: Instrument, school: StretchSchool): Laid =>
  tones.notes.length === 5
    ? pentatonicBoxes(tones, instrument).map((box) => box.notes)
    : scaleForms(tones, instrument, school).map((form) => form.notes);

/**
 * The scale in a place; `at` counts forms and boxes from the lowest up the neck, degrees for three a string, and is the
 * fret of a position or the number of a string. Problems: `drill.boxes`, `drill.named-forms`, `drill.position`, `drill.place`,
 * `drill.string`.
 */
export function laidIn(
  tones: Tones,
  place: ScalePlace,
  at: number,
  instrument: Instrument,
  school: StretchSchool,
): Result<Laid> {
  const strings = instrument.openPitches.length;
  switch (place) {
    case 'box':
      if (tones.notes.length !== 5) return fail('drill.boxes', 'place', 'a pentatonic, or forms');
      return pick(named(tones, instrument, school), at, 1);
    case 'form': {
      const forms = scaleForms(tones, instrument, school).map((form) => form.notes);
      return forms.length
        ? pick(forms, at, 1)
        : fail('drill.named-forms', 'place', 'a position, on this tuning');
    }
    case 'two joined':
    case 'whole neck': {
      const all = named(tones, instrument, school);
      if (all.length < 2) return fail('drill.named-forms', 'place', 'a position, on this tuning');
      return place === 'whole neck' ? ok(all) : pick(all, at, 2);
    }
    case 'position': {
      const highest = lastFret(instrument) - SPAN;
      if (at > highest) return fail('drill.position', 'at', `fret 1 to ${highest}`);
      return ok([inPosition(tones, at, instrument, school).notes]);
    }
    case 'three a string': {
      if (at > tones.notes.length) return fail('drill.place', 'at', `degree 1 to ${tones.notes.length}`);
      const { notes } = acrossStrings(tones, instrument, { each: 3, from: at - 1, minFret: 1 });
      return ok([notes]);
    }
    case 'one string': {
      if (at > strings) return fail('drill.string', 'at', `a string from 1 to ${strings}`);
      const highest = Math.min(HIGHEST_ALONG, lastFret(instrument));
      return ok([alongString(tones, at, 0, highest, instrument).notes]);
    }
  }
}

function pick(all: Laid, at: number, count: number): Result<Laid> {
  const most = all.length - count + 1;
  if (at > most) return fail('drill.place', 'at', `1 to ${most}, counted from the lowest on the neck`);
  return ok(all.slice(at - 1, at - 1 + count));
}
