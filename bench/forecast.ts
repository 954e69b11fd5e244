/**
 * How well a forecast for a day two weeks ahead does on simulated students: the mean chance of clean over the skills met
 * by then, as it came, against the forecast and against saying that everything stays as it is.
 */
import { mean, median } from '@finch/core/kernel';
import { forecastShare, replay, type SkillState } from '@finch/core/mastery';
import { DAYS, simulatedStudent, START } from './students';

const STUDENTS = 12;
const AHEAD = 14;
const DAY_MS = 86_400_000;

export function forecastProof(): { what: string; median: string; aim: string }[] {
  const errors = { forecast: [] as number[], still: [] as number[] };
  let held = 0;
  for (let seed = 1; seed <= STUDENTS; seed++) {
    const { events, context } = simulatedStudent(seed * 17);
    const at = (day: number): readonly SkillState[] => {
      const now = START + day * DAY_MS;
      return replay(
        events.filter((event) => Date.parse(event.take.startedAt) <= now),
        context,
        now,
      ).skills;
    };
    for (let day = 35; day + AHEAD < DAYS; day += 7) {
      const met = at(day).filter((skill) => skill.chance !== null);
      if (met.length < 3) continue;
      const today = mean(met.map((skill) => skill.chance?.mean ?? 0));
      const then = at(day + AHEAD).filter((skill) => met.some((one) => one.skillId === skill.skillId));
      const came = mean(then.map((skill) => skill.chance?.mean ?? 0));
      const { going, low, high } = forecastShare(today, met, AHEAD, START + day * DAY_MS);
      if (low <= came && came <= high) held++;
      errors.forecast.push(Math.abs(going - came));
      errors.still.push(Math.abs(today - came));
    }
  }
  return [
    {
      what: `a share of clean ${AHEAD} days ahead, ${errors.forecast.length} forecasts of ${STUDENTS} simulated students, error`,
      median: median(errors.forecast).toFixed(3),
      aim: 'under the one below',
    },
    { what: '  as if everything stayed as it is', median: median(errors.still).toFixed(3), aim: '' },
    {
      what: '  came inside the 80 % band',
      median: `${Math.round((100 * held) / errors.forecast.length)} %`,
      aim: '80 %',
    },
  ];
}
