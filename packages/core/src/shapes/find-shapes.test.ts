import {
  averageHand,
  makeHand,
  makeInstrument,
  namedTunings,
  pitchAt,
  standardGuitar,
  type Instrument,
} from '../fretboard';
import { checkFrets, fretsText, type Frets } from '../grips';
import { gradeGrip } from '../effort';
import { must, seededRandom } from '../kernel';
import { mod12, parseChord, pitchClassOf, QUALITIES, type Chord } from '../theory';
import { easierStandIns } from './easier';
import { explainLimits } from './explain-limits';
import { findShapes } from './find-shapes';
import { DEFAULT_LIMITS, type GradedGrip, type ShapeLimits } from './graded-grip';
import { LIMIT_TESTS, LOOSEST } from './limits';
import { STYLES, USES, type Style, type Use } from './use';
import { scoreUsualGrips } from './usual-grips';

const chord = (symbol: string) => must(parseChord(symbol));
const find = (symbol: string, limits = {}, instrument = standardGuitar, hand = averageHand) =>
  findShapes({ chord: chord(symbol), instrument, hand, limits });
const texts = (symbol: string, limits = {}) => find(symbol, limits).map((grip) => fretsText(grip.frets));

/** The plain way: every combination of frets up to a bound, kept when it plays the chord and a hand holds it. */
function bruteForce(wanted: Chord, instrument: Instrument, maxFret: number): Set<string> {
  const found = new Set<string>();
  const strings = instrument.openPitches.length;
  const choices = [null, ...Array.from({ length: maxFret + 1 }, (_, fret) => fret)];
  const frets: (number | null)[] = new Array(strings).fill(null);
  const classes = new Set(wanted.tones.map((tone) => tone.pitchClass));
  const visit = (s: number): void => {
    if (s < strings) {
      for (const choice of choices) {
        if (choice !== null && !classes.has(mod12(pitchAt(instrument, s, choice)))) continue;
        frets[s] = choice;
        visit(s + 1);
      }
      return;
    }
    const pitches = frets.flatMap((fret, i) => (fret === null ? [] : [pitchAt(instrument, i, fret)]));
    if (pitches.length < 3 || mod12(Math.min(...pitches)) !== pitchClassOf(wanted.root)) return;
    const heard = new Set(pitches.map(mod12));
    if (wanted.tones.some((tone) => tone.required && !heard.has(tone.pitchClass))) return;
    const first = frets.findIndex((fret) => fret !== null);
    const last = frets.findLastIndex((fret) => fret !== null);
    if (frets.slice(first, last).filter((fret) => fret === null).length > 2) return;
    if (checkFrets(frets, instrument).ok && gradeGrip(frets, averageHand, instrument).ok)
      found.add(fretsText(frets));
  };
  visit(0);
  return found;
}

describe('findShapes', () => {
  test.each(['C', 'F#m7', 'Bbaug', 'Em7b5', 'A9'])(
    '%s: the search finds what brute force finds, up to fret 4',
    (symbol) => {
      const brute = bruteForce(chord(symbol), standardGuitar, 4);
      expect(new Set(texts(symbol, { maxFret: 4 }))).toEqual(brute);
    },
  );

  test('every grip sounds only chord tones, all required ones, root lowest, and appears once', () => {
    for (const quality of QUALITIES) {
      const wanted = chord(`Eb${quality.suffix}`);
      const grips = findShapes({ chord: wanted, instrument: standardGuitar, hand: averageHand });
      expect(new Set(grips.map((grip) => fretsText(grip.frets))).size).toBe(grips.length);
      for (const grip of grips) {
        const pitches = grip.frets.flatMap((fret, s) =>
          fret === null ? [] : [pitchAt(standardGuitar, s, fret)],
        );
        const heard = new Set(pitches.map(mod12));
        expect(wanted.tones.every((tone) => !tone.required || heard.has(tone.pitchClass))).toBe(true);
        expect(mod12(Math.min(...pitches))).toBe(pitchClassOf(wanted.root));
        expect(grip.inversion).toBe('1');
      }
    }
  });

  test.each([
    ['C', 'x32010'],
    ['Am', 'x02210'],
    ['D', 'xx0232'],
    ['Em', '022000'],
    ['A', 'x02220'],
    ['E', '022100'],
    ['Dm', 'xx0231'],
    ['A7', 'x02020'],
    ['E7', '020100'],
  ])('the first %s a beginner meets is %s', (symbol, text) => expect(texts(symbol)[0]).toBe(text));

  test.each([
    ['F', '133211'],
    ['Bm', 'x24432'],
    ['G7', '320001'],
    ['B7', 'x21202'],
    ['Bbm7', 'x13121'],
    ['C9', 'x32333'],
    ['Cmaj7', 'x32000'],
    ['Gm', '355333'],
    ['Ab', '466544'],
  ])('%s has the usual %s among its first six', (symbol, text) =>
    expect(texts(symbol).slice(0, 6)).toContain(text),
  );

  test('a slash bass outside the chord sounds only lowest', () => {
    const grips = find('C/D');
    expect(grips.length).toBeGreaterThan(0);
    for (const grip of grips) {
      const bass = grip.degrees.filter((degree) => degree === 'bass');
      expect(bass).toHaveLength(1);
      expect(grip.inversion).toBe('bass');
    }
  });

  test('any bass holds every grip of root in the bass', () => {
    const any = new Set(texts('Gm7', { bass: 'any' }));
    expect(texts('Gm7').every((text) => any.has(text))).toBe(true);
  });

  test('narrowing a limit never adds a grip', () => {
    const all = new Set(texts('D7'));
    for (const limits of [
      { maxFret: 7 },
      { maxEffort: 50 },
      { allowOpen: false },
      { mustSound: [1] },
      { mustMute: [6] },
      { minStrings: 5 },
    ]) {
      const some = texts('D7', limits);
      expect(some.length).toBeLessThan(all.size);
      expect(some.every((text) => all.has(text))).toBe(true);
    }
  });

  test('a smaller hand finds no grip that a larger one cannot hold', () => {
    const small = find('Ebmaj7', {}, standardGuitar, must(makeHand({ sizeFactor: 0.75 })));
    const large = new Set(texts('Ebmaj7'));
    expect(small.length).toBeLessThan(large.size);
    expect(small.every((grip) => large.has(fretsText(grip.frets)))).toBe(true);
  });

  test('the grade in the list is the grade of the grip', () => {
    for (const grip of find('F#m').slice(0, 40)) {
      const graded = must(gradeGrip(grip.frets as Frets, averageHand, standardGuitar));
      expect(graded.points).toBeCloseTo(grip.effort.points, 9);
      expect(graded.fingering.fingers).toEqual(grip.fingers);
    }
  });

  test('a folded grip is its parent less one string', () => {
    const grips = find('Am7');
    const folded = grips.filter((grip) => grip.foldsInto !== undefined);
    expect(folded.length).toBeGreaterThan(grips.length / 3);
    for (const grip of folded) {
      const parent = grips[grip.foldsInto ?? -1];
      const lost = parent.frets.filter((fret, s) => fret !== grip.frets[s]);
      expect(lost).toHaveLength(1);
    }
  });

  test('easier stand-ins are easier and say what falls silent', () => {
    const barre = find('F').find((grip) => fretsText(grip.frets) === '133211');
    if (!barre) throw new Error('no F barre');
    const standIns = easierStandIns(barre, {
      chord: chord('F'),
      hand: averageHand,
      instrument: standardGuitar,
    });
    expect(standIns.length).toBeGreaterThanOrEqual(3);
    for (const one of standIns) expect(one.grip.effort.total).toBeLessThan(barre.effort.total);
    const fewer = standIns.find((one) => one.kind === 'fewer strings');
    expect(fewer?.silenced.length).toBeGreaterThan(0);
  });

  test('at least four kinds for a barre, each with what is given up', () => {
    const [barre] = find('F', { mustSound: [6, 5, 4, 3, 2, 1], allowOpen: false });
    const all = easierStandIns(barre, { chord: chord('F'), hand: averageHand, instrument: standardGuitar });
    const kinds = all.map((one) => one.kind);
    expect(new Set(kinds).size).toBeGreaterThanOrEqual(5);
    for (const one of all) {
      expect(one.grip.effort.total).toBeLessThanOrEqual(barre.effort.total - 4);
      for (const degree of one.given) expect(one.grip.degrees).not.toContain(degree);
    }
    const capo = all.find((one) => one.kind === 'capo');
    expect(capo && [capo.capo, fretsText(capo.grip.frets)]).toEqual([1, '022100']);
    const inner = all.find((one) => one.kind === 'inner four');
    expect(inner && inner.grip.frets.filter((fret) => fret !== null)).toHaveLength(4);
    expect(inner && [inner.grip.frets[0], inner.grip.frets[5]]).toEqual([null, null]);
  });

  test('the thumb takes the bass where a hand has not learned it yet', () => {
    const [barre] = find('Gm', { mustSound: [6, 5, 4, 3, 2, 1], allowOpen: false });
    const all = easierStandIns(barre, { chord: chord('Gm'), hand: averageHand, instrument: standardGuitar });
    const thumb = all.find((one) => one.kind === 'thumb bass');
    if (thumb) expect(thumb.grip.fingers[0]).toBe('T');
    const own = { ...averageHand, thumbOver: true };
    const [already] = find('Gm', { mustSound: [6] }, standardGuitar, own);
    expect(
      easierStandIns(already, { chord: chord('Gm'), hand: own, instrument: standardGuitar }).map(
        (one) => one.kind,
      ),
    ).not.toContain('thumb bass');
  });
});

describe('limits', () => {
  const sets: readonly Partial<ShapeLimits>[] = [
    { maxEffort: 40 },
    { maxFret: 4, minStrings: 5 },
    { rootString: 5, allowOpen: false },
    { form: 'A' },
    { inversion: '3', bass: 'any' },
    { top: '5' },
    { allowBarre: false },
    { wantOpen: true },
    { mustMute: [6, 5], bass: 'any', maxStrings: 3 },
    { minFret: 5, maxFret: 9, mustSound: [1] },
  ];

  test.each(sets.map((limits) => [JSON.stringify(limits), limits] as const))(
    '%s keeps what it says and adds nothing',
    (_, limits) => {
      const open = find('Bb7', { bass: 'any', allowRootless: limits.allowRootless });
      const all = new Set(open.map((grip) => fretsText(grip.frets)));
      const kept = find('Bb7', limits);
      expect(kept.length).toBeGreaterThan(0);
      for (const grip of kept) {
        expect(all).toContain(fretsText(grip.frets));
        for (const { passes } of LIMIT_TESTS)
          expect(passes(grip, { ...DEFAULT_LIMITS, ...limits })).toBe(true);
      }
    },
  );

  test('what the search narrows by itself is what the tests say, grip by grip', () => {
    for (const limits of sets) {
      const asked = { ...DEFAULT_LIMITS, ...limits };
      const all = find('Cm7', LOOSEST).filter((grip) =>
        LIMIT_TESTS.every((test) => test.passes(grip, asked)),
      );
      const kept = find('Cm7', limits);
      expect(kept.map((grip) => fretsText(grip.frets)).sort()).toEqual(
        all.map((grip) => fretsText(grip.frets)).sort(),
      );
    }
  });

  test('an empty list says which limit emptied it, and the step it names fills it', () => {
    const request = (limits: Partial<ShapeLimits>) => ({
      chord: chord('F'),
      instrument: standardGuitar,
      hand: averageHand,
      limits,
    });
    const heavy = { maxEffort: 20, mustSound: [6, 5, 4, 3, 2, 1] };
    expect(findShapes(request(heavy))).toEqual([]);
    const [step] = explainLimits(request(heavy));
    expect(step.limits).toEqual(['maxEffort']);
    expect(findShapes(request({ ...heavy, maxEffort: step.to[0] ?? 0 }))).toHaveLength(step.brings);
    expect(findShapes(request({ ...heavy, maxEffort: (step.to[0] ?? 0) - 1 }))).toEqual([]);
    const low = { maxFret: 2, form: 'A' as const, allowOpen: false };
    const [up] = explainLimits(request(low));
    expect(up.limits).toEqual(['maxFret']);
    expect(findShapes(request({ ...low, maxFret: up.to[0] ?? 0 })).length).toBeGreaterThan(0);
  });

  test('nothing to explain when nothing can be held', () => {
    const tiny = must(makeInstrument({ openPitches: [40, 40, 40, 40] }));
    expect(
      explainLimits({ chord: chord('C7#5#9'), instrument: { ...tiny, frets: 12 }, hand: averageHand }),
    ).toEqual([]);
  });
});

describe('use and style', () => {
  const first = (use: Use, style?: Style) =>
    findShapes({
      chord: chord('G7'),
      instrument: standardGuitar,
      hand: averageHand,
      limits: { bass: 'any' },
      use,
      style,
    })[0];

  test('reorder and leave nothing out', () => {
    const plain = find('G7')
      .map((grip) => fretsText(grip.frets))
      .sort();
    for (const use of USES)
      for (const style of STYLES) {
        const list = findShapes({
          chord: chord('G7'),
          instrument: standardGuitar,
          hand: averageHand,
          use,
          style,
        });
        expect(list.map((grip) => fretsText(grip.frets)).sort()).toEqual(plain);
      }
  });

  test('a strum wants many strings, a chop few and none open, a solo fill the thin ones', () => {
    const sounding = (grip: GradedGrip) => grip.frets.filter((fret) => fret !== null).length;
    expect(sounding(first('strum'))).toBeGreaterThanOrEqual(5);
    expect(sounding(first('chop'))).toBeLessThanOrEqual(4);
    expect(first('chop').frets).not.toContain(0);
    expect(first('solo fill').frets[0]).toBeNull();
    expect(first('solo fill').frets[5]).not.toBeNull();
    expect(first('chop').because.map((one) => one.from)).toContain('use');
  });
});

test.each([
  ['C', 'C', 'x32010'],
  ['A', 'A', 'x02220'],
  ['G', 'G', '320033'],
  ['E', 'E', '022100'],
  ['D', 'D', 'xx0232'],
  ['Am', 'A', 'x02210'],
  ['C7', 'C', 'x32310'],
] as const)(
  'a limit to a form finds its open grip: %s in the %s form begins with %s',
  (symbol, form, frets) => {
    const found = findShapes({
      chord: chord(symbol),
      instrument: standardGuitar,
      hand: averageHand,
      limits: { form },
    }).map((grip) => fretsText(grip.frets));
    expect(found[0]).toBe(frets);
    expect(found.length).toBeGreaterThan(1);
  },
);

test.each([
  ['C7', 'x32310'],
  ['Bb', 'x13331'],
  ['B', 'x24442'],
  ['C/G', '332010'],
  ['Bbm', 'x13321'],
  ['Fm7', '131111'],
  ['Cm7b5', 'x3434x'],
  ['Adim', 'x0121x'],
  ['F', '133211'],
])('the first %s is %s: low on the neck, and not its close twin further up', (symbol, frets) => {
  const [first] = findShapes({ chord: chord(symbol), instrument: standardGuitar, hand: averageHand });
  expect(fretsText(first.frets)).toBe(frets);
});

test.each(['E/G#', 'Em/G', 'C/G', 'F/A', 'A/C#', 'G5', 'A5'])(
  'the lowest note of the first %s lies on a thick string, where it is heard as a bass',
  (symbol) => {
    const [first] = findShapes({ chord: chord(symbol), instrument: standardGuitar, hand: averageHand });
    expect(first.frets.findIndex((fret) => fret !== null)).toBeLessThan(3);
  },
);

test.each(['Ebadd9', 'F#maj7', 'F#sus2', 'F#add9', 'Adim', 'Abmaj7', 'Db7', 'Ebm7'])(
  'the first %s lies at fret 7 or lower',
  (symbol) => {
    const [first] = findShapes({ chord: chord(symbol), instrument: standardGuitar, hand: averageHand });
    expect(Math.min(...first.frets.filter((fret): fret is number => !!fret))).toBeLessThanOrEqual(7);
  },
);

test('usual grips of a hand-written list are found, come early and are fingered as players do', () => {
  const score = scoreUsualGrips();
  expect(score.grips).toBeGreaterThanOrEqual(120);
  expect(score.found / score.grips).toBeGreaterThanOrEqual(0.99);
  expect(score.inFirst40 / score.grips).toBeGreaterThanOrEqual(0.98);
  expect(score.inFirst6 / score.grips).toBeGreaterThanOrEqual(0.88);
  expect(score.firstUsual / score.chords).toBeGreaterThanOrEqual(0.85);
  expect(score.everyday).toBeGreaterThanOrEqual(150);
  expect(score.everydayFirst / score.everyday).toBeGreaterThanOrEqual(0.93);
  expect(score.fingered / score.grips).toBeGreaterThanOrEqual(0.9);
});

test('the fast search agrees with brute force on 200 random sets of chord, tuning and limits', () => {
  const random = seededRandom(21);
  const pick = <T>(list: readonly T[]): T => list[random.int(0, list.length - 1)];
  let grips = 0;
  for (let i = 0; i < 200; i++) {
    const instrument = must(
      makeInstrument({
        openPitches: pick(namedTunings.filter((one) => one.openPitches.length <= 6)).openPitches,
        capo: pick([0, 0, 2]),
      }),
    );
    const wanted = chord(pick('C Db D Eb E F F# G Ab A Bb B'.split(' ')) + pick(QUALITIES).suffix);
    const maxFret = random.int(2, 4);
    const limits: Partial<ShapeLimits> = pick([
      {},
      { allowOpen: false },
      { minStrings: 4 },
      { mustMute: [1] },
      { maxInnerMutes: 0 },
      { mustSound: [2] },
      { maxEffort: 50 },
    ]);
    const asked = { ...DEFAULT_LIMITS, ...limits, maxFret };
    const all = find(wanted.symbol, { maxFret }, instrument);
    const brute = bruteForce(wanted, instrument, maxFret);
    expect(new Set(all.map((grip) => fretsText(grip.frets)))).toEqual(brute);
    const kept = all.filter((grip) => LIMIT_TESTS.every((test) => test.passes(grip, asked)));
    const fast = find(wanted.symbol, { ...limits, maxFret }, instrument);
    expect(fast.map((grip) => fretsText(grip.frets)).sort()).toEqual(
      kept.map((grip) => fretsText(grip.frets)).sort(),
    );
    grips += brute.size;
  }
  expect(grips).toBeGreaterThan(1000);
}, 60_000);

test('left-handed changes nothing but the drawing', () => {
  const left = { ...standardGuitar, leftHanded: true };
  for (const symbol of ['C', 'Bbm7', 'F#7b9']) expect(find(symbol, {}, left)).toEqual(find(symbol));
});
