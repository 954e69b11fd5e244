/**
 * What is wrong with a syllabus, each fault with the changes that cure it: rings, needs of what is not there, skills without
 * a way in, without a drill, or whose drill does not train them. The first half is quick enough for every change; drills are
 * made, which takes milliseconds each.
 */
import { makeDrill } from '../drills/make-drill';
import type { DrillContext } from '../hands/taught-hand';
import type { SyllabusEdit } from './edit';
import { ringsIn, stepsTo } from './graph';
import type { Skill, Syllabus } from './skill';
import { skillsOf } from './skills-of';

export type FaultCode =
  | 'syllabus.empty'
  | 'syllabus.twice'
  | 'syllabus.strand'
  | 'syllabus.need'
  | 'syllabus.cycle'
  | 'syllabus.behind'
  | 'syllabus.untrained'
  | 'syllabus.drill'
  | 'syllabus.course';

export interface SyllabusFault {
  readonly code: FaultCode;
  /** Skills or the course it is about, by id; of a ring all, each before the one it needs. */
  readonly at: readonly string[];
  /** What is wrong of it: the id that is not there, the number of a drill from 1 on, or the problem of a drill. */
  readonly detail: string;
  /** Any of these heals it, the likeliest first. */
  readonly cures: readonly SyllabusEdit[];
}

/** Cures offered for one fault. */
const MOST_CURES = 3;

/**
 * Faults of the graph, none for a sound syllabus.
 * @param before the version that is kept: of a ring, what was added since closes it; of a skill that was taken out, what it needed
 */
export function graphFaults(syllabus: Syllabus, before: Syllabus = syllabus): SyllabusFault[] {
  const { skills, strands, courses } = syllabus;
  if (!skills.length) return [{ code: 'syllabus.empty', at: [], detail: '', cures: [] }];
  const ids = new Set(skills.map(({ id }) => id));
  const strandIds = new Set(strands.map(({ id }) => id));
  const seen = new Set<string>();
  const faults: SyllabusFault[] = [];
  for (const { id, strand, needs, practice } of skills) {
    if (seen.has(id)) faults.push({ code: 'syllabus.twice', at: [id], detail: id, cures: [] });
    seen.add(id);
    if (!strandIds.has(strand))
      faults.push({
        code: 'syllabus.strand',
        at: [id],
        detail: strand,
        cures: strands.slice(0, 1).map((one) => ({ do: 'set', skill: id, to: { strand: one.id } })),
      });
    for (const need of needs.flat())
      if (!ids.has(need))
        faults.push({
          code: 'syllabus.need',
          at: [id],
          detail: need,
          cures: cured(id, need, syllabus, before),
        });
    if (!practice.length)
      faults.push({
        code: 'syllabus.untrained',
        at: [id],
        detail: '',
        cures: [{ do: 'take out', skill: id }],
      });
  }
  for (const { id, skills: named } of courses)
    for (const one of named)
      if (!ids.has(one))
        faults.push({
          code: 'syllabus.course',
          at: [id],
          detail: one,
          cures: [{ do: 'leave out', course: id, skill: one }],
        });
  const rings = ringsIn(syllabus);
  for (const ring of rings)
    faults.push({ code: 'syllabus.cycle', at: ring, detail: '', cures: opening(ring, before) });
  return [...faults, ...behind(syllabus, faults, rings)];
}

/** A need of what is not there: what that one needed itself is needed instead, it is dropped, or that one comes back. */
function cured(skill: string, need: string, now: Syllabus, before: Syllabus): SyllabusEdit[] {
  const old = before.skills.find(({ id }) => id === need);
  const there = new Set(now.skills.map(({ id }) => id));
  const own = new Set(now.skills.find(({ id }) => id === skill)?.needs.flat() ?? []);
  const instead = (old?.needs.flat() ?? []).filter((one) => one !== skill && there.has(one) && !own.has(one));
  return [
    ...instead
      .slice(0, MOST_CURES - 2)
      .map((one) => ({ do: 'need', skill, need: one, instead: need }) as const),
    { do: 'drop need', skill, need },
    ...(old ? [{ do: 'add', skill: old, at: before.skills.indexOf(old) } as const] : []),
  ];
}

/** The needs by dropping one of which a ring opens: what is new first. */
function opening(ring: readonly string[], before: Syllabus): SyllabusEdit[] {
  const links = ring.map((skill, i) => ({ skill, need: ring[(i + 1) % ring.length] }));
  const isNew = ({ skill, need }: (typeof links)[number]) =>
    !before.skills
      .find(({ id }) => id === skill)
      ?.needs.flat()
      .includes(need);
  const added = links.filter(isNew);
  return (added.length ? added : links).slice(0, MOST_CURES).map((link) => ({ do: 'drop need', ...link }));
}

/** Skills that no way leads to because of faults elsewhere: told together, and healed with those. */
function behind(
  syllabus: Syllabus,
  faults: readonly SyllabusFault[],
  rings: readonly (readonly string[])[],
): SyllabusFault[] {
  const reached = stepsTo(syllabus);
  const told = new Set([
    ...rings.flat(),
    ...faults.flatMap(({ code, at }) => (code === 'syllabus.need' ? at : [])),
  ]);
  const left = syllabus.skills.filter(({ id }) => !reached.has(id) && !told.has(id)).map(({ id }) => id);
  return left.length ? [{ code: 'syllabus.behind', at: left, detail: '', cures: [] }] : [];
}

/** Drills of these skills that cannot be made for this hand, or that do not train the skill they stand with. */
export function drillFaults(skills: readonly Skill[], context: DrillContext): SyllabusFault[] {
  return skills.flatMap((skill) =>
    skill.practice.flatMap(({ recipe }, i): SyllabusFault[] => {
      const drill = makeDrill(recipe, context);
      const trains = drill.ok && skillsOf(drill.value, { skills: [skill] }).length > 0;
      if (trains) return [];
      return [
        {
          code: 'syllabus.drill',
          at: [skill.id],
          detail: drill.ok ? String(i + 1) : `${i + 1}: ${drill.problem.code}`,
          cures: [
            skill.practice.length > 1
              ? { do: 'drop drill', skill: skill.id, at: i }
              : { do: 'take out', skill: skill.id },
          ],
        },
      ];
    }),
  );
}
