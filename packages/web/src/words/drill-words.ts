/** Words of drills: what each is called, what a step asks, what a take answers, what was left out. */
import type { Reason } from '@finch/core/effort';
import type { Form } from '@finch/core/shapes';
import { chordText, formText, fretsMoved, listed, nameChord, plural, triadText } from './names';

type Values = Reason['values'];

const pair = (v: Values): string => `${nameChord(String(v.from))} → ${nameChord(String(v.to))}`;
const barsText = (from: Values[string], to: Values[string]): string =>
  from === to ? `bar ${from}` : `bars ${from} to ${to}`;
const SECTION_PART: Readonly<Record<string, string>> = {
  'one stroke': ', a stroke a chord',
  melody: ', melody',
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
  'left.tempo': () => 'Changes of tempo inside these bars are left out: a loop has one tempo.',
};
