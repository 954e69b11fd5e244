/**
 * Reads what stands behind the root of a chord symbol, by a small grammar rather than a list: a family (major,
 * minor, diminished ...), a number that stacks thirds, then any number of changes: alterations, additions,
 * suspensions, omissions, bracketed or not. What it means is a formula; formulas with a name of their own take
 * the id and suffix of the table, others a suffix built here, so that every reading can be written and read back.
 *
 * Conventions where people differ (stated, since no standard exists): `-` right after the root is minor, later
 * a flat; `+` right after root or number is a raised 5; `11` and `maj11` keep their third as a tone that is
 * seldom played; a natural 11 under a 13 likewise; `2` and `4` alone are sus; `alt` is 7#5#9.
 */
import { degreeParts, type Degree } from './degree';
import { qualityOfFormula, type Quality } from './qualities';

/** A reading, or how many characters were read before it failed. */
export type SuffixReading =
  { readonly ok: true; readonly quality: Quality } | { readonly ok: false; readonly at: number };

type Third = 'b3' | '3' | null;

interface Building {
  third: Third;
  fifths: Degree[];
  seventh: Degree | null;
  sixth: boolean;
  /** 7, 9, 11 or 13: how far thirds are stacked; 0 for a triad. */
  stack: number;
  raised: Degree[];
  /** Alterations as they were written. */
  readonly altered: Set<Degree>;
  added: Degree[];
  sus: Degree[];
  without: number[];
  majorSeventh: boolean;
  family: 'major' | 'minor' | 'diminished' | 'half' | 'augmented' | 'power';
}

const FAMILIES: readonly (readonly [RegExp, (b: Building) => void])[] = [
  [/(?:m(?:in|i)?|-)[(/]?(?:[Mm]aj|M|Δ)(?=[0-9)]|$)/y, minorMajor],
  [/(?:major|maj|Maj|MAJ|ma(?!dd)|M|Δ|j)/y, (b) => (b.majorSeventh = true)],
  [/(?:minor|min|Min|MIN|mi|m)/y, minor],
  [/(?:dim|Dim|DIM|o(?!mit)|°|º)/y, diminished],
  [/(?:ø|Ø)/y, half],
  [/(?:aug|Aug|AUG|\+(?!\d)|\+(?=[79]))/y, augmented],
  [/(?:dom|Dom)/y, () => undefined],
  [/-(?!5)/y, minor],
];

function minor(b: Building): void {
  b.family = 'minor';
  b.third = 'b3';
}
function minorMajor(b: Building): void {
  minor(b);
  b.majorSeventh = true;
}
function diminished(b: Building): void {
  b.family = 'diminished';
  b.third = 'b3';
  b.fifths = ['b5'];
}
function half(b: Building): void {
  b.family = 'half';
  b.third = 'b3';
  b.fifths = ['b5'];
  b.stack = 7;
}
function augmented(b: Building): void {
  b.family = 'augmented';
  b.fifths = ['#5'];
}

const NUMBER = /(?:6[/,.]?9|6|7M|maj7|Maj7|M7|Δ7?|7|9|11|13|5(?!\d)|2|4)/y;
const CHANGES: readonly (readonly [RegExp, (b: Building, found: RegExpExecArray) => boolean])[] = [
  [/[(),]|\/(?=[0-9b#+-])/y, () => true],
  [/(?:alt|Alt|ALT)/y, altered],
  [/(?:sus|Sus|SUS)(24|42|2|4|9)?/y, suspend],
  [/(?:add|Add|ADD)(bb|b|##|#|-|\+)?(13|11|9|6|4|2)/y, (b, [, sign, number]) => add(b, sign, number)],
  [/(?:no|No|omit|Omit)(3|5|7|9|11)(?:rd|th)?/y, (b, [, number]) => b.without.push(Number(number)) > 0],
  [/(?:maj7|Maj7|M7|ma7|Δ7?)/y, (b) => stackMajor(b, 7)],
  [/(?:maj9|Maj9|M9)/y, (b) => stackMajor(b, 9)],
  [/(b|#|-|\+)(13|11|9|6|5)/y, (b, [, sign, number]) => alter(b, sign, Number(number))],
  [/\+(?!\d)/y, (b) => alter(b, '#', 5)],
  [/(13|11|9|7)/y, (b, [, number]) => bracketed(b, Number(number))],
];

function suspend(b: Building, found: RegExpExecArray): boolean {
  if (b.family !== 'major' && b.family !== 'minor') return false;
  const which = found[1] ?? '4';
  if (which === '9') {
    b.stack = 9;
    b.sus.push('4');
  } else b.sus.push(...(which.length === 2 ? ['2', '4'] : [which]));
  return true;
}
/** The altered dominant: a raised fifth and a raised ninth stand for it, since a grip has room for two of its four. */
function altered(b: Building): boolean {
  if (b.family !== 'major' || b.majorSeventh || ![0, 7].includes(b.stack)) return false;
  b.stack = 7;
  return alter(b, '#', 5) && alter(b, '#', 9);
}
function add(b: Building, sign: string | undefined, number: string): boolean {
  const degree = signOf(sign) + ({ '2': '9', '4': '11' }[number] ?? number);
  if (b.added.includes(degree)) return false;
  b.added.push(degree);
  return true;
}
function stackMajor(b: Building, stack: number): boolean {
  if (b.stack > 0 || b.family === 'power') return false;
  b.majorSeventh = true;
  b.stack = stack;
  return true;
}
function alter(b: Building, sign: string, number: number): boolean {
  const degree = signOf(sign) + number;
  // Said twice it says nothing more, and is a slip of the pen.
  if (b.altered.has(degree)) return false;
  b.altered.add(degree);
  if (number === 5) {
    if (b.fifths.includes(degree)) return b.family !== 'augmented';
    // 7b5#5 keeps both; the first alteration takes the place of the perfect fifth.
    b.fifths = b.fifths.includes('5') ? [degree] : [...b.fifths, degree];
  } else if (number === 6) b.added.push(degree);
  else b.raised.push(degree);
  return true;
}
function bracketed(b: Building, number: number): boolean {
  if (number === 7) {
    if (b.stack > 0) return false;
    b.stack = 7;
  } else if (b.stack === 7 && number === 9) b.stack = 9;
  else b.added.push(String(number));
  return true;
}
const signOf = (sign: string | undefined): string => ({ '-': 'b', '+': '#' })[sign ?? ''] ?? sign ?? '';

function readNumber(b: Building, text: string): boolean {
  if (text === '5') {
    if (b.family !== 'major' || b.majorSeventh) return false;
    b.family = 'power';
    b.third = null;
  } else if (text === '2' || text === '4') {
    if (b.family !== 'major') return false;
    b.sus.push(text);
  } else if (text === '6') b.sixth = true;
  else if (text.startsWith('6')) {
    b.sixth = true;
    b.added.push('9');
  } else if (/\D/.test(text)) {
    b.majorSeventh = true;
    b.stack = 7;
  } else b.stack = Number(text);
  return true;
}

/** Reads a whole suffix; `at` of a failure is the first character that could not be read. */
export function readSuffix(text: string): SuffixReading {
  const b: Building = {
    third: '3',
    fifths: ['5'],
    seventh: null,
    sixth: false,
    stack: 0,
    raised: [],
    altered: new Set(),
    added: [],
    sus: [],
    without: [],
    majorSeventh: false,
    family: 'major',
  };
  const bracket = strayBracket(text);
  if (bracket !== null) return { ok: false, at: bracket };
  let at = 0;
  const take = (pattern: RegExp): RegExpExecArray | null => {
    pattern.lastIndex = at;
    return pattern.exec(text);
  };
  for (const [pattern, apply] of FAMILIES) {
    const found = take(pattern);
    if (!found) continue;
    apply(b);
    at += found[0].length;
    break;
  }
  const bare = b.majorSeventh;
  const deltaAlone = bare && text[at - 1] === 'Δ';
  const number = take(NUMBER);
  if (number) {
    if (!readNumber(b, number[0])) return { ok: false, at };
    at += number[0].length;
  } else if (deltaAlone) b.stack = 7;
  while (at < text.length) {
    let read = false;
    for (const [pattern, apply] of CHANGES) {
      const found = take(pattern);
      if (!found || found[0] === '') continue;
      if (!apply(b, found)) return { ok: false, at };
      at += found[0].length;
      read = true;
      break;
    }
    if (!read) return { ok: false, at };
  }
  const formula = formulaOf(b);
  if (formula.length < 2) return { ok: false, at: Math.max(0, text.length - 1) };
  return { ok: true, quality: qualityOfFormula(formula) ?? unnamed(formula) };
}

function formulaOf(b: Building): Degree[] {
  const degrees = new Set<Degree>(['1']);
  if (b.sus.length) for (const degree of b.sus) degrees.add(degree);
  else if (b.third) degrees.add(b.third);
  for (const degree of b.fifths) degrees.add(degree);
  if (b.sixth) degrees.add('6');
  if (b.stack >= 7) degrees.add(seventhOf(b));
  // An altered tension takes the place of the natural one that the number would stack.
  const altered = new Set(b.raised.map((degree) => degreeParts(degree).number));
  for (const natural of [9, 11, 13])
    if (b.stack >= natural && !altered.has(natural)) {
      // Under a sus4 the 11 already sounds as the 4.
      if (natural !== 11 || !b.sus.includes('4')) degrees.add(String(natural));
    }
  for (const degree of [...b.raised, ...b.added]) degrees.add(degree);
  return [...degrees]
    .filter((degree) => !b.without.includes(degreeParts(degree).number))
    .sort((x, y) => place(x) - place(y));
}

function seventhOf(b: Building): Degree {
  if (b.majorSeventh) return '7';
  return b.family === 'diminished' ? 'bb7' : 'b7';
}

/** Index of a bracket without its other half or with nothing inside, or null. */
function strayBracket(text: string): number | null {
  let open = -1;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '(') {
      if (open >= 0) return i;
      open = i;
    } else if (text[i] === ')') {
      if (open < 0 || open === i - 1) return i;
      open = -1;
    }
  }
  return open >= 0 ? open : null;
}

const place = (degree: Degree): number => {
  const { number, alteration } = degreeParts(degree);
  return number * 10 + alteration;
};

/** A quality without a name in the table: its suffix spells the formula out, so that it reads back the same. */
function unnamed(formula: readonly Degree[]): Quality {
  const has = (degree: Degree) => formula.includes(degree);
  const any = (number: number) => formula.some((degree) => degreeParts(degree).number === number);
  const minorThird = has('b3') ? 'm' : '';
  const stack = stackOf(formula);
  const changes: string[] = [];
  let head: string;
  if (has('bb7')) head = `dim${stack}`;
  else if (has('7')) head = (minorThird ? 'mMaj' : 'maj') + stack;
  else if (has('b7')) head = minorThird + stack;
  else head = minorThird + (has('6') ? '6' : '');
  for (const degree of formula) {
    const { number, alteration } = degreeParts(degree);
    if (number === 5 && alteration !== 0 && !(has('bb7') && degree === 'b5')) changes.push(degree);
    if (number === 6 && alteration !== 0) changes.push(degree);
    if (number === 6 && alteration === 0 && stack) changes.push('add6');
    // A stacked number brings its natural tone along, unless that number is altered too (7 b9 and 9 both).
    const altered = formula.some((other) => other !== degree && degreeParts(other).number === number);
    if (number < 9 || (alteration === 0 && number <= stack && !altered)) continue;
    changes.push(alteration !== 0 && stack ? degree : `add${degree}`);
  }
  const sus = formula.filter((degree) => degree === '2' || degree === '4');
  if (sus.length) changes.push(`sus${sus.join('')}`);
  else if (!any(3)) changes.push('no3');
  if (!any(5)) changes.push('no5');
  const suffix = head + (changes.length ? `(${changes.join(',')})` : '');
  return { id: suffix, suffix, formula };
}

/** How far thirds are stacked: 7, 9, 11 or 13, each with all below it, as they are or altered; 0 without a seventh. */
function stackOf(formula: readonly Degree[]): number {
  const number = (wanted: number) => formula.some((degree) => degreeParts(degree).number === wanted);
  if (!number(7)) return 0;
  const eleven = number(11) || formula.includes('4');
  if (formula.includes('13') && number(9) && eleven) return 13;
  if (formula.includes('11') && number(9)) return 11;
  return formula.includes('9') ? 9 : 7;
}
