/** The path against brute force over everything it may choose from, and what its limits and objectives promise. */
import { averageHand, makeHand, standardGuitar } from '../fretboard';
import { fingeringsFor } from '../effort';
import { fretsText, parseFrets, type FingerLabel, type Frets } from '../grips';
import { must } from '../kernel';
import { findShapes } from '../shapes';
import { noChord, parseChord } from '../theory';
import {
  CHANGE,
  gradeChange,
  OBJECTIVES,
  otherWays,
  pathMemory,
  PATH_WEIGHTS,
  planPath,
  type Path,
  type PathObjective,
  type PathOptions,
} from '.';

const BASE: PathOptions = { hand: averageHand, instrument: standardGuitar };
const chords = (text: string) => text.split(' ').map((symbol) => must(parseChord(symbol)));
const frets = (text: string) => must(parseFrets(text));
const grips = (path: Path) => path.steps.map((step) => (step.grip ? fretsText(step.grip.frets) : null));

interface Way {
  readonly frets: Frets;
  readonly fingers: readonly FingerLabel[];
  readonly own: number;
}

/** Everything a chord may be held as, through the public grades alone. */
function waysOf(symbol: string, count: number, objective: PathObjective): Way[] {
  const weights = PATH_WEIGHTS[objective];
  return findShapes({ chord: must(parseChord(symbol)), ...BASE })
    .slice(0, count)
    .flatMap((grip) => {
      const held = fingeringsFor(grip.frets, averageHand, standardGuitar);
      return held
        .filter((one) => (held[0].custom ? one.custom : one.points <= held[0].points + CHANGE.slackPoints))
        .map((one) => ({
          frets: grip.frets,
          fingers: one.fingers,
          own:
            weights.useful * grip.usefulness +
            weights.second * CHANGE.perPoint * (one.points - held[0].points),
        }));
    });
}

/** Costs of every path there is, each with its grips. */
function everyPath(symbols: readonly string[], count: number, objective: PathObjective) {
  const weights = PATH_WEIGHTS[objective];
  const between = new Map<string, number>();
  const cost = (a: Way, b: Way): number => {
    const key = `${a.frets.join()}|${a.fingers.join()}|${b.frets.join()}|${b.fingers.join()}`;
    let known = between.get(key);
    if (known === undefined) {
      const graded = must(
        gradeChange(a.frets, b.frets, averageHand, standardGuitar, {
          pinned: { from: a.fingers, to: b.fingers },
        }),
      );
      known = weights.second * graded.seconds + (weights.centimetre * Math.abs(graded.shiftMm)) / 10;
      between.set(key, known);
    }
    return known;
  };
  let paths: { ways: Way[]; cost: number }[] = [{ ways: [], cost: 0 }];
  for (const symbol of symbols) {
    const next = waysOf(symbol, count, objective);
    paths = paths.flatMap((path) =>
      next.map((way) => ({
        ways: [...path.ways, way],
        cost: path.cost + way.own + (path.ways.length ? cost(path.ways[path.ways.length - 1], way) : 0),
      })),
    );
  }
  return paths.sort((a, b) => a.cost - b.cost);
}

/** Equal, or one is the other less strings. */
function sameGrip(a: Frets, b: Frets): boolean {
  const inside = (one: Frets, other: Frets) => one.every((fret, s) => fret === null || fret === other[s]);
  return inside(a, b) || inside(b, a);
}

describe('the best path is the best of all paths there are', () => {
  test.each([
    ['C Am F', 'easiest'],
    ['G D Em C', 'easiest'],
    ['Bbm7 Eb7 Abmaj7', 'easiest'],
    ['F#m7b5 B7 Em', 'least movement'],
    ['D A Bm G', 'least movement'],
  ] as const)('%s, %s', (text, objective) => {
    const all = everyPath(text.split(' '), 4, objective);
    const path = planPath(chords(text), { ...BASE, objective, candidates: 4, others: 2 });
    expect(path.cost).toBeCloseTo(all[0].cost, 6);
    // The second differs from the first in a quarter of the chords, the third from both; one chord here.
    const differs = (ways: readonly Way[], from: Path) =>
      ways.some((way, i) => !sameGrip(way.frets, from.steps[i].grip?.frets ?? []));
    const second = all.find(({ ways }) => differs(ways, path));
    expect(path.others[0].cost).toBeCloseTo(second?.cost ?? Number.NaN, 6);
    const third = all.find(({ ways }) => differs(ways, path) && differs(ways, path.others[0]));
    expect(path.others[1].cost).toBeCloseTo(third?.cost ?? Number.NaN, 6);
  });

  test('the explained changes are those the path was chosen by', () => {
    const path = planPath(chords('C Am F G'), BASE);
    const plain = path.steps.reduce((sum, step) => sum + (step.grip?.usefulness ?? 0), 0);
    // What is left after usefulness and seconds is the excess of fingerings, never negative.
    expect(path.cost - plain - 2.5 * path.seconds).toBeGreaterThan(-1e-9);
    for (const change of path.changes)
      expect(change?.parts.reduce((sum, part) => sum + part.seconds, 0)).toBeCloseTo(change?.seconds ?? 0, 6);
  });
});

test('the path of a short tune is what a player would take', () => {
  // G with the ring finger on fret 3 of string 2, where it stays for D.
  expect(grips(planPath(chords('G D Em C'), BASE))).toEqual(['320033', 'xx0232', '022000', 'x32010']);
});

describe('objectives', () => {
  const tune = chords('Bbm7 Eb7 Abmaj7 Dbmaj7');
  const of = (objective: PathObjective) =>
    planPath(tune, { ...BASE, objective, limits: { bass: 'any', allowOpen: false } });

  test('the one with the least movement moves no more than any other', () => {
    const least = of('least movement').shiftMm;
    for (const other of ['easiest', 'smallest area', 'top stepwise'] as const)
      expect(least).toBeLessThanOrEqual(of(other).shiftMm + 1e-9);
  });

  test('no window narrower than the smallest area holds every chord', () => {
    const path = of('smallest area');
    const width = (path.area?.highFret ?? 0) - (path.area?.lowFret ?? 0);
    for (let low = 1; low + width - 1 <= 15; low++) {
      const fits = tune.every((chord) =>
        findShapes({ chord, ...BASE, limits: { bass: 'any', allowOpen: false } }).some((grip) =>
          grip.frets.every((fret) => fret === null || (fret >= low && fret <= low + width - 1)),
        ),
      );
      expect(fits).toBe(false);
    }
  });

  test('the nearest inversion moves fewer frets on its strings than the easiest path', () => {
    const moved = (path: Path) =>
      path.steps.slice(1).reduce((sum, step, i) => {
        const [a, b] = [path.steps[i].grip?.frets ?? [], step.grip?.frets ?? []];
        const both = a.flatMap((fret, s) => {
          const to = b[s];
          return fret === null && to === null ? [] : [fret === null || to === null ? 2 : Math.abs(fret - to)];
        });
        return sum + both.reduce<number>((total, one) => total + one, 0) / both.length;
      }, 0);
    expect(moved(of('nearest inversion'))).toBeLessThan(moved(of('easiest')));
  });

  const line = (path: Path, pick: (pitches: number[]) => number) =>
    path.steps.map(({ grip }) =>
      pick(
        (grip?.frets ?? []).flatMap((fret, s) =>
          fret === null ? [] : [standardGuitar.openPitches[s] + fret],
        ),
      ),
    );
  const steps = (pitches: number[]) => pitches.slice(1).map((pitch, i) => Math.abs(pitch - pitches[i]));

  test('a top line that goes by step leaps less, one that is held moves least, a bass goes by step', () => {
    const top = (path: Path) => steps(line(path, (pitches) => Math.max(...pitches)));
    const leaps = (sizes: number[]) => sizes.reduce((sum, size) => sum + Math.max(0, size - 2), 0);
    const sum = (sizes: number[]) => sizes.reduce((total, size) => total + size, 0);
    expect(leaps(top(of('top stepwise')))).toBeLessThanOrEqual(leaps(top(of('easiest'))));
    expect(sum(top(of('top held')))).toBeLessThanOrEqual(sum(top(of('top stepwise'))));
    const bass = (path: Path) => steps(line(path, (pitches) => Math.min(...pitches)));
    expect(leaps(bass(of('bass stepwise')))).toBeLessThanOrEqual(leaps(bass(of('easiest'))));
  });
});

describe('limits', () => {
  test('area, root strings, strings, forms, effort, open strings and barres are kept to', () => {
    const path = planPath(chords('C F G7 Am'), {
      ...BASE,
      limits: { minFret: 3, maxFret: 10, allowOpen: false, rootStrings: [5, 4], maxEffort: 70 },
    });
    for (const { grip, gaveWay } of path.steps) {
      expect(gaveWay).toEqual([]);
      expect([5, 4]).toContain(grip?.rootString);
      expect(grip?.effort.total).toBeLessThanOrEqual(75);
      for (const fret of grip?.frets ?? []) if (fret !== null) expect(fret >= 3 && fret <= 10).toBe(true);
    }
    const thin = planPath(chords('C F G'), { ...BASE, limits: { strings: [4, 1], bass: 'any' } });
    for (const { grip } of thin.steps) expect(grip?.frets.slice(0, 2)).toEqual([null, null]);
    const bare = planPath(chords('F Bm F#m'), { ...BASE, limits: { allowBarre: false } });
    for (const { grip } of bare.steps) expect(grip?.barre).toBeNull();
    const learned = planPath(chords('F Bb C'), { ...BASE, limits: { forms: ['E'], allowOpen: false } });
    for (const { grip } of learned.steps) expect(grip?.form === null || grip?.form === 'E').toBe(true);
  });

  test('a locked grip stays, and the rest is the best around it', () => {
    const locked = [null, { frets: frets('577555') }, null];
    const path = planPath(chords('E Am D'), { ...BASE, locked });
    expect(grips(path)[1]).toBe('577555');
    expect(path.steps.map((step) => step.locked)).toEqual([false, true, false]);
    const free = planPath(chords('E Am D'), BASE);
    expect(free.cost).toBeLessThan(path.cost);
  });

  test('a lock nobody can hold is said and left', () => {
    const path = planPath(chords('E Am'), { ...BASE, locked: [null, { frets: frets('x-0-2-9-1-0') }] });
    expect(path.steps[1].gaveWay).toEqual(['lock']);
    expect(path.steps[1].grip).not.toBeNull();
  });

  test('what leaves nothing gives way in the stated order, and only as far as it must', () => {
    const path = planPath(chords('C/E G'), {
      ...BASE,
      limits: { strings: [3, 1], minFret: 7, maxFret: 8, allowOpen: false },
    });
    for (const { gaveWay, grip } of path.steps) {
      expect(grip).not.toBeNull();
      expect(gaveWay).not.toContain('allowBarre');
    }
    expect(path.steps.some((step) => step.gaveWay.length > 0)).toBe(true);
    const wide = planPath(chords('C'), { ...BASE, limits: { minFret: 13, maxFret: 13, allowOpen: false } });
    expect(wide.steps[0].gaveWay).toContain('area');
    expect(wide.steps[0].gaveWay).not.toContain('allowOpen');
  });

  test('a hand that must not barre never gets one, whatever is asked', () => {
    const path = planPath(chords('F B'), {
      ...BASE,
      limits: { allowBarre: false, minFret: 7, maxFret: 7, rootStrings: [6], allowOpen: false },
    });
    for (const { grip } of path.steps) if (grip) expect(grip.barre).toBeNull();
  });

  test('bars in which nothing is played part the path and cost nothing', () => {
    const path = planPath([...chords('C'), noChord, ...chords('F')], BASE);
    expect(grips(path)[1]).toBeNull();
    expect(path.changes).toEqual([null, null]);
    expect(planPath([], BASE)).toMatchObject({ steps: [], changes: [], weakest: null, tempoBpm: null });
  });
});

test('another hand or neck asks the memory anew; the same question gets the same answer', () => {
  const memory = pathMemory();
  const first = planPath(chords('C Am F G'), BASE, memory);
  const small = { ...BASE, hand: must(makeHand({ sizeFactor: 0.7 })) };
  const other = planPath(chords('C Am F G'), small, memory);
  expect(planPath(chords('C Am F G'), BASE, memory)).toEqual(first);
  expect(other).toEqual(planPath(chords('C Am F G'), small));
});

test('a pinned fingering is the only one a path uses for its grip', () => {
  const pins = {
    '40-45-50-55-59-64 x02220': ['x', 0, 2, 1, 3, 0].map((f) => (f === 'x' ? null : f)) as FingerLabel[],
  };
  const path = planPath(chords('A'), { ...BASE, pins, locked: [{ frets: frets('x02220') }] });
  expect(path.steps[0].grip?.fingers).toEqual([null, 0, 2, 1, 3, 0]);
});

describe('other ways for one chord', () => {
  const options: PathOptions = { ...BASE, limits: { bass: 'any' } };
  const tune = chords('G Bm C D');
  const path = planPath(tune, options);
  const ways = otherWays(path, 1, options);

  test('there are three, really others, none better than the path, the cheapest first', () => {
    expect(ways).toHaveLength(3);
    for (const [i, way] of ways.entries()) {
      expect(sameGrip(way.step.grip?.frets ?? [], path.steps[1].grip?.frets ?? [])).toBe(false);
      expect(way.more).toBeGreaterThanOrEqual(i ? ways[i - 1].more - 1e-9 : -1e-9);
    }
  });

  test('each says what it does to both changes and to the tempo of the whole', () => {
    for (const way of ways) {
      const tempos = [way.before?.tempoBpm, way.after?.tempoBpm, path.changes[2]?.tempoBpm];
      expect(way.tempoBpm).toBeCloseTo(Math.min(...tempos.map((tempo) => tempo ?? Infinity)), 9);
    }
    expect(otherWays(path, 0, options)[0].before).toBeNull();
    expect(otherWays(path, 9, options)).toEqual([]);
  });
});

test('a chord that is repeated keeps its grip under every objective, unless another is locked', () => {
  const tune = chords('Am7 Am7 D7 D7 G');
  const grips = (options: PathOptions) =>
    planPath(tune, options).steps.map((step) => fretsText(step.grip?.frets ?? []));
  for (const objective of OBJECTIVES) {
    const [a, b, c, d] = grips({ ...BASE, objective, candidates: 12 });
    expect([objective, a, c]).toEqual([objective, b, d]);
  }
  // What is locked is asked for.
  const locked = [null, { frets: [5, 7, 5, 5, 5, 5] }, null, null, null];
  const moved = grips({ ...BASE, objective: 'top stepwise', locked });
  expect(moved[1]).toBe('575555');
  const still = planPath(chords('C C'), { ...BASE, objective: 'top stepwise' });
  expect([still.changes, still.weakest, still.tempoBpm, still.seconds]).toEqual([[null], null, null, 0]);
});

test('no other path is both quicker and later to choke than the best; one that is has a name of its own', () => {
  let quicker = 0;
  for (const progression of ['C Am F G', 'D A Bm F#m G D', 'Cm7 F7 Bbmaj7 Ebmaj7', 'Db Ab Bbm Gb']) {
    const best = planPath(chords(progression), { ...BASE, others: 2 });
    const outruns = (other: Path) =>
      other.seconds < best.seconds && (other.tempoBpm ?? 0) > (best.tempoBpm ?? 0);
    expect([progression, best.others.filter(outruns)]).toEqual([progression, []]);
    if (best.quicker) {
      quicker++;
      expect(outruns(best.quicker)).toBe(true);
      expect(best.quicker.cost).toBeGreaterThanOrEqual(best.cost);
    }
  }
  expect(quicker).toBeGreaterThan(0);
});
