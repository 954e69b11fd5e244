/** How each stroke sounds and which strings it reaches; shared by drills and pieces. */
import type { Struck } from '../score/score';
import type { Touch } from './pluck';

export const PLAIN_LEVEL = 0.8;
const ACCENT_LEVEL = 1;
const UP_LEVEL = 0.65;

export interface StrokeSound {
  /** 0 to 1. */
  readonly level: number;
  readonly touch: Touch;
}

export const STRUCK: Readonly<Record<Struck, StrokeSound>> = {
  down: { level: PLAIN_LEVEL, touch: 'ring' },
  up: { level: UP_LEVEL, touch: 'ring' },
  'down accent': { level: ACCENT_LEVEL, touch: 'ring' },
  'up accent': { level: ACCENT_LEVEL, touch: 'ring' },
  chop: { level: PLAIN_LEVEL, touch: 'chop' },
  mute: { level: UP_LEVEL, touch: 'mute' },
};

/** A chop or a mute is heard no longer than this (assumed). */
export const SHORT_SECONDS = 0.12;
