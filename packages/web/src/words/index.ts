/**
 * The one vocabulary layer: codes and values become words here and nowhere else, so that schools and
 * languages can differ without touching what is stored. Plain and exact; names the thing and the number.
 */
import type { Lean } from '@finch/core/planning';
import type { PracticeStep } from '@finch/core/syllabus';
import type { Reason } from '@finch/core/effort';
import type { LimitStep, SheetFinding } from '@finch/core/shapes';
import { DRILL_WORDS } from './drill-words';
import { LETTER_WORDS } from './letter-words';
import { chordText, degreeText, plural } from './names';
import { shortDate } from './when';
import { WHY_WORDS } from './why-words';

export * from './names';
export * from './problems';
export * from './spoken';
export * from './state-words';
export * from './when';

type Values = Reason['values'];

const KEPT_STEPS: Readonly<Record<string, string>> = {
  maxEffort: 'the effort up to',
  maxFret: 'the highest fret to',
  minFret: 'the lowest fret to',
  minStrings: 'the strings down to',
  maxStrings: 'the strings up to',
  maxInnerMutes: 'silent strings inside up to',
};
const ASKED_STEPS: Readonly<Record<string, string>> = {
  bass: 'another note in the bass',
  allowRootless: 'grips without their root',
  allowOpen: 'open strings',
  wantOpen: 'grips without an open string',
  allowBarre: 'a barre',
  mustSound: 'the strings that must sound to be silent',
  mustMute: 'the strings left out to sound',
  rootString: 'the root on another string',
  form: 'other forms',
  position: 'another position',
  inversion: 'another lowest note',
  top: 'another top note',
};

/** The step that fills an empty list: "Set the effort up to 76", "Allow open strings". */
export function sayStep(step: LimitStep): string {
  return step.limits
    .map((limit, i) => {
      const to = step.to[i];
      const words =
        to === null ? `allow ${ASKED_STEPS[limit] ?? limit}` : `set ${KEPT_STEPS[limit] ?? limit} ${to}`;
      return i === 0 ? words.charAt(0).toUpperCase() + words.slice(1) : words;
    })
    .join(' and ');
}

/** What is wrong in a line of a sheet, or that it is right. */
export function saySheet(finding: SheetFinding): string {
  return say(finding.what);
}

const fingerNames = ['thumb', 'index', 'middle', 'ring', 'little'];

const WORDS: Readonly<Record<string, (v: Values) => string>> = {
  ...DRILL_WORDS,
  ...WHY_WORDS,
  ...LETTER_WORDS,
  'effort.none': () => 'nothing here',
  'effort.reach': (v) =>
    `fingers ${v.from} to ${v.to}: ${Math.round(Number(v.mm))} mm across ${plural(v.frets, 'fret')}`,
  'effort.barre': (v) =>
    `${fingerNames[Number(v.finger)]} on ${v.strings} strings, pressing ${v.pressing}, fret ${v.fret}`,
  'effort.fingers': (v) =>
    `${plural(v.count, 'finger')}: ${String(v.names).split(' ').join(', ')}${v.swapped ? ', two of them swapped' : ''}`,
  'effort.crowding': (v) =>
    v.tips
      ? `${v.tips} fingertips in fret ${v.fret}${v.big ? '; big fingers have less room there' : ''}`
      : `fingertips over ${v.strings} strings`,
  'effort.mutes': (v) => `keeping string ${String(v.strings).split(' ').join(', ')} silent`,
  'effort.arching': (v) => `arching over open string ${String(v.strings).split(' ').join(', ')}`,
  'effort.wrist': (v) =>
    v.little ? `wrist at fret ${v.fret}, little finger in use` : `wrist at fret ${v.fret}`,
  'effort.thumb': (v) => `thumb over string 6, fret ${v.fret}`,
  'effort.press': (v) => plural(v.tips, 'fingertip'),

  'because.cold': (v) =>
    v.fret ? `Cold hand: light, from fret ${v.fret} up, no barre.` : 'Cold hand: light, no barre.',
  'because.due': (v) =>
    `Due: ${v.number} now, last played ${shortDate(v.on)}; ${v.recall} in 100 it is still there.`,
  'because.slipping': (v) => `Slipping: ${v.number}, was ${v.was} on ${shortDate(v.on)}.`,
  'because.stuck': (v) => `Stuck at ${v.number} after ${v.takes} takes: smaller, slower, another way in.`,
  'because.guess': (v) =>
    `Begun: ${v.number} after ${plural(v.takes, 'take')}; so set, about ${v.chance} of 100 come clean.`,
  'because.half': (v) =>
    `${Number(v.number) < 40 ? 'Rough' : 'Half held'}: ${v.number} now; so set, about ${v.chance} of 100 come clean.`,
  'because.unlocks': (v) =>
    `Opens ${plural(v.unlocks, 'more skill')}. About ${v.chance} of 100 first tries come clean.`,
  'because.goal': (v) =>
    `Toward ${v.goal ?? 'a goal'}${v.on ? `, ${shortDate(Date.parse(String(v.on)))}` : ''}. About ${v.chance} of 100 first tries come clean.`,
  'because.open': (v) => `All it needs is held. About ${v.chance} of 100 first tries come clean.`,
  'because.promised': (v) => (v.number ? `Promised last time; ${v.number} now.` : 'Promised last time.'),
  'because.begun': () => 'Begun: back on each practice day for a week, before it may wait longer.',
  'because.due-on': (v) => `Falls due on ${shortDate(v.on)}; ${v.number} now.`,
  'because.use': (v) => `Puts held things to use; about ${v.chance} of 100 come clean.`,
  'because.used-at-once': () => 'Uses the new thing at once.',
  'because.uses-new': () => 'Uses the new thing at once, next to a grip that is held.',
  'because.home': () => 'What goes home, said and played once.',
  'because.rest': () => 'The hand rests; the ear works.',
  'because.quiet': (v) =>
    ({
      new: 'New, and no hand plays in it.',
      half: `Begun, not held yet: ${v.number} now. No hand plays in it.`,
      due: `Comes round again: ${v.number} now. No hand plays in it.`,
      played: 'In the hand already; now it is heard or named.',
    })[String(v.how)] ?? '',
  'because.pain': (v) =>
    `Pain (${v.where}) since ${shortDate(Date.parse(String(v.since)))}: nothing is played, with either hand.`,
  'because.quiet-form': () => 'In place of what was given home: no hand plays in it.',
  'because.one-hand': (v) =>
    v.hand === 'striking'
      ? 'The other hand rests: open strings, struck lightly. Stop at the first sign of pain.'
      : 'The other hand rests: shape it in the air and set it down lightly; nothing is struck. Stop at the first sign of pain.',
  'because.given': (v) => `Given home on ${shortDate(v.on)}.`,
  'because.lighter': (v) => `Lighter on this hand: its heaviest grip is graded ${v.now}, not ${v.was}.`,
  'because.chosen': () => 'Put here by hand.',
  'left.minutes': (v) => `The ${v.minutes} minutes are full; what is in helps more today.`,
  'left.trouble': () => 'Nothing new while four things are in trouble.',
  'left.promised': () => 'Promised last time; moved on: no room for it today.',
  'left.need': (v) => `A wish that waits: ${v.need} comes first.`,
  'left.need-slips': (v) => `A wish that waits: ${v.need} slips.`,
  'left.week': () => 'The days of this week are full; fewer things a day hold better.',
  'left.hand': () => 'Over what this hand should be asked.',
  'left.lean': () => 'Nothing new: today is for what is begun.',
  'left.can-wait': (v) => `Can wait: about ${v.recall} of 100 would still come.`,
  'left.music': () => 'The music of today is full; other pieces use more of what is learned.',
  'left.barre': (v) => `Would pass ${v.cap} barre minutes.`,
  'left.pain': () => 'A hand would play, and one of them hurts.',
  'left.new': (v) => `${plural(v.most, 'new thing')} at most today.`,
  'left.target': (v) =>
    `${chordText(String(v.to))} is left out: ${WORDS[String(v.why)]?.(v) ?? 'no move leads there'}.`,
  'brings.minutes': (v) => `${plural(v.minutes, 'more minute')} would bring it in.`,
  'brings.new': (v) => `It comes in where ${plural(v.most, 'new thing')} may be.`,
  'brings.barre': (v) => `${plural(v.minutes, 'more barre minute')} would bring it in.`,
  'left.alike': () => 'Too like the new thing already in; the two would mix.',

  'title.lesson': () => 'The lesson',
  'title.take-home': () => 'Take home',
  'title.listen': () => 'Rest and listen: which one is it?',
  'title.name': () => 'Name the notes of three chords, no guitar',
  'title.one-hand': (v) => `The ${v.hand} hand alone`,
  'title.tap': () => 'Tap the beat with a foot, count aloud',
  'title.skill': (v) => String(v.skill),
  'title.blank': (v) => String(v.text ?? 'Blank block'),

  'move.plays': () => 'plays as it is',
  'move.weak': (v) =>
    v.why === 'seventh-under-root'
      ? `weak: the root on string ${v.string} stands over its seventh`
      : v.why === 'bass-moved'
        ? `weak: ${degreeText(String(v.degree))} is now lowest, on string ${v.string}`
        : `harsh: ${degreeText(String(v.high))} lies a minor ninth over ${degreeText(String(v.low))}`,
  'move.unplayable': (v) =>
    v.problem === 'grip.reach' ? `out of this hand’s reach: ${v.detail}` : `no fingers for it: ${v.detail}`,
  'move.heavy': () => 'it would be over this hand’s limit',
  'move.no-root': () => 'no root is left; someone else must have it',
  'move.no-fret': (v) => `no fret below on string ${v.string}`,
  'move.no-fret-above': (v) => `no fret above on string ${v.string}`,
  'move.missing': (v) => `nothing can be spared for ${degreeText(String(v.degrees)).split(' ').join(', ')}`,

  'name.root-lowest': (v) => `${chordText(String(v.root))} is lowest`,
  'name.inversion': (v) => `its ${degreeText(String(v.degree))} is lowest`,
  'name.slash': (v) => `${chordText(String(v.bass))} in the bass is no chord tone`,
  'name.rootless': (v) => `${chordText(String(v.root))} does not sound: a bass player has it`,
  'name.omitted': (v) => `${degreeText(String(v.degrees)).split(' ').join(', ')} left out`,
  'name.in-key': (v) => `in ${chordText(String(v.key))}`,

  'sheet.key': (v) => `Key: ${chordText(String(v.key))}.`,
  'sheet.no-key': (v) => `“${v.text}” is no key we read.`,
  'sheet.no-chord': (v) => `“${v.text}” is no chord we read.`,
  'sheet.unread': () => 'Not read: no chord with frets, no chord spelled out, no key before it.',
  'sheet.long': (v) => `Read as far as line ${v.read}; the sheet has ${v.lines}. Check the rest by itself.`,
  'sheet.grip': (v) => `${chordText(String(v.chord))} is right.`,
  'sheet.spelled': (v) => `${chordText(String(v.chord))} is spelled right.`,
  'sheet.in-key': (v) => `${chordText(String(v.chord))} is in the key.`,
  'sheet.foreign': (v) =>
    `String ${v.string} at fret ${v.fret} is no note of ${chordText(String(v.chord))} (${chordText(String(v.notes))})${Number(v.more) ? `, nor ${plural(v.more, 'more')}` : ''}${v.is ? `; as written it is ${chordText(String(v.is))}` : ''}.`,
  'sheet.fret': (v) => `String ${v.string} has no fret ${v.fret}: this neck ends at ${v.highest}.`,
  'sheet.slash': (v) =>
    `The slash stands the wrong way round: this is ${chordText(String(v.right))}, not ${chordText(String(v.typed))}.`,
  'sheet.bass': (v) =>
    `In ${chordText(String(v.chord))} the lowest note is ${chordText(String(v.bass))}; here another is lower.`,
  'sheet.held': (v) =>
    `The notes of ${chordText(String(v.chord))} are right, and no hand like this holds them: it would take ${v.needs}.`,
  'sheet.finger': (v) =>
    `${v.finger === 'x' ? 'No finger' : v.finger === '0' ? 'An open string' : v.finger === 'T' ? 'The thumb' : `Finger ${v.finger}`} cannot be on string ${v.string} there; ${v.right} is usual.`,
  'sheet.root-string': (v) =>
    Number(v.right)
      ? `The root of ${chordText(String(v.chord))} lies on string ${v.right} here, not ${v.typed}.`
      : `${chordText(String(v.chord))} has no root here, so none on string ${v.typed}.`,
  'sheet.missing': (v) =>
    `${chordText(String(v.chord))} lacks its ${degreeText(String(v.degrees)).split(' ').join(', ')}${v.is ? `; as written it is ${chordText(String(v.is))}` : ''}.`,
  'sheet.enharmonic': (v) =>
    `${chordText(String(v.typed))} sounds right and is spelled wrong: in ${chordText(String(v.chord))} it is ${chordText(String(v.right))}.`,
  'sheet.spelling': (v) =>
    `${chordText(String(v.typed))} is not in ${chordText(String(v.chord))}${v.right ? `; ${chordText(String(v.right))} stands here` : ''}.`,
  'sheet.short': (v) => `${chordText(String(v.chord))} goes on: ${chordText(String(v.right))}.`,
  'sheet.numeral': (v) =>
    `${v.numeral} in ${chordText(String(v.key))} is ${chordText(String(v.right))}, not ${chordText(String(v.typed))}.`,
  'sheet.out-of-key': (v) =>
    `${chordText(String(v.chord))} has ${chordText(String(v.note))}, which is not in ${chordText(String(v.key))}.`,

  'check.behind-wire': (v) =>
    `Finger${v.finger ? ` ${v.finger}` : ''} right behind the wire, not far back and not on it?`,
  'check.neighbour': (v) => `Does a finger lean on string ${v.string}?`,
  'check.nail': () => 'Is a nail too long?',
  'check.thumb': () => 'Does the thumb sit so high that the fingers cannot arch?',
  'check.pressure': () => 'Only then press a little more.',
  'check.struck-hard': () => 'Is it struck too hard?',
  'check.leaning-silent': (v) => `Does the fingertip next to string ${v.string} lean on it? It should.`,
  'check.wide-strum': () => 'Is the strum too wide?',
  'check.guitar': () =>
    'Still so? Then the guitar: tuning, action, old strings, a high nut. Keep the take; your teacher will look.',
};

/** A reason in words; an unknown code is shown as itself, which a test forbids for every code the core makes. */
export function say(reason: Reason): string {
  return WORDS[reason.code]?.(reason.values) ?? reason.code;
}

export const knowsWord = (code: string): boolean => code in WORDS;

export const BLOCK_WORDS: Readonly<Record<string, string>> = {
  'warm up': 'Warm up',
  review: 'Review',
  repair: 'Repair',
  new: 'New',
  rest: 'Rest and listen',
  apply: 'Apply',
  'take home': 'Take home',
};

/** What a proposal leans to. */
export const LEAN_WORDS: Readonly<Record<Lean, string>> = {
  even: 'Even',
  mend: 'Mend',
  'go on': 'Go on',
  play: 'Play',
};

/** The steps in which a skill is practised, as said to a student. */
export const STEP_WORDS: Readonly<Record<PracticeStep, string>> = {
  find: 'find it',
  hold: 'hold it',
  change: 'change to it',
  use: 'use it',
  hear: 'hear it',
};

export const PART_WORDS: Readonly<Record<string, string>> = {
  reach: 'Reach',
  barre: 'Barre',
  fingers: 'Fingers',
  crowding: 'Crowding',
  mutes: 'Mutes',
  arching: 'Arching',
  wrist: 'Wrist',
  thumb: 'Thumb',
  press: 'Press',
};

/** "fret 9, heavy": 0 to 100 rounded for the screen only. */
export const whole = (share: number): number => Math.round(share * 100);
