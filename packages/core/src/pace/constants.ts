/**
 * Constants of the pace filter: how quick a student's changes are, believed from how long they have played, from takes at a
 * tempo and from counted minutes. Published: seconds fall with practice by a power law (Crossman 1959; Newell and
 * Rosenbloom 1981), and clean or not at a tempo is a probit observation of log seconds. All numbers are our assumptions,
 * tuned on four simulated worlds of our own or read from what teachers say; none has seen a real student.
 */
export const PACE = {
  /** Exponent of the power law, and takes of a change that count as none (assumed). */
  practice: { exponent: 0.17, before: 8 },
  /** Share of the practice of the same forms elsewhere on the neck that counts for a change (assumed). */
  kinShare: 0.5,
  /** Log spread of one change against all others of a hand, of the mood of a day, and of one take against the next. */
  ownSpread: 0.2,
  moodSpread: 0.12,
  takeSpread: 0.1,
  /** Seconds of a strum between two changes in a count, their log spread, and the noise of a count. */
  strum: { seconds: 0.35, spread: 0.2 },
  countSpread: 0.1,
  /** Share of changes that come clean whatever the gap. */
  lapse: 0.025,
  /** No hand changes in less, s. */
  floorSeconds: 0.13,
  /** Three kinds of hands: log scatter from try to try, share of slips at any tempo, weight at the start. */
  hands: [
    { scatter: 0.15, slip: 0.02, weight: 0.25 },
    { scatter: 0.26, slip: 0.03, weight: 0.5 },
    { scatter: 0.42, slip: 0.05, weight: 0.25 },
  ],
  /** Share of the weights of hands that a row keeps; the rest falls back to the start. */
  handMemory: 0.995,
  /** Variance a day that the pace of a hand, and of one change, may drift by. */
  drift: { hand: 0.0001, change: 0.0003 },
  /** Factor on the reference hand's seconds by months of playing, linear in logs between (as teachers speak of it). */
  stages: [
    { months: 1, factor: 1 },
    { months: 12, factor: 0.5 },
    { months: 60, factor: 0.25 },
    { months: 200, factor: 0.18 },
  ],
  known: { spread: 0.35 },
  unknown: { factor: 0.42, spread: 0.7 },
  /** Months may be wrong: a second belief halfway to the unknown, dropped when it weighs too little or after some rows. */
  doubted: { weight: 0.07, spread: 0.8, least: 0.002, rows: 60 },
  /** What was played clean lately is never said to be slower than by `over`: share, tries, days. */
  guard: { share: 0.9, tries: 5, days: 28, over: 1.1 },
  /** Share of clean changes at the tempo that is said. */
  said: 0.9,
} as const;

/** Half-width of an 80 % band in deviates. */
export const BAND = 1.2815515655446004;
