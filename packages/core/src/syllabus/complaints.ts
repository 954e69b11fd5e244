/** What teachers say is wrong, and the drills it leads to; the words are our own list. */
import {
  changeLoop,
  earPairs,
  firstRecipe,
  formula,
  keyDetective,
  numberCalls,
  pickingPattern,
  ringCheck,
  rootCall,
  scaleInTheShape,
  spellIt,
  stringWalk,
  strumReading,
  twoAString,
  writeItOut,
  type DrillFamily,
  type NamedGrip,
  type Recipe,
} from '../drills';
import { heldGrip } from '../drills/held-grip';
import type { DrillContext } from '../hands/taught-hand';
import { parseChord } from '../theory/chord';
import { chordOfNumeral } from '../theory/numeral';

export interface Asking {
  readonly text: string;
  readonly context: DrillContext;
  /** What is in hand on the bench. */
  readonly grip: NamedGrip;
  /** What the student holds clean; easy open chords stand in where nobody is known. */
  readonly held: readonly NamedGrip[];
}

const EASY: readonly NamedGrip[] = [
  { chord: 'Em', frets: [0, 2, 2, 0, 0, 0] },
  { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] },
  { chord: 'Dm', frets: [null, null, 0, 2, 3, 1] },
  { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
];

/** What of the typed words is music. */
export interface Said {
  readonly grip: NamedGrip;
  /** Two grips that change: those named, else the one in hand and one beside it. */
  readonly two: readonly NamedGrip[];
  readonly string: number | null;
  readonly minor: boolean;
  readonly key: string;
  readonly several: readonly NamedGrip[];
}

export function saidIn({ text, context, grip, held }: Asking): Said {
  const words = text.split(/[\s,;.!?→>-]+/).filter(Boolean); // prettier-ignore
  // A lone A or a word in small letters is no chord.
  const chords = words.flatMap((word) => {
    if (!/^[A-G][b#♭♯]?(m|maj7|m7|7|sus[24]?|dim|aug)?$/.test(word) || word === 'A') return [];
    const read = parseChord(word.replace('♭', 'b').replace('♯', '#'));
    return read.ok ? [read.value.symbol] : [];
  });
  // A chord the student holds is meant as they hold it.
  const named = chords.flatMap(
    (symbol) => held.find((one) => one.chord === symbol) ?? heldGrip(symbol, context) ?? [],
  );
  const minor = /minor|\bm\b/i.test(text);
  const pool = held.length >= 2 ? held : EASY;
  const minors = [...pool, ...EASY].filter((one) => /^[A-G][b#]?m(?!aj)/.test(one.chord));
  const other = pool.find((one) => one.chord !== (named[0] ?? grip).chord) ?? EASY[0];
  const two = named.length >= 2 ? named.slice(0, 2) : minor ? minors.slice(0, 2) : [named[0] ?? grip, other];
  const string = /string\s*([1-8])/i.exec(text) ?? /([1-8])(?:st|nd|rd|th)\s*string/i.exec(text);
  const first = named[0] ?? grip;
  const root = /^[A-G][b#]?/.exec(first.chord)?.[0] ?? 'C';
  return {
    grip: first,
    two,
    string: string ? Math.min(Number(string[1]), context.instrument.openPitches.length) : null,
    minor,
    key: `${root} ${/^[A-G][b#]?m(?!aj)/.test(first.chord) ? 'minor' : 'major'}`,
    several: pool.slice(0, 4),
  };
}

export interface Complaint {
  /** Its code; the vocabulary words it. */
  readonly offered: string;
  readonly heard: RegExp;
  readonly drills: (said: Said, asking: Asking) => readonly Recipe[];
}

const opened = (family: DrillFamily, { grip }: Said, { context, held }: Asking): Recipe =>
  firstRecipe(family, { grip, from: null, held, instrument: context.instrument });
const onString = (string: number, key: string) =>
  scaleInTheShape({ tonic: key.split(' ')[0], kind: 'major', place: 'one string', at: string, figure: 'straight', perBeat: 1 }); // prettier-ignore
const pairs = (what: Parameters<typeof earPairs>[0]['what'], root: string) =>
  earPairs({ what, choices: 2, count: 20, hearings: 3, root, roving: false, sounded: 'one by one' });
const rootsOf = (answer: 'root' | 'minor' | 'minor7' | 'dominant7', rootString: 5 | 6 = 6) =>
  rootCall({ rootString, answer, count: 10, secondsPerCall: 6, maxFret: 12 });
const rootName = (key: string): string => key.split(' ')[0];
/** Two, five and one of a major key. */
const cadenceIn = (root: string): string =>
  ['ii7', 'V7', 'Imaj7']
    .flatMap((numeral) => {
      const chord = chordOfNumeral(numeral, `${root} major`);
      return chord.ok ? [chord.value.symbol] : [];
    })
    .join(' ');
const linesOver = (root: string, over: string) =>
  scaleInTheShape({ tonic: root, kind: 'major', place: 'position', at: 5, figure: 'targets', over, perBeat: 2 }); // prettier-ignore

/** What hurts first: nothing is played then. The rest in the order in which a teacher would ask. */
export const HURTS: Complaint = {
  offered: 'found.hurts',
  heard: /\b(hurt|hurts|sore|pain|painful|aches?|tingl\w*|numb)\b/i,
  drills: ({ key }) => [
    pairs('triads', rootName(key)),
    spellIt({ what: 'chords', key, keys: 1, count: 10, secondsPerCall: 12 }),
    keyDetective({ lists: 2, length: 4, foreign: 0, kinds: 'major', sevenths: false, ask: 'key', secondsPerCall: 45 }), // prettier-ignore
  ],
};
export const COMPLAINTS: readonly Complaint[] = [
  {
    offered: 'found.ring',
    heard: /\b(buzz\w*|dead|muffled|thud\w*)\b|\b(not|n[o']?t|won.?t|never)\s+(\w+\s+)?(ring|sound)/i,
    drills: ({ grip, string, key, two }) => [
      ringCheck(grip),
      ...(string === null
        ? [changeLoop({ grips: two, beatsEach: 4, piece: 'air' })]
        : [onString(string, key)]),
      pickingPattern({ grips: [grip], pattern: 'p i m a', perBeat: 1, beats: 4, barsEach: 1, bass: 'root', striker: 'fingers' }), // prettier-ignore
      changeLoop({ grips: two, beatsEach: 4 }),
    ],
  },
  {
    offered: 'found.minors',
    heard:
      /\b(slow|late|weak|unsure|forgets?)\b.*\b(minors?|sevenths?|7s)\b|\b(minors?|sevenths?)\b.*\b(slow|late|weak)\b/i,
    drills: (said) => [
      rootsOf(/seventh|7/i.test(said.grip.chord) ? 'minor7' : 'minor', 5),
      changeLoop({ grips: said.two, beatsEach: 4 }),
      formula({ grip: said.grip, targets: ['minor', 'minor7', 'dominant7'], secondsPerCall: 8 }),
    ],
  },
  {
    offered: 'found.root',
    heard:
      /\b(los\w+|lost|finds?|where|knows?)\b.*\b(roots?|bass|neck|fretboard)\b|\broots?\b.*\b(lost|unsure)\b/i,
    drills: ({ string }) => [
      stringWalk({ string: string ?? 6, key: 'C major', maxFret: 12, calls: 10, secondsPerCall: 8 }),
      rootsOf('root', 6),
      rootsOf('root', 5),
    ],
  },
  {
    offered: 'found.spelling',
    heard:
      /\b(spell\w*|letters?|enharmonic|sharps?|flats?|writes?|signature)\b|[A-G][#♯b♭]\s*(for|as|instead)|for\s+[A-G][#♯b♭]/i,
    drills: ({ key }) => {
      const sharp = /minor/.test(key) ? 'E minor' : 'F# major';
      return [
        spellIt({ what: 'notes', key: sharp, keys: 3, count: 14, secondsPerCall: 10 }),
        spellIt({ what: 'triads', key: sharp, keys: 3, count: 10, secondsPerCall: 15 }),
        writeItOut({ what: 'scales', root: sharp.split(' ')[0], kind: 'major', keys: 3, times: 1, progression: '1 4 5 1', days: 1 }), // prettier-ignore
      ];
    },
  },
  {
    offered: 'found.ear',
    heard: /\b(hears?|hearing|ears?|sings?|tell\w*|pitch)\b/i,
    drills: ({ key }, { text }) => {
      const root = rootName(key);
      if (/cadence|end\w*|home/i.test(text)) return [pairs('cadences', root), pairs('degrees over a drone', root), pairs('progressions', root)]; // prettier-ignore
      if (/seventh|7/i.test(text)) return [pairs('sevenths', root), pairs('triads', root), pairs('colours on top', root)]; // prettier-ignore
      if (/sus/i.test(text)) return [pairs('sus or third', root), pairs('triads', root), pairs('colours on top', root)]; // prettier-ignore
      return [pairs('triads', root), pairs('degrees over a drone', root), pairs('cadences', root)];
    },
  },
  {
    offered: 'found.bebop',
    heard: /\b(bebop|bop)\b/i,
    drills: ({ key }, asking) => {
      const root = rootName(key);
      const over = cadenceIn(root);
      const dominant = chordOfNumeral('V', `${root} major`);
      const tonic = dominant.ok ? dominant.value.symbol : root;
      return [
        scaleInTheShape({ tonic, kind: 'bebop dominant', place: 'position', at: 5, figure: 'straight', perBeat: 2 }), // prettier-ignore
        linesOver(root, over),
        twoAString({ root, quality: 'major7', string: 6, way: 'up and down', fingers: '1 4', keys: 1, next: 'fourths', over }), // prettier-ignore
        opened('approach', saidIn(asking), asking),
      ];
    },
  },
  {
    offered: 'found.solo',
    heard: /\b(solos?|improvis\w*|licks?|lead|lines?)\b/i,
    drills: ({ key }, asking) => {
      const root = rootName(key);
      const over = cadenceIn(root);
      return [
        linesOver(root, over),
        twoAString({ root, quality: 'major7', string: 6, way: 'up and down', fingers: '1 4', keys: 1, next: 'fourths', over }), // prettier-ignore
        opened('approach', saidIn(asking), asking),
        opened('embellish', saidIn(asking), asking),
      ];
    },
  },
  {
    offered: 'found.barre',
    heard: /\bbarr[eé]s?\b/i,
    drills: ({ grip, two }, asking) => [
      ringCheck(heldGrip('F', asking.context) ?? grip),
      opened('family ladder', saidIn(asking), asking),
      changeLoop({ grips: two, beatsEach: 4, piece: 'air' }),
      opened('warm up', saidIn(asking), asking),
    ],
  },
  {
    offered: 'found.picking',
    heard: /\b(pick\w*|pluck\w*|finger\s?style|thumb|plectrum)\b/i,
    drills: ({ grip, several }) => [
      pickingPattern({ grips: [grip], pattern: 'p i m a', perBeat: 1, beats: 4, barsEach: 1, bass: 'root', striker: 'fingers' }), // prettier-ignore
      pickingPattern({ grips: several.slice(0, 2), pattern: 'p i p m', perBeat: 2, beats: 4, barsEach: 2, bass: 'alternating', striker: 'fingers' }), // prettier-ignore
      strumReading({ grips: several.slice(0, 2), beats: 4, level: 1, bars: 4 }),
    ],
  },
  {
    offered: 'found.rhythm',
    heard: /\b(rhythm\w*|strum\w*|rush\w*|drags?|beat|off.?beats?|out of time|tempo)\b/i,
    drills: ({ several }, asking) => [
      strumReading({ grips: several.slice(0, 2), beats: 4, level: 1, bars: 4 }),
      strumReading({ grips: several.slice(0, 2), beats: 4, level: 2, bars: 8 }),
      opened('own small piece', saidIn(asking), asking),
    ],
  },
  {
    offered: 'found.change',
    heard: /\b(chang\w*|late|stumbl\w*|gaps?|between|slow|stops)\b/i,
    drills: ({ two }) => [
      changeLoop({ grips: two, beatsEach: 4, piece: 'air' }),
      changeLoop({ grips: two, beatsEach: 4, piece: 'one finger' }),
      changeLoop({ grips: two, beatsEach: 4 }),
      changeLoop({ grips: two, beatsEach: 4, piece: 'pivot' }),
    ],
  },
  {
    offered: 'found.reading',
    heard: /\b(reads?|reading|sight|notation|staff|notes)\b/i,
    drills: ({ string }, asking) => [
      opened('note reading', saidIn(asking), asking),
      stringWalk({ string: string ?? 1, key: 'C major', maxFret: 5, calls: 8, secondsPerCall: 8 }),
      opened('melody on top', saidIn(asking), asking),
    ],
  },
  {
    offered: 'found.keys',
    heard: /\b(keys?|numbers?|numerals?|transpos\w*|progressions?|theory)\b/i,
    drills: ({ key }, asking) => [
      numberCalls({ key, pool: '1 4 5', keys: 1, length: 8, lead: 4, layout: 'nearest' }),
      opened('degrees', saidIn(asking), asking),
      opened('key detective', saidIn(asking), asking),
    ],
  },
  {
    offered: 'found.bored',
    heard: /\b(bor\w+|same|stuck|dull|nothing new|ideas?)\b/i,
    drills: (said, asking) =>
      (['open task', 'own small piece', 'embellish', 'colour swap'] as const).map((family) =>
        opened(family, said, asking),
      ),
  },
  {
    offered: 'found.forgets',
    heard: /\b(forget\w*|remember\w*|memor\w*|by heart)\b/i,
    drills: ({ key, two }) => [
      rootsOf('root', 5),
      numberCalls({ key, pool: '1 4 5', keys: 1, length: 8, lead: 2, layout: 'fixed' }),
      changeLoop({ grips: two, beatsEach: 4 }),
    ],
  },
  {
    offered: 'found.cold',
    heard: /\b(cold|stiff|tens\w+|warm\w*)\b/i,
    drills: (said, asking) => [
      opened('warm up', said, asking),
      changeLoop({ grips: said.two, beatsEach: 4, piece: 'air' }),
      ringCheck(said.two[1] ?? said.grip),
    ],
  },
];
