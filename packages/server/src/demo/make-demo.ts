/**
 * Makes the demo studio: cast, hands, fourteen weeks of takes by seeded simulated players ending on the day it
 * is made, lessons behind and ahead. The same seed and day give the same rows.
 */
import { TZDate } from '@date-fns/tz';
import { seededRandom, type Random } from '@finch/core/kernel';
import { warmUp } from '@finch/core/drills';
import { dayReader, type EventSaid } from '@finch/core/mastery';
import type { LivedTake } from '@finch/core/simulation';
import { firstSyllabus, skillsOf } from '@finch/core/syllabus';
import { addDays, addMinutes } from 'date-fns';
import type { EntityManager } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { tellOfPain } from '../letters/letters.service';
import { addLesson } from '../lessons/lessons.repository';
import type { LessonRow, LogEventRow } from '../platform/entities';
import { writePiece } from '../pieces/pieces.repository';
import { addEvents } from '../practice/log.repository';
import { addDated, addPerson, addStudent } from '../students/students.repository';
import { addSyllabus } from '../syllabus/syllabus.repository';
import { CAST, GUARDIAN, OWNER, STUDIO, TEACHER, type CastMember } from './cast';
import { castLife, DEMO_DAYS, DEMO_SEED, lessonDaysOf } from './cast-life';
import { REPERTOIRE } from './repertoire';

export interface Made {
  readonly studioId: string;
  readonly day: string;
  readonly takes: number;
}

interface Maker {
  readonly manager: EntityManager;
  readonly studioId: string;
  readonly now: number;
  /** Midnight, studio time, of the first day. */
  readonly firstDay: TZDate;
  readonly newId: (at: number) => string;
  readonly teacherId: string;
}

/** Deterministic ids: the instant of the thing, the rest from the seed. */
function idMaker(random: Random): (at: number) => string {
  return (at) =>
    uuid({
      msecs: at,
      random: Uint8Array.from({ length: 16 }, () => random.int(0, 255)),
      seq: random.int(0, 0x7fffffff),
    });
}

/** Sets the studio for row security, then makes everything; `cast`: who takes lessons there, everybody by default. */
export async function makeDemo(
  manager: EntityManager,
  now: number,
  cast: readonly CastMember[] = CAST,
): Promise<Made> {
  const random = seededRandom(DEMO_SEED);
  const newId = idMaker(random.fork('ids'));
  const today = new TZDate(now, STUDIO.timeZone);
  const firstDay = addDays(
    new TZDate(today.getFullYear(), today.getMonth(), today.getDate(), STUDIO.timeZone),
    1 - DEMO_DAYS,
  ) as TZDate;
  const at = firstDay.getTime();
  const studioId = newId(at);
  await manager.query("SELECT set_config('finch.studio', $1, true)", [studioId]);
  await manager.query('INSERT INTO studio (id, name, time_zone, created_at) VALUES ($1, $2, $3, $4)', [
    studioId,
    STUDIO.name,
    STUDIO.timeZone,
    new Date(at),
  ]);
  await addSyllabus(manager, studioId, newId(at), firstSyllabus, new Date(at));

  const seat = async (
    name: string,
    born: string,
    roles: string[],
  ): Promise<{ personId: string; membershipId: string }> => {
    const [accountId, personId, membershipId] = [newId(at), newId(at), newId(at)];
    await manager.query('INSERT INTO account (id, created_at) VALUES ($1, $2)', [accountId, new Date(at)]);
    await addPerson(manager, { studioId, id: personId, name, bornOn: born });
    await manager.query(
      'INSERT INTO membership (studio_id, id, account_id, person_id, roles) VALUES ($1, $2, $3, $4, $5)',
      [studioId, membershipId, accountId, personId, roles],
    );
    return { personId, membershipId };
  };
  const teacher = await seat(TEACHER.name, TEACHER.born, ['teacher']);
  await seat(OWNER.name, OWNER.born, ['owner']);
  const bands = new Map<string, string>();
  for (const name of ['Shadow Row', 'Lantern Row']) {
    const id = newId(at);
    bands.set(name, id);
    await manager.query('INSERT INTO band (studio_id, id, name) VALUES ($1, $2, $3)', [studioId, id, name]);
  }
  const maker: Maker = { manager, studioId, now, firstDay, newId, teacherId: teacher.membershipId };
  let takes = 0;
  const ids = new Map<string, string>();
  for (const [index, member] of cast.entries()) {
    const born = `${today.getFullYear() - member.age - 1}-12-${String(28 - (index % 27)).padStart(2, '0')}`;
    const own = member.seat ? await seat(member.name, born, [member.seat]) : null;
    const personId = own?.personId ?? newId(at);
    if (!own) await addPerson(manager, { studioId, id: personId, name: member.name, bornOn: born });
    const studentId = newId(at);
    ids.set(member.name, studentId);
    await addStudent(manager, {
      studioId,
      id: studentId,
      personId,
      membershipId: own?.membershipId ?? null,
      timeZone: STUDIO.timeZone,
      note: member.note,
      goals: (member.goals ?? []).map((id) => ({ id, weight: 'more' })),
      waived: [],
      practiceMinutes: member.age < 14 ? 10 : 14,
      // Nearly everybody has an evening that is never free.
      practiceDays: [1, 2, 3, 4, 5, 6, 7].filter((day) => day !== 5 - (index % 4)),
      version: 1,
      createdAt: new Date(at),
    });
    if (member.name === GUARDIAN.of) {
      const guardian = await seat(GUARDIAN.name, GUARDIAN.born, ['guardian']);
      await manager.query(
        'INSERT INTO guardianship (studio_id, membership_id, student_id) VALUES ($1, $2, $3)',
        [studioId, guardian.membershipId, studentId],
      );
    }
    if (member.group)
      await manager.query('INSERT INTO band_member (studio_id, band_id, student_id) VALUES ($1, $2, $3)', [
        studioId,
        bands.get(member.group),
        studentId,
      ]);
    takes += await makeLife(maker, member, index, studentId, own?.membershipId ?? teacher.membershipId);
  }
  for (const { chart, concert, parts } of REPERTOIRE) {
    const day = concert && dayReader(STUDIO.timeZone)(addDays(today, concert.inDays).getTime());
    const given = (parts ?? []).flatMap(([name, part]) => {
      const id = ids.get(name);
      return id ? [[id, part] as const] : [];
    });
    const content = {
      chart,
      concert: day ? { name: concert.name, day } : null,
      locks: {},
      parts: Object.fromEntries(given),
    };
    const piece = { studioId, id: newId(at), content, at: new Date(at) };
    if (!(await writePiece(manager, { ...piece, studentId: null }, 0)))
      throw new Error(`piece twice: ${chart.slice(0, 40)}`);
  }
  const day = dayReader(STUDIO.timeZone)(now);
  await manager.query("INSERT INTO meta (key, value) VALUES ('studio', $1), ('made-for', $2), ('seed', $3)", [
    studioId,
    day,
    String(DEMO_SEED),
  ]);
  return { studioId, day, takes };
}

async function makeLife(
  maker: Maker,
  member: CastMember,
  index: number,
  studentId: string,
  actorId: string,
): Promise<number> {
  const { manager, studioId, firstDay, newId } = maker;
  const days = lessonDaysOf(member);
  const [hour, minute] = member.lessonAt.split(':').map(Number);
  const startOn = (day: number) => addMinutes(addDays(firstDay, day), hour * 60 + minute);
  const past = days.filter((day) => startOn(day).getTime() + member.minutes * 60_000 <= maker.now);
  const { hand, instrument, limits, lived } = castLife(member, index, past);
  const dated = () => ({
    studioId,
    id: newId(firstDay.getTime()),
    studentId,
    fromInstant: new Date(firstDay.getTime()),
  });
  await addDated(manager, 'hand', { ...dated(), value: hand });
  await addDated(manager, 'instrument', { ...dated(), value: instrument });
  await addDated(manager, 'limits', { ...dated(), value: limits });
  if (!member.unsaid)
    await addDated(manager, 'played', {
      ...dated(),
      fromInstant: new Date(maker.now),
      value: { months: member.played },
    });
  const rows = lived.flatMap((take, seq) => eventRow(maker, take, seq, studentId, actorId));
  await addEvents(manager, [...rows, ...askedRows(maker, member, rows), ...checkUpRows(maker, rows)]);
  for (const { id, happenedAt, body } of rows) {
    const { feel } = (body as { take: Pick<LivedTake, 'feel'> }).take;
    await tellOfPain(
      manager,
      studioId,
      { id, studentId, at: happenedAt.getTime(), feel },
      happenedAt.getTime(),
    );
  }
  for (const day of past)
    await addLesson(
      manager,
      pastLesson(
        maker,
        member,
        studentId,
        startOn(day),
        lived.filter((take) => take.day === day && take.source === 'teacher'),
        day === past[past.length - 1],
      ),
    );
  const ahead = [
    ...days.filter((day) => !past.includes(day)),
    ...[7, 14].map((more) => days[days.length - 1] + more),
  ];
  for (const day of ahead.filter((one) => startOn(one).getTime() + member.minutes * 60_000 > maker.now)) {
    await addLesson(manager, {
      ...pastLesson(maker, member, studentId, startOn(day), [], false),
      state: 'booked',
      done: null,
    });
  }
  return rows.length;
}

function eventRow(
  maker: Maker,
  take: LivedTake,
  seq: number,
  studentId: string,
  actorId: string,
): LogEventRow[] {
  const start = addMinutes(addDays(maker.firstDay, take.day), take.minuteOfDay).getTime();
  const sent = start + take.durationSeconds * 1000;
  if (sent > maker.now) return [];
  const { day: _day, minuteOfDay: _minute, ...played } = take;
  return [
    {
      studioId: maker.studioId,
      id: maker.newId(start),
      studentId,
      actorId: take.source === 'teacher' ? maker.teacherId : actorId,
      deviceId: studentId,
      deviceSeq: seq + 1,
      kind: 'attempt',
      body: {
        schemaVersion: 1,
        take: { ...played, startedAt: new Date(start).toISOString(), timeZone: STUDIO.timeZone },
      },
      happenedAt: new Date(start),
      sentAt: new Date(sent),
      receivedAt: new Date(sent),
    },
  ];
}

/** Questions of a student after what they played last, the teacher's answers an hour later. */
function askedRows(maker: Maker, { asks = [] }: CastMember, rows: readonly LogEventRow[]): LogEventRow[] {
  const last = rows.findLast(({ actorId }) => actorId !== maker.teacherId);
  if (!last) return [];
  const { recipe, items } = (last.body as { take: LivedTake }).take;
  const skill = skillsOf({ recipe, items }, firstSyllabus).at(-1)?.skill;
  return asks.flatMap(({ of, text, answer }, i) => {
    const about =
      of === 'easy' || !skill ? { title: 'Easy minutes', recipe: warmUp(2) } : { title: skill.name, recipe };
    const row = (at: number, actorId: string, seq: number, said: EventSaid): LogEventRow => {
      const { kind, ...body } = said;
      const when = new Date(at);
      const id = maker.newId(at);
      const sent = { happenedAt: when, sentAt: when, receivedAt: when };
      return {
        ...last,
        id,
        actorId,
        deviceSeq: rows.length + seq,
        kind,
        body: { schemaVersion: 1, ...body },
        ...sent,
      };
    };
    const at = last.happenedAt.getTime() - (asks.length - i) * 60_000;
    const question = row(at, last.actorId, 2 * i + 1, {
      kind: 'question',
      about,
      text,
      at: new Date(at).toISOString(),
    });
    if (!answer) return [question];
    const later = at + 50_000;
    const said: EventSaid = {
      kind: 'answer',
      to: question.id,
      text: answer,
      at: new Date(later).toISOString(),
    };
    return [question, row(later, maker.teacherId, 2 * i + 2, said)];
  });
}

/** Most items of a check-up, and lessons at either end of the history in which one may have been. */
const CHECK_UP = { items: 6, least: 2, lessons: 7 } as const;

/** Two check-ups a term apart, of first takes in lessons: those two of the first and the last in which most of the same was heard. */
function checkUpRows(maker: Maker, rows: readonly LogEventRow[]): LogEventRow[] {
  const lessons = new Map<string, Map<string, LogEventRow>>();
  for (const row of rows) {
    if (row.actorId !== maker.teacherId) continue;
    const { recipe, items } = (row.body as { take: LivedTake }).take;
    const skillId = skillsOf({ recipe, items }, firstSyllabus).at(-1)?.skill.id;
    const day = row.happenedAt.toISOString().slice(0, 10);
    const heard = lessons.get(day) ?? new Map<string, LogEventRow>();
    lessons.set(day, heard);
    if (skillId !== undefined && !heard.has(skillId)) heard.set(skillId, row);
  }
  const all = [...lessons.values()];
  const pairs = all.slice(0, CHECK_UP.lessons).flatMap((early) =>
    all.slice(-CHECK_UP.lessons).map((late) => ({
      terms: [early, late],
      same:
        early === late
          ? []
          : [...early.keys()].filter((skillId) => late.has(skillId)).slice(0, CHECK_UP.items),
    })),
  );
  const best = pairs.toSorted((a, b) => b.same.length - a.same.length)[0];
  if (!best || best.same.length < CHECK_UP.least) return [];
  return best.terms.map((heard, i) => {
    const takes = best.same.flatMap((skillId) => {
      const row = heard.get(skillId);
      return row ? [{ skillId, row }] : [];
    });
    const last = takes.reduce(
      (latest, { row }) => (row.happenedAt > latest.happenedAt ? row : latest),
      takes[0].row,
    );
    const at = last.happenedAt.getTime() + 60_000;
    const when = new Date(at);
    return {
      ...last,
      id: maker.newId(at),
      deviceSeq: rows.length + 100 + i,
      kind: 'check-up',
      body: {
        schemaVersion: 1,
        takes: takes.map(({ skillId, row }) => ({ skillId, takeId: row.id })),
        at: when.toISOString(),
      },
      happenedAt: when,
      sentAt: when,
      receivedAt: when,
    };
  });
}

function pastLesson(
  maker: Maker,
  member: CastMember,
  studentId: string,
  startsAt: Date,
  takes: readonly LivedTake[],
  last: boolean,
): LessonRow {
  const blocks = new Map<string, { takes: LivedTake[]; name: string }>();
  for (const take of takes) {
    const skill = skillsOf(take, firstSyllabus)
      .map((found) => found.skill)
      .at(-1);
    const key = skill?.id ?? 'warm up';
    const block = blocks.get(key) ?? { takes: [], name: skill?.name ?? '' };
    block.takes.push(take);
    blocks.set(key, block);
  }
  const count = (list: readonly LivedTake[], result: LivedTake['result']) =>
    list.filter((take) => take.result === result).length;
  return {
    studioId: maker.studioId,
    id: maker.newId(startsAt.getTime()),
    studentId,
    teacherId: maker.teacherId,
    startsAt,
    timeZone: STUDIO.timeZone,
    minutes: member.minutes,
    // Today's lessons wait for their write-up; older ones have it.
    state: last && maker.now - startsAt.getTime() < 12 * 3_600_000 ? 'taught' : 'written',
    plan: null,
    planStanding: 'none',
    done: {
      schemaVersion: 1,
      blocks: [...blocks].map(([blockId, block]) => ({
        blockId,
        title:
          blockId === 'warm up'
            ? { code: 'title.warm-up', values: {} }
            : { code: 'title.skill', values: { skill: block.name, family: block.takes[0].recipe.family } },
        kind: blockId === 'warm up' ? 'warm up' : 'review',
        minutes: Math.max(
          1,
          Math.round(block.takes.reduce((sum, take) => sum + take.durationSeconds, 0) / 60) + 1,
        ),
        takes: {
          clean: count(block.takes, 'clean'),
          nearly: count(block.takes, 'nearly'),
          notYet: count(block.takes, 'not yet'),
        },
        brought: false,
      })),
    },
    note: '',
    seriesId: null,
    version: 1,
  };
}
