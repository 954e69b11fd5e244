/** The fields of the hand form, as typed, and the dated records they make. */
import type { StudentBody } from '@finch/contract';
import {
  makeHand,
  makeInstrument,
  parseTuning,
  REFERENCE_REACH_MM,
  tuningName,
  writeTuning,
  type Hand,
  type Instrument,
  type InstrumentSetup,
} from '@finch/core/fretboard';
import { type HandLimits, makeLimits } from '@finch/core/hands';
import { ok, type Result } from '@finch/core/kernel';
import { playedMonths, playedValue } from '../../words/played-words';

export interface HandFields {
  reach: string | number;
  scale: string | number;
  frets: string | number;
  capo: string | number;
  tuning: string;
  strings: InstrumentSetup['strings'] | '';
  gauge: string | number;
  action: string | number;
  limit: string | number;
  barre: string | number;
  thumb: boolean;
  left: boolean;
  /** Months of playing; empty where nobody said. */
  played: string;
}

type Records = Pick<StudentBody, 'hand' | 'instrument' | 'limits'> & {
  readonly pace: Pick<StudentBody['pace'], 'months'>;
};

export function fieldsOf({ hand, instrument, limits, pace }: Records): HandFields {
  const { setup } = instrument.value;
  return {
    reach: hand.value.reachMm ?? '',
    scale: instrument.value.scaleLengthMm,
    frets: instrument.value.frets,
    capo: instrument.value.capo,
    tuning: tuningName(instrument.value.openPitches) ?? writeTuning(instrument.value.openPitches),
    strings: setup?.strings ?? '',
    gauge: setup?.gaugeMm ?? '',
    action: setup?.actionMm ?? '',
    limit: limits.value.gripEffort,
    barre: limits.value.barreMinutes,
    thumb: hand.value.thumbOver,
    left: instrument.value.leftHanded,
    played: playedValue(pace.months),
  };
}

/** What the fields say, over what was there before. The problems are those of the core, by field. */
export function recordsOf(
  fields: HandFields,
  before: Records,
): Result<{ hand: Hand; instrument: Instrument; limits: HandLimits; playedMonths?: number | null }> {
  const reachMm = String(fields.reach).trim() === '' ? undefined : Number(fields.reach);
  const hand = makeHand({
    ...before.hand.value,
    reachMm,
    thumbOver: fields.thumb,
    sizeFactor: reachMm === undefined ? before.hand.value.sizeFactor : sizeOf(reachMm),
  });
  if (!hand.ok) return hand;
  const openPitches = parseTuning(fields.tuning);
  if (!openPitches.ok) return openPitches;
  const { setup: _before, ...guitar } = before.instrument.value;
  const instrument = makeInstrument({
    ...guitar,
    openPitches: openPitches.value,
    scaleLengthMm: Number(fields.scale),
    frets: Number(fields.frets),
    capo: Number(fields.capo),
    leftHanded: fields.left,
    ...(fields.strings
      ? {
          setup: {
            strings: fields.strings,
            gaugeMm: Number(fields.gauge),
            actionMm: Number(fields.action),
          },
        }
      : {}),
  });
  if (!instrument.ok) return instrument;
  const limits = makeLimits({
    ...before.limits.value,
    gripEffort: Number(fields.limit),
    barreMinutes: Number(fields.barre),
  });
  if (!limits.ok) return limits;
  return ok({
    hand: hand.value,
    instrument: instrument.value,
    limits: limits.value,
    // What was said before runs on by itself: only another word is kept.
    ...(fields.played === playedValue(before.pace.months)
      ? {}
      : { playedMonths: playedMonths(fields.played) }),
  });
}

/** The measured reach also says how large the hand is, as far as one number can. */
function sizeOf(reachMm: number): number {
  return Math.min(1.25, Math.max(0.6, Math.round((reachMm / REFERENCE_REACH_MM) * 100) / 100));
}
