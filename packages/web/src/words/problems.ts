/** Refusals in words with a next step: one for every code that core, contract and server can answer. */
import { chordText, plural } from './names';

/** What a field of a request is called on screen. */
const FIELDS: Readonly<Record<string, string>> = {
  name: 'The name',
  teacher: 'Your name',
  timeZone: 'The time zone',
  bornOn: 'The birthday',
  startsAt: 'Day and time',
  minutes: 'The minutes',
  weeks: 'The weeks',
  note: 'The note',
  to: 'Who it is for',
  subject: 'The subject',
  paragraphs: 'The letter',
  title: 'The title',
  blocks: 'The blocks of the plan',
};
/** The last part of a path such as `plan.blocks.3.minutes` that has a name of its own. */
function fieldText(at: string): string {
  const named = at
    .split('.')
    .reverse()
    .find((part) => part in FIELDS);
  return named ? FIELDS[named] : 'Not taken';
}

const PROBLEMS: Readonly<Record<string, (at: string, detail: string) => string>> = {
  'chord.empty': () => 'Type a chord: C, Bbm7, F#m7b5, C/E.',
  'chord.too-long': () => 'That is too long for a chord. Type one symbol, like Bbm7.',
  'chord.root': (_, detail) => `A chord begins with a letter from A to G. ${chordText(detail)}?`,
  'chord.quality': (at, detail) => `Not read from character ${Number(at) + 1} on. ${chordText(detail)}?`,
  'chord.bass': (_, detail) => `After the slash comes one note. ${chordText(detail)}?`,
  'numeral.minor': (_, detail) =>
    `In a minor key this step stands in two places: ${detail.replaceAll('b', '♭').replaceAll('#', '♯')}?`,
  'numeral.degree': (_, detail) => `Steps run from i to vii or 1 to 7: ${detail} in A♭.`,
  'melody.empty': (_, detail) => `No notes yet: ${detail}.`,
  'melody.note': (at) =>
    `“${at}” is no note we can read. A name like E♭, with an octave where it matters: E♭4.`,
  'set.note': (at) => `“${at}” is no note. Notes like C E♭ G, a chord, or frets like x32010.`,
  'melody.long': (_, detail) => `A long tune: ${detail} at once.`,
  'numbers.empty': (_, detail) => `No chords yet: ${detail}.`,
  'numbers.long': (_, detail) => `Too many chords: ${detail}.`,
  'numeral.two': (_, detail) => `That may be two chords: ${chordText(detail)}?`,
  'key.tonic': (_, detail) => `A key begins with a note: ${detail}.`,
  'key.mode': (_, detail) => `No key of that name: ${chordText(detail)}, or a minor key or mode.`,
  'key.signature': (_, detail) => `That key has more than seven signs. ${chordText(detail)}?`,
  'name.few': (_, detail) => `That is one note. A chord has ${detail}.`,
  'chord.german-h': (_, detail) => `H is B where B means B♭. Read it as ${chordText(detail)}?`,
  'grip.reach': (_, detail) => `Out of this hand's reach: ${detail}.`,
  'grip.fingers': (_, detail) => `No fingering holds it; it would need ${detail}.`,
  'mic.refused': () =>
    'The microphone may not be heard here: allow it in the browser for this page, or go on without it.',
  'mic.none': () => 'No microphone was found: plug one in, or go on without it.',
  'mic.nothing': () => 'Too little was heard to say how it went: sit nearer, or count it yourself below.',
  'mic.busy': () =>
    'The microphone could not be opened: another program may hold it. Close that, or go on without it.',
  'measure.few': () => 'Measure at two places at least.',
  'measure.first': (at) =>
    `With the first finger on fret ${at} the little finger lies on a higher fret. Look once more.`,
  'measure.apart': (at, detail) =>
    `Fret ${at} was reached wider than the hand is ${detail}. Both once more, without pulling.`,
  'hand.reach': (_, detail) => `A reach is ${detail}. Measure it once more, or leave the field empty.`,
  'instrument.scale': (_, detail) => `A scale length is ${detail}, nut to saddle.`,
  'instrument.capo': (_, detail) => `A capo stands at ${detail}.`,
  'instrument.frets': (_, detail) => `A neck here has ${detail}.`,
  'instrument.gauge': (_, detail) => `Strings: ${detail}; it is printed on the packet, in inches times 25.4.`,
  'instrument.action': (_, detail) => `Action: ${detail}, under the thickest string.`,
  'tuning.empty': (_, detail) => `Type a tuning by name or by its notes: ${detail}, drop D, DADGAD.`,
  'tuning.note': (at, detail) =>
    `The tuning is not read from character ${Number(at) + 1} on. Like this: ${detail}.`,
  'tuning.strings': (at, detail) => `That is ${plural(Number(at), 'string')}; a guitar here has ${detail}.`,
  'tuning.range': (at, detail) => `The ${Number(at) + 1}. note lies outside ${detail}.`,
  'drill.keyless': (_, detail) => `This drill has no key to change: take ${detail}.`,
  'drill.open-strings': (_, detail) => `Open strings do not move along the neck: take ${detail}.`,
  'drill.past-neck': (_, detail) => `There the grips leave the neck: take ${detail}.`,
  'drill.string': (_, detail) => `That string is not there: take ${detail}.`,
  'drill.fret': (_, detail) => `The frets asked run from ${detail} here.`,
  'drill.position': (_, detail) => `A position here lies at ${detail}.`,
  'drill.range': (_, detail) => `No notes to read there: take ${detail}.`,
  'drill.seconds': (_, detail) => `A call takes ${detail}.`,
  'drill.count': (_, detail) => `A drill asks ${detail} calls.`,
  'drill.fill': (_, detail) => `Take ${detail}.`,
  'drill.turns': (at, detail) => `No turn of ${at} leads from this grip to the next: take ${detail}.`,
  'drill.bounds': (_, detail) => `Within these bounds lie too few notes: take ${detail}.`,
  'drill.times': (_, detail) => `The numbers are played ${detail}.`,
  'drill.days': (_, detail) => `Take ${detail}.`,
  'drill.numerals': (at, detail) => `“${at}” is no number here: take ${detail}.`,
  'drill.over-limit': (_, detail) => `Over this hand’s limit: take ${detail}.`,
  'drill.ear': (_, detail) => `That cannot be heard on these strings: take ${detail}.`,
  'drill.hearings': (_, detail) => `Each is heard ${detail} times.`,
  'drill.reach': (at, detail) => `At ${at} this hand holds no such grip inside its limit: take ${detail}.`,
  'drill.line': (_, detail) => `There is no room for the line there: take ${detail}.`,
  'drill.two-quality': (at, detail) =>
    `“${chordText(at)}” has no four notes of that kind. Take ${chordText(detail)}.`,
  'drill.chords': (_, detail) => `Here stand ${detail}.`,
  'drill.length': (_, detail) => `A round here has ${detail}.`,
  'drill.boxes': (_, detail) => `Boxes are of scales of five notes: take ${detail}.`,
  'drill.named-forms': (_, detail) => `The five forms belong to standard tuning: take ${detail}.`,
  'drill.place': (_, detail) => `Of those there are fewer: ${detail}.`,
  'drill.figure': (_, detail) => `That figure needs ${detail}.`,
  'drill.per-beat': (_, detail) => `Notes a beat: ${detail}.`,
  'drill.approach': (at, detail) =>
    `Nothing leads into ${chordText(at)} that way for this hand: take ${detail}.`,
  'drill.number': (at, detail) => `${chordText(at)} has no grip inside this hand’s limit: take ${detail}.`,
  'drill.list': (_, detail) => `No list says its key clearly so: take ${detail}.`,
  'drill.swaps': (_, detail) => `Swapped here are ${detail}.`,
  'drill.swap': (_, detail) => `No other colour holds in these bars: take ${detail}.`,
  'drill.roots': (_, detail) => `It is heard against ${detail}.`,
  'drill.pair': (_, detail) => `No such pair sounds as that. There are ${chordText(detail)}.`,
  'drill.top-chord': (_, detail) => `Under the tune belongs ${detail}.`,
  'drill.top': (_, detail) => `Fewer than three notes of it can be held: take ${detail}.`,
  'drill.answers': (_, detail) => `Ask for ${detail}.`,
  'drill.target': (_, detail) => `That is no quality: take ${detail}.`,
  'drill.formula': (_, detail) => `None of these is reached from this grip: take ${detail}.`,
  'drill.root': (_, detail) => `A root is ${detail}.`,
  'drill.ladder': (_, detail) => `No ladder of single moves starts there: take ${detail}.`,
  'drill.forms': (at, detail) => `The forms of ${chordText(at)} are not found here: they need ${detail}.`,
  'drill.triads': (at, detail) => `${chordText(at)} is not held on these strings: take ${detail}.`,
  'drill.set': (_, detail) => `A close triad lies on ${detail}.`,
  'drill.numeral': (at, detail) => `${at} is no triad: take ${detail}.`,
  'drill.quality': (_, detail) => `Take ${detail}.`,
  'drill.tempo': (_, detail) => `A tempo here is ${detail}.`,
  'rule.held': (_, detail) =>
    `Too few of the chords held lie in this key. It could use ${chordText(detail)}; the first of them it needs.`,
  'rule.tune': (_, detail) => `No tune by our rules lies over these chords: take ${detail}.`,
  'rule.fresh': (_, detail) =>
    detail === ''
      ? 'Every chord of this key is held already: leave the new one out.'
      : `As a new chord this key has ${chordText(detail)}.`,
  'drill.piece': (_, detail) => `This change has no such piece: take ${detail}.`,
  'drill.walk': (_, detail) => `A bass walk needs ${detail}.`,
  'drill.walk-key': (_, detail) => `The walk does not go through this key: take ${detail}.`,
  'drill.walk-grips': (_, detail) => `Some bass of the walk has no grip for this hand: take ${detail}.`,
  'drill.level': (_, detail) => `Take ${detail}.`,
  'drill.picking': (_, detail) => `Nothing would be plucked: take ${detail}.`,
  'drill.plectrum': (_, detail) => `A plectrum cannot pluck two strings at once: take ${detail}.`,
  'drill.section': (at, detail) => `These bars cannot be read (${at}): they need ${detail}.`,
  'drill.section-grips': (_, detail) => `These bars need grips: ${detail}.`,
  'drill.melody': (_, detail) => `No melody stands there: take ${detail}.`,
  'drill.melody-range': (_, detail) => `The melody leaves this neck: take ${detail}.`,
  'pattern.step': (_, detail) => `A step of the pattern is ${detail}.`,
  'pattern.length': (_, detail) => `The pattern needs ${detail}.`,
  'pattern.beats': (_, detail) => `The pattern needs ${detail}.`,
  'pattern.per-beat': (_, detail) => `A pattern has ${detail}.`,
  'drill.easiest': (_, detail) => `Nothing easier: ${detail}.`,
  'drill.hardest': (_, detail) => `Nothing harder: ${detail}.`,
  'scale.tonic': (_, detail) => `A key begins with a note: ${chordText(detail)}.`,
  'scale.signature': (_, detail) => `More than seven signs. ${chordText(detail)} sounds the same.`,
  'scale.kind': (_, detail) => `No scale of that name. ${chordText(detail)}?`,
  'limits.grip': (_, detail) => `The effort limit of one grip: ${detail}.`,
  'limits.barre': (_, detail) => `Barre minutes in thirty: ${detail}.`,
  'week.days': (_, detail) => `A week has ${detail}.`,
  'week.minutes': (_, detail) => `A day has ${detail}.`,
  'plan.minutes': (_, detail) => `A lesson has ${detail}.`,
  'plan.locked': () => 'The locked blocks are longer than the lesson. Unlock one or make it shorter.',
  'plan.full': (_, detail) => `A plan holds ${detail}.`,
  'lesson.written': () => 'That lesson is written up. Book the next one, or open the write-up again.',
  'lesson.begun': () => 'That lesson has begun or is over; only one that is ahead can be moved or cancelled.',
  'student.twice': (_, detail) => `${detail} is here already. Is this another person of that name?`,
  'student.same': () => 'That is the same student. Pick somebody else as the double.',
  'goal.unknown': () =>
    'Not kept: one of them is not in the syllabus any more. Read the page again and choose anew.',
  'erase.name': (_, detail) => `Not erased: type the name exactly, ${detail}.`,
  'born.age': (_, detail) => `Not kept: a birthday is ${detail.replace('a birthday ', '')}. Check the year.`,
  'lesson.full': (_, detail) => `A lesson holds ${detail}; write this one up first.`,
  'lesson.cancelled': () => 'That lesson was cancelled. Bring it back on the student’s page first.',
  'write-up.empty': () =>
    'Nothing was timed in this lesson. Write the minutes in, or say that nothing was taught.',
  'write.stale': () => 'Not kept: somebody kept a newer version meanwhile. Yours is still here.',
  'right.missing': () => 'Your seat does not allow this. Sit down as a teacher.',
  'server.database': () => 'The database does not answer. Try again in a moment.',
  'write.gone': () => 'What this belongs to was taken away meanwhile. Load the page again.',
  'server.busy': () => 'Somebody writes the same just now. Try again in a moment.',
  'server.reading': (_, detail) =>
    `The takes of your students are being read anew: ${detail} so far. It comes by itself in a moment.`,
  'server.away': () => 'The server did not answer. What you have here is kept. Try again.',
  'server.crash': (_, detail) => `Something broke on the server. ${detail}`,
  'piece.not-own': () =>
    'This piece is the studio’s: a teacher changes it. Change it, and yours is kept beside it.',
  'not-found': () => 'That is not in this studio any more.',
  'take.student': () => 'This take belongs to a student you may not log for.',
  'take.ahead': () => 'This take lies in the future; check the clock of this device.',
  'take.conflict': () => 'This take has the mark of another that is stored. Put it away and log it again.',
  'take.id': () =>
    'The clock of this device was years off when this take was made. Set it right, put the take away and log it again.',
  'take.not-own': () => 'That was logged by somebody else. A teacher can take it back.',
  'take.heard': () => 'Only a teacher can log a take as heard.',
  'drill.bars': (_, detail) => `The bars of this drill: ${detail}.`,
  'drill.beats': (_, detail) => `Beats of a bar here: ${detail}.`,
  'drill.grips': (_, detail) => `The grips of this drill: ${detail}.`,
  'drill.keys': (_, detail) => `Keys to go through: ${detail}.`,
  'drill.minutes': (_, detail) => `This lasts ${detail}.`,
  'grip.fret': (_, detail) => `A fret of this grip is not on the neck: ${detail}.`,
  'grip.pinned': (_, detail) =>
    `The fingering pinned here does not hold this grip: ${detail}. Take the pin away.`,
  'grip.silent': (_, detail) => `No string sounds: ${detail}.`,
  'grip.strings': (_, detail) => `A grip has one place for each string: ${detail}.`,
  'grip.text': (_, detail) => `That is no grip we read. Like this: ${detail}.`,
  'hand.size': (_, detail) => `The size of a hand is ${detail}.`,
  'instrument.pitch': (_, detail) => `A string is tuned outside ${detail}.`,
  'instrument.strings': (_, detail) => `A guitar here has ${detail}.`,
  'key.name': (_, detail) => `That is no key we read: ${detail}.`,
  'limits.load': (_, detail) => `The load of the hand in a lesson: ${detail}.`,
  'midi.bars': (_, detail) => `This file is too long. Needed: ${detail}.`,
  'midi.empty': (_, detail) => `There are no notes in this file. Needed: ${detail}.`,
  'midi.form': (_, detail) => `This is no MIDI file, or it is cut off. Needed: ${detail}.`,
  'midi.size': (_, detail) => `This file is too large. Needed: ${detail}.`,
  'xml.bars': (_, detail) => `This score is too long. Needed: ${detail}.`,
  'xml.count': (_, detail) => `This file holds too much to be read here. Needed: ${detail}.`,
  'xml.depth': (_, detail) => `This file nests too deep. Needed: ${detail}.`,
  'xml.entities': (_, detail) =>
    `This file declares entities of its own, which is not read for safety. Needed: ${detail}.`,
  'xml.form': (_, detail) => `This file is damaged. Needed: ${detail}.`,
  'xml.kind': (_, detail) => `This is no score we read. Needed: ${detail}.`,
  'xml.size': (_, detail) => `This file is too large. Needed: ${detail}.`,
  'name.strings': (_, detail) => `A grip to be named has ${detail}.`,
  'pattern.name': (_, detail) => `No pattern of that name. There are: ${detail}.`,
  'piece.many': (_, detail) => `The repertoire is full: ${detail}.`,
  'pitch.note': (_, detail) => `That is no note: ${detail}.`,
  'pitch.octave': (_, detail) => `That octave is out of range: ${detail}.`,
  'score.bar': (at, detail) => `Bar ${at} does not add up: ${detail}.`,
  'score.length': (_, detail) => `These bars are too many or too few: ${detail}.`,
  'score.ticks': (at) => `A length in ${at} is not whole.`,
  'score.overlap': (at, detail) => `Two notes lie over each other in bar ${at}: ${detail}.`,
  'syllabus.cycle': (at, detail) => `${at} needs itself in the end: ${detail}.`,
  'syllabus.course': (at, detail) => `${at} names a skill that is not there: ${detail}.`,
  'syllabus.need': (at, detail) => `${at} needs a skill that is not there: ${detail}.`,
  'syllabus.strand': (at, detail) => `${at} stands in no strand: ${detail}.`,
  'syllabus.twice': (at, detail) => `${at} is there twice: ${detail}.`,
  'syllabus.empty': () => 'A syllabus has one skill or more.',
  'syllabus.behind': (at) => `No way leads to ${at} while another fault stands.`,
  'syllabus.drill': (at, detail) => `A drill of ${at} does not train it, or cannot be made: ${detail}.`,
  'syllabus.untrained': (at, detail) => `Nothing trains ${at}: ${detail}.`,
  'take.source': () => 'A take is logged by whoever played or heard it.',
  'question.unknown': () =>
    'The question is not stored here: it may have been taken back. Read the Board again.',
  'take.void': () => 'The take to be taken back is not stored here.',
  'take.invalid': (at) => `This take could not be read (${at}). Put it away and log it again.`,
  'write.twice': () => 'That is kept already.',
  'seat.none': () => 'Nobody sits here any more. Sit down again; what you typed is kept.',
  'request.host': () => 'This server answers on this computer alone.',
  'request.origin': () => 'Only a page of this server may write here. Load the page again.',
  'request.json': () => 'The request could not be read. Load the page again and try once more.',
  'request.malformed': () => 'The request could not be read. Load the page again and try once more.',
  'request.value': (_, detail) => `Something in it cannot be kept: only ${detail}.`,
  'request.too-large': (_, detail) => `That is too much at once: ${detail}. Send it in parts.`,
  'request.params': () => 'That address leads nowhere in this studio. Go back to the Board or to Students.',
  'request.query': (at, detail) => `${fieldText(at)}: ${detail}.`,
  'request.body': (at, detail) => `${fieldText(at)}: ${detail}.`,
};

/** A refusal in words with a next step. */
export function sayProblem(problem: {
  readonly code: string;
  readonly at: string;
  readonly detail: string;
}): string {
  return (
    PROBLEMS[problem.code]?.(problem.at, problem.detail) ?? `${fieldText(problem.at)}: ${problem.detail}.`
  );
}

/** What went wrong with a request, with what to do next. */
export function sayError(error: unknown): string {
  const problem = (error as { problem?: { code: string; at: string; detail: string } }).problem;
  if (problem) return sayProblem(problem);
  return `Something went wrong in this window: ${error instanceof Error ? error.message : String(error)}. Load the page again; what was kept stays.`;
}

export const knowsProblem = (code: string): boolean => code in PROBLEMS;
