/**
 * Which drill of a week on which days and for how long: each row takes one of its patterns (every practice day, every other, one
 * of them) or none; the worth of the patterns is added up under rules, each of which is a row of an integer programme.
 */
import { IntegerProgramme } from './integer-programme';
import { WEEK, type Offer, type RowKind } from './week-offers';

export interface Taken {
  readonly offer: Offer;
  /** By day of the week; 0 where it is not played. */
  readonly minutes: readonly number[];
}

/** The room of each day, by index in `days`. */
export interface Room {
  /** Minutes without the opening ones; 0 on a day off. */
  readonly free: readonly number[];
  /** Minutes in which a barre may be pressed. */
  readonly barre: readonly number[];
  /** Slots that may not be, see `slot`. */
  readonly heavy: ReadonlySet<string>;
}

/** Names a row on a day. */
export const slot = (id: string, at: number): string => `${id}|${at}`;

/** Rules that give way in this order where there is too little room; minutes, barre, families and days never do. */
const IN_TURN = ['what falls due', 'music', 'what was begun'] as const;
type Given = (typeof IN_TURN)[number];

const IN_ORDER: readonly RowKind[] = ['given', 'new', 'repair', 'review', 'apply'];

/**
 * The rows of a week: what was given and begun, two things that fall due, two pieces of music (one in a short week), what is mended
 * as far as there is room, the most troubled first; then whatever is worth most. Few drills are practised, many are only read.
 */
function picked(offers: readonly Offer[], longestDay: number): Offer[] {
  const most = Math.min(WEEK.mostRows, WEEK.rows + Math.floor(longestDay / WEEK.minutesARow));
  const of = (...kinds: readonly RowKind[]) => offers.filter(({ as }) => kinds.includes(as));
  const rows = of('given', 'new').slice(0, WEEK.every);
  const kept = [
    ...of('review').slice(0, WEEK.keptReviews),
    ...of('apply').slice(0, longestDay < WEEK.twoPieces ? 1 : 2),
  ];
  for (const offer of [
    ...kept.slice(0, Math.max(0, most - rows.length)),
    ...of('repair'),
    ...of('review', 'apply'),
  ])
    if (rows.length < most && !rows.includes(offer)) rows.push(offer);
  return rows;
}

/** Rows with their minutes, in the order of a day. @param seconds at most, for each try */
export async function chosen(all: readonly Offer[], room: Room, seconds: number): Promise<Taken[]> {
  const offers = picked(all, Math.max(0, ...room.free));
  const patterns = offers.flatMap((offer) => patternsOf(offer, room, soleUse(offers)));
  let solved = null;
  for (let lifted = 0; lifted <= IN_TURN.length && !solved; lifted++)
    solved = await programme(offers, patterns, room, new Set(IN_TURN.slice(lifted))).solve(seconds);
  const taken = patterns.filter((_, i) => solved?.taken.has(named(i)));
  return filled(taken, room).sort(
    (a, b) =>
      IN_ORDER.indexOf(a.offer.as) - IN_ORDER.indexOf(b.offer.as) ||
      b.offer.trouble - a.offer.trouble ||
      b.offer.worth - a.offer.worth,
  );
}

const isEvery = ({ as }: Offer): boolean => as === 'new' || as === 'given';
const named = (i: number): string => `pattern ${i}`;
const soleUse = (offers: readonly Offer[]) => offers.filter(({ as }) => as === 'apply').length === 1;

/** All that a row may be in this week. */
function patternsOf(offer: Offer, { free, heavy }: Room, sole: boolean): Taken[] {
  const on = free.flatMap((minutes, at) => (minutes > 0 ? [at] : []));
  const lengths =
    offer.as === 'apply' && Math.max(0, ...free) >= WEEK.longFrom ? WEEK.longMusic : WEEK.lengths[offer.as];
  return daysOf(offer, on, sole)
    .filter((days) => days.length > 0 && !days.some((at) => heavy.has(slot(offer.row.id, at))))
    .flatMap((days) =>
      lengths
        .filter((lasts) => days.every((at) => lasts <= free[at]))
        .map((lasts) => ({ offer, minutes: free.map((_, at) => (days.includes(at) ? lasts : 0)) })),
    );
}

/** @param on the practice days */
function daysOf({ as, from }: Offer, on: readonly number[], sole: boolean): (readonly number[])[] {
  const every = (step: number, first: number) => on.filter((_, i) => i % step === first);
  const single = on.map((at) => [at]);
  switch (as) {
    case 'new':
    case 'given':
      return [on];
    case 'review':
      return single.filter(([at]) => at >= from);
    case 'repair':
      // Twice at least, and never twice running.
      return on.length < 3
        ? single
        : [every(2, 0), every(2, 1), every(3, 0), every(3, 1), every(3, 2)].filter((days) => days.length > 1);
    case 'apply':
      // Where there is other music too, none of it is on every day.
      return [
        ...(sole || on.length < 3
          ? [on]
          : [0, 1, 2].map((without) => on.filter((_, i) => i % 3 !== without))),
        ...(on.length < 4 ? single : [every(2, 0), every(2, 1)]),
      ];
  }
}

/** Worth of a pattern: what was begun before what is mended, that before the rest; a day later a little less. */
function valueOf({ offer: { as, worth, trouble, from }, minutes }: Taken, top: number): number {
  const began = { given: 5, new: 4, repair: 0, review: 0, apply: 0 }[as];
  const value = began + trouble + worth / top;
  return minutes.reduce(
    (sum, lasts, at) =>
      sum +
      value * (1 - (as === 'review' ? 0.02 * (at - from) : 0.002 * at)) * (1 - Math.exp(-lasts / WEEK.scale)),
    0,
  );
}

function programme(
  offers: readonly Offer[],
  patterns: readonly Taken[],
  { free, barre }: Room,
  asked: ReadonlySet<Given>,
): IntegerProgramme {
  const model = new IntegerProgramme();
  const worths = offers.filter(({ as }) => as !== 'given').map(({ worth }) => worth);
  const top = Math.max(1e-9, ...worths);
  patterns.forEach((one, i) => model.add(named(i), valueOf(one, top)));
  const terms = (weight: (one: Taken) => number) =>
    patterns.map((one, i) => [named(i), weight(one)] as const);
  const when = (which: (offer: Offer) => boolean) => terms(({ offer }) => (which(offer) ? 1 : 0));
  for (const own of offers)
    model.bound(
      `once ${own.row.id}`,
      { least: asked.has('what was begun') && isEvery(own) ? 1 : 0, most: 1 },
      when((offer) => offer === own),
    );
  const due = offers.filter(({ as }) => as === 'review').length;
  model.bound(
    'what falls due',
    { least: asked.has('what falls due') ? Math.min(WEEK.keptReviews, due) : 0 },
    when(({ as }) => as === 'review'),
  );
  const families = new Set(offers.map(({ row }) => row.recipe.family));
  const music = patterns.some(({ offer }) => offer.as === 'apply');
  free.forEach((minutes, at) => {
    if (minutes <= 0) return;
    const there = (which: (offer: Offer) => boolean) =>
      terms(({ offer, minutes: lasts }) => (which(offer) && lasts[at] > 0 ? 1 : 0));
    const long = (share: (offer: Offer) => number) =>
      terms(({ offer, minutes: lasts }) => lasts[at] * share(offer));
    model.bound(
      `minutes ${at}`,
      { most: minutes },
      long(() => 1),
    );
    model.bound(
      `barre ${at}`,
      { most: barre[at] },
      long(({ row }) => row.barreShare),
    );
    model.bound(
      `reviews ${at}`,
      { most: WEEK.reviewShare * minutes },
      long(({ as }) => (as === 'review' ? 1 : 0)),
    );
    if (asked.has('music') && music && minutes >= WEEK.short - WEEK.warmUp)
      model.bound(
        `music ${at}`,
        { least: 1 },
        there(({ as }) => as === 'apply'),
      );
    for (const family of families)
      model.bound(
        `family ${at} ${family}`,
        { most: WEEK.family },
        there(({ row }) => row.recipe.family === family),
      );
  });
  return model;
}

/** Minutes that are left over go to the music of the day, where it presses no barre. */
function filled(taken: readonly Taken[], { free }: Room): Taken[] {
  const left = free.map((minutes, at) => minutes - taken.reduce((sum, one) => sum + one.minutes[at], 0));
  return taken.map(({ offer, minutes }) => ({
    offer,
    minutes: minutes.map((lasts, at) => {
      if (offer.as !== 'apply' || lasts === 0 || offer.row.barreShare > 0) return lasts;
      const more = Math.min(left[at], WEEK.longestMusic - lasts);
      left[at] -= more;
      return lasts + more;
    }),
  }));
}
