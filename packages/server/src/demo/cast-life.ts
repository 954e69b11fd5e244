/** What a member of the cast lived through: the same seed gives the same takes, without a studio around them. */
import { standardGuitar, type Hand, type Instrument } from '@finch/core/fretboard';
import { CHILD_LIMITS, DEFAULT_LIMITS, type HandLimits } from '@finch/core/hands';
import { liveThrough, type LivedTake } from '@finch/core/simulation';
import { firstSyllabus } from '@finch/core/syllabus';
import { LEVELS, trueSlowness, type CastMember } from './cast';

export const DEMO_SEED = 1411;
export const DEMO_DAYS = 98;
const LAST = DEMO_DAYS - 1;

export interface CastLife {
  readonly hand: Hand;
  readonly instrument: Instrument;
  readonly limits: HandLimits;
  readonly lived: readonly LivedTake[];
}

const beginsOn = ({ fate }: CastMember): number => (fate === 'new' ? LAST - 13 : 0);

/** Days of the demo, from 0, on which a member has a lesson. */
export function lessonDaysOf(member: CastMember): number[] {
  const phase = (LAST + [0, 2, 4][member.lessonDay]) % 7;
  return Array.from({ length: DEMO_DAYS }, (_, day) => day).filter(
    (day) => day % 7 === phase && day >= beginsOn(member),
  );
}

/** @param past days of lessons that are over */
export function castLife(member: CastMember, index: number, past: readonly number[]): CastLife {
  const hand: Hand = {
    schemaVersion: 1,
    sizeFactor: member.size,
    thumbOver: member.thumbOver ?? false,
    reachMm: member.reachMm,
  };
  const instrument: Instrument = {
    ...standardGuitar,
    scaleLengthMm: member.scaleMm,
    leftHanded: member.leftHanded ?? false,
  };
  const defaults = member.age < 16 ? CHILD_LIMITS : DEFAULT_LIMITS;
  const [hour, minute] = member.lessonAt.split(':').map(Number);
  const [learning, keeping, shakiness, slowness] = member.traits;
  const lived = liveThrough(
    {
      seed: DEMO_SEED * 100 + index,
      hand,
      instrument,
      days: DEMO_DAYS,
      lessonDays: past,
      lessonMinute: hour * 60 + minute,
      diligence: member.diligence,
      startsWith: LEVELS[member.level],
      beginsOnDay: beginsOn(member),
      fadesFromDay: member.fate === 'fades' ? LAST - 33 : undefined,
      hurtsOnDay: member.fate === 'pain' ? past.at(-1) : undefined,
      traits: {
        learning: Math.min(0.2, learning * 1.7),
        keeping,
        shakiness,
        slowness: slowness * trueSlowness(member.played),
        limit: member.limit + 8,
        painChance: 0.01,
        painPlace: member.fate === 'pain' ? 'thumb base' : 'fingertip skin',
        stuckOn: member.fate === 'stuck' ? 'change grip C x-3-2-0-1-0 c0' : undefined,
      },
    },
    firstSyllabus,
  );
  return { hand, instrument, limits: { ...defaults, gripEffort: member.limit, assumed: false }, lived };
}
