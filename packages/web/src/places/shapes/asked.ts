/** What is asked of a grip, as the controls of the Shapes bench hold it, and the limits of the search it means. */
import { fretsText, parseFrets, type Frets } from '@finch/core/grips';
import {
  DEFAULT_SCHOOLS,
  schoolLimits,
  STYLES,
  USES,
  type Form,
  type LimitStep,
  type Schools,
  type ShapeLimits,
  type Style,
  type Use,
} from '@finch/core/shapes';
import { parseChord, type Chord } from '@finch/core/theory';
import * as v from 'valibot';

/** `null` and `any` ask nothing. */
export interface Asked {
  /** Null: as the school has it. */
  rootInBass: boolean | null;
  open: 'any' | 'none' | 'some';
  barre: boolean;
  effortUpTo: number;
  strings: Record<number, 'any' | 'must' | 'leave'>;
  rootString: number | null;
  form: Form | null;
  position: number | null;
  inversion: string | null;
  top: string | null;
  fromFret: number;
  toFret: number;
  use: Use | null;
  style: Style | null;
}

export const NOTHING_ASKED: Asked = {
  rootInBass: null,
  open: 'any',
  barre: true,
  effortUpTo: 100,
  strings: {},
  rootString: null,
  form: null,
  position: null,
  inversion: null,
  top: null,
  fromFret: 0,
  toFret: 15,
  use: null,
  style: null,
};

/** How many things are asked of a grip. */
export function asksOf(asked: Asked): number {
  const fields = Object.keys(NOTHING_ASKED) as (keyof Asked)[];
  const strings = Object.values(asked.strings).some((how) => how !== 'any') ? 1 : 0;
  return fields.filter((key) => key !== 'strings' && asked[key] !== NOTHING_ASKED[key]).length + strings;
}

/** The limits of the search that the controls mean. */
export function limitsOf(asked: Asked, schools: Schools = DEFAULT_SCHOOLS): Partial<ShapeLimits> {
  const by = (what: 'must' | 'leave') =>
    Object.entries(asked.strings)
      .filter(([, how]) => how === what)
      .map(([string]) => Number(string));
  return {
    ...bassOf(asked, schools),
    allowOpen: asked.open !== 'none',
    wantOpen: asked.open === 'some',
    allowBarre: asked.barre,
    maxEffort: asked.effortUpTo,
    mustSound: by('must'),
    mustMute: by('leave'),
    rootString: asked.rootString,
    form: asked.form,
    position: asked.position,
    inversion: asked.inversion,
    top: asked.top,
    minFret: asked.fromFret,
    maxFret: Math.max(asked.fromFret, asked.toFret),
  };
}

/** Where the lowest note may lie: asked by hand, else as the school has it. */
function bassOf(asked: Asked, schools: Schools): Partial<ShapeLimits> {
  if (asked.inversion !== null) return { bass: 'any' };
  const byHand = asked.rootInBass;
  if (byHand === false) return { ...schoolLimits(schools), bass: 'any' };
  return byHand === true ? schoolLimits({ ...schools, root: 'in the bass' }) : schoolLimits(schools);
}

/** The controls after a step that fills an empty list was taken. */
export function givenWay(asked: Asked, way: LimitStep): Asked {
  const next: Asked = { ...asked };
  way.limits.forEach((limit, i) => {
    const to = way.to[i];
    if (limit === 'maxEffort') next.effortUpTo = to ?? 100;
    else if (limit === 'maxFret') next.toFret = to ?? 15;
    else if (limit === 'minFret') next.fromFret = to ?? 0;
    else if (limit === 'bass' || limit === 'allowRootless') next.rootInBass = false;
    else if (limit === 'allowOpen' || limit === 'wantOpen') next.open = 'any';
    else if (limit === 'allowBarre') next.barre = true;
    else if (limit === 'mustSound' || limit === 'mustMute') next.strings = {};
    else if (limit === 'rootString') next.rootString = null;
    else if (limit === 'form') next.form = null;
    else if (limit === 'position') next.position = null;
    else if (limit === 'inversion') next.inversion = null;
    else if (limit === 'top') next.top = null;
  });
  return next;
}

const degree = v.nullable(v.pipe(v.string(), v.regex(/^(?:b{0,2}|#{0,2})(?:1[0-3]|[1-9])$/)));
const fret = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(24));
const askedSchema = v.partial(
  v.object({
    rootInBass: v.nullable(v.boolean()),
    open: v.picklist(['any', 'none', 'some']),
    barre: v.boolean(),
    effortUpTo: v.pipe(v.number(), v.minValue(10), v.maxValue(100)),
    strings: v.record(v.pipe(v.string(), v.regex(/^[1-8]$/)), v.picklist(['any', 'must', 'leave'])),
    rootString: v.nullable(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(8))),
    form: v.nullable(v.picklist(['C', 'A', 'G', 'E', 'D'])),
    position: v.nullable(fret),
    inversion: degree,
    top: degree,
    fromFret: fret,
    toFret: fret,
    use: v.nullable(v.picklist(USES)),
    style: v.nullable(v.picklist(STYLES)),
  }),
);

/** What is asked beyond nothing, for the address; empty when nothing is. */
export function writeAsked(asked: Asked): string {
  const parts = Object.entries(asked).filter(
    ([name, value]) => JSON.stringify(value) !== JSON.stringify(NOTHING_ASKED[name as keyof Asked]),
  );
  return parts.length ? JSON.stringify(Object.fromEntries(parts)) : '';
}

/** The grip held beside the one in hand, for the address: `Am x02210`. */
export const writeHeld = (held: { chord: { symbol: string }; grip: { frets: Frets } } | null): string =>
  held ? `${held.chord.symbol} ${fretsText(held.grip.frets)}` : '';

/** Null for an address that names no chord with frets. */
export function readHeld(text: string): { chord: Chord; frets: Frets } | null {
  const [symbol, grip] = text.split(' ');
  const chord = parseChord(symbol ?? '');
  const frets = parseFrets(grip ?? '');
  return chord.ok && frets.ok && frets.value.length >= 4 ? { chord: chord.value, frets: frets.value } : null;
}

/** Reads what `writeAsked` wrote; an address somebody else wrote asks nothing where it cannot be read. */
export function readAsked(text: string): Asked {
  const nothing: Asked = { ...NOTHING_ASKED, strings: {} };
  try {
    const parsed = v.safeParse(askedSchema, JSON.parse(text));
    return parsed.success ? { ...nothing, ...(parsed.output as Partial<Asked>) } : nothing;
  } catch {
    return nothing;
  }
}
