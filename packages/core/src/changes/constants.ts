/**
 * Constants of the change model, in seconds, millimetres and bits. Published: movement time grows with the
 * index of difficulty log2(2D/W) (Fitts 1954). Everything else is our assumption, fitted once on pairs of
 * changes teachers agree on and on a few anchor rates; the distance law over five frets and more rests on few
 * judgements and is the first thing students' own takes should refit. Model card: docs/models/change.md.
 */
export const CHANGE = {
  start: 0.22,
  startUnmoved: 0.3,
  moveBase: 0.05,
  perBit: 0.063,
  othersShare: 0.265,
  plan: 0.155,
  guidePlan: 0.5,
  place: 0.05,
  adjust: 0.168,
  liftOff: 0.0792,
  liftOffMore: 0.3,
  keep: 0.02,
  keepMost: 2,
  liftHeightMm: 6,
  hoverMm: 12,
  freeMm: 3,
  shift: { leastMm: 4, widthMm: 9, planMm: 25, plan: 0.0477, guide: 0.75, farMm: 70, far: 0.4 },
  barre: { on: 0.35, off: 0.06, fromBarre: 0.45, sameFret: 0.35 },
  settle: 0.5,
  settleUnplaced: 0.25,
  /** Seconds a point of extra effort is worth when both fingerings are chosen together. */
  perPoint: 0.0235,
  /** Fingerings further than this many points from the easiest are not tried. */
  slackPoints: 7,
  /** Share of the clean tempo at which a loop begins. */
  firstTempo: 0.6,
} as const;

/** Names of the parts a change's seconds are made of, in the order they are summed. */
export const CHANGE_PARTS = [
  'start',
  'shift',
  'fingers',
  'adjust',
  'lift',
  'barre',
  'kept',
  'settle',
] as const;
export type ChangePartName = (typeof CHANGE_PARTS)[number];

export const CHANGE_MODEL_VERSION = 'change-3';
