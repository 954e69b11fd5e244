/**
 * How well P(clean) foretells takes it has not seen: mean log loss over simulated students whose truth the
 * estimator never reads, against the running mean and the last five takes of the same skill.
 */
import { averageHand, makeHand, standardGuitar } from '@finch/core/fretboard';
import { must, seededRandom } from '@finch/core/kernel';
import {
  cleanChance,
  forgettingLoad,
  makeGrader,
  PRIOR_FIT,
  replay,
  takeLoad,
  type AttemptEvent,
  type ReplayContext,
} from '@finch/core/mastery';
import { liveThrough, type LivedTake } from '@finch/core/simulation';
import { firstSyllabus, skillsOf } from '@finch/core/syllabus';

const START = Date.UTC(2026, 1, 2);
const STUDENTS = 12;
const EVERY = 6;

interface Losses {
  ours: number;
  running: number;
  lastFive: number;
  takes: number;
  bins: { said: number; clean: number; takes: number }[];
}

function eventOf(take: LivedTake, seq: number): AttemptEvent {
  const { day, minuteOfDay, ...played } = take;
  const startedAt = new Date(START + (day * 1440 + minuteOfDay) * 60_000).toISOString();
  return {
    schemaVersion: 1,
    kind: 'attempt',
    id: String(seq).padStart(8, '0'),
    studentId: 's',
    actorId: 'a',
    deviceId: 'd',
    deviceSeq: seq,
    sentAt: startedAt,
    receivedAt: startedAt,
    modelVersion: 'm',
    take: { ...played, startedAt, timeZone: 'UTC' },
  };
}

function judge(seed: number, losses: Losses): void {
  const random = seededRandom(seed);
  const hand = must(makeHand({ ...averageHand, sizeFactor: 0.85 + 0.25 * random.unit() }));
  const traits = {
    learning: 0.08 + 0.1 * random.unit(),
    keeping: 0.8 + 0.6 * random.unit(),
    shakiness: 0.7 + 0.4 * random.unit(),
    slowness: 0.85 + 0.4 * random.unit(),
    limit: 60 + 15 * random.unit(),
    painChance: 0,
    painPlace: 'wrist' as const,
  };
  const lived = liveThrough(
    {
      seed,
      traits,
      hand,
      instrument: standardGuitar,
      days: 98,
      lessonDays: Array.from({ length: 14 }, (_, week) => week * 7),
      lessonMinute: 960,
      diligence: 0.55,
      startsWith: ['open.em', 'open.e', 'open.am'],
    },
    firstSyllabus,
  );
  const events = lived.map(eventOf);
  const context: ReplayContext = {
    syllabus: firstSyllabus,
    hands: [{ from: '2020-01-01T00:00:00Z', value: hand }],
    instruments: [],
    difficultyFit: PRIOR_FIT,
    modelVersion: 'm',
    timeZone: 'UTC',
  };
  const grader = makeGrader(hand, standardGuitar);
  const past = new Map<string, number[]>();
  lived.forEach((take, i) => {
    const skill = skillsOf(take.items, firstSyllabus)
      .map((found) => found.skill)
      .at(-1);
    if (!skill) return;
    const seen = past.get(skill.id) ?? [];
    const clean = take.result === 'clean' ? 1 : 0;
    if (i > 80 && i % EVERY === 0 && seen.length >= 3) {
      const state = replay(events.slice(0, i), context, Date.parse(events[i].take.startedAt)).skills.find(
        (one) => one.skillId === skill.id,
      );
      const bounded = (p: number) => Math.min(0.97, Math.max(0.03, p));
      const loss = (p: number) => -Math.log(clean ? bounded(p) : 1 - bounded(p));
      const mean = (list: readonly number[]) => (list.reduce((a, b) => a + b, 0) + 1) / (list.length + 2);
      const items = skillsOf(take.items, firstSyllabus).at(-1)?.items ?? take.items;
      const load = takeLoad(take, items, grader, PRIOR_FIT) + forgettingLoad(state?.recall ?? 1);
      const said = state ? cleanChance(state.belief, load).mean : 0.5;
      losses.ours += loss(said);
      losses.running += loss(mean(seen));
      losses.lastFive += loss(mean(seen.slice(-5)));
      losses.takes++;
      const bin = losses.bins[Math.min(4, Math.floor(said * 5))];
      bin.said += said;
      bin.clean += clean;
      bin.takes++;
    }
    past.set(skill.id, [...seen, clean]);
  });
}

export function predictionProof(): { what: string; median: string; aim: string }[] {
  const losses: Losses = {
    ours: 0,
    running: 0,
    lastFive: 0,
    takes: 0,
    bins: Array.from({ length: 5 }, () => ({ said: 0, clean: 0, takes: 0 })),
  };
  for (let seed = 1; seed <= STUDENTS; seed++) judge(seed * 17, losses);
  const per = (sum: number) => (sum / losses.takes).toFixed(3);
  const calibration = losses.bins
    .filter((bin) => bin.takes > 0)
    .map((bin) => `${Math.round((100 * bin.said) / bin.takes)}:${Math.round((100 * bin.clean) / bin.takes)}`)
    .join(' ');
  return [
    {
      what: `log loss of P(clean), ${losses.takes} unseen takes of ${STUDENTS} simulated students`,
      median: per(losses.ours),
      aim: 'under the two below',
    },
    { what: '  running mean of the same skill', median: per(losses.running), aim: '' },
    { what: '  last five takes of the same skill', median: per(losses.lastFive), aim: '' },
    { what: '  calibration, said:came, in five bins', median: calibration, aim: 'equal' },
  ];
}
