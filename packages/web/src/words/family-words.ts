/** Words of drill families: what each trains, what its fields and choices are called. */
import type { DrillFamily, FamilyGroup } from '@finch/core/drills';
import type { Form } from '@finch/core/shapes';
import { makeChord } from '@finch/core/theory';
import { FIGURE_TEXT, questionText, WAY_IN_TEXT } from './drill-words';
import { chordText, formText } from './names';

export const GROUP_WORDS: Readonly<Record<FamilyGroup, string>> = {
  'warm and find': 'Warm and find',
  'one grip': 'One hand, one grip',
  'along the neck': 'Along the neck',
  'move between': 'Move between',
  lines: 'Lines',
  'in a key': 'Harmony at work',
  'by ear and on paper': 'By ear, on paper',
  'striking hand': 'The striking hand',
  'in a piece': 'In a piece',
};

type Say = (value: string) => string;
interface FieldWords {
  readonly label: string;
  /** By value, or one way for all; a value without words stands for itself. */
  readonly choices?: Readonly<Record<string, string>> | Say;
}
interface FamilyWords {
  /** What it trains, in a few words. */
  readonly trains: string;
  /** Where what it plays comes from, where that is not set here. */
  readonly note?: string;
  /** Fields of its own, or said another way than `FIELD_WORDS`. */
  readonly fields?: Readonly<Record<string, FieldWords>>;
}

const QUALITY_TEXT: Readonly<Record<string, string>> = {
  root: 'root alone',
  dominant7: '7',
  major7: 'major 7',
  minor7: 'minor 7',
};
const seconds: Say = (value) => `${value} s`;
const scaleName: Say = (kind) => kind.replace(/b(?=\d)/g, '♭').replace(/#/g, '♯');
const onString: Say = (value) => `string ${value}`;
/** Fields that mean the same in every family. */
const FIELD_WORDS: Readonly<Record<string, FieldWords>> = {
  key: { label: 'Key', choices: chordText },
  root: { label: 'Root', choices: chordText },
  secondsPerCall: { label: 'Each within', choices: seconds },
  secondsPerNote: { label: 'Each within', choices: seconds },
  beatsEach: { label: 'Beats each' },
  beats: { label: 'Beats a bar' },
  barsEach: { label: 'Bars each' },
  string: { label: 'String' },
  keys: { label: 'Keys' },
  strings: { label: 'Strings' },
};
const yesNo = { yes: 'yes', no: 'no' };

export const FAMILY_WORDS: Readonly<Record<DrillFamily, FamilyWords>> = {
  'warm up': {
    trains: 'three easy minutes for a cold hand',
    fields: { minutes: { label: 'Minutes' } },
  },
  'string walk': {
    trains: 'the notes along one string',
    fields: {
      key: { label: 'Notes of', choices: chordText },
      maxFret: { label: 'Up to fret' },
      calls: { label: 'Calls after' },
    },
  },
  'note reading': {
    trains: 'from the staff to the neck',
    fields: {
      position: { label: 'Position', choices: (n) => (n === '0' ? 'open' : `index at ${n}`) },
      strings: { label: 'Range grows to', choices: (n) => (n === '1' ? 'string 1' : `strings 1 to ${n}`) },
      count: { label: 'Notes' },
    },
  },
  'root call': {
    trains: 'where a root lies, and its grip',
    fields: {
      ask: { label: 'Ask', choices: { grid: 'the whole grid', ...QUALITY_TEXT } },
      rootString: { label: 'Root on', choices: onString },
      count: { label: 'Calls' },
      minFret: { label: 'From fret', choices: { '': 'the lowest' } },
    },
  },
  formula: {
    trains: 'which note moves, and where to',
    fields: {
      targets: {
        label: 'Into',
        choices: (id) => chordText(makeChord({ letter: 'C', accidental: 0 }, id).symbol).slice(1),
      },
    },
  },
  'ring check': { trains: 'every string answers' },
  'family ladder': {
    trains: 'one root through its family, a move a rung',
    fields: { form: { label: 'Form', choices: (form) => formText(form as Form) } },
  },
  'five forms': {
    trains: 'one chord from its lowest form up',
    fields: {
      quality: { label: 'Quality', choices: QUALITY_TEXT },
      order: { label: 'Way' },
      keys: { label: 'Keys' },
      next: { label: 'Next key' },
      allowOpen: { label: 'Open strings', choices: { yes: 'with', no: 'without' } },
    },
  },
  'close triads': {
    trains: 'inversions on three strings',
    fields: {
      strings: { label: 'Strings' },
      progression: { label: 'Then', choices: { '': 'nothing' } },
    },
  },
  degrees: {
    trains: 'the seven chords of a key, along a string or in a position',
    fields: {
      of: { label: 'Of' },
      place: {
        label: 'Where',
        choices: {
          'root on 6': 'roots on string 6',
          'root on 5': 'roots on string 5',
          'root on 4': 'roots on string 4',
          position: 'in one position',
        },
      },
      position: { label: 'Index at' },
      way: { label: 'Way', choices: { both: 'up and down' } },
    },
  },
  'change loop': {
    trains: 'changes a minute, then tempo',
    fields: {
      piece: {
        label: 'Practise',
        choices: {
          '': 'the whole change',
          'one finger': 'the finger that lands last',
          slide: 'the fingers that slide',
          pivot: 'around what stays',
          air: 'in the air',
        },
      },
    },
  },
  'bass walk': {
    trains: 'the lowest note steps to the next chord',
    fields: {
      from: { label: 'From', choices: chordText },
      to: { label: 'To', choices: chordText },
      way: { label: 'The bass goes' },
      by: { label: 'By', choices: { scale: 'steps of the key' } },
      back: { label: 'Then', choices: { yes: 'walks back', no: 'begins again' } },
    },
  },
  'scale in the shape': {
    trains: 'a scale where it lies, as figures and phrases',
    fields: {
      tonic: { label: 'Tonic', choices: chordText },
      kind: { label: 'Scale', choices: scaleName },
      place: {
        label: 'Where',
        choices: {
          form: 'a form',
          box: 'a box',
          position: 'a position',
          'one string': 'along one string',
          'two joined': 'two places joined',
          'whole neck': 'all five joined',
        },
      },
      at: { label: 'Which' },
      figure: { label: 'Played', choices: FIGURE_TEXT },
      over: { label: 'Over', choices: (chords) => (chords ? chordText(chords) : 'a plain cadence') },
      perBeat: { label: 'Notes a beat' },
    },
  },
  'two a string': {
    trains: 'arpeggios up the neck, two notes a string',
    fields: {
      quality: {
        label: 'Quality',
        choices: { ...QUALITY_TEXT, 'half-diminished': 'm7♭5', diminished7: 'dim7' },
      },
      fromFret: { label: 'From fret', choices: { '': 'the lowest' } },
      over: { label: 'Over', choices: (chords) => (chords ? chordText(chords) : 'the one chord') },
      way: { label: 'Way' },
      fingers: { label: 'Fingers' },
      next: { label: 'Next key' },
    },
  },
  'spell it': {
    trains: 'notes, chords and scales with their exact letters',
    fields: { what: { label: 'Asked', choices: { degrees: 'which degree' } }, count: { label: 'Calls' } },
  },
  embellish: {
    trains: 'a fill around a grip that lands on the next',
    fields: {
      style: { label: 'Style' },
      notes: { label: 'Notes of the fill' },
      upTo: { label: 'The hand may use', choices: (v) => (v === 'slides' ? 'slides' : `${v} too`) },
    },
  },
  'write it out': {
    trains: 'scales and chords on paper, then played',
    note: 'Print it with blank staves and frames; what was written is typed back here or at home.',
    fields: {
      what: { label: 'Written' },
      kind: { label: 'Kind' },
      times: { label: 'Played', choices: (n) => (n === '1' ? 'once' : `${n} times`) },
      progression: { label: 'Numbers to play' },
      days: { label: 'Over days' },
    },
  },
  'ear pairs': {
    trains: 'what sounds, heard before it is named',
    fields: {
      what: { label: 'Heard' },
      choices: { label: 'To choose from' },
      count: { label: 'Calls' },
      hearings: {
        label: 'Heard at most',
        choices: (n) => (n === '1' ? 'once' : n === '2' ? 'twice' : `${n} times`),
      },
      roving: { label: 'Roots', choices: { yes: 'all twelve', no: 'this one' } },
      sounded: { label: 'Tones' },
    },
  },
  'sing it': {
    trains: 'tones of a key, sung before they are heard',
    note: 'No hand plays: it stays open when a hand hurts.',
    fields: {
      what: { label: 'Sung' },
      voice: { label: 'Voice', choices: { low: 'low', high: 'an octave higher' } },
      count: { label: 'Tones' },
    },
  },
  'tap it': {
    trains: 'a rhythm read and tapped, without the guitar',
    note: 'A foot or a palm: it stays open when a hand hurts.',
    fields: {
      level: {
        label: 'Level',
        choices: {
          1: '1, quarters and rests',
          2: '2, eighths',
          3: '3, off the beat',
          4: '4, ties',
          5: '5, sixteenths',
        },
      },
      bars: { label: 'Bars' },
      sheet: { label: 'Sheet' },
    },
  },
  'key detective': {
    trains: 'which key a list of chords is in, and what is foreign',
    fields: {
      lists: { label: 'Lists' },
      length: { label: 'Chords each' },
      foreign: { label: 'From outside' },
      kinds: { label: 'Keys' },
      sevenths: { label: 'Sevenths', choices: yesNo },
      ask: { label: 'Asked' },
    },
  },
  'number calls': {
    trains: 'numbers of a key, called and played',
    fields: {
      pool: { label: 'Numbers', choices: (pool) => pool.replaceAll('b7', '♭7') },
      length: { label: 'Bars' },
      lead: { label: 'Next one shown', choices: (n) => (n === '1' ? '1 beat before' : `${n} beats before`) },
      layout: { label: 'Grips', choices: { fixed: 'one for each chord', nearest: 'whichever lies nearest' } },
    },
  },
  approach: {
    trains: 'a chord prepared by what leads into it',
    fields: {
      home: { label: 'Home', choices: chordText },
      targets: { label: 'Into', choices: chordText },
      by: { label: 'By', choices: WAY_IN_TEXT },
      beats: { label: 'Beats before' },
    },
  },
  'colour swap': {
    trains: 'a progression plain, then in other colours',
    fields: {
      numerals: { label: 'Numbers', choices: chordText },
      swaps: { label: 'Bars swapped' },
      level: {
        label: 'Colours',
        choices: {
          1: '1, richer, same chord',
          2: '2, held back',
          3: '3, relatives and thirds',
          4: '4, borrowed',
          5: '5, made a dominant',
          6: '6, a tritone away',
        },
      },
      keepTop: { label: 'Top note', choices: { yes: 'kept', no: 'free' } },
    },
  },
  'triad pairs': {
    trains: 'two triads that sound as one chord',
    fields: {
      pair: { label: 'Pair' },
      sound: { label: 'Sounds as', choices: (sound) => chordText(`C${sound}`).slice(1) },
      played: { label: 'Played as' },
      drone: { label: 'Drone', choices: yesNo },
      roots: { label: 'Roots under it' },
    },
  },
  'melody on top': {
    trains: 'a grip under every note of a tune',
    fields: {
      string: { label: 'Tune on', choices: onString },
      melody: { label: 'Tune', choices: (tune) => (tune ? chordText(tune) : 'the scale of the key') },
      octaves: { label: 'Octaves' },
      way: { label: 'Way' },
      by: { label: 'Chords by', choices: { class: 'job', chord: 'one chord' } },
      chord: { label: 'Chord', choices: (chord) => (chord ? chordText(chord) : 'none yet') },
      voicings: { label: 'Grips', choices: { plain: 'plain first', richest: 'the richest' } },
      bass: { label: 'With its root', choices: yesNo },
      outside: { label: 'Foreign notes', choices: { 'pass over': 'passed over', harmonise: 'harmonised' } },
    },
  },
  'strum reading': {
    trains: 'strokes, rests, accents, chops as written',
    fields: {
      level: {
        label: 'Level',
        choices: {
          1: '1, quarters and rests',
          2: '2, eighths',
          3: '3, off the beat',
          4: '4, ties and accents',
          5: '5, chops and mutes',
          6: '6, sixteenths',
        },
      },
      bars: { label: 'Bars' },
      sheet: { label: 'Sheet' },
    },
  },
  'picking pattern': {
    trains: 'fingers or plectrum over held grips',
    fields: {
      pattern: { label: 'Pattern' },
      perBeat: { label: 'Steps a beat' },
      bass: { label: 'Thumb', choices: { root: 'on the lowest string' } },
      striker: { label: 'With' },
    },
  },
  'own small piece': {
    trains: 'bars made of what is held and one new chord',
    note: 'Made by rule, so the same number makes it again; another draw is another piece.',
    fields: {
      bars: { label: 'Bars' },
      metre: { label: 'Metre' },
      fresh: { label: 'New chord', choices: (v) => (v === '' ? 'none' : chordText(v)) },
      uses: { label: 'It comes in', choices: (v) => `${v} bars` },
      melody: { label: 'Tune over it', choices: { yes: 'heard', no: 'none' } },
      strum: { label: 'Strokes' },
      play: { label: 'Play', choices: { chords: 'the chords', melody: 'the tune' } },
    },
  },
  'open task': {
    trains: 'finding something of one’s own within bounds',
    note: 'Never graded right or wrong: the student writes one sentence or a grip, for you.',
    fields: {
      question: { label: 'Look for', choices: questionText },
      lowFret: { label: 'From fret' },
      highFret: { label: 'To fret' },
      thickString: { label: 'From string' },
      thinString: { label: 'To string' },
      notes: { label: 'Notes' },
      ground: { label: 'Under it' },
      minutes: { label: 'Minutes' },
      rule: { label: 'Rule', choices: (v) => (v === '' ? 'none' : v) },
    },
  },
  'piece section': {
    trains: 'bars of a piece, looped and slowed',
    note: 'The bars come from Pieces: pick them on the chart and take “Drill bars”.',
    fields: {
      part: {
        label: 'Play',
        choices: {
          'as written': 'chords as written',
          'one stroke': 'one stroke a chord',
          melody: 'the melody',
          sung: 'heard and sung',
        },
      },
    },
  },
};

const wordsOf = (family: DrillFamily, field: string): FieldWords | undefined =>
  FAMILY_WORDS[family].fields?.[field] ?? FIELD_WORDS[field];

/** What a field is called; its own name where nobody gave it words, which a test finds. */
export const fieldLabel = (family: DrillFamily, field: string): string =>
  wordsOf(family, field)?.label ?? field;

export function choiceText(family: DrillFamily, field: string, value: string): string {
  const choices = wordsOf(family, field)?.choices;
  return typeof choices === 'function' ? choices(value) : (choices?.[value] ?? value);
}
