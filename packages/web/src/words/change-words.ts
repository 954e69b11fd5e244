/** Words for changes, paths and charts; loaded with the places that show them. */
import type { ChangeGrade, GivenWay, PathObjective, PractiseStep } from '@finch/core/changes';
import type { ChartProblem, PieceDemand } from '@finch/core/score';
import { fretsMoved, listed } from './names';

type Values = PractiseStep['what']['values'];
const PRACTISE: Readonly<Record<string, (v: Values) => string>> = {
  'practise.one-from': (v) =>
    `Finger ${v.finger} alone: from string ${v.fromString}, fret ${v.fromFret} to string ${v.string}, fret ${v.fret} and back, ten times. It lands last.`,
  'practise.one': (v) =>
    `Finger ${v.finger} alone: down onto string ${v.string}, fret ${v.fret} and off, ten times. It lands last.`,
  'practise.slide': (v) =>
    `Finger${Number(v.count) > 1 ? 's' : ''} ${listed(v.fingers)} along the string without letting go, pressure light on the way.`,
  'practise.pivot': (v) =>
    `Keep ${listed(v.fingers)} down; move only the others, ten times, without a stroke.`,
  'practise.air': (v) =>
    `Lift all, form fingers ${listed(v.fingers)} in the air, land them together; ten times, without a stroke.`,
  'practise.loop': (v) =>
    `Both grips round and round, a bar each, from ${v.bpm} bpm; up by four when nine of ten come clean.`,
};
export const sayPractise = (step: PractiseStep): string =>
  PRACTISE[step.what.code]?.(step.what.values) ?? step.what.code;

/** `clean at 72 now, 84 wanted`; where it is there already, `clean at 96, 84 wanted`. */
export function tempoWords(bpm: number, wantedBpm: number): string {
  const now = Math.round(bpm);
  return `clean at ${now}${now < wantedBpm ? ' now' : ''}, ${Math.round(wantedBpm)} wanted`;
}

/** `65 to 80`: the band in which the clean tempo lies eight times in ten. */
export const bandWords = ({ lowBpm, highBpm }: ChangeGrade['band']): string =>
  `${Math.round(lowBpm)} to ${Math.round(highBpm)}`;

const MOST_BARS = 6;

/** `18 in 24 changes are ready at 84; not yet: into bars 3, 7 and 8`. */
export function readyWords({ changes, barsNotReady }: PieceDemand, bpm: number): string {
  const all = changes.reduce((sum, one) => sum + one.times, 0);
  const ready = changes.reduce((sum, one) => sum + (one.ready ? one.times : 0), 0);
  if (ready === all) return `All ${all} changes are ready at ${bpm}.`;
  const named = barsNotReady.slice(0, MOST_BARS).join(' ');
  const more = barsNotReady.length - MOST_BARS;
  const bars = `${barsNotReady.length === 1 ? 'bar' : 'bars'} ${more > 0 ? `${named.replaceAll(' ', ', ')} and ${more} more` : listed(named)}`;
  return `${ready} of ${all} changes ${ready === 1 ? 'is' : 'are'} ready at ${bpm}; not yet: into ${bars}.`;
}

/** "no shift, 2 and 4 stay", "2 frets up, 3 slides". */
export function shiftWords(change: ChangeGrade): string {
  const named = (does: ChangeGrade['fingers'][number]['does'][]) =>
    change.fingers.filter((move) => does.includes(move.does)).map((move) => String(move.finger));
  const stays = named(['stays', 'adjusts']);
  const slides = named(['slides']);
  const where = change.shiftFrets === 0 ? 'no shift' : fretsMoved(change.shiftFrets);
  const held = stays.length ? `, ${listed(stays.join(' '))} ${stays.length > 1 ? 'stay' : 'stays'}` : '';
  const slid =
    slides.length && !stays.length
      ? `, ${listed(slides.join(' '))} ${slides.length > 1 ? 'slide' : 'slides'}`
      : '';
  return where + held + slid;
}

/** What makes a change slow, in one sentence with its seconds. */
export function whyChange(change: ChangeGrade, gapSeconds: number): string {
  const parts = [...change.parts].sort((a, b) => b.seconds - a.seconds);
  const [first] = parts.filter((part) => part.name !== 'start');
  const WHY: Readonly<Record<string, string>> = {
    shift: `the hand goes ${fretsMoved(change.shiftFrets)}`,
    fingers: change.landsLast === null ? 'fingers land' : `finger ${change.landsLast} lands last`,
    adjust: 'a barre opens or closes',
    lift: 'fingers lift off',
    barre: 'a barre lands',
    settle: 'the grip takes time to settle',
    kept: 'fingers stay',
  };
  const cause = first ? WHY[first.name] : 'nothing moves';
  return `${cause[0].toUpperCase()}${cause.slice(1)}: ${change.seconds.toFixed(2)} s where the music leaves ${gapSeconds.toFixed(2)} s.`;
}

export const OBJECTIVE_WORDS: Readonly<Record<PathObjective, string>> = {
  easiest: 'easiest overall',
  'least movement': 'least movement',
  'smallest area': 'smallest area',
  'nearest inversion': 'nearest inversion',
  'top stepwise': 'top line by step',
  'top held': 'top line held',
  'bass stepwise': 'bass by step',
};

const GAVE_WAY: Readonly<Record<GivenWay | 'lock', string>> = {
  bass: 'any lowest note',
  allowRootless: 'no root',
  area: 'outside the area',
  rootStrings: 'another root string',
  strings: 'other strings',
  forms: 'a form not yet held',
  allowOpen: 'open strings',
  maxEffort: 'over the effort asked',
  lock: 'the locked grip cannot be held',
};
export const gaveWayWords = (names: readonly (GivenWay | 'lock')[]): string =>
  names.map((name) => GAVE_WAY[name]).join(', ');

const CHART: Readonly<Record<string, string>> = {
  'numbers.key': 'Say the key too',
  'numbers.long': 'Too many chords',
  'numbers.empty': 'No chords yet',
  'numeral.degree': 'No such step, try',
  'numeral.two': 'That may be two chords',
  'numeral.minor': 'In minor that may be two chords',
  'key.tonic': 'Not a key, try',
  'key.mode': 'Not a key, try',
  'key.signature': 'More than seven signs, try',
  'chart.chord': 'Not a chord we can read',
  'chart.beats': 'The beats do not add up',
  'chart.length': 'That is no length',
  'chart.share': 'They do not share the bar',
  'chart.open': 'The bar is not closed',
  'chart.line': 'This line is not read',
  'chart.tempo': 'Not a tempo',
  'chart.key': 'Not a key',
  'chart.time': 'Not a time signature',
  'chart.capo': 'Not a fret for a capo',
  'chart.pattern': 'No such pattern',
  'chart.empty': 'No bars yet',
  'chart.order': 'No such section',
  'chart.ending': 'An ending without a repeat',
  'chart.bars': 'Too many bars',
  'chart.words': 'More words than notes',
};
export const sayChart = (problem: ChartProblem): string =>
  `${CHART[problem.code] ?? 'Not read'}: ${problem.detail}.`;
