/**
 * What a careful teacher expects of a proposal, asked of a finished plan: each rule by itself, from the plan and what the
 * student holds, sharing nothing with the planner that made it. The planner is measured by it (`npm run bench:plans`).
 */
import type { Recipe } from '../drills/recipe';
import { isQuiet } from '../drills/evidence';
import { makeDrill } from '../drills/make-drill';
import { DAY_MS } from '../mastery/constants';
import type { StudentState } from '../mastery/replay';
import type { SkillState } from '../mastery/skill-state';
import { skillsOf } from '../syllabus/skills-of';
import type { Skill, Syllabus } from '../syllabus/skill';
import type { LessonConstraints } from './lesson-limits';
import type { LessonPlan, PlanBlock } from './plan';
import { peakLoad } from './load';

export const CAREFUL_RULES = [
  'minutes',
  'opener',
  'promised',
  'mended first',
  'mended enough',
  'nothing new in trouble',
  'something new',
  'few new',
  'new is used',
  'one new piece of music',
  'known music',
  'longest is not held',
  'held is short',
  'share of music',
  'reviews',
  'one family',
  'one drill',
  'several drills',
  'strands',
  'comes round',
  'ends well',
  'barre',
  'barres apart',
  'load',
  'left out for its own reason',
  'pain',
] as const;
export type CarefulRule = (typeof CAREFUL_RULES)[number];

export interface Breach {
  readonly rule: CarefulRule;
  /** What was found, in words for whoever mends the planner. */
  readonly found: string;
}

/** Numbers of the rules (brief statements of teachers; our assumptions). */
const CAREFUL = {
  openerMinutes: 3,
  trouble: 4,
  calm: 1,
  /** Begun, and fewer of its takes clean than this. */
  rough: 0.4,
  mended: 2,
  held: 0.85,
  heldMinutes: 4,
  music: { least: 0.15, most: 0.5 },
  oneDrillMinutes: 8,
  /** Minutes that mending takes at least. */
  leastMended: 5,
  /** Minutes from which a block goes through several drills. */
  walkFrom: 5,
  strandsFrom: 45,
  /** Strands that come round in a month, in days, from so many skills met. */
  round: ['scales', 'harmony'],
  month: 28,
  metFrom: 20,
  strands: 3,
  somethingNewFrom: 30,
} as const;

interface Asked {
  readonly state: StudentState;
  readonly syllabus: Syllabus;
  readonly constraints: LessonConstraints;
}

interface Looked extends Asked {
  readonly plan: LessonPlan;
  /** All but rests and what goes home. */
  readonly worked: readonly PlanBlock[];
  readonly of: (block: PlanBlock) => SkillState | undefined;
  readonly skill: (block: PlanBlock) => Skill | undefined;
  /** Skills in trouble that this hand may be asked for, what fell most first. */
  readonly trouble: readonly SkillState[];
  /** Music this student plays already, not in trouble, that this hand may be asked for. */
  readonly music: readonly SkillState[];
}

const held = (state: SkillState | undefined): boolean => (state?.chance?.mean ?? 0) > CAREFUL.held;
const isRough = ({ attempts, chance }: SkillState): boolean =>
  attempts > 0 && (chance?.mean ?? 1) < CAREFUL.rough;
const stuckOf = (trouble: readonly SkillState[]) => trouble.filter(({ marks }) => marks.stuck);
const fallOf = ({ peak, chance }: SkillState): number => (peak?.mean ?? 0) - (chance?.mean ?? 0);

/** Rules that a plan breaks, each with what was found; none where it is as a careful teacher would have it. */
export function breachesOf(plan: LessonPlan, asked: Asked): Breach[] {
  const hurt = ['stopped today', 'locked'].includes(asked.state.pain.status);
  const looked = look(plan, asked);
  const rules = hurt ? QUIET_RULES : RULES;
  return rules.flatMap(([rule, ask]) => ask(looked).map((found) => ({ rule, found })));
}

function look(plan: LessonPlan, asked: Asked): Looked {
  const { state, syllabus, constraints } = asked;
  const states = new Map(state.skills.map((one) => [one.skillId, one]));
  const skills = new Map(syllabus.skills.map((one) => [one.id, one]));
  const cap = (constraints.taught.limits.barreMinutes * plan.minutes) / 30;
  const mayBe = ({ skillId }: SkillState): boolean => {
    const skill = skills.get(skillId);
    if (!skill || constraints.waived.includes(skillId)) return false;
    if (skill.barre && (constraints.taught.limits.barreMinutes === 0 || state.pain.status === 'returning'))
      return false;
    return skill.practice.some(({ step, recipe }) => {
      if (step !== skill.practice[0].step) return false;
      const drill = makeDrill(recipe, constraints.taught);
      if (!drill.ok) return false;
      const { hasBarre, bursts } = drill.value;
      const pressed = bursts.workSeconds / (bursts.workSeconds + bursts.restSeconds);
      if (hasBarre && cap < CAREFUL.leastMended * pressed) return false;
      return drill.value.heaviestGrip <= constraints.taught.limits.gripEffort;
    });
  };
  return {
    ...asked,
    plan,
    worked: plan.blocks.filter(({ kind }) => kind !== 'rest' && kind !== 'take home'),
    of: ({ skillId }) => (skillId === null ? undefined : states.get(skillId)),
    skill: ({ skillId }) => (skillId === null ? undefined : skills.get(skillId)),
    music: state.skills.filter(
      (one) =>
        one.attempts > 0 &&
        !isRough(one) &&
        !one.marks.slipping &&
        !one.marks.stuck &&
        skills.get(one.skillId)?.practice[0].step === 'use' &&
        mayBe(one),
    ),
    trouble: state.skills
      .filter((one) => (one.marks.slipping || one.marks.stuck || isRough(one)) && mayBe(one))
      .sort((a, b) => Number(b.marks.slipping) - Number(a.marks.slipping) || fallOf(b) - fallOf(a)),
  };
}

type Rule = readonly [CarefulRule, (looked: Looked) => string[]];

const sum = (blocks: readonly PlanBlock[]): number => blocks.reduce((all, { minutes }) => all + minutes, 0);
const saying = (broken: boolean, found: string): string[] => (broken ? [found] : []);
const plays = (recipe: Recipe | null): boolean => recipe !== null && !isQuiet(recipe);

const fills: Rule = [
  'minutes',
  ({ plan }) => saying(sum(plan.blocks) !== plan.minutes, `${sum(plan.blocks)} minutes of ${plan.minutes}`),
];

const RULES: readonly Rule[] = [
  fills,
  [
    'opener',
    ({ plan: { blocks } }) =>
      saying(
        blocks[0]?.kind !== 'warm up' ||
          blocks[0].minutes < CAREFUL.openerMinutes ||
          blocks[0].barreMinutes > 0,
        `opens with ${blocks[0]?.kind}`,
      ),
  ],
  [
    'promised',
    ({ plan, worked, constraints: { promised = [] } }) => {
      const there = promised.filter((id) => worked.some(({ skillId }) => skillId === id));
      const said = plan.leftOut.map(({ skillId }) => skillId);
      return [
        ...promised
          .filter((id) => !there.includes(id) && !said.includes(id))
          .map((id) => `${id} was promised, and nothing is said of it`),
        ...saying(
          there.length > 0 && !there.includes(worked[1]?.skillId ?? ''),
          `${there[0]} was promised, ${worked[1]?.skillId} stands first`,
        ),
      ];
    },
  ],
  [
    'mended first',
    ({ worked, trouble, constraints: { promised = [] } }) => {
      if (trouble.length === 0) return [];
      // What was promised may stand before it.
      const begins = worked.slice(1, promised.includes(worked[1]?.skillId ?? '') ? 3 : 2);
      const is = (those: readonly SkillState[]) =>
        begins.some((block) => those.some(({ skillId }) => skillId === block.skillId));
      const [worst] = trouble;
      const stuck = stuckOf(trouble);
      return worst.marks.slipping
        ? saying(
            !is([worst]),
            `${worst.skillId} fell ${Math.round(100 * fallOf(worst))}, ${begins[0]?.skillId} stands first`,
          )
        : saying(
            !is(stuck.length > 0 ? stuck : trouble),
            `${worst.skillId} is in trouble, ${begins[0]?.skillId} stands first`,
          );
    },
  ],
  [
    'mended enough',
    ({ plan, trouble }) => {
      if (plan.minutes < CAREFUL.somethingNewFrom) return [];
      const of = (those: readonly SkillState[]) =>
        plan.blocks.filter((block) => those.some(({ skillId }) => skillId === block.skillId)).length;
      const stuck = stuckOf(trouble);
      return [
        ...saying(
          trouble.length >= CAREFUL.trouble && of(trouble) < CAREFUL.mended,
          `${of(trouble)} of ${trouble.length} in trouble`,
        ),
        ...saying(stuck.length > 0 && of(stuck) === 0, `${stuck[0]?.skillId} is stuck and not in it`),
      ];
    },
  ],
  [
    'one new piece of music',
    ({ plan, of }) => {
      const unmet = plan.blocks.filter(
        (block) =>
          block.kind === 'apply' && !block.locked && of(block)?.attempts === 0 && !begun(plan, block),
      );
      return saying(unmet.length > 1, unmet.map(({ skillId }) => skillId).join());
    },
  ],
  [
    'known music',
    ({ plan, of, music }) => {
      const uses = plan.blocks.filter((block) => block.kind === 'apply' && !begun(plan, block));
      const playable = (block: PlanBlock) => music.some(({ skillId }) => skillId === block.skillId);
      const known = sum(uses.filter((block) => block.locked || playable(block)));
      const unmet = sum(uses.filter((block) => of(block)?.attempts === 0));
      const least = plan.minutes >= CAREFUL.somethingNewFrom ? 1 : 0;
      return saying(
        music.length > 0 && known < Math.max(least, unmet),
        `${unmet} minutes never played and ${known} of known music, ${music[0]?.skillId} is there`,
      );
    },
  ],
  [
    'nothing new in trouble',
    ({ plan, trouble }) =>
      saying(
        trouble.length >= CAREFUL.trouble && plan.blocks.some(({ kind }) => kind === 'new'),
        `${trouble.length} in trouble`,
      ),
  ],
  [
    'something new',
    ({ plan, trouble, constraints, state, syllabus }) => {
      const most = constraints.newSkills ?? 2;
      if (plan.minutes < CAREFUL.somethingNewFrom || trouble.length > CAREFUL.calm || most === 0) return [];
      if (plan.blocks.some(({ kind }) => kind === 'new')) return [];
      const open = openTo(state, syllabus, constraints);
      return saying(open.length > 0, `${open[0]} is open, ${trouble.length} in trouble`);
    },
  ],
  [
    'few new',
    ({ plan, constraints }) => {
      const news = plan.blocks.filter(({ kind }) => kind === 'new').length;
      return saying(news > (constraints.newSkills ?? 2), `${news} new`);
    },
  ],
  [
    'new is used',
    ({ plan, syllabus, constraints }) =>
      plan.blocks.flatMap(({ kind, skillId, recipe }) => {
        // What is heard or named has no hand to put it to use.
        if (kind !== 'new' || skillId === null || !plays(recipe)) return [];
        const skill = syllabus.skills.find(({ id }) => id === skillId);
        const using = plan.blocks.some(
          (block) =>
            block.kind === 'apply' &&
            (block.skillId === skillId ||
              (block.recipe && exercises(block.recipe, skill, syllabus, constraints))),
        );
        return saying(!using, `${skillId} in no use`);
      }),
  ],
  [
    'longest is not held',
    ({ worked, of }) => {
      const longest = Math.max(...worked.map(({ minutes }) => minutes));
      const those = worked.filter(({ minutes }) => minutes === longest);
      return saying(
        those.every((block) => held(of(block))),
        `${those[0].skillId} for ${longest}`,
      );
    },
  ],
  [
    'held is short',
    ({ worked, of }) =>
      worked.flatMap((block) =>
        saying(
          block.kind !== 'apply' && held(of(block)) && block.minutes > CAREFUL.heldMinutes,
          `${block.skillId} at ${Math.round(100 * (of(block)?.chance?.mean ?? 0))} for ${block.minutes}`,
        ),
      ),
  ],
  [
    'share of music',
    ({ plan }) => {
      const playing = sum(plan.blocks.filter(({ recipe }) => plays(recipe)));
      const share = sum(plan.blocks.filter(({ kind }) => kind === 'apply')) / playing;
      return saying(
        playing > 0 && (share < CAREFUL.music.least || share > CAREFUL.music.most),
        `${Math.round(100 * share)} of 100 are music`,
      );
    },
  ],
  [
    'reviews',
    ({ plan }) => {
      const minutes = sum(plan.blocks.filter(({ kind }) => kind === 'review'));
      return saying(minutes > plan.minutes / 2, `${minutes} minutes of review`);
    },
  ],
  [
    'one family',
    ({ worked }) =>
      worked.flatMap((block, i) => {
        const [a, b] = [worked[i - 2], worked[i - 1]];
        const family = block.recipe?.family;
        return saying(
          family !== undefined && a?.recipe?.family === family && b?.recipe?.family === family,
          `three of ${family} in a row`,
        );
      }),
  ],
  [
    'one drill',
    ({ worked }) =>
      worked.flatMap((block) =>
        saying(
          block.kind !== 'apply' && longestDrill(block) >= CAREFUL.oneDrillMinutes,
          `${longestDrill(block)} minutes of ${block.recipe?.family}`,
        ),
      ),
  ],
  [
    'several drills',
    ({ worked, skill, constraints }) =>
      worked.flatMap((block) => {
        const own = skill(block);
        if (!own || block.kind === 'apply' || block.locked || block.minutes < CAREFUL.walkFrom) return [];
        const there = [...new Set((block.walk ?? []).map(({ recipe }) => JSON.stringify(recipe)))];
        const others = own.practice.filter(({ step, recipe }) => {
          const drill = makeDrill(recipe, constraints.taught);
          const light = drill.ok && drill.value.heaviestGrip <= constraints.taught.limits.gripEffort;
          return (
            step !== own.practice[0].step &&
            light &&
            (step === 'use' || step === 'change') &&
            !drill.value.hasBarre
          );
        });
        return saying(
          there.length < 2 && others.length > 0,
          `${block.skillId} is one drill for ${block.minutes}`,
        );
      }),
  ],
  [
    'strands',
    ({ plan, worked, skill }) => {
      const strands = new Set(worked.flatMap((block) => skill(block)?.strand ?? []));
      return saying(
        plan.minutes >= CAREFUL.strandsFrom && strands.size < CAREFUL.strands,
        `${[...strands].join()} alone`,
      );
    },
  ],
  [
    'comes round',
    ({ plan, skill, state, syllabus, worked }) => {
      const met = state.skills.filter(({ attempts }) => attempts > 0);
      if (plan.minutes < CAREFUL.strandsFrom || met.length < CAREFUL.metFrom) return [];
      return CAREFUL.round.flatMap((strand) => {
        const own = new Set(syllabus.skills.flatMap((one) => (one.strand === strand ? [one.id] : [])));
        const days = met.flatMap(({ skillId, lastAt }) =>
          own.has(skillId) && lastAt !== null ? [(state.now - lastAt) / DAY_MS] : [],
        );
        const long = days.every((ago) => ago > CAREFUL.month);
        const there = worked.some((block) => skill(block)?.strand === strand);
        const said = plan.unseen?.some((one) => one.strand === strand) ?? false;
        return saying(long && !there && !said, `nothing of ${strand} for a month, and nothing is said`);
      });
    },
  ],
  [
    'ends well',
    ({ worked, of }) => {
      const likely = (block: PlanBlock) =>
        block.kind === 'new' ? 0 : (of(block)?.chance?.mean ?? (block.kind === 'apply' ? 1 : 0.5));
      const last = worked.at(-1);
      if (!last || worked.length < 3) return [];
      const least = Math.min(...worked.slice(1, -1).map(likely));
      return saying(likely(last) < least, `${last.skillId} last`);
    },
  ],
  [
    'barre',
    ({ plan, constraints }) => {
      const pressed = plan.blocks.reduce((all, { barreMinutes }) => all + barreMinutes, 0);
      const cap = (constraints.taught.limits.barreMinutes * plan.minutes) / 30;
      return saying(pressed > cap + 1e-9, `${pressed.toFixed(1)} of ${cap.toFixed(1)} minutes`);
    },
  ],
  [
    'barres apart',
    ({ plan: { blocks } }) =>
      blocks.flatMap((block, i) =>
        saying(
          i > 0 && block.barreMinutes > 0 && blocks[i - 1].barreMinutes > 0,
          `${blocks[i - 1]?.skillId} and ${block.skillId}`,
        ),
      ),
  ],
  [
    'load',
    ({ plan, constraints }) => {
      const { load, minute } = peakLoad(plan.blocks);
      return saying(
        load > constraints.taught.limits.load + 1e-9,
        `${load.toFixed(1)} at minute ${minute}, limit ${constraints.taught.limits.load}`,
      );
    },
  ],
  [
    'left out for its own reason',
    ({ plan: { leftOut } }) => {
      const reasons = new Set(leftOut.map(({ because }) => because.code));
      return saying(leftOut.length > 1 && reasons.size === 1, `${leftOut.length} for ${[...reasons].join()}`);
    },
  ],
];

const QUIET_RULES: readonly Rule[] = [
  fills,
  [
    'pain',
    ({ plan }) => plan.blocks.flatMap(({ recipe, skillId }) => saying(plays(recipe), `${skillId} is played`)),
  ],
];

/** Whether a use belongs to something new of this lesson. */
const begun = (plan: LessonPlan, { skillId }: PlanBlock): boolean =>
  plan.blocks.some((block) => block.kind === 'new' && block.skillId === skillId);

/** Minutes of the longest part. */
const longestDrill = (block: PlanBlock): number =>
  block.recipe ? Math.max(...(block.walk ?? [block]).map(({ minutes }) => minutes)) : 0;

/** Whether a drill exercises a skill, by what it is made of. */
function exercises(
  recipe: Recipe,
  skill: Skill | undefined,
  syllabus: Syllabus,
  { taught }: LessonConstraints,
): boolean {
  const drill = makeDrill(recipe, taught);
  return (
    skill !== undefined && drill.ok && skillsOf(drill.value, { ...syllabus, skills: [skill] }).length > 0
  );
}

/** Skills nobody has met whose needs were once clean and have not slipped, that this hand may be asked for. */
function openTo(state: StudentState, syllabus: Syllabus, constraints: LessonConstraints): string[] {
  const states = new Map(state.skills.map((one) => [one.skillId, one]));
  const { limits } = constraints.taught;
  const ready = (id: string): boolean => {
    const own = states.get(id);
    const once = own && (own.everClean || own.state === 'clean' || own.state === 'settled');
    return constraints.waived.includes(id) || (Boolean(once) && !own?.marks.slipping);
  };
  return syllabus.skills.flatMap((skill) => {
    if (states.get(skill.id)?.attempts !== 0 || constraints.waived.includes(skill.id)) return [];
    if (skill.practice[0].step === 'use' || (skill.barre && limits.barreMinutes === 0)) return [];
    if (!skill.needs.every((group) => group.some(ready))) return [];
    const fits = skill.practice.some(({ recipe }) => {
      const drill = makeDrill(recipe, constraints.taught);
      return drill.ok && drill.value.heaviestGrip <= limits.gripEffort;
    });
    return fits ? [skill.id] : [];
  });
}
