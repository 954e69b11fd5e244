import { gradeChange } from '@finch/core/changes';
import { gradeGrip } from '@finch/core/effort';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { parseFrets } from '@finch/core/grips';
import { must } from '@finch/core/kernel';
import { createSSRApp, type Component } from 'vue';
import { renderToString } from 'vue/server-renderer';
import CalliperRule from './CalliperRule.vue';
import ChangeLedger from './ChangeLedger.vue';
import CountIn from './CountIn.vue';
import FeelPicker from './FeelPicker.vue';
import NeckBoard from './NeckBoard.vue';
import PurflingBar from './PurflingBar.vue';
import ShapeCard from './ShapeCard.vue';
import ShimMark from './ShimMark.vue';
import TakeWave from './TakeWave.vue';

const draw = (component: Component, props: Record<string, unknown>) =>
  renderToString(createSSRApp(component, props));
const count = (html: string, part: RegExp) => [...html.matchAll(part)].length;
const card = (text: string, more: Record<string, unknown> = {}) => {
  const frets = must(parseFrets(text));
  const fingers = must(gradeGrip(frets, averageHand, standardGuitar)).fingering.fingers;
  return draw(ShapeCard, { frets, fingers, ...more });
};
const xOf = (html: string, what: RegExp) => Number(what.exec(html)?.[1]);

describe('a shape card', () => {
  test('says the chord, every string and where the root is', async () => {
    const html = await card('x02210', { chord: 'Am', degrees: [null, '1', '5', '1', 'b3', '5'] });
    expect(html).toContain(
      'aria-label="A minor, string 6 silent, string 5 open, string 4 fret 2 middle finger, string 3 fret 2 ring finger, string 2 fret 1 index finger, string 1 open; root on string 5"',
    );
    expect(html).toContain('role="img"');
  });

  test('draws a mark for each silent and each open string and a dot for each finger', async () => {
    const html = await card('xx0232');
    expect([
      count(html, /class="mute /g),
      count(html, /class="open /g),
      count(html, /class="dot-text /g),
    ]).toEqual([2, 1, 3]);
    expect(count(html, /class="silent /g)).toBe(2);
    expect(count(html, /class="nut /g)).toBe(1);
  });

  test('a barre is one capsule with a number on its thickest string and pips on the rest', async () => {
    const html = await card('133211');
    expect(count(html, /class="capsule /g)).toBe(1);
    expect(count(html, /class="dot-text /g)).toBe(4);
    expect(count(html, /class="higher /g)).toBe(3);
  });

  test('high up there is no nut, and frets are numbered', async () => {
    const html = await card('577655');
    expect(count(html, /class="nut /g)).toBe(0);
    expect(html).toMatch(/>5<\/text>/);
    expect(html).toMatch(/>7<\/text>/);
  });

  test('is mirrored for a left-handed guitar', async () => {
    const right = await card('xx0232');
    const left = await card('xx0232', { leftHanded: true });
    const firstMute = /class="mute [^>]*d="M([\d.]+)/;
    expect(xOf(left, firstMute)).toBeGreaterThan(xOf(right, firstMute));
  });

  test('intervals stand in squares with the root as R', async () => {
    const html = await card('x32010', { show: 'degrees', degrees: [null, '1', '3', '5', '1', '3'] });
    expect(html).toMatch(/>R<\/text>/);
    expect(count(html, /<rect class="dot /g)).toBe(3);
  });
});

describe('a change on the neck', () => {
  const [from, to] = ['x02210', 'x32010'].map((text) => must(parseFrets(text)));
  const change = must(gradeChange(from, to, averageHand, standardGuitar));

  test('rings what stays and shows where the others come from', async () => {
    const html = await draw(NeckBoard, {
      frets: to,
      fingers: change.toFingers,
      fromFrets: from,
      moves: change.fingers,
      spoken: 'A minor to C',
    });
    expect(html).toContain('aria-label="A minor to C"');
    expect(count(html, /class="ring"/g)).toBe(2);
    expect(count(html, /class="over"/g)).toBe(1);
    expect(count(html, /class="ghost"/g)).toBe(1);
  });

  test('the ledger says it finger by finger', async () => {
    const html = (await draw(ChangeLedger, { moves: change.fingers }))
      .replace(/<[^>]+>/g, ' ')
      .replace(/\s+/g, ' ');
    expect(html).toContain('1 stays');
    expect(html).toContain('3 lifts over to string 5, 2 strings up, to a thicker one');
  });
});

describe('measures', () => {
  test('the shim is as high as the effort, with the tick at this hand’s limit', async () => {
    const top = async (effort: number) =>
      Number(/V([\d.]+)Z/.exec(await draw(ShimMark, { effort, limit: 70 }))?.[1]);
    expect(await top(90)).toBeLessThan(await top(30));
    expect(await draw(ShimMark, { effort: 43, limit: 70 })).toContain('effort 43, this hand&#39;s limit 70');
    expect(await draw(ShimMark, { effort: 43, limit: 70 })).toContain('var(--e3)');
  });

  test('the calliper spans the interval and says it', async () => {
    const html = await draw(CalliperRule, {
      mean: 0.66,
      low: 0.55,
      high: 0.75,
      outlook: 0.58,
      label: 'Low barres',
    });
    expect(html).toContain('Low barres 66 of 100, between 55 and 75, 58 in 14 days without practice');
    expect(Number(/<rect x="([\d.]+)"/.exec(html)?.[1])).toBeCloseTo(4 + 0.55 * 212, 6);
  });

  test('the purfling bar gives each strip its share, texture and number', async () => {
    const html = await draw(PurflingBar, {
      strips: [
        { name: 'Barre', value: 30, category: 2 },
        { name: 'Reach', value: 10, category: 1 },
      ],
      total: 80,
      unit: 'points',
    });
    expect(html).toContain('aria-label="Barre 30 points, Reach 10 points"');
    expect(html).toMatch(/left:0%;width:37\.5%/);
    expect(html).toContain('url(#cat-2)');
  });

  test('a count-in marks the beat that sounds, also while counting in', async () => {
    const now = async (beat: number | null) =>
      [...(await draw(CountIn, { beats: 4, beat })).matchAll(/<span class="([^"]*)">(\d)/g)].find((match) =>
        match[1].includes('now'),
      )?.[2];
    expect([await now(2), await now(-4), await now(-1), await now(null)]).toEqual(['3', '1', '4', undefined]);
  });

  test('a take answers as the string does', async () => {
    const looks = await Promise.all(
      ['clean', 'nearly', 'not yet'].map((result) => draw(TakeWave, { result })),
    );
    expect(new Set(looks).size).toBe(3);
    expect(looks[2]).toContain('stroke-dasharray');
  });
});

describe('how the hand feels', () => {
  test('nothing is chosen for a hand that said nothing', async () => {
    const html = await draw(FeelPicker, { modelValue: null });
    expect(count(html, /aria-checked="true"/g)).toBe(0);
    expect(html).not.toContain('Where does it hurt');
  });

  test('pain asks where and which side, skin that is open apart from skin', async () => {
    const html = await draw(FeelPicker, { modelValue: { hand: 'pain', where: 'wrist', side: 'left' } });
    expect(html).toContain('Where does it hurt, and which side?');
    for (const place of ['fingertip skin', 'skin open', 'thumb base', 'tingling', 'numbness'])
      expect(html).toContain(place);
    expect(html).toMatch(/aria-checked="true"[^>]*>wrist/);
  });
});
