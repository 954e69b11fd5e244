/** The tabs of the grip in hand, drawn: one note, easier, along the neck, and the change from the grip kept. */
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { parseFrets } from '@finch/core/grips';
import { must } from '@finch/core/kernel';
import { gradedAs } from '@finch/core/shapes';
import { parseChord } from '@finch/core/theory';
import { createSSRApp, ref, type Component } from 'vue';
import { renderToString } from 'vue/server-renderer';
import { benchJobs } from '../../workers/bench-jobs';
import InHandAlong from './InHandAlong.vue';
import InHandBeside from './InHandBeside.vue';
import InHandEasier from './InHandEasier.vue';
import InHandOneNote from './InHandOneNote.vue';

const draw = async (component: Component, props: Record<string, unknown>) =>
  (await renderToString(createSSRApp(component, { leftHanded: false, ...props }))).replaceAll(
    /<!--[^>]*-->/g,
    '',
  );
const context = { hand: averageHand, instrument: standardGuitar };
const held = (symbol: string, text: string) => {
  const chord = must(parseChord(symbol));
  const grip = gradedAs(must(parseFrets(text)), chord, context);
  if (!grip) throw new Error(symbol);
  return { chord, grip };
};
const F = held('F', '133211');
const C = held('C', 'x32010');

describe('one note', () => {
  const changes = benchJobs.oneNote(F.grip.frets, F.chord, averageHand, standardGuitar);
  test('each quality is a row with a name a reader hears; the one picked is told with its grip to take', async () => {
    const html = await draw(InHandOneNote, { changes, busy: false });
    expect(html.match(/type="radio"/g)).toHaveLength(changes.length);
    expect(html).toContain('aria-label="F minor: string 3: 3 → ♭3, 1 fret down, plays"');
    expect(html.match(/checked/g)).toHaveLength(1);
    expect(html).toMatch(/string 3: 3 → ♭3, 1 fret down: plays as it is/);
    expect(html).toContain('Take 133111');
    expect(html).toMatch(/or voiced anew: <b>13311x<\/b>/);
  });
  test('a move that cannot be played offers no grip; while it is worked out nothing is claimed', async () => {
    const minor = benchJobs
      .oneNote(C.grip.frets, C.chord, averageHand, standardGuitar)
      .filter((one) => one.chord.symbol === 'Cm');
    const html = await draw(InHandOneNote, { changes: minor, busy: false });
    expect(html).toContain('no fret below on string 1');
    expect(html).not.toContain('Take ');
    const waiting = await draw(InHandOneNote, { changes: [], busy: true });
    expect(waiting).toContain('Moving one note at a time…');
    expect(waiting).not.toContain('radio');
  });
});

test('easier: looking, nothing, or each with what it gives up; over a capo there is nothing to use here', async () => {
  expect(await draw(InHandEasier, { standIns: null, limit: null })).toContain('Looking for easier ones…');
  expect(await draw(InHandEasier, { standIns: [], limit: null })).toContain('Nothing easier does this job.');
  const standIns = benchJobs.standIns(F.grip, F.chord, averageHand, standardGuitar);
  const html = await draw(InHandEasier, { standIns, limit: 66 });
  expect(html.match(/<li[ >]/g)).toHaveLength(standIns.length);
  expect(html).toContain('capo at fret 1');
  expect(html.match(/Use it/g)).toHaveLength(standIns.filter((one) => !one.capo).length);
});

describe('along the neck', () => {
  const along = benchJobs.along(F.grip, F.chord, 'E', averageHand, standardGuitar);
  test('one part at a time; frets of an inversion are one word', async () => {
    const forms = await draw(InHandAlong, { along, chord: F.chord, part: 'forms' });
    expect(forms).toContain('Five forms, the lowest first');
    expect(forms).not.toContain('Three inversions');
    const threes = await draw(InHandAlong, { along, chord: F.chord, part: 'threes' });
    expect(threes).toContain('thick half');
    expect(threes).toContain('<b>5-3-3</b>');
    expect(await draw(InHandAlong, { along, chord: F.chord, part: 'family' })).toContain('one move a rung');
  });
  test('a part this grip has nothing for is not offered, and the forms stand in its place', async () => {
    const bare = { ...along, halves: { low: null, high: null }, inversions: [] };
    const html = await draw(InHandAlong, { along: bare, chord: F.chord, part: 'threes' });
    expect(html).not.toContain('On fewer strings');
    expect(html).toContain('Five forms, the lowest first');
    const none = await draw(InHandAlong, { along: { ...bare, forms: [] }, chord: F.chord, part: 'forms' });
    expect(none).toContain('Forms have names in standard tuning with six strings alone.');
  });
});

describe('beside the one kept', () => {
  const beside = (kept: typeof C | null, now: typeof C, part = 'change', change: unknown = {}) =>
    draw(InHandBeside, {
      ...now,
      drilling: context,
      show: 'fingers',
      part,
      actions: { held: ref(kept), change: ref(kept ? change : null), hold: () => {}, letGo: () => {} },
    });
  test('the change there and back says what each finger does: a barre is laid one way and opened the other', async () => {
    const html = await beside(C, F);
    expect(html).toMatch(
      /C → F[\s\S]*<b>1<\/b> stays and lays a barre[\s\S]*F → C[\s\S]*<b>1<\/b> stays and opens its barre/,
    );
    expect(html).toMatch(/<b>4<\/b> lands on string 4/);
    expect(html).toContain('nine of ten clean at');
  });
  test('side by side: efforts, what is more marked, notes in both', async () => {
    const html = await beside(C, F, 'grips');
    expect(html).toMatch(/Effort[\s\S]*<b>40<\/b>[\s\S]*<b>76<\/b>/);
    expect(html).toMatch(/In both[\s\S]*>C</);
    // Only one of them presses a barre: its row is marked there.
    expect(html).toMatch(/Barre<\/th><td class="num">0\.0<\/td><td class="num more">\d/);
  });
  test('nothing kept, or the same grip again, says what to do', async () => {
    expect(await beside(null, F)).toContain('Keep a grip beside you, then pick another one');
    expect(await beside(C, C, 'change', null)).toContain('This is the one kept.');
  });
});
