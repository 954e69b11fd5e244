/** What was foretold against what came: judged by formulas written out again here, and by coins whose chance is known. */
import { seededRandom } from '../kernel';
import {
  heldOf,
  NOTHING_FORETOLD,
  surprisesOf,
  together,
  withDaySaid,
  withTake,
  type DaySaid,
  type Foretold,
} from './foretold';

const DAY = 86_400_000;
const said = (...takes: [number, boolean][]): Foretold =>
  takes.reduce((before, [chance, clean]) => withTake(before, chance, clean), NOTHING_FORETOLD);
const coins = (count: number, told: number, truth: number): Foretold => {
  const random = seededRandom(7);
  return said(...Array.from({ length: count }, (): [number, boolean] => [told, random.unit() < truth]));
};

describe('how well it held', () => {
  test('nothing foretold: no class, no loss', () => {
    expect(heldOf(NOTHING_FORETOLD)).toEqual({ takes: 0, classes: [], logLoss: null, runningMean: null });
  });

  test('classes of ten with the mean of what was said and the share that came; losses written out', () => {
    const held = heldOf(said([0.62, true], [0.68, false], [0.15, false], [1, true]));
    expect(held.takes).toBe(4);
    expect(held.classes.map(({ takes, said: mean, came }) => [takes, mean, came])).toEqual([
      [1, 0.15, 0],
      [2, 0.65, 0.5],
      [1, 1, 1],
    ]);
    const model = -(Math.log(0.62) + Math.log(1 - 0.68) + Math.log(1 - 0.15) + Math.log(0.99)) / 4;
    // The running mean begins at a half: (clean + 1) / (takes + 2).
    const running = -(Math.log(1 / 2) + Math.log(1 / 3) + Math.log(1 - 2 / 4) + Math.log(2 / 5)) / 4;
    expect(held.logLoss).toBeCloseTo(model, 12);
    expect(held.runningMean).toBeCloseTo(running, 12);
  });

  test('the share that came stands in its interval: Wilson’s, worked by hand for 8 of 10 at 80 %', () => {
    const [one] = heldOf(
      said(...Array.from({ length: 10 }, (_, i): [number, boolean] => [0.75, i < 8])),
    ).classes;
    const z = 1.2815515655446004;
    const root = z * Math.sqrt((0.8 * 0.2) / 10 + (z * z) / 400);
    expect(one.low).toBeCloseTo((0.8 + (z * z) / 20 - root) / (1 + (z * z) / 10), 12);
    expect(one.high).toBeCloseTo((0.8 + (z * z) / 20 + root) / (1 + (z * z) / 10), 12);
  });

  test('too hopeful and too modest are said of enough takes, and only far enough off', () => {
    const off = (one: Foretold) => heldOf(one).classes[0].off;
    expect(off(coins(400, 0.75, 0.6))).toBe('hopeful');
    expect(off(coins(400, 0.75, 0.9))).toBe('modest');
    expect(off(coins(400, 0.75, 0.75))).toBeNull();
    expect(off(coins(29, 0.75, 0.1))).toBeNull();
    expect(off(coins(30, 0.75, 0.1))).toBe('hopeful');
  });

  test('several students in one: the takes of all', () => {
    const [a, b] = [coins(40, 0.3, 0.2), said([0.9, true], [0.35, false])];
    const all = heldOf(together([a, b]));
    expect(all.takes).toBe(42);
    expect(all.classes.map(({ takes }) => takes)).toEqual([41, 1]);
    expect(all.logLoss).toBeCloseTo(((heldOf(a).logLoss ?? 0) * 40 + (heldOf(b).logLoss ?? 0) * 2) / 42, 12);
  });
});

describe('surprises of the week', () => {
  const on = (day: number) => Date.UTC(2026, 4, 1, 17) + day * DAY;
  const playedOn = (
    before: readonly DaySaid[],
    day: number,
    mean: number,
    results: string,
    { skillId = 'open.em', variance = 0 } = {},
  ): readonly DaySaid[] =>
    [...results].reduce<readonly DaySaid[]>(
      (days, result, i) =>
        withDaySaid(days, {
          skillId,
          day: `day ${day}`,
          at: on(day) + i * 60_000,
          // Without variance the chance is the logistic of what is believed, less the load.
          belief: { mean: i === 0 ? Math.log(mean / (1 - mean)) + 1 : 9, variance },
          away: i === 0 ? 0.4 : 7,
          load: 0.6,
          clean: result === '+',
        }),
      before,
    );

  test('seven of nine where twenty in a hundred were said; nothing where it went as said', () => {
    const [one, ...more] = surprisesOf(playedOn([], 0, 0.2, '+++++++--'), on(1));
    expect(more).toEqual([]);
    expect(one).toMatchObject({ skillId: 'open.em', takes: 9, clean: 7, at: on(0) + 8 * 60_000 });
    expect(one.said).toBeCloseTo(0.2, 12);
    expect(one.came).toBeCloseTo(7 / 9, 12);
    // A coin of a fifth thrown nine times: seven, eight or nine.
    const coin = (k: number, ways: number) => ways * 0.2 ** k * 0.8 ** (9 - k);
    expect(one.chance).toBeCloseTo(coin(7, 36) + coin(8, 9) + coin(9, 1), 4);
    expect(surprisesOf(playedOn([], 0, 0.75, '+++++++--'), on(1))).toEqual([]);
    const [few] = surprisesOf(playedOn([], 0, 0.9, '+-------'), on(1));
    expect([few.clean, few.said, few.came]).toEqual([1, expect.closeTo(0.9, 12), 1 / 8]);
  });

  test('one miss of three where nearly all was said is no news, two are', () => {
    expect(surprisesOf(playedOn([], 0, 0.98, '++-'), on(1))).toEqual([]);
    expect(surprisesOf(playedOn([], 0, 0.98, '+--'), on(1))).toHaveLength(1);
    // Many takes make a small difference sure, and it stays small.
    expect(surprisesOf(playedOn([], 0, 0.75, `${'+'.repeat(55)}${'-'.repeat(45)}`), on(1))).toEqual([]);
    expect(surprisesOf(playedOn([], 0, 0.75, `${'+'.repeat(44)}${'-'.repeat(56)}`), on(1))).toHaveLength(1);
  });

  test('the model’s own doubt explains much of it: a flat belief makes every count as likely', () => {
    expect(surprisesOf(playedOn([], 0, 0.5, '++++++'), on(1))).toHaveLength(1);
    expect(surprisesOf(playedOn([], 0, 0.5, '++++++', { variance: 1.4 }), on(1))).toEqual([]);
    // Half, with the spread of a flat law (1 / 12): each of 0 to 60 clean takes has a chance of 1 in 61.
    const flat = [{ skillId: 'a', day: 'd', at: on(0), belief: { mean: 0, variance: 1 }, away: 0, takes: 60, said: 30, unsure: 60 / Math.sqrt(12) }]; // prettier-ignore
    const [all] = surprisesOf([{ ...flat[0], clean: 60 }], on(1));
    expect(all.chance).toBeCloseTo(1 / 61, 9);
    expect(surprisesOf([{ ...flat[0], clean: 59 }], on(1))).toEqual([]);
  });

  test('two takes surprise nobody; a week later it is no news; what is ahead is not told', () => {
    expect(surprisesOf(playedOn([], 0, 0.05, '++'), on(1))).toEqual([]);
    const three = playedOn([], 0, 0.05, '+++');
    expect(surprisesOf(three, on(6))).toHaveLength(1);
    expect(surprisesOf(three, on(7) + DAY)).toEqual([]);
    expect(surprisesOf(three, on(0) - 1)).toEqual([]);
  });

  test('each day for itself, the most surprising first; days past telling are let go', () => {
    const two = playedOn(playedOn([], 0, 0.3, '++++'), 1, 0.2, '+++++', { skillId: 'open.am' });
    expect(surprisesOf(two, on(2)).map(({ skillId }) => skillId)).toEqual(['open.am', 'open.em']);
    const other = playedOn(playedOn([], 0, 0.3, '+++'), 1, 0.3, '---');
    expect(other.map(({ takes, clean }) => [takes, clean])).toEqual([
      [3, 3],
      [3, 0],
    ]);
    expect(playedOn(two, 16, 0.5, '+')).toHaveLength(1);
  });
});
