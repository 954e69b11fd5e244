/**
 * Where good teachers disagree about a grip, and what a studio, a teacher or a student settled on. A school changes
 * what is proposed first, which fingers are shown and which words are printed; it never changes a record. Set for
 * the studio, overridden for a teacher, then for a student: the nearest choice wins, switch by switch.
 */
import type { Hand } from '../fretboard/hand';
import { degreeParts } from '../theory/degree';
import { FORM_ORDER, type Form } from './form';
import type { GradedGrip, ShapeLimits } from './graded-grip';

export const SCHOOL_CHOICES = {
  /** `as the hand`: over the top where the hand's own record allows it. */
  thumb: ['as the hand', 'behind the neck', 'over the top'],
  fingering: ['comfortable', 'prescribed'],
  formNames: ['letters', 'numbers', 'root strings'],
  /** Which form is pattern 1. */
  firstForm: ['C', 'A', 'G', 'E', 'D'],
  /** What the three inversions of a close triad are told apart by. */
  triadNames: ['lowest note', 'root string'],
  chordNames: ['exact', 'family'],
  root: ['in the bass', 'left to the bass'],
  fiveUnderRoot: ['avoid', 'use'],
  outerStrings: ['full', 'inner four'],
  /** Which way "one string down" goes. */
  stringDown: ['to the thin side', 'to the thick side'],
  /** Which way "down a fret" goes. */
  fretDown: ['to the nut', 'to the body'],
} as const;

export type SchoolSwitch = keyof typeof SCHOOL_CHOICES;
export type Schools = { readonly [K in SchoolSwitch]: (typeof SCHOOL_CHOICES)[K][number] };

export const DEFAULT_SCHOOLS: Schools = {
  thumb: 'as the hand',
  fingering: 'comfortable',
  formNames: 'letters',
  firstForm: 'C',
  triadNames: 'lowest note',
  chordNames: 'exact',
  root: 'in the bass',
  fiveUnderRoot: 'avoid',
  outerStrings: 'full',
  stringDown: 'to the thin side',
  fretDown: 'to the nut',
};

/** The schools that hold: studio first, then teacher, then student; a later layer wins where it says anything. */
export function schoolsOf(...layers: readonly (Partial<Schools> | null | undefined)[]): Schools {
  return Object.assign({}, DEFAULT_SCHOOLS, ...layers) as Schools;
}

/** The hand as it is asked to play; its record stays as it is. */
export function handFor(hand: Hand, schools: Schools): Hand {
  if (schools.thumb === 'as the hand') return hand;
  const thumbOver = schools.thumb === 'over the top';
  return hand.thumbOver === thumbOver ? hand : { ...hand, thumbOver };
}

/** Where a search begins under a school; what a teacher asks for by hand comes on top. */
export function schoolLimits(schools: Schools): Partial<ShapeLimits> {
  if (schools.root === 'left to the bass') return { bass: 'any', allowRootless: true };
  return { bass: schools.fiveUnderRoot === 'use' ? 'root or 5' : 'root' };
}

/** Nats by which a school moves a grip in the list (our assumptions, against those in `USEFULNESS`). */
const NATS = {
  /** More than a fifth in the bass costs otherwise: it fattens. */
  fiveWelcome: -3.2,
  /** Most of what another bass than the root costs otherwise. */
  rootElsewhere: -2.4,
  outerString: 2.4,
  /** What four inner strings are charged for being few and for a silent string 1. */
  innerFour: -2.2,
} as const;

export type Taste = Pick<Schools, 'root' | 'fiveUnderRoot' | 'outerStrings'>;

export function schoolNats(taste: Taste, grip: Pick<GradedGrip, 'frets' | 'inversion'>): number {
  const { frets, inversion } = grip;
  let nats = 0;
  const five = inversion !== 'bass' && degreeParts(inversion).number === 5;
  if (taste.root === 'left to the bass') {
    if (inversion !== '1') nats += NATS.rootElsewhere;
  } else if (five && taste.fiveUnderRoot === 'use') nats += NATS.fiveWelcome;
  if (taste.outerStrings === 'inner four') {
    const outer = [frets[0], frets[frets.length - 1]].filter((fret) => fret !== null).length;
    const sounding = frets.filter((fret) => fret !== null).length;
    nats += outer * NATS.outerString + (outer === 0 && sounding === 4 ? NATS.innerFour : 0);
  }
  return nats;
}

/** What a form is called: its letter, its number counted up the neck from pattern 1, or its root string. */
export type FormName =
  | { readonly kind: 'letter'; readonly form: Form }
  | { readonly kind: 'number'; readonly number: number }
  | { readonly kind: 'root string'; readonly string: number };

const ROOT_STRING: Readonly<Record<Form, number>> = { C: 5, A: 5, G: 6, E: 6, D: 4 };

export function formName(form: Form, schools: Pick<Schools, 'formNames' | 'firstForm'>): FormName {
  if (schools.formNames === 'letters') return { kind: 'letter', form };
  if (schools.formNames === 'root strings') return { kind: 'root string', string: ROOT_STRING[form] };
  const [at, first] = [FORM_ORDER.indexOf(form), FORM_ORDER.indexOf(schools.firstForm)];
  return { kind: 'number', number: ((at - first + FORM_ORDER.length) % FORM_ORDER.length) + 1 };
}

/** What a move is called in the words of a school: `down` or `up`. */
export const stringStep = (towardThin: boolean, schools: Pick<Schools, 'stringDown'>): 'up' | 'down' =>
  towardThin === (schools.stringDown === 'to the thin side') ? 'down' : 'up';
export const fretStep = (towardNut: boolean, schools: Pick<Schools, 'fretDown'>): 'up' | 'down' =>
  towardNut === (schools.fretDown === 'to the nut') ? 'down' : 'up';

/** Families a chord can be called by when only its sound is named. */
const FAMILY_SUFFIX = {
  major: '',
  minor: 'm',
  dominant: '7',
  diminished: 'dim',
  augmented: 'aug',
  suspended: 'sus',
} as const;

/** The symbol of a chord by its family alone: Am9 is a minor sound, Am; G13 a dominant, G7. */
export function familySymbol(chord: {
  readonly symbol: string;
  readonly tones: readonly { readonly degree: string }[];
}): string {
  const root = /^[A-G](##|bb|#|b)?/.exec(chord.symbol)?.[0];
  if (root === undefined) return chord.symbol;
  const has = (degree: string) => chord.tones.some((tone) => tone.degree === degree);
  const family = has('3')
    ? has('b7')
      ? 'dominant'
      : has('#5')
        ? 'augmented'
        : 'major'
    : has('b3')
      ? has('b5')
        ? 'diminished'
        : 'minor'
      : has('2') || has('4') || has('9') || has('11')
        ? 'suspended'
        : 'major';
  return root + FAMILY_SUFFIX[family];
}
