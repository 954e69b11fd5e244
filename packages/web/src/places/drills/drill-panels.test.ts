import { makeDrill, ringCheck, type Recipe } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { DEFAULT_LIMITS } from '@finch/core/hands';
import { must } from '@finch/core/kernel';
import { createSSRApp, type Component } from 'vue';
import { renderToString } from 'vue/server-renderer';
import DrillEffort from './DrillEffort.vue';
import KeyRow from './KeyRow.vue';

const draw = (component: Component, props: Record<string, unknown>) =>
  renderToString(createSSRApp(component, props));
const note = (letter: string, accidental = 0) => ({ letter, accidental });
const F = ringCheck({ chord: 'F', frets: [1, 3, 3, 2, 1, 1] });

describe('the row of keys', () => {
  const keyed = [
    { root: note('F'), recipe: F as Recipe, effort: 61.4, problem: null },
    { root: note('F', 1), recipe: null, effort: null, problem: { code: 'grip.reach', at: '', detail: '' } },
  ];
  test('says each root with its effort, marks the one it is on, and a root that cannot be made is off', async () => {
    const html = await draw(KeyRow, { keyed, root: 5, limit: 58, who: 'Bram’s' });
    expect(html).toContain('effort for Bram’s hand');
    expect(html.match(/<button/g)).toHaveLength(2);
    expect(html).toMatch(/aria-current="true"[\s\S]*>F<\/b>.*61/);
    expect(html).toMatch(/disabled[\s\S]*F♯[\s\S]*cannot be made here/);
  });
});

describe('what a drill costs', () => {
  const context = {
    hand: averageHand,
    instrument: standardGuitar,
    limits: { ...DEFAULT_LIMITS, gripEffort: 40 },
  };
  const drill = must(makeDrill(F, context));
  const notches = [
    { way: 'easier', recipe: F, problem: null, effort: 33.24 },
    { way: 'harder', recipe: null, problem: { code: 'drill.hardest', at: '', detail: '' }, effort: null },
  ];
  const panel = (more: Record<string, unknown> = {}) =>
    draw(DrillEffort, { drill, recipe: F, limit: 40, over: 21, notches, ...more });

  test('names the heaviest grip and how far it is over, with the caution of a barre', async () => {
    const html = await panel();
    expect(html).toContain(`the heaviest grip is ${Math.round(drill.heaviestGrip)}, 21 over the limit`);
    expect(html).toContain('Over this hand’s limit.');
    expect(html).toContain('Pain means stop');
  });

  test('inside the limit there is no warning; without a limit none is named', async () => {
    const inside = await panel({ over: 0 });
    expect(inside).toContain('inside the limit');
    expect(inside).not.toContain('Over this hand’s limit');
    expect(await panel({ limit: null, over: 0 })).not.toMatch(/inside the limit|over the limit/);
  });

  test('a step that can be taken has its effort and a button; one that cannot has neither', async () => {
    const html = await panel();
    expect(html).toContain('33.2');
    expect(html.match(/Take it/g)).toHaveLength(1);
    expect(await panel({ notches: [] })).not.toContain('Take it');
  });
});
