import { drawPages, drawSingle, type PaperCard } from '@finch/core/paper';
import { inflateSync } from 'node:zlib';
import { join } from 'node:path';
import { changeLoop, firstRecipe } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { inPosition } from '@finch/core/scales';
import { trueSigns } from '@finch/core/shapes';
import { must } from '@finch/core/kernel';
import { parseScale } from '@finch/core/theory';
import { makeTestWorld, type TestWorld } from '../test/world';
import { paperFonts, pdfOf, runsOf } from './pdf';

const fonts = paperFonts(join(__dirname, '../../../..'));
const options = {
  title: 'Für Łucja: four shapes',
  foot: 'A foot line',
  show: 'fingers' as const,
  leftHanded: false,
  signs: trueSigns,
};
const card = (name: string, frets: (number | null)[], fingers: PaperCard['fingers']): PaperCard => ({
  name,
  frets,
  fingers,
  under: 'E form, fret 6',
});
const F = card('B♭m7', [6, 8, 6, 6, 6, 6], [1, 3, 1, 1, 1, 1]);
const abMajor = must(parseScale('Ab major'));
const at = new Date(Date.UTC(2026, 5, 9));

/** Streams of a PDF, inflated where they can be. */
function streamsOf(pdf: Buffer): string {
  const out: string[] = [];
  let from = 0;
  for (;;) {
    const start = pdf.indexOf('stream\n', from);
    if (start < 0) return out.join('\n');
    const end = pdf.indexOf('endstream', start);
    try {
      out.push(inflateSync(pdf.subarray(start + 7, end)).toString('latin1'));
    } catch {
      // Not every stream is deflated.
    }
    from = end + 9;
  }
}

test('a text is set in runs: letters, letters beyond Latin 1, music signs', () => {
  expect(runsOf('Łu B♭m7', 'bold')).toEqual([
    { face: 'bold-ext', text: 'Ł' },
    { face: 'bold', text: 'u B' },
    { face: 'signs', text: '♭' },
    { face: 'bold', text: 'm7' },
  ]);
  expect(runsOf('', 'text')).toEqual([]);
});

test('thirteen cards are two pages of A4 with the house’s fonts inside', async () => {
  const pages = drawPages(new Array(13).fill(F), options);
  const pdf = await pdfOf(pages, options.title, fonts, at);
  const text = pdf.toString('latin1');
  expect(text.startsWith('%PDF-')).toBe(true);
  expect([...text.matchAll(/\/Type \/Page\b/g)]).toHaveLength(2);
  expect(text).toContain('/MediaBox [0 0 595.2');
  expect(text).toMatch(/FontName \/[A-Z]{6}\+.*(Atkinson|Piazzolla)/);
});

test('a card by itself is a small page; its strokes are vectors', async () => {
  const pdf = await pdfOf([drawSingle(F, options)], 'B♭m7', fonts, at);
  const box = /\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(pdf.toString('latin1'));
  expect(Number(box?.[1])).toBeLessThan(220);
  const drawn = streamsOf(pdf);
  // At least a line for each of the six strings and the five wires.
  expect([...drawn.matchAll(/ l\b/g)].length).toBeGreaterThan(10);
  expect(drawn).not.toContain('Image');
});

describe('asked over HTTP', () => {
  let world: TestWorld;
  beforeAll(async () => {
    world = await makeTestWorld();
  });
  afterAll(() => world.end());
  const body = (change: object = {}) => ({
    layout: 'page',
    title: 'Shapes',
    foot: '',
    show: 'notes',
    leftHanded: true,
    cards: [{ ...F, notes: ['Bb', 'F', 'Ab', 'Db', 'F', 'Bb'], degrees: ['1', '5', 'b7', 'b3', '5', '1'] }],
    ...change,
  });

  test('a page comes back as a PDF', async () => {
    const agent = await world.sit(world.here.studentSeatId);
    const answer = await agent.post('/api/paper').send(body()).expect(200);
    expect(Buffer.from(answer.body.pdf, 'base64').subarray(0, 5).toString()).toBe('%PDF-');
  });

  const chart = {
    layout: 'chart',
    title: 'Oar Song',
    foot: '',
    show: 'fingers',
    leftHanded: false,
    chart: 'title: Oar Song\nkey: Eb\n[A] x2\n| Eb | Ab . Bb7 . |\nm: | Eb4:4 | r:4 |\n',
    facts: 'E♭ major',
    names: { Eb: 'E♭' },
    grips: [{ frets: F.frets, fingers: F.fingers }, null, null],
  };

  test('a chart comes back as a PDF of vectors, with a card for its grip', async () => {
    const agent = await world.sit(world.here.studentSeatId);
    const answer = await agent.post('/api/paper').send(chart).expect(200);
    const pdf = Buffer.from(answer.body.pdf, 'base64');
    expect([...pdf.toString('latin1').matchAll(/\/Type \/Page\b/g)]).toHaveLength(1);
    const drawn = streamsOf(pdf);
    expect([...drawn.matchAll(/ l\b/g)].length).toBeGreaterThan(14);
    const bare = await agent
      .post('/api/paper')
      .send({ ...chart, grips: [] })
      .expect(200);
    expect(streamsOf(Buffer.from(bare.body.pdf, 'base64')).length).toBeLessThan(drawn.length);
  });

  const keys = {
    layout: 'keys',
    title: 'Fifteen major keys',
    foot: '',
    show: 'degrees',
    leftHanded: false,
    keys: ['Cb major', 'Ab major', 'C major', 'C# major'],
    sevenths: true,
    blank: false,
    school: 'by degree',
    names: { viim7b5: 'viiø7' },
  };
  const necks = {
    layout: 'necks',
    title: 'A♭ major',
    foot: '',
    show: 'fingers',
    leftHanded: true,
    instrument: standardGuitar,
    necks: [{ name: 'E form', under: '', notes: inPosition(abMajor, 3, standardGuitar).notes }],
  };

  const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
  const drill = {
    layout: 'drill',
    title: 'C → G',
    foot: '',
    show: 'fingers',
    leftHanded: false,
    recipe: changeLoop({
      grips: [C, { chord: 'G', frets: [3, 2, 0, 0, 0, 3] }],
      beatsEach: 4,
    }),
    hand: averageHand,
    instrument: standardGuitar,
    lines: ['Were 9 of 10 changes clean?'],
    answers: false,
    takes: 10,
    words: { takes: 'Takes', clean: 'clean', nearly: 'nearly', notYet: 'not yet', answers: 'Answers' },
    asks: ['C', 'G'],
    names: {},
  };

  test('keys, necks and a drill come back as PDFs of vectors', async () => {
    const agent = await world.sit(world.here.studentSeatId);
    for (const asked of [keys, { ...keys, keys: ['Ab major'], blank: true }, necks, drill]) {
      const answer = await agent.post('/api/paper').send(asked).expect(200);
      const pdf = Buffer.from(answer.body.pdf, 'base64');
      expect([...pdf.toString('latin1').matchAll(/\/Type \/Page\b/g)]).toHaveLength(1);
      expect([...streamsOf(pdf).matchAll(/ l\b/g)].length).toBeGreaterThan(3);
    }
  });

  const week = {
    layout: 'week',
    title: 'Ode Pettibrand',
    foot: '',
    show: 'fingers',
    leftHanded: false,
    head: ['Homework, 10 to 11 June'],
    days: [
      { name: 'Wed 10', off: false },
      { name: 'Thu 11', off: true },
    ],
    rows: [{ name: 'C to G', minutes: [5, 0] }],
    hand: averageHand,
    instrument: standardGuitar,
    drills: [{ row: 0, title: 'C → G', aside: '', line: 'Clean?', recipe: drill.recipe, asks: [] }],
    cautions: ['Pain means stop.'],
    words: {
      minutes: 'min',
      take: 'take',
      tempo: 'bpm',
      clean: 'clean',
      felt: 'hand felt',
      feels: ['easy'],
      question: 'A question:',
    },
    names: {},
  };

  test('a week comes back as one page of vectors, with its drill on it; what no drill is made of is refused', async () => {
    const agent = await world.sit(world.here.teacherId);
    const lines = async (asked: object) => {
      const answer = await agent.post('/api/paper').send(asked).expect(200);
      const pdf = Buffer.from(answer.body.pdf, 'base64');
      expect([...pdf.toString('latin1').matchAll(/\/Type \/Page\b/g)]).toHaveLength(1);
      return [...streamsOf(pdf).matchAll(/ l\b/g)].length;
    };
    expect(await lines(week)).toBeGreaterThan((await lines({ ...week, drills: [] })) + 20);
    await agent
      .post('/api/paper')
      .send({ ...week, days: [] })
      .expect(422);
    const [one] = week.drills;
    const recipe = { ...one.recipe, parameters: { ...one.recipe.parameters, tempoBpm: 290 } };
    await agent
      .post('/api/paper')
      .send({ ...week, drills: [{ ...one, recipe }] })
      .expect(422);
  });

  test('a staff is drawn where it is asked for, and under what is read from it whether asked or not', async () => {
    const agent = await world.sit(world.here.studentSeatId);
    const curves = async (asked: object) => {
      const answer = await agent.post('/api/paper').send(asked).expect(200);
      return [...streamsOf(Buffer.from(answer.body.pdf, 'base64')).matchAll(/ [cv]\b/g)].length;
    };
    const plain = await curves(drill);
    // A clef alone is dozens of curves, a note head eight.
    expect(await curves({ ...drill, staff: true })).toBeGreaterThan(plain + 100);
    const reading = firstRecipe('note reading', { grip: C, from: null, instrument: standardGuitar });
    const asks = Array.from({ length: 16 }, () => 'Find this note');
    expect(await curves({ ...drill, recipe: reading, asks })).toBeGreaterThan(16 * 8);
  });

  test.each([
    ['no key', { ...keys, keys: [] }],
    ['too many keys', { ...keys, keys: new Array(31).fill('C major') }],
    ['no neck', { ...necks, necks: [] }],
    [
      'a drill nothing can be made of',
      { ...drill, recipe: { ...drill.recipe, parameters: { ...drill.recipe.parameters, tempoBpm: 290 } } },
    ],
    ['a drill of another version', { ...drill, recipe: { ...drill.recipe, version: 2 } }],
    [
      'a fret off the neck',
      { ...necks, necks: [{ name: '', under: '', notes: [{ ...necks.necks[0].notes[0], fret: 99 }] }] },
    ],
  ])('%s is refused', async (_, asked) => {
    const agent = await world.sit(world.here.studentSeatId);
    await agent.post('/api/paper').send(asked).expect(422);
  });

  test.each([
    [{ chart: 'title: X\n| Hmm |' }, 'chart'],
    [{ names: { Eb: 'x'.repeat(41) } }, 'names.Eb'],
    [{ grips: [{ frets: [1, 2], fingers: [1, 2] }] }, 'grips.0.frets'],
  ])('a chart with %j is refused by place', async (change, place) => {
    const agent = await world.sit(world.here.teacherId);
    const refused = await agent
      .post('/api/paper')
      .send({ ...chart, ...change })
      .expect(422);
    expect(refused.body.at).toBe(place);
  });

  test.each([
    [{ cards: [] }, 'cards'],
    [{ cards: new Array(121).fill({ ...F }) }, 'cards'],
    [{ show: 'colours' }, 'show'],
    [{ layout: 'poster' }, 'layout'],
    [{ cards: [{ ...F, frets: [40, 1, 1, 1, 1, 1] }] }, 'cards.0.frets.0'],
  ])('%# is refused by place', async (change, place) => {
    const agent = await world.sit(world.here.teacherId);
    const refused = await agent.post('/api/paper').send(body(change)).expect(422);
    expect(refused.body.at).toBe(place);
  });

  test('nobody prints without a seat', async () => {
    await (await world.sit(null)).post('/api/paper').send(body()).expect(401);
  });
});
