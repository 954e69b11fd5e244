/**
 * How well P(clean) foretells takes it has not seen: mean log loss over simulated students whose truth the
 * estimator never reads, against the running mean and the last five takes of the same skill.
 */
import { evidenceOf } from '@finch/core/drills';
import { standardGuitar } from '@finch/core/fretboard';
import { PRIOR_FIT } from '@finch/core/hands';
import {
  cleanChance,
  experienceOf,
  forgettingLoad,
  makeGrader,
  replay,
  stageOf,
  takeLoad,
} from '@finch/core/mastery';
import { firstSyllabus, skillsOf } from '@finch/core/syllabus';
import { simulatedStudent } from './students';

const STUDENTS = 12;
const EVERY = 6;

interface Losses {
  ours: number;
  running: number;
  lastFive: number;
  takes: number;
  bins: { said: number; clean: number; takes: number }[];
}

function judge(seed: number, losses: Losses): void {
  const { lived, events, context, hand } = simulatedStudent(seed);
  const grader = makeGrader(
    { hand, instrument: standardGuitar },
    stageOf(experienceOf(context.playedFor, 0)),
  );
  const past = new Map<string, number[]>();
  lived.forEach((take, i) => {
    const exercised = skillsOf(take, firstSyllabus)
      .filter(({ skill }) => evidenceOf(skill.practice[0].recipe) === evidenceOf(take.recipe))
      .at(-1);
    if (!exercised) return;
    const { skill, items } = exercised;
    const seen = past.get(skill.id) ?? [];
    const clean = take.result === 'clean' ? 1 : 0;
    if (i > 80 && i % EVERY === 0 && seen.length >= 3) {
      const state = replay(events.slice(0, i), context, Date.parse(events[i].take.startedAt)).skills.find(
        (one) => one.skillId === skill.id,
      );
      const bounded = (p: number) => Math.min(0.97, Math.max(0.03, p));
      const loss = (p: number) => -Math.log(clean ? bounded(p) : 1 - bounded(p));
      const mean = (list: readonly number[]) => (list.reduce((a, b) => a + b, 0) + 1) / (list.length + 2);
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
