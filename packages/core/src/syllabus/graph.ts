/**
 * A syllabus as a graph: what can be reached from nothing, in how many steps, and what each skill opens. A skill is reached
 * when of each group of its needs one skill is.
 */
import type { Skill, Syllabus } from './skill';

type Skills = Pick<Syllabus, 'skills'>;

/** Steps from nothing by skill, 0 for one that needs nothing; a skill that cannot be reached is not in it. */
export function stepsTo({ skills }: Skills): ReadonlyMap<string, number> {
  const steps = new Map<string, number>();
  let left: readonly Skill[] = skills;
  for (let step = 0; left.length; step++) {
    const now = left.filter(({ needs }) => needs.every((group) => group.some((need) => steps.has(need))));
    if (!now.length) break;
    for (const { id } of now) steps.set(id, step);
    const reached = new Set(now);
    left = left.filter((skill) => !reached.has(skill));
  }
  return steps;
}

/** Skills that name each skill among their needs, by id. */
export function openedBy({ skills }: Skills): ReadonlyMap<string, readonly string[]> {
  const opened = new Map<string, string[]>();
  for (const { id, needs } of skills)
    for (const need of new Set(needs.flat())) opened.set(need, [...(opened.get(need) ?? []), id]);
  return opened;
}

/** Skills that wait for each other in a ring, each named before the one it needs; every ring once. */
export function ringsIn({ skills }: Skills): readonly (readonly string[])[] {
  const reached = stepsTo({ skills });
  const byId = new Map(skills.map((skill) => [skill.id, skill]));
  const told = new Set<string>();
  const rings: string[][] = [];
  for (const { id } of skills) {
    const way: string[] = [];
    let at: string | undefined = id;
    while (at !== undefined && !told.has(at) && !way.includes(at)) {
      way.push(at);
      at = blocking(byId.get(at), reached).find((need) => byId.has(need));
    }
    if (at !== undefined && way.includes(at)) rings.push(way.slice(way.indexOf(at)));
    for (const one of way) told.add(one);
  }
  return rings;
}

/** What a skill that cannot be reached waits for: the members of its first group of which none is reached. */
const blocking = (skill: Skill | undefined, reached: ReadonlyMap<string, number>): readonly string[] =>
  skill?.needs.find((group) => !group.some((need) => reached.has(need))) ?? [];
