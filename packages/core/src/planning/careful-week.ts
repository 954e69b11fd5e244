/** What a careful teacher expects of a week at home, asked of the week alone; shares nothing with what plans it but its types. */
import type { HandLimits } from '../hands/limits';
import { dayBarreMinutes, dayBlocks, dayMinutes, type HomeWeek } from './home-week';
import { peakLoad } from './load';

export const WEEK_RULES = [
  'minutes',
  'day off',
  'barre',
  'load',
  'reviews',
  'family',
  'cold',
  'nowhere',
  'reviewed once',
  'mended twice',
  'never running',
  'each day',
] as const;
export type WeekRule = (typeof WEEK_RULES)[number];

export interface WeekBreach {
  readonly rule: WeekRule;
  /** What breaks it: a day by its index, or a row. */
  readonly found: string;
}

/** A share of a day that reviews may fill, and drills of a family on it. */
const MOST = { reviews: 0.5, family: 2 } as const;

/** Empty for a week that keeps them all. */
export function weekBreachesOf(
  week: Pick<HomeWeek, 'days' | 'rows'>,
  limits: Pick<HandLimits, 'barreMinutes' | 'load'>,
): WeekBreach[] {
  const found: WeekBreach[] = [];
  const on = week.days.flatMap(({ minutes }, at) => (minutes > 0 ? [at] : []));
  for (const [at, { minutes }] of week.days.entries()) {
    const there = week.rows.filter((row) => row.minutes[at] > 0);
    const breaks = (rule: WeekRule, isBroken: boolean) => {
      if (isBroken) found.push({ rule, found: `day ${at}` });
    };
    const reviewed = there
      .filter(({ kind }) => kind === 'review')
      .reduce((sum, row) => sum + row.minutes[at], 0);
    // Where nothing is played few families are left.
    const isPlayed = there.some(({ effort }) => effort > 0);
    const families = there.map(({ recipe }) => recipe.family);
    breaks('minutes', dayMinutes(week, at) > minutes);
    breaks('day off', minutes === 0 && there.length > 0);
    breaks('barre', dayBarreMinutes(week, at) > (limits.barreMinutes * minutes) / 30 + 1e-9);
    breaks('load', peakLoad(dayBlocks(week, at)).load > limits.load);
    breaks('reviews', reviewed > MOST.reviews * minutes);
    breaks(
      'family',
      isPlayed && families.some((family) => families.filter((one) => one === family).length > MOST.family),
    );
    breaks('cold', isPlayed && there[0].kind !== 'warm up');
  }
  for (const { id, kind, minutes, effort } of week.rows) {
    const times = minutes.filter((lasts) => lasts > 0).length;
    const isGiven = id.startsWith('given:');
    // What is heard and named tires no hand: it may be done each day.
    const isMended = kind === 'repair' && !isGiven && effort > 0 && on.length >= 3;
    const breaks = (rule: WeekRule, isBroken: boolean) => {
      if (isBroken) found.push({ rule, found: id });
    };
    breaks('nowhere', times === 0);
    breaks('reviewed once', kind === 'review' && times > 1);
    breaks('mended twice', isMended && times < 2);
    breaks('never running', isMended && on.slice(1).some((at, i) => minutes[at] > 0 && minutes[on[i]] > 0));
    breaks('each day', (kind === 'new' || isGiven) && times !== on.length);
  }
  return found;
}
