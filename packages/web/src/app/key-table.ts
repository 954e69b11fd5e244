/**
 * Every key of the house, by the place that answers it: the strip at the lower edge, the list under `?` and the places
 * themselves read it here, so that none can say another key than it answers.
 */

export interface KeyEntry {
  /** As typed: `j`, `Enter`, `Alt+ArrowUp`, `Shift+P`, ` `; those that do one thing in steps stand together. */
  readonly keys: readonly string[];
  readonly does: string;
  /** What the strip draws, where the keys themselves do not say it. */
  readonly shown?: string;
  /** Left out of the strip, listed under `?`. */
  readonly quiet?: boolean;
}

const STRINGS = ['1', '2', '3', '4', '5', '6'];
const one = (keys: string, does: string, quiet = false): KeyEntry => ({
  keys: keys === ' ' ? [' '] : keys.split(' '),
  does,
  ...(quiet ? { quiet } : {}),
});
const QUIET = true;

export const KEY_TABLE = {
  house: {
    all: one('?', 'all keys'),
    lamp: one('l', 'lamp (evening)', QUIET),
    undo: one('Ctrl+z', 'take back what was just done', QUIET),
    chord: {
      keys: ['Shift+s', 'Shift+c', 'Shift+h', 'Shift+d'],
      shown: 'Shift S C H D',
      does: 'the chord in hand to Shapes, Changes, Harmony, Drills',
      quiet: true,
    },
    back: one('Backspace', 'back to where a chord was taken from', QUIET),
  },
  sit: {
    sit: { keys: ['1', '2', '3', '4', '5'], shown: '1–5', does: 'sit down as' },
  },
  board: {
    lesson: one('j k', 'next, previous lesson'),
    student: one('Enter', 'open student'),
    plan: one('p', 'plan'),
    start: one('s', 'start lesson'),
    writeUp: one('w', 'write-up'),
  },
  firstDay: {
    add: one('a', 'add a student'),
  },
  todaysLessons: {
    lesson: one('j k', 'next, previous lesson'),
    open: one('Enter', 'open the lesson picked'),
  },
  week: {
    week: one('ArrowLeft ArrowRight', 'week before, next week'),
    now: one('t', 'this week'),
    book: one('a', 'book a lesson'),
  },
  students: {
    student: one('j k', 'next, previous student'),
    open: one('Enter', 'open student'),
    add: one('a', 'add a student'),
    find: one('/', 'find'),
  },
  student: {
    plan: one('p', 'plan next lesson'),
    start: one('s', 'start lesson'),
    measure: one('m', 'measure the hand'),
    book: one('a', 'book a lesson'),
    person: one('e', 'name and birthday'),
    tab: { keys: ['1', '2', '3', '4'], shown: '1–4', does: 'skills, reviews, lessons, homework' },
  },
  plan: {
    block: one('ArrowUp ArrowDown', 'pick a block'),
    move: one('Alt+ArrowUp Alt+ArrowDown', 'move it'),
    minutes: one('+ -', 'a minute more, less'),
    swap: one('w', 'swap it from the shelf'),
    shelf: one('/', 'shelf'),
    noSwap: one('Escape', 'no swap after all', QUIET),
    keep: one('Enter', 'keep plan'),
    lock: one('k', 'lock'),
    takeOut: one('Delete', 'take out'),
    fit: one('f', 'fit to the minutes', QUIET),
    undo: one('Ctrl+z', 'undo'),
    replan: one('r', 're-plan around locks'),
    lean: one('a', 'another: even, mend, go on, play'),
    rekey: one('y', 're-key the lesson'),
    start: one('s', 'start lesson', QUIET),
  },
  syllabus: {
    walk: {
      keys: ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'],
      shown: '← → ↑ ↓',
      does: 'along the needs, up and down',
    },
    need: one('Alt+ArrowLeft', 'add a need'),
    takeOut: one('Delete', 'take it out', QUIET),
    undo: one('Ctrl+z', 'undo', QUIET),
    keep: one('k', 'keep version'),
    find: one('/', 'find'),
    fold: one('f', 'fold its strand'),
    over: one('g', 'numbers of another'),
    fault: one('n', 'next problem'),
  },
  pieces: {
    piece: one('j k', 'next, previous piece'),
    part: { keys: ['1', '2', '3'], shown: '1–3', does: 'part' },
    key: one('c', 'capo and key'),
    hear: one('h', 'hear'),
    changes: one('Enter', 'open bars in Changes'),
    drill: one('d', 'drill bars'),
    student: one('g', 'other student'),
    put: one('Shift+p', 'put in plan'),
  },
  lesson: {
    take: { keys: ['1', '2', '3'], shown: '1 2 3', does: 'log clean, nearly, not yet' },
    takeBack: one('Ctrl+z', 'take the last one back'),
    play: one(' ', 'play, stop'),
    start: one('s', 'start the clock', QUIET),
    easy: one('f', 'easy', QUIET),
    tense: one('t', 'tense'),
    pain: one('x', 'pain, then where'),
    note: one('n', 'note'),
    home: one('m', 'to homework'),
    bring: one('o', 'brought something else'),
    block: one('ArrowRight ArrowLeft', 'next block, back'),
    tempo: one('+ -', 'faster, slower', QUIET),
    change: one('c', 'next change, next call', QUIET),
    reveal: one('v', 'show where the call lies', QUIET),
    part: one('w', 'next drill of the block'),
  },
  shapes: {
    chord: one('/', 'enter a chord'),
    shape: one('ArrowLeft ArrowRight', 'previous, next shape'),
    dots: one('i', 'fingers, intervals, notes'),
    big: one('b', 'show big'),
    hear: one('h', 'hear'),
    easier: one('e', 'use easier'),
    hold: one('g', 'keep this grip beside'),
    told: one('o', 'why, one note and more'),
    put: one('Shift+p', 'put in plan'),
    string: { keys: STRINGS, shown: '1–6', does: 'cycle a string' },
  },
  changes: {
    chords: one('/', 'chords'),
    change: one('ArrowUp ArrowDown', 'change before, next change'),
    shape: one('Enter', 'open shape'),
    other: one('a', 'use first alternative'),
    path: one('n', 'next path'),
    hear: one('h', 'hear'),
    millimetres: one('m', 'millimetres'),
    put: one('Shift+p', 'put in plan'),
  },
  harmony: {
    degree: one('ArrowLeft ArrowRight', 'degree or chord before, next'),
    key: one('c', 'change key'),
    sevenths: one('t', 'triads or sevenths'),
    view: one('v', 'next view'),
    shapes: one('Enter', 'open its shapes'),
    hear: one('h', 'hear it'),
    put: one('Shift+p', 'put in plan'),
  },
  quiz: {
    choose: { keys: ['1', '2', '3', '4', '5'], shown: '1–5', does: 'choose an answer' },
    hear: one('h', 'hear the question'),
    tone: one('s', 'hear the tone you sang', QUIET),
  },
  drills: {
    hear: one('h', 'hear'),
    step: one('ArrowLeft ArrowRight', 'step before, next step'),
    easier: one('e', 'easier'),
    harder: one('f', 'harder'),
    key: one('k', 'next key'),
    attempt: one('t', 'try it'),
    redraw: one('n', 'another draw'),
    find: one('/', 'find a drill'),
    paper: one('p', 'paper and sound', QUIET),
    put: one('Shift+p', 'put in plan'),
  },
  'write-up': {
    note: one('n', 'note'),
    keep: one('Enter', 'keep write-up'),
    board: one('b', 'to the Board'),
  },
  homework: {
    row: one('ArrowUp ArrowDown', 'drill before, next'),
    day: one('ArrowLeft ArrowRight', 'day before, next'),
    minutes: one('+ -', 'a minute more, less'),
    takeOut: one('Delete', 'take the drill out'),
    give: one('Enter', 'give it home'),
    paper: one('p', 'on paper'),
    again: one('r', 'propose anew'),
    undo: one('Ctrl+z', 'undo'),
  },
  progress: {
    student: one('j k', 'next, previous student'),
    list: { keys: ['1', '2', '3'], shown: '1–3', does: 'stuck, surprises, hands' },
    open: one('Enter', 'open student'),
    table: one('t', 'as a table'),
    every: one('v', 'every skill'),
    report: one('r', 'report'),
  },
  outbox: {
    letter: one('j k', 'next, previous letter'),
    hand: one('h', 'handed on'),
    print: one('p', 'print'),
  },
  checkUp: {
    clean: one('1', 'clean'),
    nearly: one('2', 'nearly'),
    notYet: one('3', 'not yet'),
    back: one('Ctrl+z', 'hear the last one again', QUIET),
  },
  practice: {
    play: one(' ', 'start or stop'),
    tempo: one('ArrowUp ArrowDown', 'tempo'),
    string: { keys: STRINGS, shown: '1–6', does: 'string: clean, buzz, dead' },
    count: one('+ -', 'clean ones'),
    allClean: one('c', 'all clean', QUIET),
    takeBack: one('Ctrl+z', 'take the last one back', QUIET),
    feel: one('f', 'feel'),
    ask: one('q', 'ask your teacher', QUIET),
    keep: one('Enter', 'keep take'),
    card: one('j k', 'next card, card before'),
  },
  tapping: { tap: one('t', 'tap the rhythm', QUIET) },
  handsFree: {
    pedal: { keys: ['PageDown', 'PageUp'], shown: 'Page ↓ ↑', does: 'next card, card before', quiet: true },
  },
} as const satisfies Readonly<Record<string, Readonly<Record<string, KeyEntry>>>>;

export type KeyPlace = keyof typeof KEY_TABLE;

/** How a place is called in the list of all keys. */
export const KEY_PLACES: Readonly<Record<KeyPlace, string>> = {
  house: 'Everywhere',
  sit: 'Sit down',
  board: 'Board',
  firstDay: 'First day',
  todaysLessons: 'Plan, Lesson, Write-up and Homework with nobody on the bench',
  week: 'Week',
  syllabus: 'Syllabus',
  students: 'Students',
  student: 'A student',
  plan: 'Plan',
  pieces: 'Pieces',
  lesson: 'Lesson',
  shapes: 'Shapes',
  changes: 'Changes',
  harmony: 'Harmony',
  quiz: 'A quiz',
  drills: 'Drills',
  'write-up': 'Write-up',
  homework: 'Homework',
  progress: 'Progress',
  outbox: 'Outbox',
  checkUp: 'Check-up',
  practice: 'Practice room',
  tapping: 'Practice room, tapping along',
  handsFree: 'Practice room, hands free',
};

const SIGNS: Readonly<Record<string, string>> = {
  ' ': 'Space',
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  Delete: 'Del',
  Escape: 'Esc',
  '-': '−',
};

/** What is drawn for an entry: `Alt ↑ ↓` for two keys under one modifier. */
export function keyText({ keys, shown }: KeyEntry): string {
  if (shown) return shown;
  const drawn = keys.map((key) => {
    const parts = key.length > 1 ? key.split('+') : [key];
    const last = parts.pop() ?? '';
    return { held: parts.join(' '), last: SIGNS[last] ?? (last.length === 1 ? last.toUpperCase() : last) };
  });
  const held = drawn[0].held;
  return `${held ? `${held} ` : ''}${drawn.map((one) => one.last).join(' ')}`;
}
