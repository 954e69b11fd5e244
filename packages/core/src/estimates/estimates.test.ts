/** The estimator against rows worked out by hand on paper, and what must hold of any log. */
import fc from 'fast-check';
import { logistic } from '../kernel/number';
import { practiceLog, PRACTICE_WORLDS } from '../simulation';
import { makeElo } from './elo';
import { makeEstimator } from './estimator';
import { makeMix } from './mix';
import type { PracticeRow } from './row';
import { makeVoice, type PartName, type Said } from './voice';
import { SKILL_VOICES, VOICES } from './voices';

const row = (text: string): PracticeRow => {
  const [student, skill, item, day, minute, tempo, share] = text.split(' ');
  const [clean, tries] = share.split('/').map(Number);
  return {
    student,
    skill,
    item,
    day: Number(day),
    minute: Number(minute),
    tempoBpm: tempo === '-' ? null : Number(tempo),
    tries,
    clean,
  };
};
/** Row, logit and variance of the first voice, chance of all. */
const WORKED: readonly (readonly [string, number, number, number])[] = [
  ['s1 k1 i1 0 0 80 3/8', -1.6, 3.74, 0.2291],
  ['s1 k1 i1 0 5 80 5/8', -0.2755, 3.3369, 0.4445],
  ['s1 k2 i2 0 10 60 1/4', -1.0664, 3.7055, 0.3966],
  ['s1 k1 i1 3 0 90 6/8', -0.0129, 2.9157, 0.5298],
  ['s2 k1 i1 3 0 90 7/8', -0.5898, 2.8974, 0.4259],
  ['s1 k1 i1 17 0 90 4/8', 1.3923, 2.8343, 0.6665],
];
const partOf = (said: Said, name: PartName) => said.parts.find((part) => part.name === name)?.belief.mean;

test('the worked rows, number by number', () => {
  const voice = makeVoice(SKILL_VOICES[0]);
  const all = makeEstimator(SKILL_VOICES);
  const recalls: number[] = [];
  for (const [text, mean, variance, chance] of WORKED) {
    const one = row(text);
    const said = voice.say(one);
    recalls.push(said.recall);
    expect([text, said.mean.toFixed(4), said.variance.toFixed(4), all.say(one).chance.toFixed(4)]).toEqual([
      text,
      mean.toFixed(4),
      variance.toFixed(4),
      chance.toFixed(4),
    ]);
    voice.learn(one, said);
    all.learn(one);
  }
  expect([recalls[3].toFixed(4), recalls[5].toFixed(4)]).toEqual(['0.7831', '0.4678']);
});

test('what the first row moves, the band of the first and the last, and the stability after three days', () => {
  const voice = makeVoice(SKILL_VOICES[0]);
  const all = makeEstimator(SKILL_VOICES, 0.85);
  const bandOf = (one: PracticeRow) => [all.say(one).low, all.say(one).high].map((p) => p.toFixed(3));
  const first = row(WORKED[0][0]);
  expect(bandOf(first)).toEqual(['0.022', '0.534']);
  voice.learn(first, voice.say(first));
  const after = voice.say(first);
  expect((['everybody', 'level', 'pair'] as const).map((name) => partOf(after, name)?.toFixed(4))).toEqual([
    '-1.4729',
    '0.1577',
    '0.0629',
  ]);
  for (const [text] of WORKED.slice(0, 5)) all.learn(row(text));
  expect(bandOf(row(WORKED[5][0]))).toEqual(['0.326', '0.935']);
  for (const [text] of WORKED.slice(1, 4)) voice.learn(row(text), voice.say(row(text)));
  expect(voice.say(row(WORKED[5][0])).aged.pair.stabilityDays.toFixed(3)).toBe('9.857');
});

const rowArbitrary = fc.record({
  student: fc.constantFrom('a', 'b', 'c'),
  skill: fc.constantFrom('k', 'l'),
  item: fc.constantFrom('i', 'j', 'm'),
  minute: fc.nat(60),
  tempoBpm: fc.option(fc.integer({ min: 30, max: 220 })),
  tries: fc.nat(20),
  share: fc.double({ min: 0, max: 1, noNaN: true }),
  later: fc.constantFrom(0, 0, 1, 3, 40),
});
/** A log in order: days go on. */
const logs = fc.array(rowArbitrary, { minLength: 1, maxLength: 25 }).map((drawn) => {
  let day = 0;
  return drawn.map(({ share, later, ...one }) => ({
    ...one,
    day: (day += later),
    clean: Math.round(one.tries * share),
  }));
});
const chancesOf = (log: readonly PracticeRow[]) => {
  const all = makeEstimator();
  return log.map((one) => {
    const { chance } = all.say(one);
    all.learn(one);
    return chance;
  });
};

test('a chance is one, inside its band, whatever is asked and however often', () => {
  fc.assert(
    fc.property(logs, (log) => {
      const all = makeEstimator();
      for (const one of log) {
        const { chance, low, high } = all.say(one);
        expect(low <= chance && chance <= high && low < high && low >= 0 && high <= 1).toBe(true);
        expect(chance > 0 && chance < 1).toBe(true);
        expect(all.say(one).chance).toBe(chance);
        all.learn(one);
      }
    }),
    { numRuns: 60 },
  );
});

test('a band about even odds has the number inside; at a tempo nobody plays it is still a number', () => {
  const all = makeEstimator();
  for (let i = 0; i < 30; i++) all.learn(row(`s k i ${i} 0 60 ${i % 2}/1`));
  const { low, chance, high } = all.say(row('s k i 30 0 60 0/1'));
  expect([low < chance - 0.05, high > chance + 0.05]).toEqual([true, true]);
  for (const tempo of [1, 100_000]) {
    const said = all.say(row(`s k i 30 0 ${tempo} 0/1`));
    expect([said.low, said.chance, said.high].every((p) => p >= 0 && p <= 1)).toBe(true);
    all.learn(row(`s k i 30 0 ${tempo} 1/1`));
  }
});

test('only earlier rows matter, names do not, and a row without tries says nothing', () => {
  fc.assert(
    fc.property(logs, fc.nat(24), (log, at) => {
      const known = chancesOf(log);
      expect(chancesOf(log.slice(0, at))).toEqual(known.slice(0, at));
      const renamed = log.map((one) => ({
        ...one,
        student: `x${one.student}`,
        skill: `${one.skill}9`,
        item: `>${one.item}`,
      }));
      expect(chancesOf(renamed)).toEqual(known);
      const tried = log.filter(({ tries }) => tries > 0);
      expect(chancesOf(tried)).toEqual(known.filter((_, i) => log[i].tries > 0));
    }),
    { numRuns: 40 },
  );
});

test('another clean try never lowers a part that speaks for it, and no row makes anybody less sure', () => {
  fc.assert(
    fc.property(logs, (log) => {
      const last = { ...(log.at(-1) as PracticeRow), tries: 12 };
      const after = (clean: number) => {
        const voice = makeVoice(VOICES[0]);
        for (const one of log.slice(0, -1)) voice.learn(one, voice.say(one));
        const said = voice.say(last);
        const before = said.parts.map(({ belief }) => belief.variance);
        voice.learn({ ...last, clean }, said);
        said.parts.forEach(({ belief }, i) => expect(belief.variance).toBeLessThanOrEqual(before[i]));
        return said.parts.filter(({ factor }) => factor > 0).map(({ belief }) => belief.mean);
      };
      const [few, many] = [after(4), after(5)];
      many.forEach((mean, i) => expect(mean).toBeGreaterThanOrEqual(few[i]));
    }),
    { numRuns: 40 },
  );
});

test('without a tempo, and at the first tempo of an item, speed says nothing; a faster one is harder', () => {
  const voice = makeVoice(VOICES[0]);
  const say = (tempo: string) => voice.say(row(`s k i 0 0 ${tempo} 1/2`)).mean;
  expect(say('-')).toBe(say('80'));
  voice.learn(row('s k i 0 0 80 4/8'), voice.say(row('s k i 0 0 80 4/8')));
  expect(say('-')).toBe(say('80'));
  expect(say('120')).toBeLessThan(say('80'));
  // Another item of the skill is measured by the skill's first tempo; one of another skill by its own.
  const of = (skill: string, item: string, tempo: string) =>
    voice.say(row(`s ${skill} ${item} 0 0 ${tempo} 1/2`)).mean;
  expect(of('k', 'j', '120')).toBeLessThan(of('k', 'j', '80'));
  expect(of('m', 'n', '120')).toBe(of('m', 'n', '80'));
});

test('days away cost and make less sure; a mood is of one day', () => {
  const voice = makeVoice(VOICES[0]);
  for (const at of [0, 1, 2, 3]) {
    const one = row(`s k i ${at} 0 - 7/8`);
    voice.learn(one, voice.say(one));
  }
  const on = (day: number) => voice.say(row(`s k i ${day} 0 - 1/1`));
  expect(on(40).mean).toBeLessThan(on(5).mean);
  expect(on(40).recall).toBeLessThan(on(5).recall);
  expect(on(40).variance).toBeGreaterThan(on(5).variance);
  expect([partOf(on(3), 'mood') === 0, partOf(on(4), 'mood')]).toEqual([false, 0]);
});

test('what makes a number is told by parts, the weightiest first, that sum up to the logit of the voices', () => {
  const all = makeEstimator([VOICES[0]]);
  const voice = makeVoice(VOICES[0]);
  const log = practiceLog(PRACTICE_WORLDS[0], 2, 20, 3);
  for (const one of log) {
    all.learn(one);
    voice.learn(one, voice.say(one));
  }
  const one = log[log.length - 1];
  const { parts } = all.say(one);
  expect(parts.reduce((sum, { logits }) => sum + logits, 0)).toBeCloseTo(voice.say(one).mean, 9);
  const sizes = parts.map(({ logits }) => Math.abs(logits));
  expect(sizes).toEqual([...sizes].sort((a, b) => b - a));
});

test('the mix comes to trust the logit that tells the truth', () => {
  const mix = makeMix([0, 0.5, 0.5], [0.02, 0.15, 0.15]);
  for (let i = 0; i < 400; i++) {
    const truth = i % 2 ? 1.2 : -1.2;
    const other = i % 3 ? 1 : -1;
    mix.learn([1, truth, other], Math.round(10 * logistic(truth)), 10);
  }
  const [bias, right, wrong] = mix.weights();
  expect(right).toBeGreaterThan(0.85);
  expect([Math.abs(bias) < 0.1, Math.abs(wrong) < 0.15]).toEqual([true, true]);
  expect(mix.say([1, 1.2, 1])).toBeCloseTo(logistic(1.2), 1);
});

test('ratings: a step toward what came, a new skill begins at the student’s own, nothing without tries', () => {
  const elo = makeElo();
  elo.learn(row('s k i 0 0 - 8/8'));
  expect(elo.say(row('s k i 0 0 - 1/1'))).toBeCloseTo(0.6 * 0.5 + 0.2 * 0.5, 12);
  expect(elo.say(row('s l j 0 0 - 1/1'))).toBeCloseTo(0.05 * 0.5, 12);
  expect(elo.say(row('t k i 0 0 - 1/1'))).toBeCloseTo(0.1, 12);
  elo.learn(row('s k i 0 0 - 0/0'));
  expect(elo.say(row('s k i 0 0 - 1/1'))).toBeCloseTo(0.4, 12);
});

test('what a student has with one item of a skill is apart from its others, and from other students', () => {
  const apart = (voices = VOICES) => {
    const all = makeEstimator(voices);
    for (let day = 0; day < 12; day++) {
      for (const one of [
        `s k i ${day} 0 - 8/8`,
        `s k j ${day} 5 - 1/8`,
        `t k i ${day} 0 - 4/8`,
        `t k j ${day} 5 - 4/8`,
      ])
        all.learn(row(one));
    }
    const between = (student: string) =>
      all.say(row(`${student} k i 12 0 - 1/1`)).chance - all.say(row(`${student} k j 12 0 - 1/1`)).chance;
    return between('s') - between('t');
  };
  expect(apart()).toBeGreaterThan(apart(SKILL_VOICES) + 0.05);
});

describe('in a world it never read', () => {
  const log = practiceLog(PRACTICE_WORLDS[3], 10, 70, 4);
  const judged = (voices = VOICES) => {
    const all = makeEstimator(voices);
    let [loss, held, rows] = [0, 0, 0];
    for (const one of log) {
      const { chance, low, high } = all.say(one);
      if (one.day >= 28) {
        loss -= one.clean * Math.log(chance) + (one.tries - one.clean) * Math.log(1 - chance);
        held += low <= one.chance && one.chance <= high ? 1 : 0;
        rows++;
      }
      all.learn(one);
    }
    return { loss, held: held / rows };
  };
  const whole = judged();

  test.each([
    ['its ease for the student', { vOwn: 0 }],
    ['its rows', { vOwnRows: 0 }],
    ['its days away', { vOwnGap: 0 }],
    ['all of it', { vOwn: 0, vOwnRows: 0, vOwnGap: 0 }],
  ])('of each item apart, %s helps to foretell', (_, without) => {
    expect(judged(VOICES.map((voice) => ({ ...voice, ...without }))).loss).toBeGreaterThan(whole.loss);
  });

  test('the band holds the truth about four times of five', () => {
    expect(whole.held).toBeGreaterThan(0.72);
    expect(whole.held).toBeLessThan(0.9);
  });
});

test('a chance at the edge of what is known stays one, inside its band', () => {
  const sure = makeMix([0, 1], [1, 1]);
  expect([sure.say([1, 1000]) < 1, sure.say([1, -1000]) > 0]).toEqual([true, true]);
  // After forty days, on another item at twice the tempo: the mean of so wide a belief lies outside its middle.
  const all = makeEstimator();
  all.learn(row('a k i 0 43 30 0/8'));
  const { chance, high } = all.say(row('a k j 40 16 60 1/1'));
  expect(high).toBeGreaterThanOrEqual(chance);
});
