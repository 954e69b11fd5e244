/** Words of drills: what each is called, what a step asks, what a take answers, what was left out. */
import type { Reason } from '@finch/core/effort';
import type { Form } from '@finch/core/shapes';
import type { PassedOver, SwapKind } from '@finch/core/harmony';
import type { Heard, Slip } from '@finch/core/drills';
import { figureText, passedWords, swapKindWords } from './harmony-words';
import { chordText, degreeText, formText, fretsMoved, listed, nameChord, plural, triadText } from './names';

type Values = Reason['values'];

const pair = (v: Values): string => `${nameChord(String(v.from))} → ${nameChord(String(v.to))}`;
const barsText = (from: Values[string], to: Values[string]): string =>
  from === to ? `bar ${from}` : `bars ${from} to ${to}`;
const SECTION_PART: Readonly<Record<string, string>> = {
  'one stroke': ', a stroke a chord',
  melody: ', melody',
  sung: ', heard and sung',
};

const pitchWords = (pitch: string): string => chordText(pitch);
export const numberText = (number: Values[string]): string => chordText(String(number)).replace(/^b/, '♭');
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

/** What sounds of a drill. */
export const HEARD_WORDS: Readonly<Record<Heard, string>> = {
  drill: 'as it is played',
  together: 'with a backing',
  backing: 'the backing alone',
  click: 'the click alone',
};

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
  'a fret off on string 2': 'A fret off: string 2 is tuned a third over string 3, the others a fourth apart.',
  'a fret off': 'That lies a fret beside it.',
  'another string': 'The fret is right, the string is another.',
  'one left out': 'One of them is left out.',
  'one too many': 'One of those does not belong to it.',
  'another quality': 'Hum its middle tone and compare.',
  'third lost': 'Listen for the third: is there one?',
  'another colour': 'That is another tone on top.',
  'another lowest tone': 'Another tone lies lowest.',
  'another cadence': 'That comes to rest otherwise.',
  'another progression': 'Follow the lowest tones.',
};
/** What a confusion is called where they are counted. */
export const SLIP_NAMES: Readonly<Record<Slip, string>> = {
  respelled: 'the same sound by another letter',
  'third altered': 'the other third',
  altered: 'a tone a half step off',
  'neighbour key': 'the key next to it',
  'another degree': 'another degree',
  relative: 'the relative key',
  parallel: 'the parallel key',
  twin: 'the twin by sound',
  'a fret off on string 2': 'a fret off on string 2',
  'a fret off': 'a fret off',
  'another string': 'another string',
  'one left out': 'one left out',
  'one too many': 'one too many',
  'another quality': 'another quality',
  'third lost': 'the third not heard',
  'another colour': 'another tone on top',
  'another lowest tone': 'another lowest tone',
  'another cadence': 'another way to rest',
  'another progression': 'other chords',
};
/** A choice as it is read: notes, chords, keys, numbers and figures with their true signs. */
export const choiceWords = (choice: string): string =>
  choice
    .split(' ')
    .map((word) => (/^[b#]?[ivIV]+/.test(word) ? figureText(word) : chordText(word)))
    .join(' ');
const HEARD_TEXT: Readonly<Record<string, string>> = {
  triads: 'which triad',
  sevenths: 'which seventh',
  'sus or third': 'with a third or without',
  'colours on top': 'what lies on top',
  inversions: 'what lies lowest',
  'degrees over a drone': 'which degree over the drone',
  cadences: 'how it comes to rest',
  progressions: 'which chords',
};
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
/** What an open task looks for. */
const QUESTION_TEXT: Readonly<Record<string, { readonly title: string; readonly asks: string }>> = {
  'what sounds at home': { title: 'What sounds at home', asks: 'Which three notes sound most at home?' },
  'what rubs': { title: 'What rubs', asks: 'Which note rubs most, and where does it want to go?' },
  'two notes only': { title: 'Two notes only', asks: 'Take two notes. How much can you say with them?' },
  'three endings': {
    title: 'Three endings',
    asks: 'End a phrase on three different notes. Which one asks, which one answers?',
  },
  'asked and answered': {
    title: 'Asked and answered',
    asks: 'Play a short phrase that asks. Find two answers to it.',
  },
  'the same rhythm': {
    title: 'The same rhythm',
    asks: 'Clap a rhythm of one bar. Play it on as many notes as you find.',
  },
  'late entries': { title: 'Late entries', asks: 'Begin every phrase after the one. What changes?' },
  'loud and soft': {
    title: 'Loud and soft',
    asks: 'Play one phrase loud and soft. Which notes deserve which?',
  },
  'another grip': {
    title: 'Another grip',
    asks: 'Find a grip of the home chord in here that nobody showed you. Write down its frets.',
  },
  'what leads out': {
    title: 'What leads out',
    asks: 'Which note makes you want to leave these bounds, and where to?',
  },
};
const RULE_TEXT: Readonly<Record<string, string>> = {
  'never a note twice running': 'Never the same note twice running.',
  'as much rest as sound': 'Rest for as long as you play.',
  'no step by step': 'Never go to the note next door.',
  'end on the third': 'End every phrase on the third.',
};
export const questionText = (question: string): string => QUESTION_TEXT[question]?.title ?? question;
const SUNG_TEXT: Readonly<Record<string, string>> = {
  home: 'the home tone',
  'home and 5': 'home and the fifth',
  'the chord': 'the tones of the chord',
  'the five': 'the five tones',
  'the scale': 'the scale',
};
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
  'title.fill': (v) => `${nameChord(String(v.chord))} → ${nameChord(String(v.to))}, embellished: ${v.style}`,
  'ask.fill': (v) => `${nameChord(String(v.chord))}, then the fill into ${nameChord(String(v.to))}`,
  'ask.arrive': (v) => `${nameChord(String(v.chord))} on one`,
  'question.arrive': (v) => `Did ${v.clean} of ${v.of} arrive on one at ${v.bpm}, the fill whole?`,
  'left.far': (v) => `${nameChord(String(v.chord))} lies further off than a step or a slide.`,
  'left.slid': () => 'A turn of the style is slid, since its own way is not allowed yet.',
  'left.bends': () => 'Bends ask more than this hand’s limit: they are slid to the same pitch.',
  'title.written': (v) =>
    `Write out the ${v.what} of ${chordText(String(v.key))}${Number(v.keys) > 1 ? ` and ${Number(v.keys) - 1} more` : ''}`,
  'ask.write': (v) =>
    v.what === 'scales'
      ? `The scale of ${chordText(String(v.label))}`
      : `The tones of ${chordText(String(v.label))}`,
  'ask.play-numbers': (v) =>
    `${chordText(String(v.numbers))} in ${chordText(String(v.key))}, ${plural(v.times, 'time')}`,
  'question.written': (v) =>
    `Are ${v.clean} of ${v.of} boxes right, and the numbers played ${plural(v.times, 'time')}?`,
  'title.ear': (v) =>
    `${capital(HEARD_TEXT[String(v.what)])}, ${v.roving ? 'on any root' : `on ${chordText(String(v.root))}`}, ${v.choices} to choose from`,
  'ask.ear': (v) => `Listen: ${HEARD_TEXT[String(v.what)]}?`,
  'question.ear': (v) => `Were ${v.clean} of ${v.of} heard right?`,
  'title.sing': (v) => `Sing ${SUNG_TEXT[String(v.what)]} in ${chordText(String(v.key))}`,
  'ask.sing': (v) =>
    `${chordText(String(v.key))}: sing ${numberText(v.degree)}, ${chordText(String(v.note))}`,
  'ask.sung-bar': (v) => `Bar ${v.bar}: hear it, then sing along`,
  'question.sung-along': () => 'Could you sing it along?',
  'question.sung': (v) => `Were ${v.clean} of ${v.of} tones sung right?`,
  'title.tapped': (v) => `Tap a rhythm, level ${v.level}, ${v.beats} beats a bar`,
  'ask.tap': (v) => `Bar ${v.bar} as written: tap it with a foot or a palm`,
  'title.detective': (v) =>
    `${plural(v.length, 'chord')}: which key?${Number(v.foreign) ? ` ${v.foreign} from outside` : ''}`,
  'ask.which-key': (v) => `${choiceWords(String(v.chords))}: which key?`,
  'ask.which-number': (v) =>
    `${choiceWords(String(v.chords))}, in ${chordText(String(v.key))}: what is ${chordText(String(v.chord))}?`,
  'ask.which-foreign': (v) =>
    `${choiceWords(String(v.chords))}, in ${chordText(String(v.key))}: which is foreign?`,
  'title.numbers': (v) =>
    `${String(v.pool).replaceAll('b7', '♭7')} called in ${chordText(String(v.key))}${Number(v.keys) > 1 ? ` and ${Number(v.keys) - 1} more` : ''}`,
  'ask.number': (v) => `${numberText(v.number)} in ${chordText(String(v.key))}`,
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
  'title.strum': (v) =>
    `Strum reading ${v.level}, on ${v.chord === 'N.C.' ? 'open strings' : nameChord(String(v.chord))}`,
  'title.picking': (v) => `Picking ${v.pattern}, on ${nameChord(String(v.chord))}`,
  'title.section': (v) => `${v.title}, ${barsText(v.fromBar, v.toBar)}${SECTION_PART[String(v.part)] ?? ''}`,
  'ask.one-finger': (v) => `Finger ${v.fingers} alone, as in ${pair(v)}`,
  'ask.slide': (v) =>
    `Finger${Number(v.count) > 1 ? 's' : ''} ${listed(v.fingers)} along the string, as in ${pair(v)}`,
  'ask.pivot': (v) => `${pair(v)}: ${listed(v.fingers)} stay${Number(v.count) > 1 ? '' : 's'} down`,
  'ask.air': (v) => `${pair(v)}: formed in the air, landed together`,
  'ask.bass': (v) => `${nameChord(String(v.chord))}, ${chordText(String(v.bass))} lowest`,
  'ask.strum': (v) =>
    `Bar ${v.bar} as written, on ${v.chord === 'N.C.' ? 'open strings' : nameChord(String(v.chord))}`,
  'ask.picking': (v) => `${nameChord(String(v.chord))}: ${v.pattern}`,
  'title.own': (v) =>
    `A small piece of ${v.bars} bars in ${chordText(String(v.key))}${v.fresh ? `, ${nameChord(String(v.fresh))} new` : ''}${v.play === 'melody' ? ', its melody' : ''}`,
  'title.open': (v) =>
    `${QUESTION_TEXT[String(v.question)]?.title} in ${chordText(String(v.key))}, frets ${v.lowFret} to ${v.highFret}`,
  'ask.open': (v) =>
    `${QUESTION_TEXT[String(v.question)]?.asks}${v.rule ? ` ${RULE_TEXT[String(v.rule)]}` : ''}`,
  'question.open': (v) => `Played for ${plural(v.minutes, 'minute')}, and one thing written down?`,
  'left.drone': () => 'No drone lies on these strings, so it is played alone.',
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
  'left.one-chord': (v) => `${nameChord(String(v.chord))} stands alone, so the thumb plays a bass line.`,
  'left.fresh': (v) => `${nameChord(String(v.fresh ?? v.chord))} found no bar in this piece: draw another.`,
  'left.tune': () => 'The tune leaves this neck, so the chords stand alone.',
  'found.hurts': () => 'nothing that is played',
  'found.ring': () => 'for strings that do not ring',
  'found.minors': () => 'for a kind of chord that comes late',
  'found.root': () => 'for roots that get lost',
  'found.spelling': () => 'for letters and signs',
  'found.ear': () => 'for the ear, before it has a name',
  'found.bebop': () => 'for lines whose passing note keeps the chord on the beats',
  'found.solo': () => 'for lines over chords',
  'found.barre': () => 'for barres, light and short',
  'found.picking': () => 'for the plucking hand',
  'found.rhythm': () => 'for what comes early or late',
  'found.change': () => 'for a change that stalls',
  'found.reading': () => 'for notes on the staff',
  'found.keys': () => 'for keys and numbers',
  'found.bored': () => 'for something new',
  'found.forgets': () => 'for what does not stay',
  'found.cold': () => 'for a stiff hand',
  'found.skill': (v) => `trains ${chordText(String(v.skill))}`,
  'found.family': (v) => `${v.family}, as it begins`,
  'left.tempo': () => 'Changes of tempo inside these bars are left out: a loop has one tempo.',
};
