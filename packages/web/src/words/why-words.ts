/** Why a number is what it is, and what to try: which takes, at which tempo, since when. */
import type { Reason } from '@finch/core/effort';
import { plural } from './names';
import { shortDate } from './when';

type Values = Reason['values'];

/** "at 60 bpm", "at 60 to 72 bpm"; nothing in free time. */
const tempoText = ({ slow, fast }: Values): string =>
  !Number(slow) ? '' : slow === fast ? `at ${slow} bpm` : `at ${slow} to ${fast} bpm`;
const after = (mark: string, text: string): string => (text ? `${mark}${text}` : '');

const FAULTS: Readonly<Record<string, string>> = {
  buzz: 'Mostly it buzzes: the fingertip right behind the wire, one string at a time.',
  dead: 'Mostly a string is dead: does a finger lean on it? One string at a time.',
  'stray string': 'Mostly a string sounds that should not: let a fingertip lean on it.',
  'wrong note': 'Mostly it is another note: name it before it is played.',
  late: 'Mostly it comes late: leave more beats before the change.',
  early: 'Mostly it comes early: with the click, one bar each.',
};

export const WHY_WORDS: Readonly<Record<string, (v: Values) => string>> = {
  'why.none': () => 'No take yet.',
  'why.slipping': (v) =>
    Number(v.missed) === 1
      ? `Was ${v.was} on ${shortDate(v.on)}. Its last take, on ${shortDate(v.last)}${after(' ', tempoText(v))}, was not clean.`
      : `Was ${v.was} on ${shortDate(v.on)}. Its last ${v.missed} takes${after(', ', tempoText(v))}, were not clean; the latest on ${shortDate(v.last)}.`,
  'why.stuck': (v) =>
    `${plural(v.takes, 'take')} since ${shortDate(v.since)}. Of the last ${v.recent}${after(', ', tempoText(v))}, ${Number(v.clean) || 'none'} came clean${Number(v.best) && !Number(v.clean) ? `; the best had ${v.best} of 100 steps clean` : ''}.`,
  'why.fall': (v) =>
    `Fell from ${v.from} to ${v.to} on ${shortDate(v.on)}: ${v.missed} of ${plural(v.of, 'take')} not clean${after(', ', tempoText(v))}${Number(v.target) && Number(v.fast) > Number(v.target) ? `, over the ${v.target} aimed at` : ''}.`,
  'why.away': (v) => `No take for ${plural(v.days, 'day')}: that took ${plural(v.lost, 'point')}.`,
  'why.not-back': (v) =>
    `Days away took ${plural(v.lost, 'point')}, and ${Number(v.missed) === 1 ? 'the take since' : `the last ${v.missed} takes`}${after(' ', tempoText(v))} did not bring ${Number(v.lost) === 1 ? 'it' : 'them'} back; the last on ${shortDate(v.last)}.`,
  'why.recent': (v) =>
    `${v.clean} of the last ${plural(v.takes, 'take')} came clean${after(', ', tempoText(v))}; the last on ${shortDate(v.last)}.`,

  'report.rose': (v) =>
    `Most progress in ${plural(v.weeks, 'week')}: ${v.skill}. It comes ${v.now} times out of ten now; it was ${v.was}.`,
  'report.held': (v) =>
    Number(v.held) === 0
      ? `${plural(v.begun, 'thing')} begun; nothing is held every time yet, and that is how it begins.`
      : `Of ${plural(v.begun, 'thing')} begun, ${v.held} ${Number(v.held) === 1 ? 'is' : 'are'} held.`,
  'report.nothing': () => 'Nothing was played yet: the first lesson begins it.',

  'advice.target': (v) =>
    `Try ${v.bpm} bpm, the tempo aimed at: takes far over it say little about the grips.`,
  'advice.slower': (v) => `Try ${v.bpm} bpm, and go up after two clean takes.`,
  'advice.fault': (v) => FAULTS[String(v.fault)] ?? String(v.fault),
  'advice.lighter': () => 'Log a take step by step: it says where it goes wrong.',
  'advice.pain': () => 'Nothing is played until the pain is cleared: hear it, name it, sing it.',
  'advice.again': () => 'One clean take brings most of it back.',
};
