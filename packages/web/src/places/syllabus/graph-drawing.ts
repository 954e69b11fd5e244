/**
 * The syllabus as a table of strands by steps: where each skill stands and how the lines of its needs run. A skill stands one
 * step after the last of what it needs; lines turn in the gaps between boxes, never through one.
 */
import { stepsTo, type Skill, type Syllabus } from '@finch/core/syllabus';

/** Pixels at full size. */
export const BOX = { width: 138, height: 46, gapX: 32, gapY: 10 } as const;
const PAD = 10;
const FOLDED_HEIGHT = 34;
/** Turns of different lines in one gap. */
const CHANNELS = 5;

interface DrawnSkill {
  readonly skill: Skill;
  readonly step: number;
  readonly x: number;
  readonly y: number;
}
interface DrawnStrand {
  readonly id: string;
  readonly name: string;
  readonly count: number;
  readonly y: number;
  readonly height: number;
  readonly folded: boolean;
}
interface DrawnNeed {
  readonly skill: string;
  readonly need: string;
  /** One of several of which any will do. */
  readonly any: boolean;
  /** An SVG path. */
  readonly path: string;
  /** Where it comes in. */
  readonly at: readonly [number, number];
}
export interface GraphDrawing {
  readonly skills: readonly DrawnSkill[];
  readonly strands: readonly DrawnStrand[];
  readonly needs: readonly DrawnNeed[];
  readonly steps: number;
  readonly width: number;
  readonly height: number;
}

/**
 * @param folded strands whose skills are left out of the drawing
 * @param kept the version before the changes: what cannot be reached any more stays where it stood in it
 */
export function drawGraph(
  syllabus: Syllabus,
  folded: ReadonlySet<string> = new Set(),
  kept: Syllabus = syllabus,
): GraphDrawing {
  const steps = allSteps(syllabus, kept);
  const skills: DrawnSkill[] = [];
  const strands: DrawnStrand[] = [];
  let y = 0;
  for (const { id, name } of strandsOf(syllabus)) {
    const own = syllabus.skills.filter((skill) => skill.strand === id);
    if (folded.has(id)) {
      strands.push({ id, name, count: own.length, y, height: FOLDED_HEIGHT, folded: true });
      y += FOLDED_HEIGHT;
      continue;
    }
    const lanes = lanesOf(own, steps);
    for (const skill of own) {
      const step = steps.get(skill.id) ?? 0;
      skills.push({
        skill,
        step,
        x: PAD + step * (BOX.width + BOX.gapX),
        y: y + PAD + (lanes.get(skill.id) ?? 0) * (BOX.height + BOX.gapY),
      });
    }
    const rows = Math.max(1, ...[...lanes.values()].map((lane) => lane + 1));
    const height = 2 * PAD + rows * BOX.height + (rows - 1) * BOX.gapY;
    strands.push({ id, name, count: own.length, y, height, folded: false });
    y += height;
  }
  const columns = Math.max(1, ...syllabus.skills.map(({ id }) => (steps.get(id) ?? 0) + 1));
  return {
    skills,
    strands,
    needs: needsOf(skills),
    steps: columns,
    width: 2 * PAD + columns * BOX.width + (columns - 1) * BOX.gapX,
    height: y,
  };
}

/** Strands in their order, and after them any that skills name and nobody listed. */
function strandsOf({ strands, skills }: Syllabus): { id: string; name: string }[] {
  const listed = new Set(strands.map(({ id }) => id));
  const stray = [...new Set(skills.map(({ strand }) => strand))].filter((id) => !listed.has(id));
  return [...strands, ...stray.map((id) => ({ id, name: id }))];
}

/** Steps of all skills; a new one that cannot be reached stands where it would if what is gone and what closes a ring were none. */
function allSteps(syllabus: Syllabus, kept: Syllabus): ReadonlyMap<string, number> {
  const steps = new Map([...stepsTo(kept), ...stepsTo(syllabus)]);
  const byId = new Map(syllabus.skills.map((skill) => [skill.id, skill]));
  const under = new Set<string>();
  const stepOf = (id: string): number => {
    const known = steps.get(id);
    const skill = byId.get(id);
    if (known !== undefined || !skill || under.has(id)) return known ?? -1;
    under.add(id);
    const step = 1 + Math.max(-1, ...skill.needs.flat().map(stepOf));
    under.delete(id);
    steps.set(id, step);
    return step;
  };
  for (const { id } of syllabus.skills) stepOf(id);
  return steps;
}

/** The lane of each skill within its strand: near the lanes of what it needs there, one below the other in a column. */
function lanesOf(own: readonly Skill[], steps: ReadonlyMap<string, number>): ReadonlyMap<string, number> {
  const lanes = new Map<string, number>();
  const last = Math.max(0, ...own.map(({ id }) => steps.get(id) ?? 0));
  for (let step = 0; step <= last; step++) {
    const here = own.filter(({ id }) => (steps.get(id) ?? 0) === step);
    const wish = (skill: Skill): number => {
      const known = skill.needs.flat().flatMap((need) => lanes.get(need) ?? []);
      return known.length
        ? known.reduce((sum, lane) => sum + lane, 0) / known.length
        : Number.MAX_SAFE_INTEGER;
    };
    here
      .map((skill, i) => ({ skill, i, wish: wish(skill) }))
      .sort((a, b) => a.wish - b.wish || a.i - b.i)
      .forEach(({ skill }, lane) => lanes.set(skill.id, lane));
  }
  return lanes;
}

function needsOf(skills: readonly DrawnSkill[]): DrawnNeed[] {
  const byId = new Map(skills.map((one) => [one.skill.id, one]));
  const channel = new Map(skills.map((one, i) => [one.skill.id, i % CHANNELS]));
  return skills.flatMap((to) =>
    to.skill.needs.flatMap((group) =>
      group.flatMap((need): DrawnNeed[] => {
        const from = byId.get(need);
        if (!from) return [];
        return [
          {
            skill: to.skill.id,
            need,
            any: group.length > 1,
            path: lineOf(from, to, channel.get(need) ?? 0),
            at: [to.x, to.y + BOX.height / 2],
          },
        ];
      }),
    ),
  );
}

function lineOf(from: DrawnSkill, to: DrawnSkill, channel: number): string {
  const [x1, y1] = [from.x + BOX.width, from.y + BOX.height / 2];
  const [x2, y2] = [to.x, to.y + BOX.height / 2];
  const turn = x1 + 5 + channel * 4;
  if (to.step === from.step + 1) return `M${x1} ${y1}H${turn}V${y2}H${x2}`;
  // Above the row it comes in to where it goes on, below it where it comes back.
  const gap = to.step > from.step ? to.y - BOX.gapY / 2 : to.y + BOX.height + BOX.gapY / 2;
  return `M${x1} ${y1}H${turn}V${gap}H${x2 - 6}V${y2}H${x2}`;
}

/** The skill beside one in a direction: along a need, or the next one above or below in its column. */
export function beside(
  drawing: GraphDrawing,
  id: string,
  way: 'left' | 'right' | 'up' | 'down',
): string | null {
  const at = drawing.skills.find(({ skill }) => skill.id === id);
  if (!at) return drawing.skills[0]?.skill.id ?? null;
  const byId = new Map(drawing.skills.map((one) => [one.skill.id, one]));
  const nearest = (ids: readonly string[]): string | null =>
    ids.flatMap((one) => byId.get(one) ?? []).sort((a, b) => Math.abs(a.y - at.y) - Math.abs(b.y - at.y))[0]
      ?.skill.id ?? null;
  if (way === 'left') return nearest(at.skill.needs.flat());
  if (way === 'right')
    return nearest(drawing.needs.flatMap(({ need, skill }) => (need === id ? [skill] : [])));
  const column = drawing.skills.filter(({ step }) => step === at.step).sort((a, b) => a.y - b.y);
  return column[column.indexOf(at) + (way === 'up' ? -1 : 1)]?.skill.id ?? null;
}
