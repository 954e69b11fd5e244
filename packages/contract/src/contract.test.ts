import { averageHand, standardGuitar } from '@finch/core/fretboard';
import {
  bassWalk,
  changeLoop,
  closeTriads,
  familyLadder,
  fiveForms,
  formula,
  makeDrill,
  noteReading,
  pickingPattern,
  pieceSection,
  ringCheck,
  rootCall,
  stringWalk,
  strumReading,
  warmUp,
  type Recipe,
} from '@finch/core/drills';
import { must } from '@finch/core/kernel';
import { firstSyllabus } from '@finch/core/syllabus';
import fc from 'fast-check';
import * as v from 'valibot';
import {
  handSchema,
  hookSchema,
  idSchema,
  instrumentSchema,
  pinSchema,
  planSchema,
  readPieceContent,
  recipeSchema,
  routes,
  sentEventSchema,
  someSchoolsSchema,
  takeSchema,
  upcastPlan,
} from '.';

const context = { hand: averageHand, instrument: standardGuitar };
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const G = { chord: 'G', frets: [3, 2, 0, 0, 0, 3] };
const recipes: Recipe[] = [
  warmUp(3),
  changeLoop({ grips: [C, G], beatsEach: 4 }),
  ringCheck(C),
  rootCall({ rootString: 5, answer: 'minor7', count: 6, secondsPerCall: 5, maxFret: 8 }),
  rootCall({
    rootString: 6,
    answer: 'root',
    count: 96,
    secondsPerCall: 5,
    maxFret: 12,
    grid: {
      rootStrings: [6, 5],
      answers: ['major', 'minor', 'dominant7', 'minor7'],
      weak: [{ rootString: 5, answer: 'minor', fret: 4 }],
    },
  }),
  stringWalk({ string: 6, key: 'F# major', maxFret: 12, calls: 12, secondsPerCall: 5 }),
  noteReading({ position: 5, strings: 6, key: 'Eb dorian', count: 24, secondsPerNote: 6 }),
  formula({ grip: C, targets: ['minor', 'dominant7'], secondsPerCall: 6 }),
  familyLadder({ root: 'Bb', form: 'E', beatsEach: 4, tempoBpm: 60 }),
  fiveForms({
    root: 'Gb',
    quality: 'minor7',
    order: 'up and down',
    barsEach: 2,
    keys: 4,
    next: 'random',
    allowOpen: true,
  }),
  closeTriads({
    root: 'Ab',
    strings: [4, 3, 2],
    qualities: ['major', 'diminished'],
    progression: { key: 'Ab major', numerals: ['I', 'viio'] },
    beatsEach: 4,
  }),
  changeLoop({ grips: [C, G], beatsEach: 4, piece: 'one finger' }),
  bassWalk({
    from: 'G',
    to: 'Em',
    key: 'G major',
    way: 'down',
    by: 'scale',
    back: true,
    beatsEach: 4,
    tempoBpm: 60,
  }),
  strumReading({ grips: [C, G], beats: 4, level: 6, bars: 16 }),
  pickingPattern({
    grips: [C],
    pattern: 'p i m a',
    perBeat: 2,
    beats: 3,
    barsEach: 2,
    bass: 'alternating',
    striker: 'fingers',
  }),
  pieceSection({
    pieceId: 'a-piece',
    title: 'Wick and Wire',
    fromBar: 3,
    toBar: 4,
    chart: 'key: C\n[A]\n| C | N.C. G |\nm: | C4:4 | D4:4 |\n',
    grips: [C.frets, null, G.frets],
    part: 'as written',
  }),
];
const takeOf = (recipe: Recipe) => {
  const drill = must(makeDrill(recipe, context));
  return {
    recipe,
    items: drill.items,
    startedAt: '2026-06-09T15:00:00.000Z',
    timeZone: 'Atlantic/Faroe',
    durationSeconds: 30,
    tempoBpm: drill.tempoBpm,
    steps: [],
    result: 'clean',
    feel: null,
    source: 'self',
  };
};
const issueAt = (schema: v.GenericSchema, input: unknown) => {
  const parsed = v.safeParse(schema, input, { abortEarly: true });
  return parsed.success ? null : v.getDotPath(parsed.issues[0]);
};

describe('takes and recipes', () => {
  test.each(recipes.map((recipe) => [recipe.family, recipe] as const))(
    'a take of a %s passes and loses nothing',
    (_, recipe) => {
      const sent = JSON.parse(JSON.stringify(takeOf(recipe)));
      expect(v.parse(takeSchema, sent)).toEqual(sent);
    },
  );

  test('calls and a note travel with a take, and are not needed', () => {
    const sent = {
      ...JSON.parse(JSON.stringify(takeOf(recipes[2]))),
      steps: ['clean', 'wrong note'],
      calls: [{ seconds: 2.5 }, { seconds: 4, slip: 'respelled' }],
      note: 'C rubs.',
    };
    expect(v.parse(takeSchema, sent)).toEqual(sent);
  });

  test('every recipe of the syllabus passes', () => {
    for (const skill of firstSyllabus.skills)
      for (const { recipe } of skill.practice)
        expect(issueAt(recipeSchema, JSON.parse(JSON.stringify(recipe)))).toBeNull();
  });

  test.each([
    [{ tempoBpm: -5 }, 'tempoBpm'],
    [{ tempoBpm: 5000 }, 'tempoBpm'],
    [{ startedAt: '1850-01-01T00:00:00.000Z' }, 'startedAt'],
    [{ startedAt: 'yesterday' }, 'startedAt'],
    [{ timeZone: 'Moon/Base' }, 'timeZone'],
    [{ items: [] }, 'items'],
    [{ items: [{ kind: 'spell' }] }, 'items.0.kind'],
    [{ steps: ['fine'] }, 'steps.0'],
    [{ result: 'great' }, 'result'],
    [{ feel: { hand: 'pain' } }, 'feel.where'],
    [{ feel: { hand: 'pain', where: 'ego', side: 'left' } }, 'feel.where'],
    [{ durationSeconds: 1e9 }, 'durationSeconds'],
    [{ steps: ['clean'], calls: [{ seconds: 2 }, { seconds: 3 }] }, 'calls'],
    [{ steps: ['clean'], calls: [{ seconds: -1 }] }, 'calls.0.seconds'],
    [{ steps: ['clean'], calls: [{ seconds: 1, slip: 'asleep' }] }, 'calls.0.slip'],
    [{ note: 'x'.repeat(301) }, 'note'],
    [{ recipe: { ...recipes[2], version: 9 } }, 'recipe.version'],
  ])('%j is refused at %s', (change, at) => {
    expect(issueAt(takeSchema, { ...JSON.parse(JSON.stringify(takeOf(recipes[2]))), ...change })).toBe(at);
  });

  test.each([
    [familyLadder({ root: 'H', form: 'E', beatsEach: 4 }), 'parameters.root'],
    [
      fiveForms({
        root: 'C',
        quality: 'major',
        order: 'up',
        barsEach: 1,
        keys: 9,
        next: 'fifths',
        allowOpen: false,
      }),
      'parameters.keys',
    ],
    [
      stringWalk({ string: 12, key: 'C major', maxFret: 12, calls: 4, secondsPerCall: 5 }),
      'parameters.string',
    ],
    [noteReading({ position: 2, strings: 6, key: '', count: 4, secondsPerNote: 5 }), 'parameters.key'],
    [formula({ grip: C, targets: [], secondsPerCall: 6 }), 'parameters.targets'],
    [
      closeTriads({ root: 'C', strings: [3, 2, 0], qualities: ['major'], beatsEach: 4 }),
      'parameters.strings.2',
    ],
  ] as [Recipe, string][])('recipe %# is refused by place', (recipe, at) => {
    expect(issueAt(recipeSchema, JSON.parse(JSON.stringify(recipe)))).toBe(at);
  });

  test('what is not named is dropped, and no input throws', () => {
    const sent = { ...JSON.parse(JSON.stringify(takeOf(recipes[0]))), admin: true };
    expect(v.parse(takeSchema, sent)).not.toHaveProperty('admin');
    fc.assert(
      fc.property(fc.anything(), (input) => typeof v.safeParse(sentEventSchema, input).success === 'boolean'),
      { numRuns: 300 },
    );
  });
});

describe('ids, hands, instruments', () => {
  test('ids are UUIDs of version 7', () => {
    expect(issueAt(idSchema, '01a01c40-bd80-71f4-914b-c09d0267ed8a')).toBeNull();
    for (const bad of ['', 'seven', '01a01c40-bd80-41f4-914b-c09d0267ed8a', 7, null])
      expect(v.safeParse(idSchema, bad).success).toBe(false);
  });

  test('a hand and an instrument of the core pass, others are refused by field', () => {
    expect(v.parse(handSchema, averageHand)).toEqual(averageHand);
    expect(v.parse(instrumentSchema, standardGuitar)).toEqual(standardGuitar);
    expect(issueAt(handSchema, { ...averageHand, reachMm: 300 })).toBe('reachMm');
    expect(issueAt(instrumentSchema, { ...standardGuitar, scaleLengthMm: 12 })).toBe('scaleLengthMm');
  });
});

describe('marks and schools', () => {
  const subject = '40-45-50-55-59-64 x02220';

  test.each([
    [{ subject, fingers: [null, 0, 2, 1, 3, 0], version: 0 }, null],
    [{ subject: `${subject} > 022100`, fingers: [null, 0, 2, 1, 3, 0], version: 3 }, null],
    [{ subject: 'A', fingers: [null, 0, 2, 1, 3, 0], version: 0 }, 'subject'],
    [{ subject, fingers: [5, 0, 2, 1, 3, 0], version: 0 }, 'fingers.0'],
    [{ subject, fingers: [], version: 0 }, 'fingers'],
    [{ subject, fingers: [null, 0, 2, 1, 3, 0], version: -1 }, 'version'],
  ])('a pin %#', (pin, at) => expect(issueAt(pinSchema, pin)).toBe(at));

  test.each([
    [{ subject, nickname: 'the stairs', picture: null, version: 0 }, null],
    [{ subject, nickname: 'x'.repeat(61), picture: null, version: 0 }, 'nickname'],
    [{ subject, nickname: '', picture: 'javascript:alert(1)', version: 0 }, 'picture'],
    [{ subject, nickname: '', picture: 'data:text/html;base64,AAAA', version: 0 }, 'picture'],
  ])('a hook %#', (hook, at) => expect(issueAt(hookSchema, hook)).toBe(at));

  test('a school may be silent on any matter, and is refused by name where it is none of ours', () => {
    expect(issueAt(someSchoolsSchema, {})).toBeNull();
    expect(issueAt(someSchoolsSchema, { thumb: 'over the top', firstForm: 'E' })).toBeNull();
    expect(issueAt(someSchoolsSchema, { thumb: 'everywhere' })).toBe('thumb');
    expect(issueAt(someSchoolsSchema, { tempo: 'slow' })).toBe('tempo');
  });
});

describe('plans', () => {
  const plan = { schemaVersion: 1, minutes: 30, blocks: [], leftOut: [], modelVersion: 'plan-1' };

  test('a stored plan comes up, anything else is none', () => {
    expect(upcastPlan(plan)).toEqual(plan);
    for (const other of [null, 7, {}, { ...plan, schemaVersion: 99 }]) expect(upcastPlan(other)).toBeNull();
  });

  test.each([0, 9, 181, 600, 12.5])('a plan of %d minutes is refused', (minutes) => {
    expect(issueAt(planSchema, { ...plan, minutes })).toBe('minutes');
  });

  test('the drills a block walks through are together as long as it is', () => {
    const said = { code: 'title.warm-up', values: {} };
    const recipe = JSON.parse(JSON.stringify(recipes[2])) as unknown;
    const walking = (...minutes: number[]) => ({
      ...plan,
      blocks: [
        {
          ...{ id: 'b', kind: 'new', minutes: 5, title: said, because: said, skillId: null, recipe },
          ...{ effort: 1, barreMinutes: 0, locked: false },
          walk: minutes.map((lasts) => ({ step: 'hold', minutes: lasts, recipe })),
        },
      ],
    });
    expect(issueAt(planSchema, walking(3, 2))).toBeNull();
    expect(issueAt(planSchema, walking(3, 1))).toBe('blocks.0.walk');
    expect(issueAt(planSchema, walking(5, 0))).toBe('blocks.0.walk.1.minutes');
    expect(issueAt(planSchema, walking(...Array.from({ length: 9 }, () => 1)))).toBe('blocks.0.walk');
    const [block] = walking(3, 2).blocks;
    const other = { ...block.walk[0], step: 'dance' };
    expect(issueAt(planSchema, { ...plan, blocks: [{ ...block, walk: [other] }] })).toBe(
      'blocks.0.walk.0.step',
    );
  });
});

describe('pieces', () => {
  const content = (locks: object) => ({
    chart: 'title: Thirds\n| C:1/3 F:11/3 |\n',
    concert: null,
    locks,
    parts: {},
  });
  const lock = { frets: [null, 3, 2, 0, 1, 0] };

  test('a grip locked at a third of a beat is kept under its place, the older decimal too', () => {
    const read = readPieceContent(content({ '0.0.0': lock, '0.0.1/3': lock, '0.1.2.6667': lock }));
    expect(Object.keys(read?.locks ?? {})).toEqual(['0.0.0', '0.0.1/3', '0.1.8/3']);
  });

  test.each(['0.0', '0.0.x', '0.0.1/11', 'a.0.0', ''])('a lock at %j is refused', (place) =>
    expect(readPieceContent(content({ [place]: lock }))).toBeNull(),
  );
});

test('every route has its own method and path', () => {
  const all = Object.values(routes).map((route) => `${route.method} ${route.path}`);
  expect(new Set(all).size).toBe(all.length);
  expect(all.every((one) => one.includes(' /api/'))).toBe(true);
});
