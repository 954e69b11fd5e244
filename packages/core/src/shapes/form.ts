/**
 * Named layouts: the open grips everyone starts with, the five movable forms with their family, and
 * shells. A grip that is one of them ranks higher than ease alone would put it, and carries the
 * name. Layouts are written as grips in one place; a movable one is compared by its relative pattern.
 */
import { relativeKey, relativePattern } from '../grips/fingerings';
import { fretsText, gripKey, parseFrets, type Frets } from '../grips/grip';
import { must } from '../kernel/result';

/** In the order in which they follow each other up the neck. */
export const FORM_ORDER = ['C', 'A', 'G', 'E', 'D'] as const;
export type Form = (typeof FORM_ORDER)[number];
export interface Layout {
  /** `part`: a movable form of four strings or fewer; `triad`: three neighbouring strings. */
  readonly kind: 'open' | 'movable' | 'part' | 'shell' | 'triad';
  readonly form: Form | null;
  /** Of an open grip: the form it is when a barre closes it. */
  readonly closes?: Form | null;
}

/** Open grips by quality. Each stands for one chord only: the one it sounds in standard tuning. */
const OPEN: Readonly<Record<string, string>> = {
  major: 'x32010 x02220 320003 320033 022100 xx0232',
  minor: 'x02210 022000 xx0231',
  dominant7: 'x32310 x02020 x02223 320001 020100 022130 xx0212 x21202',
  major7: 'x32000 x02120 320002 021100 xx0222 xx3210',
  minor7: 'x02010 020000 022030 xx0211 x02213',
  sus2: 'x02200 xx0230',
  sus4: 'x02230 022200 xx0233 x33011 330013',
  sixth: 'x02222 320000 022120 xx0202',
  minor6: 'x02212 022020 xx0201',
  add9: 'x32030 320203 x02420 024100',
  dominant9: 'x32330 020102',
  diminished: 'xx0131 x0121x',
  augmented: 'x32110 xx0332',
  'half-diminished': 'xx0111',
  '7sus4': 'x02030 xx0213 020200',
  power: '022xxx x022xx xx023x',
  diminished7: 'xx0101',
  // Over a bass that is not the root.
  'major/': 'x20003 x20033 032010 332010 2x0232 200232',
  'minor/': 'x32210 302210 3x2210 322000',
};

/** Movable layouts by quality, as `form:grip`, `-` where it is a part of no single form. */
const MOVABLE: Readonly<Record<string, string>> = {
  major: 'E:133211 A:x13331 C:x43121 D:xx1343 G:43111x E:x33211 E:xx3211 A:x1333x',
  minor: 'E:133111 A:x13321 D:xx1342 E:xx3111',
  dominant7: 'E:131211 A:x13131 C:x3231x D:xx1323 E:131241',
  major7: 'E:1x221x A:x13231 D:xx1333 C:x4311x C:x43111 E:1322xx',
  minor7: 'E:131111 A:x13121 D:xx1322 E:1x111x',
  'half-diminished': 'E:2x221x A:x1212x D:xx1222',
  diminished: 'A:x1232x D:xx1242',
  augmented: 'C:x3211x D:xx1443 E:xx3221',
  sus2: 'A:x13311 D:xx1341',
  sus4: 'E:133311 A:x13341 D:xx1344',
  sixth: 'A:x13333 E:2x132x',
  minor6: 'E:2x122x A:x13323',
  add9: 'E:xx3213 C:x4314x',
  dominant9: 'A:x2122x A:x21222 E:131213',
  diminished7: 'A:x2313x D:xx1212 E:2x131x',
  minor9: 'A:x3133x E:131113',
  major9: 'A:x2132x',
  'six-nine': 'A:x21122 E:2x1122',
  thirteenth: 'E:1x123x A:x21224',
  '7#9': 'A:x2123x',
  '7b9': 'A:x21212 A:x2121x',
  '7sus4': 'E:131311 A:x13141',
  power: 'E:133xxx A:x133xx D:xx134x E:13xxxx A:x13xxx',
};

const SHELLS: Readonly<Record<string, string>> = {
  dominant7: '1x12xx x212xx',
  major7: '1x22xx x213xx',
  minor7: '1x11xx x313xx',
};

/** The layouts of one quality: open grips by their frets, movable ones by their relative pattern. */
export interface Layouts {
  readonly open: ReadonlyMap<number, Layout>;
  readonly movable: ReadonlyMap<number, Layout>;
}

interface Filling {
  readonly open: Map<number, Layout>;
  readonly movable: Map<number, Layout>;
}
/** Strings from which on a grip counts as a whole form. */
const WHOLE_FORM = 5;

const NO_LAYOUTS: Layouts = { open: new Map(), movable: new Map() };
const BY_QUALITY = new Map<string, Filling>();

function layoutsFor(quality: string): Filling {
  let found = BY_QUALITY.get(quality);
  if (!found) BY_QUALITY.set(quality, (found = { open: new Map(), movable: new Map() }));
  return found;
}
function movableKey(text: string): number {
  const frets = must(parseFrets(text));
  const pattern = new Int8Array(frets.length);
  relativePattern(frets, pattern);
  return relativeKey(pattern);
}

for (const [quality, list] of Object.entries(MOVABLE)) {
  for (const entry of list.split(' ')) {
    const [form, text] = entry.split(':');
    const whole = text.replaceAll('x', '').length >= WHOLE_FORM || quality === 'power';
    layoutsFor(quality).movable.set(movableKey(text), {
      kind: whole ? 'movable' : 'part',
      form: form as Form,
    });
  }
}
/** Closed, the G grip is played in parts only, so the whole of it is no movable layout. */
const OPEN_G: ReadonlySet<string> = new Set(['320003', '320033']);

for (const [quality, list] of Object.entries(OPEN)) {
  for (const text of list.split(' ')) {
    const frets = must(parseFrets(text));
    const { movable } = layoutsFor(quality);
    const closed = frets.map((fret) => (fret === null ? null : fret + 1));
    // Some are moved without their open strings, as C7 is.
    const pressed = frets.map((fret) => fret || null);
    const { form } = movable.get(movableKey(fretsText(closed))) ??
      movable.get(movableKey(fretsText(pressed))) ?? { form: null };
    layoutsFor(quality).open.set(gripKey(frets), {
      kind: 'open',
      form: null,
      closes: quality === 'major' && OPEN_G.has(text) ? 'G' : form,
    });
  }
}
for (const [quality, list] of Object.entries(SHELLS)) {
  for (const text of list.split(' '))
    layoutsFor(quality).movable.set(movableKey(text), { kind: 'shell', form: null });
}

/** Semitones of standard tuning over its thickest string. */
const STEPS = [0, 5, 10, 15, 19, 24];

/**
 * The layouts of a quality. They are named after six strings in standard tuning, at any height; other tunings
 * have none, since the same frets sound another chord there.
 */
export function layoutsOf(quality: string, openPitches: readonly number[]): Layouts {
  const standard =
    openPitches.length === STEPS.length &&
    openPitches.every((pitch, s) => pitch - openPitches[0] === STEPS[s]);
  return (standard && BY_QUALITY.get(quality)) || NO_LAYOUTS;
}

/** The layout of a grip whose root is its lowest note, or null. */
export function layoutOf(layouts: Layouts, key: number, relative: number, hasOpen: boolean): Layout | null {
  return layouts.open.get(key) ?? (hasOpen ? null : (layouts.movable.get(relative) ?? null));
}

/** The layout of one grip, for callers that ask about single grips. `rootLowest`: the root is the lowest note. */
export function layoutOfGrip(
  frets: Frets,
  quality: string,
  rootLowest: boolean,
  openPitches: readonly number[],
): Layout | null {
  if (!rootLowest) return null;
  const pattern = new Int8Array(frets.length);
  relativePattern(frets, pattern);
  const layouts = layoutsOf(quality, openPitches);
  return layoutOf(layouts, gripKey(frets), relativeKey(pattern), frets.includes(0));
}
