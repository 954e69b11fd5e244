import { edited, firstSyllabus, type Skill, type Syllabus } from '@finch/core/syllabus';
import { beside, BOX, drawGraph } from './graph-drawing';

const drawing = drawGraph(firstSyllabus);
const at = (id: string, of = drawing) => of.skills.find(({ skill }) => skill.id === id);

test('every skill stands once, in its strand, and no two over each other', () => {
  expect(drawing.skills.map(({ skill }) => skill.id).sort()).toEqual(
    firstSyllabus.skills.map(({ id }) => id).sort(),
  );
  for (const strand of drawing.strands)
    for (const one of drawing.skills.filter(({ skill }) => skill.strand === strand.id)) {
      expect(one.y).toBeGreaterThan(strand.y);
      expect(one.y + BOX.height).toBeLessThan(strand.y + strand.height);
      expect(one.x + BOX.width).toBeLessThan(drawing.width);
    }
  const places = drawing.skills.map(({ x, y }) => `${x} ${y}`);
  expect(new Set(places).size).toBe(places.length);
});

test('a skill stands after what it must have; each need is a line from the right edge of one to the left of the other', () => {
  for (const { skill, step } of drawing.skills)
    for (const group of skill.needs)
      expect(Math.min(...group.map((need) => at(need)?.step ?? 99))).toBeLessThan(step);
  expect(drawing.needs).toHaveLength(firstSyllabus.skills.flatMap(({ needs }) => needs.flat()).length);
  for (const { skill, need, path } of drawing.needs) {
    const [from, to] = [at(need), at(skill)];
    if (!from || !to) throw new Error(skill);
    expect(path.startsWith(`M${from.x + BOX.width} ${from.y + BOX.height / 2}H`)).toBe(true);
    expect(path.endsWith(`V${to.y + BOX.height / 2}H${to.x}`)).toBe(true);
  }
});

test('no line runs through a box on its way', () => {
  for (const { skill, need, path } of drawing.needs) {
    let [x, y] = [0, 0];
    for (const [, letter, one, two] of path.matchAll(/([MHV])([\d.]+)(?: ([\d.]+))?/g)) {
      const [fromX, fromY] = [x, y];
      if (letter === 'M') [x, y] = [Number(one), Number(two)];
      else if (letter === 'H') x = Number(one);
      else y = Number(one);
      if (letter === 'M') continue;
      const [left, right] = [Math.min(fromX, x), Math.max(fromX, x)];
      const [top, foot] = [Math.min(fromY, y), Math.max(fromY, y)];
      const through = drawing.skills.filter(
        (box) => box.x < right && box.x + BOX.width > left && box.y < foot + 0.1 && box.y + BOX.height > top,
      );
      expect([skill, need, through.map((box) => box.skill.id).join()]).toEqual([skill, need, '']);
    }
  }
});

test('a folded strand takes its skills and their lines out', () => {
  const folded = drawGraph(firstSyllabus, new Set(['open']));
  expect(folded.skills.some(({ skill }) => skill.strand === 'open')).toBe(false);
  expect(folded.needs.some(({ need }) => need.startsWith('open.'))).toBe(false);
  expect(folded.strands[0]).toMatchObject({ folded: true, count: 15 });
  expect(folded.height).toBeLessThan(drawing.height);
});

test('a ring is drawn too, and a skill of a strand that nobody listed stands in one of its own', () => {
  const ring = edited(firstSyllabus, { do: 'need', skill: 'open.em', need: 'open.c' });
  expect(drawGraph(ring).skills).toHaveLength(firstSyllabus.skills.length);
  expect(drawGraph(ring).needs).toHaveLength(drawing.needs.length + 1);
  const closed = drawGraph(
    edited(firstSyllabus, { do: 'need', skill: 'open.am', need: 'open.c' }),
    new Set(),
    firstSyllabus,
  );
  for (const id of ['open.am', 'open.c', 'near.c-g']) expect(at(id, closed)?.step).toBe(at(id)?.step);
  const stray = edited(firstSyllabus, { do: 'set', skill: 'open.em', to: { strand: 'elsewhere' } });
  expect(drawGraph(stray).strands.at(-1)).toMatchObject({ id: 'elsewhere', count: 1 });
});

test('keys walk along the needs and up and down a column', () => {
  expect(beside(drawing, 'open.c', 'left')).toBe('open.am');
  const opened = beside(drawing, 'open.am', 'right');
  expect(firstSyllabus.skills.find(({ id }) => id === opened)?.needs.flat()).toContain('open.am');
  const below = beside(drawing, 'open.em', 'down') ?? '';
  expect(at(below)?.step).toBe(at('open.em')?.step);
  expect(beside(drawing, below, 'up')).toBe('open.em');
  expect(beside(drawing, 'open.em', 'left')).toBeNull();
  expect(beside(drawing, 'nowhere', 'up')).toBe(drawing.skills[0].skill.id);
});

test('nothing at all is a drawing too', () => {
  const none: Syllabus = { ...firstSyllabus, skills: [] as readonly Skill[] };
  expect(drawGraph(none)).toMatchObject({ skills: [], needs: [], steps: 1 });
});
