/**
 * Simulated students for the proofs: fourteen weeks of takes each, by a hand whose truth no estimator reads; and those of the demo.
 */
import { averageHand, makeHand, standardGuitar, type Hand, type Instrument } from '@finch/core/fretboard';
import { PRIOR_FIT, type HandLimits } from '@finch/core/hands';
import { must, seededRandom } from '@finch/core/kernel';
import { type EventOf, type ReplayContext } from '@finch/core/mastery';
import { liveThrough, type LivedTake } from '@finch/core/simulation';
import { firstSyllabus } from '@finch/core/syllabus';
import { CAST, type CastMember } from '../packages/server/src/demo/cast';
import { castLife, lessonDaysOf } from '../packages/server/src/demo/cast-life';

export const START = Date.UTC(2026, 1, 2);
export const DAYS = 98;
/** Eight in the morning of the last day. */
export const DEMO_NOW = START + ((DAYS - 1) * 24 + 8) * 3_600_000;

export interface SimulatedStudent {
  readonly lived: readonly LivedTake[];
  readonly events: readonly EventOf<'attempt'>[];
  readonly context: ReplayContext;
  readonly hand: Hand;
}

/** Months of playing, and seconds against the reference hand, of this simulated world. */
const PLAYED = [
  { months: 2, slowness: 1 },
  { months: 14, slowness: 0.62 },
  { months: 40, slowness: 0.42 },
  { months: 90, slowness: 0.32 },
] as const;

function eventOf(take: LivedTake, seq: number): EventOf<'attempt'> {
  const { day, minuteOfDay, ...played } = take;
  const startedAt = new Date(START + (day * 1440 + minuteOfDay) * 60_000).toISOString();
  return {
    schemaVersion: 1,
    kind: 'attempt',
    id: String(seq).padStart(8, '0'),
    studentId: 's',
    actorId: 'a',
    deviceId: 'd',
    deviceSeq: seq,
    sentAt: startedAt,
    receivedAt: startedAt,
    take: { ...played, startedAt, timeZone: 'UTC' },
  };
}

export function simulatedStudent(seed: number): SimulatedStudent {
  const random = seededRandom(seed);
  const hand = must(makeHand({ ...averageHand, sizeFactor: 0.85 + 0.25 * random.unit() }));
  const played = PLAYED[random.int(0, PLAYED.length - 1)];
  const traits = {
    learning: 0.08 + 0.1 * random.unit(),
    keeping: 0.8 + 0.6 * random.unit(),
    shakiness: 0.7 + 0.4 * random.unit(),
    slowness: played.slowness * Math.exp(random.normal(0, 0.25)),
    limit: 60 + 15 * random.unit(),
    painChance: 0,
    painPlace: 'wrist' as const,
  };
  const lived = liveThrough(
    {
      seed,
      traits,
      hand,
      instrument: standardGuitar,
      days: DAYS,
      lessonDays: Array.from({ length: 14 }, (_, week) => week * 7),
      lessonMinute: 960,
      diligence: 0.55,
      startsWith: ['open.em', 'open.e', 'open.am'],
    },
    firstSyllabus,
  );
  const events = lived.map(eventOf);
  const context: ReplayContext = {
    syllabus: firstSyllabus,
    hands: [{ from: '2020-01-01T00:00:00Z', value: hand }],
    instruments: [],
    difficultyFit: PRIOR_FIT,
    timeZone: 'UTC',
    playedFor: [{ from: new Date(START).toISOString(), value: { months: played.months } }],
  };
  return { lived, events, context, hand };
}

export interface DemoStudent extends Omit<SimulatedStudent, 'lived'> {
  readonly member: CastMember;
  readonly instrument: Instrument;
  readonly limits: HandLimits;
}

/** The demo's students at eight in the morning of its last day. */
export function demoStudents(): DemoStudent[] {
  return CAST.map((member, index) => {
    const past = lessonDaysOf(member).filter((day) => day < DAYS - 1);
    const { hand, instrument, limits, lived } = castLife(member, index, past);
    const from = new Date(START).toISOString();
    const events = lived.map(eventOf).filter(({ take }) => Date.parse(take.startedAt) < DEMO_NOW);
    const context: ReplayContext = {
      syllabus: firstSyllabus,
      hands: [{ from, value: hand }],
      instruments: [{ from, value: instrument }],
      difficultyFit: PRIOR_FIT,
      timeZone: 'UTC',
      playedFor: member.unsaid
        ? []
        : [{ from: new Date(DEMO_NOW).toISOString(), value: { months: member.played } }],
    };
    return { member, hand, instrument, limits, events, context };
  });
}
