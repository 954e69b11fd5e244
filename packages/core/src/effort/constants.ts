/**
 * Every constant of the effort model in one record. Origin: fitted once, on pairs of easier and harder grips
 * that teachers agree on and on a dozen anchor grades; the order they give is well supported, the size of
 * the scale is our assumption until students' own takes refit it. `EFFORT_BOUNDS` is where a fit may go.
 */
export const EFFORT = {
  /** grade = 100 (1 - exp(-points/scale)) */
  scale: 60,
  /** Comfortable and greatest distance in mm between two fingers of the reference hand. */
  spans: [
    { a: 1, b: 2, comfortMm: 28.1, maxMm: 86 },
    { a: 2, b: 3, comfortMm: 20.6, maxMm: 74 },
    { a: 3, b: 4, comfortMm: 37.6, maxMm: 74 },
    { a: 1, b: 3, comfortMm: 66, maxMm: 114 },
    { a: 2, b: 4, comfortMm: 24.9, maxMm: 106 },
    { a: 1, b: 4, comfortMm: 60.5, maxMm: 140 },
  ],
  acrossWeight: 0.5,
  reach: { weight: 22.6, exponent: 1.4, perSpan: 4.26, apart: 5.4, together: 1.21, apartWidthMm: 30 },
  barre: {
    base: 2.94,
    index: 30,
    lengthExponent: 1.38,
    stiffnessExponent: 0.609,
    ringing: 0.81,
    other: 17.6,
    otherLengthExponent: 0.8,
    otherStiffnessExponent: 0.3045,
    little: 1.6,
    handExponent: -0.8,
    ringPast: 7.83,
    sameFretBeyond: 3.32,
    indexBeyond: 4,
  },
  fingers: {
    count: [0, 1.29, 3.22, 9, 10.4],
    little: 1.93,
    ringWithLittle: 2.55,
    noNeighbour: 0.87,
    /** Two neighbouring fingers of one fret the other way round (assumed). */
    swapped: 2.5,
  },
  crowding: { weight: 6, widthMm: 28, split: 1.65, splay: 2.53, splayFreeStrings: 3 },
  mutes: { bassSide: 1.28, bassSideShare: 0.8, treble: 0.756, leaning: 5.51, edgeFactor: 1.4, none: 12 },
  arching: { thicker: 1.05, thinner: 0.756 },
  wrist: {
    nut: 6.75,
    deviation: 5.93,
    leastMm: 20,
    little: 8.1,
    littleSpanMm: 95,
    littleMost: 1.5,
    body: 2.5,
    bodyFret: 12,
  },
  thumb: { weight: 18, handExponent: -3, stiffness: 0.25, reachShare: 0.88, below: 2, above: 1, maxMm: 55 },
  press: { weight: 0.81, little: 1.5 },
  /** Fingerings within this many points are ties. */
  tiePoints: 0.5,
} as const;

/** Bounds a refit of the main weights must stay inside (our judgement). */
export const EFFORT_BOUNDS = {
  'reach.weight': [12, 40],
  'barre.index': [18, 45],
  'barre.other': [8, 28],
  'crowding.weight': [2, 12],
  'mutes.leaning': [2, 9],
  'press.weight': [0.3, 1.6],
} as const satisfies Record<string, readonly [number, number]>;

/** Names of the nine parts, in the order they are summed. */
export const EFFORT_PARTS = [
  'reach',
  'barre',
  'fingers',
  'crowding',
  'mutes',
  'arching',
  'wrist',
  'thumb',
  'press',
] as const;
export type EffortPartName = (typeof EFFORT_PARTS)[number];

export const EFFORT_MODEL_VERSION = 'effort-2';
