/** Words of drills: what each is called, what a step asks, what a take answers, what was left out. */
import type { Reason } from '@finch/core/effort';
import type { Form } from '@finch/core/shapes';
import type { PassedOver, SwapKind } from '@finch/core/harmony';
import type { Slip } from '@finch/core/drills';
import { figureText, passedWords, swapKindWords } from './harmony-words';
import { chordText, degreeText, formText, fretsMoved, listed, nameChord, plural, triadText } from './names';

type Values = Reason['values'];

const pair = (v: Values): string => `${nameChord(String(v.from))} → ${nameChord(String(v.to))}`;
const barsText = (from: Values[string], to: Values[string]): string =>
  from === to ? `bar ${from}` : `bars ${from} to ${to}`;
const SECTION_PART: Readonly<Record<string, string>> = {
  'one stroke': ', a stroke a chord',
  melody: ', melody',
};

const pitchWords = (pitch: string): string => chordText(pitch);
const numberText = (number: Values[string]): string => chordText(String(number)).replace(/^b/, '♭');
/** Names of scales within a sentence: "minor pentatonic", "lydian ♯2". */
const kindText = (kind: Values[string]): string =>
  String(kind)
    .replace(/b(?=\d)/g, '♭')
    .replace(/#/g, '♯');
export const FIGURE_TEXT: Readonly<Record<string, string>> = {
  straight: 'up, down and home',
  'groups of 4': 'in groups of 4',
  'groups of 3': 'in groups of 3',
  thirds: 'in thirds',
  sixths: 'in sixths',
  targets: 'a 3 or 7 on every one',
  phrase: 'asked and answered',
  '7 or b7': '7 against ♭7',
  'parallel modes': 'its modes on one tonic',
  'relative modes': 'its modes from each note',
};
export const WAY_IN_TEXT: Readonly<Record<string, string>> = {
  dominant: 'its dominant',
  dim7: 'the diminished a fret below',
  'two-five': 'its two and five',
  tritone: 'the dominant a tritone off',
  'same shape': 'its own shape a fret away',
};
function scalePlaceText(place: string, at: number): string {
  switch (place) {
    case 'form':
      return `form ${at} from the nut`;
    case 'box':
      return `box ${at} from the nut`;
    case 'position':
      return `position ${at}`;
    case 'three a string':
      return `three a string from degree ${at}`;
    case 'one string':
      return `along string ${at}`;
    case 'two joined':
      return `places ${at} and ${at + 1} joined`;
    default:
      return 'the whole neck';
  }
}

/** What was mixed up, said after the right answer. */
export const SLIP_WORDS: Readonly<Record<Slip, string>> = {
  respelled: 'That sounds the same, but each letter comes once.',
  'third altered': 'That has the other third.',
  altered: 'One tone of that lies a half step off.',
  'neighbour key': 'That belongs to the key next to it on the circle.',
  'another degree': 'That is another degree of the key.',
  relative: 'That is the relative: the same signature, another home.',
  parallel: 'That is the parallel: the same home, another signature.',
  twin: 'That sounds the same and is written otherwise.',
};
/** A choice as it is read: notes, chords, keys, numbers and figures with their true signs. */
export const choiceWords = (choice: string): string =>
  choice
    .split(' ')
    .map((word) => (/^[b#]?[ivIV]+/.test(word) ? figureText(word) : chordText(word)))
    .join(' ');
const SPELL_TEXT: Readonly<Record<string, string>> = {
  notes: 'the notes',
  degrees: 'which degree',
  triads: 'the triads',
  sevenths: 'the sevenths',
  chords: 'the chords',
  scales: 'the scales',
};

export const DRILL_WORDS: Readonly<Record<string, (v: Values) => string>> = {
  'left.rung': (v) => `${chordText(String(v.chord))} is left out: no single move leads there for this hand.`,
  'left.form': (v) => `${formText(v.form as Form)} at fret ${v.fret} is left out: over this hand’s limit.`,
  'title.warm-up': () => 'Three easy minutes',
  'title.shape': (v) => `${nameChord(String(v.chord))}, ring check`,
  'title.loop': (v) =>
    v.chords === undefined ? pair(v) : String(v.chords).split(' ').map(nameChord).join(' → '),
  'title.walk': (v) => `String ${v.string}, notes of ${chordText(String(v.key))}`,
  'title.reading': (v) =>
    `Reading ${chordText(String(v.key))}, ${v.position ? `position ${v.position}` : 'open position'}`,
  'title.roots': (v) => (v.grid ? 'Root calls, the whole grid' : `Root calls on string ${v.string}`),
  'title.formula': (v) => `${nameChord(String(v.chord))}: which note moves?`,
  'title.ladder': (v) => `${chordText(String(v.root))} family, ${formText(v.form as Form)}`,
  'title.forms': (v) => `${nameChord(String(v.chord))} in five forms`,
  'title.triads': (v) => `${chordText(String(v.root))} triads, strings ${v.strings}`,
  'title.degrees': (v) =>
    `The chords of ${chordText(String(v.key))}${v.of === 'sevenths' ? ', sevenths' : ''}, ${v.place === 'position' ? 'in one position' : `roots on string ${String(v.place).at(-1)}`}`,
  'ask.degree': (v) => `${v.degree}: ${nameChord(String(v.chord))}`,
  'question.changes': (v) => `Were ${v.clean} of ${v.of} changes clean at ${v.bpm}?`,
  'question.ring': (v) =>
    `Did ${plural(v.strings, 'string')} ring${Number(v.silent) ? ` and ${v.silent} stay silent` : ''}?`,
  'question.calls': (v) => `Were nine of ten of ${plural(v.of, 'call')} right within ${v.seconds} s?`,
  'question.done': (v) => `Played for ${plural(v.minutes, 'minute')}?`,
  'ask.root': (v) => `${chordText(String(v.chord))}, root on string ${v.string}`,
  'ask.walk': (v) => `${chordText(String(v.note))} on string ${v.string}`,
  'ask.note': (v) => `Where is ${chordText(String(v.note))} on string ${v.string}?`,
  'ask.read': (v) =>
    `Find this note${Number(v.position) ? ` in position ${v.position}` : ' in open position'}`,
  'ask.formula': (v) =>
    `${nameChord(String(v.from))} to ${chordText(String(v.to))} (${chordText(String(v.notes))}): what moves, and where to?`,
  'ask.rung': (v) => `${chordText(String(v.chord))}: string ${v.string}, ${fretsMoved(Number(v.by))}`,
  'title.two': (v) =>
    `${String(v.chords)
      .split(/[\s|,]+/)
      .map(nameChord)
      .join(' ')} two a string${Number(v.keys) > 1 ? `, ${v.keys} keys` : ''}`,
  'ask.two': (v) => `${nameChord(String(v.chord))} from string ${v.string}, fret ${v.fret}, two a string`,
  'title.scale': (v) =>
    `${chordText(String(v.tonic))} ${kindText(v.kind)}, ${scalePlaceText(String(v.place), Number(v.at))}${v.figure === 'straight' ? '' : `, ${FIGURE_TEXT[String(v.figure)]}`}`,
  'ask.scale': (v) => `${chordText(String(v.tonic))} ${kindText(v.kind)}: ${FIGURE_TEXT[String(v.figure)]}`,
  'ask.target': (v) => `On one the ${degreeText(String(v.degree))} of ${nameChord(String(v.chord))}`,
  'ask.phrase': () => 'A phrase that asks, and its rest',
  'ask.answer': () => 'Its answer, home, and its rest',
  'title.spell': (v) =>
    `Spell ${SPELL_TEXT[String(v.what)]} of ${chordText(String(v.key))}${Number(v.keys) > 1 ? ` and ${Number(v.keys) - 1} more` : ''}`,
  'ask.spell-note': (v) => `The ${v.degree} of ${chordText(String(v.key))}?`,
  'ask.spell-degree': (v) => `${chordText(String(v.note))} is which degree of ${chordText(String(v.key))}?`,
  'ask.spell-tones': (v) => `The tones of ${chordText(String(v.chord))}?`,
  'ask.spell-chord': (v) => `${choiceWords(String(v.figure))} of ${chordText(String(v.key))}?`,
  'ask.spell-scale': (v) => `${chordText(String(v.key))}, note by note?`,
  'title.detective': (v) =>
    `${plural(v.length, 'chord')}: which key?${Number(v.foreign) ? ` ${v.foreign} from outside` : ''}`,
  'ask.which-key': (v) => `${choiceWords(String(v.chords))}: which key?`,
  'ask.which-number': (v) =>
    `${choiceWords(String(v.chords))}, in ${chordText(String(v.key))}: what is ${chordText(String(v.chord))}?`,
  'ask.which-foreign': (v) =>
    `${choiceWords(String(v.chords))}, in ${chordText(String(v.key))}: which is foreign?`,
  'title.numbers': (v) =>
    `${String(v.pool).replaceAll('b7', '♭7')} called in ${chordText(String(v.key))}${Number(v.keys) > 1 ? ` and ${Number(v.keys) - 1} more` : ''}`,
  'ask.number': (v) =>
    `${numberText(v.number)} in ${chordText(String(v.key))}${v.next ? `, then ${numberText(v.next)}` : ''}`,
  'question.numbers': (v) => `Was ${v.clean} of ${v.of} right on beat one at ${v.bpm}?`,
  'title.approach': (v) =>
    `Into ${String(v.targets)
      .split(/[\s|,]+/)
      .map(nameChord)
      .join(' ')} by ${WAY_IN_TEXT[String(v.by)]}`,
  'ask.home': (v) => `${nameChord(String(v.chord))}, home`,
  'ask.lead': (v) => `${nameChord(String(v.chord))} leads into ${nameChord(String(v.to))}`,
  'ask.target-one': (v) => `${nameChord(String(v.chord))} on beat one`,
  'question.targets': (v) => `Did ${v.clean} of ${v.of} arrive on beat one at ${v.bpm}, the way in whole?`,
  'title.swap': (v) => `${chordText(String(v.numerals))} in ${chordText(String(v.key))}, plain and in colour`,
  'ask.plain': (v) => `${chordText(String(v.number))}: ${nameChord(String(v.chord))}`,
  'ask.swap': (v) =>
    `${nameChord(String(v.chord))} for ${nameChord(String(v.was))}, ${swapKindWords[v.kind as SwapKind]}`,
  'title.pairs': (v) =>
    `${nameChord(String(v.lower))} and ${nameChord(String(v.upper))}, together ${nameChord(String(v.sound))}`,
  'ask.pair': (v) =>
    `${nameChord(String(v.chord))}: ${degreeText(String(v.degrees))} over ${chordText(String(v.root))}`,
  'title.top': (v) =>
    `A tune on string ${v.string}, ${v.over ? `over ${nameChord(String(v.over))}` : `chords of ${chordText(String(v.key))}`}`,
  'ask.top': (v) =>
    `${pitchWords(String(v.pitch))} on top of ${nameChord(String(v.chord))}, its ${degreeText(String(v.top))}`,
  'question.tops': (v) => `Was the top note heard in ${v.clean} of ${v.of}, in your own time?`,
  'ask.grip': (v) => chordText(String(v.chord)),
  'ask.change': (v) => `${nameChord(String(v.from))} → ${nameChord(String(v.to))}`,
  'ask.form': (v) => `${nameChord(String(v.chord))}, ${formText(v.form as Form)}, fret ${v.fret}`,
  'ask.first-form': (v) => `${nameChord(String(v.chord))}: which of these forms lies lowest?`,
  'ask.inversion': (v) =>
    `${chordText(String(v.chord))}, ${triadText({ inversion: String(v.lowest), rootString: Number(v.rootString) || null })}`,
  'ask.ring': (v) => `String ${v.string} rings`,
  'ask.silent': (v) => `String ${v.string} stays silent`,
  'ask.warm-up': (v) => `One finger a fret from fret ${v.fret}, strings 1 to 3`,
  'title.one-finger': (v) => `${pair(v)}: one finger`,
  'title.slide': (v) => `${pair(v)}: the slide`,
  'title.pivot': (v) => `${pair(v)}: around what stays`,
  'title.air': (v) => `${pair(v)}: in the air`,
  'title.bass': (v) => `${pair(v)}, the bass ${v.way}`,
  'title.strum': (v) => `Strum reading ${v.level}, on ${nameChord(String(v.chord))}`,
  'title.picking': (v) => `Picking ${v.pattern}, on ${nameChord(String(v.chord))}`,
  'title.section': (v) => `${v.title}, ${barsText(v.fromBar, v.toBar)}${SECTION_PART[String(v.part)] ?? ''}`,
  'ask.one-finger': (v) => `Finger ${v.fingers} alone, as in ${pair(v)}`,
  'ask.slide': (v) =>
    `Finger${Number(v.count) > 1 ? 's' : ''} ${listed(v.fingers)} along the string, as in ${pair(v)}`,
  'ask.pivot': (v) => `${pair(v)}: ${listed(v.fingers)} stay${Number(v.count) > 1 ? '' : 's'} down`,
  'ask.air': (v) => `${pair(v)}: formed in the air, landed together`,
  'ask.bass': (v) => `${nameChord(String(v.chord))}, ${chordText(String(v.bass))} lowest`,
  'ask.strum': (v) => `Bar ${v.bar} as written, on ${nameChord(String(v.chord))}`,
  'ask.picking': (v) => `${nameChord(String(v.chord))}: ${v.pattern}`,
  'ask.section': (v) => `Bar ${v.bar}: ${nameChord(String(v.chord))}`,
  'ask.melody': (v) => `Bar ${v.bar}: the melody`,
  'question.time': (v) => `Did ${v.clean} of ${v.of} bars come in time at ${v.bpm}?`,
  'question.bars': (v) => `Were ${v.clean} of ${v.of} bars clean at ${v.bpm}?`,
  'question.piece': (v) => `Did ${v.clean} of ${v.of} land as they should?`,
  'left.bass': (v) =>
    `${nameChord(String(v.chord))} has no second bass string below the fingers: the thumb stays where it is.`,
  'left.lower': (v) => `${nameChord(String(v.chord))} lies ${v.frets} frets lower: up there the neck ends.`,
  'left.pairs': (v) =>
    `${nameChord(String(v.chord))}: string ${v.strings} is left out, its pair would lie beyond fret ${v.fret}.`,
  'left.chord': () => 'No grip of its chord lies in this place, so the line stands alone.',
  'left.swaps': (v) => `${plural(v.found, 'bar')} of ${v.asked} had another colour that holds.`,
  'left.top': (v) => `${pitchWords(String(v.pitch))}: ${passedWords[v.why as PassedOver]}.`,
  'left.tempo': () => 'Changes of tempo inside these bars are left out: a loop has one tempo.',
};
