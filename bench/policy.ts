/**
 * The planner's worth of a visit as a plain function over rows that name no real item, so that any simulator can judge it:
 * `makePolicy({skills, minutes})` gives `choose({student, day, open, rows, goals?})`, skill ids in the order in which the planner
 * would take them. What is believed is said by one voice of the estimator; what it is worth by `worthOf`, as in a lesson.
 */
import { makeVoice, SKILL_VOICES, type PracticeRow, type VoiceConstants } from '@finch/core/estimates';
import { waitingFor, worthOf, type Clock, type Prospect } from '@finch/core/planning';

export interface PolicySkill {
  readonly id: string;
  /** Ids of skills, all of which come first. */
  readonly needs: readonly string[];
}
export interface PolicyGoal {
  readonly skills: readonly string[];
  /** Day on which they are wished for. */
  readonly day: number;
}
export interface Ask {
  readonly student: string;
  readonly day: number;
  /** Skills that may be taken today. */
  readonly open: readonly string[];
  /** The log so far, sorted by time; each call's begins with the last one's. */
  readonly rows: readonly PracticeRow[];
  readonly goals?: readonly PolicyGoal[];
}
export interface Choose {
  (ask: Ask): string[];
  /** What a visit to each open skill is worth. */
  readonly worth: (ask: Ask) => Map<string, number>;
}

const NEW_A_DAY = 3;
const MOST_STABILITY_DAYS = 200;

/** @param minutes of a day; what is returned is in order, and whoever asks takes as many as fit */
export function makePolicy(
  { skills }: { readonly skills: readonly PolicySkill[]; readonly minutes: number },
  voiceConstants: VoiceConstants = SKILL_VOICES[0],
): Choose {
  const voice = makeVoice(voiceConstants);
  const forgotten = (days: number, stabilityDays: number) =>
    1 - (1 + days / (4 * stabilityDays)) ** -voiceConstants.gapPow;
  const visits = new Set<string>();
  const highest = new Map<string, number>();
  const met = new Map<string, Set<string>>();
  let read = 0;
  const order = new Map(skills.map(({ id }, i) => [id, i]));
  const learn = (rows: readonly PracticeRow[]): void => {
    for (; read < rows.length; read++) {
      const row = rows[read];
      voice.learn(row, voice.say(row));
      visits.add(`${row.student}\n${row.skill}\n${row.day}`);
      if (row.tempoBpm !== null) highest.set(row.skill, Math.max(row.tempoBpm, highest.get(row.skill) ?? 0));
      let own = met.get(row.student);
      if (!own) met.set(row.student, (own = new Set()));
      own.add(row.skill);
    }
  };
  const worth = ({ student, day, open, rows, goals = [] }: Ask): Map<string, number> => {
    learn(rows);
    const clock: Clock = {
      rowsAVisit: (read + 1) / (visits.size + 1),
      rowScale: voiceConstants.nScale,
      forgotten,
      grown: (stabilityDays, days, chance) =>
        Math.min(
          MOST_STABILITY_DAYS,
          stabilityDays * (1 + voiceConstants.sGain * forgotten(days, stabilityDays) * (0.4 + 0.6 * chance)),
        ),
    };
    const known = new Set([...(met.get(student) ?? []), ...open]);
    const ahead = goals.filter((goal) => goal.day >= day);
    return new Map(
      open.map((skill) => {
        const days = ahead.filter((goal) => goal.skills.includes(skill)).map((goal) => goal.day - day);
        const prospect = prospectOf(voice, { student, skill, day, tempoBpm: highest.get(skill) ?? null });
        const waiting = waitingFor(skill, skills, (id) => !known.has(id));
        const daysToGoal = days.length ? Math.min(...days) : null;
        return [skill, worthOf(prospect, clock, waiting, { daysToGoal })];
      }),
    );
  };
  const choose = (ask: Ask): string[] => {
    const all = worth(ask);
    const own = met.get(ask.student) ?? new Set<string>();
    const inOrder = ask.open.toSorted(
      (a, b) => (all.get(b) ?? 0) - (all.get(a) ?? 0) || (order.get(a) ?? 0) - (order.get(b) ?? 0),
    );
    let fresh = 0;
    return inOrder.filter((skill) => own.has(skill) || ++fresh <= NEW_A_DAY);
  };
  return Object.assign(choose, { worth });
}

/** What one voice believes of a skill on a day, at a tempo and rested. */
export function prospectOf(
  voice: ReturnType<typeof makeVoice>,
  asked: Pick<PracticeRow, 'student' | 'skill' | 'day' | 'tempoBpm'>,
): Prospect {
  const { parts, aged } = voice.say({ ...asked, item: '', minute: 0, tries: 0, clean: 0 });
  const of = (...names: string[]) => parts.filter(({ name }) => names.includes(name));
  const sum = (names: string[]) =>
    of(...names).reduce((all, { factor, belief }) => all + factor * belief.mean, 0);
  const [rows, days, speed] = of('practice').map(({ belief }) => belief.mean);
  const away = of('away').reduce((all, { belief }) => all + belief.mean, 0);
  const { pair } = aged;
  return {
    base: sum(['everybody', 'level', 'skill', 'pair', 'tempo']),
    variance: of('level', 'skill', 'pair').reduce((all, { belief }) => all + belief.variance, 0),
    rows: pair.rows,
    days: pair.days,
    away: pair.lastDay === null ? 0 : Math.max(0, asked.day - pair.lastDay),
    playedToday: pair.lastDay === asked.day,
    stabilityDays: pair.stabilityDays,
    perRows: rows + speed,
    perDays: days + speed,
    forgetting: Math.min(0, away),
  };
}
