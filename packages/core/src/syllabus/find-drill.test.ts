/** Teachers' own words lead to drills that train what they name, made for the hand; pain leads away from playing. */
import { averageHand, makeHand, makeInstrument, pitchAt, standardGuitar } from '../fretboard';
import { assumedLimits, DEFAULT_LIMITS } from '../hands';
import { must } from '../kernel';
import { FAMILIES, gripsOf, makeDrill, ringCheck, type DrillFamily, type Recipe } from '../drills';
import { findDrills, firstSyllabus, type Finding } from '.';

const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const AM = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const words = Object.fromEntries(FAMILIES.map((one) => [one.name, one.name])) as Record<DrillFamily, string>;
const find = (text: string, more: Partial<Finding> = {}) =>
  findDrills({ text, context: { hand: averageHand, instrument: standardGuitar, limits: DEFAULT_LIMITS }, grip: C, held: [], words, skills: firstSyllabus.skills, ...more }); // prettier-ignore
const families = (text: string, more: Partial<Finding> = {}) => find(text, more).drills.map((one) => one.recipe.family); // prettier-ignore
const parameters = (recipe: Recipe) => recipe.parameters as Readonly<Record<string, unknown>>;

test.each([
  ['slow on minors', ['root call', 'change loop', 'formula']],
  ['string 3 buzzes', ['ring check', 'scale in the shape', 'picking pattern']],
  ['loses the root', ['string walk', 'root call', 'root call']],
  ['Em will not ring', ['ring check', 'change loop', 'picking pattern']],
  ['writes F for E#', ['spell it', 'spell it', 'write it out']],
  ['cannot hear sevenths', ['ear pairs', 'ear pairs', 'ear pairs']],
  ['late from C to G', ['change loop', 'change loop', 'change loop']],
  ['rushes', ['strum reading', 'strum reading', 'own small piece']],
  ['wants to solo', ['scale in the shape', 'two a string', 'approach']],
  ['wants bebop lines', ['scale in the shape', 'scale in the shape', 'two a string']],
  ['reads slowly', ['note reading', 'string walk', 'melody on top']],
  ['is bored', ['open task', 'own small piece', 'embellish']],
  ['cold hands', ['warm up', 'change loop', 'ring check']],
])('“%s” leads to %j', (text, wanted) => expect(families(text)).toEqual(wanted));

test('what is named is what is drilled: the chord, the string, the pair, the kind', () => {
  const [ring] = find('Em will not ring').drills;
  expect(parameters(ring.recipe).grip).toMatchObject({ chord: 'Em' });
  const walk = find('string 3 buzzes').drills[1].recipe;
  expect([parameters(walk).place, parameters(walk).at]).toEqual(['one string', 3]);
  const [loop] = find('late from C to G').drills;
  expect((parameters(loop.recipe).grips as { chord: string }[]).map((one) => one.chord)).toEqual(['C', 'G']);
  const own = { chord: 'G', frets: [3, null, 0, 0, 0, 3] };
  expect(gripsOf(find('late from C to G', { held: [own, AM] }).drills[0].recipe)[1]).toEqual(own);
  expect(find('cannot hear sevenths').drills.map((one) => parameters(one.recipe).what)).toEqual(['sevenths', 'triads', 'colours on top']); // prettier-ignore
  const spelled = find('writes F for E#').drills[0].recipe;
  expect(parameters(spelled).key).toBe('F# major');
});

test('a lone A, a small letter and an H are no chords', () => {
  const chordOf = (text: string) => parameters(find(text).drills[0].recipe).grip;
  for (const text of ['A string buzzes', 'e buzzes', 'H buzzes']) expect(chordOf(text)).toMatchObject({ chord: 'C' }); // prettier-ignore
  expect(chordOf('Dm buzzes')).toMatchObject({ chord: 'Dm' });
});

test('what hurts is not played: nothing with a grip or a line is offered, whatever else is said', () => {
  for (const text of ['sore thumb', 'F barre hurts', 'wrist pain when the chord changes']) {
    const found = find(text);
    expect(found.hurts).toBe(true);
    expect(found.drills).toHaveLength(3);
    for (const { recipe, because } of found.drills) {
      expect(['ear pairs', 'spell it', 'key detective']).toContain(recipe.family);
      expect(because.code).toBe('found.hurts');
    }
  }
  expect(find('paint it black').hurts).toBe(false);
});

test('where fewer than three for the ear can be made, what hurts is still not played', () => {
  const high = { ...standardGuitar, openPitches: [80, 83, 86, 89] };
  const found = find('pain', {
    context: { hand: averageHand, instrument: high },
    words: { ...words, 'warm up': 'warm up without pain' },
    skills: [{ name: 'pain', practice: [{ step: 'hold', recipe: ringCheck(C) }] }],
  });
  expect(found.families).toEqual(['warm up']);
  expect(found.drills.length).toBeLessThan(3);
  for (const { because } of found.drills) expect(because.code).toBe('found.hurts');
});

test('a family by its words, a skill by its name; nothing typed shows all, nonsense nothing', () => {
  expect(find('two a').families).toEqual(['two a string']);
  expect(families('two a')[0]).toBe('two a string');
  const skill = firstSyllabus.skills[3];
  const found = find(skill.name.toLowerCase());
  expect(found.drills.map((one) => one.because)).toContainEqual({ code: 'found.skill', values: { skill: skill.name } }); // prettier-ignore
  expect(find('').families).toHaveLength(FAMILIES.length);
  expect(find('  ').drills).toEqual([]);
  expect(find('zzz')).toEqual({ families: [], drills: [], hurts: false });
});

test('every drill offered can be made for the hand and stays inside its limit', () => {
  const small = { hand: must(makeHand({ sizeFactor: 0.7 })), instrument: standardGuitar, limits: { ...DEFAULT_LIMITS, gripEffort: 38 } }; // prettier-ignore
  for (const text of [
    'F will not ring',
    'barre',
    'slow on minors',
    'late',
    'rhythm',
    'solo',
    'bored',
    'picking',
  ])
    for (const { recipe } of find(text, { context: small, grip: F, held: [AM, C] }).drills) {
      const drill = makeDrill(recipe, small);
      expect([text, recipe.family, drill.ok && !drill.value.overLimit]).toEqual([text, recipe.family, true]);
    }
  expect(makeDrill(ringCheck(F), small).ok && must(makeDrill(ringCheck(F), small)).overLimit).toBe(true);
});

test('the same words give the same drills, no drill comes twice', () => {
  for (const text of ['late from C to G', 'F buzzes', 'rhythm']) {
    expect(find(text)).toEqual(find(text));
    const all = find(text).drills.map((one) => JSON.stringify(one.recipe));
    expect(new Set(all).size).toBe(all.length);
  }
});

test('bebop begins with the scale of eight notes on the dominant: the chord on the beats, what passes between them', () => {
  const [line] = find('wants bebop lines', { grip: { chord: 'Ab', frets: [4, 6, 6, 5, 4, 4] } }).drills;
  expect([line.because.code, parameters(line.recipe).tonic, parameters(line.recipe).kind]).toEqual(['found.bebop', 'Eb', 'bebop dominant']); // prettier-ignore
  const drill = must(makeDrill(line.recipe, { hand: averageHand, instrument: standardGuitar }));
  const notes = drill.score.parts[0].bars
    .flatMap((bar) => bar.events)
    .filter((one) => one.notes.length === 1);
  const sound = ({ notes: [one] }: (typeof notes)[number]) =>
    pitchAt(standardGuitar, one.stringIndex, one.fret) % 12;
  const from = notes.findIndex((one) => sound(one) === 3);
  // Eb G Bb Db on the beats of its first bar upwards; F Ab C D between them.
  expect(notes.slice(from, from + 8).map(sound)).toEqual([3, 5, 7, 8, 10, 0, 1, 2]);
});

test('a week for a child of nine who holds four chords: each day something, nothing over the hand, no barre, its own chords', () => {
  // A three-quarter guitar: on a grown one a C is over what a hand of this size is asked.
  const context = {
    hand: must(makeHand({ sizeFactor: 0.7 })),
    instrument: must(makeInstrument({ scaleLengthMm: 580 })),
    limits: assumedLimits('2017-05-01', Date.UTC(2026, 5, 9)),
  };
  const held = [{ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }, AM, C, { chord: 'G', frets: [3, 2, 0, 0, 0, 3] }];
  const week = ['late from Am to C', 'rushes', 'loses the root', 'cannot hear minor from major', 'is bored', 'reads slowly', 'forgets']; // prettier-ignore
  const days = week.map((text) => find(text, { context, held, grip: C }).drills);
  expect(days.map((drills) => drills.length)).toEqual(week.map(() => 3));
  for (const { recipe } of days.flat()) {
    const drill = must(makeDrill(recipe, context));
    expect([recipe.family, drill.hasBarre, drill.overLimit]).toEqual([recipe.family, false, false]);
    if (recipe.family !== 'change loop' && recipe.family !== 'strum reading') continue;
    for (const grip of gripsOf(recipe))
      expect(held.map((one) => one.frets.join())).toContain(grip.frets.join());
  }
  expect(new Set(days.map(([first]) => JSON.stringify(first.recipe))).size).toBe(7);
});
