/**
 * The outbox: letters that teachers wrote to those at home, and the one the house writes when a hand hurts. They wait until
 * somebody hands them on; nothing leaves this computer by itself.
 */
import { isDeepStrictEqual } from 'node:util';
import type { LetterBody, LetterContent } from '@finch/contract';
import { endsPlaying, type Feel } from '@finch/core/drills';
import { ageAt } from '@finch/core/hands';
import { dayReader } from '@finch/core/mastery';
import type { DataSource, EntityManager } from 'typeorm';
import { guardiansOf } from '../accounts/accounts.service';
import { need, type Who } from '../accounts/rights';
import type { Clock } from '../platform/clock';
import { inStudio, writeInStudio } from '../platform/database';
import { notFound, Refusal } from '../platform/problems';
import { studentOf, taughtAs } from '../students/roster.service';
import * as repository from './letters.repository';

const OF_AGE = 18;

/** How many letters wait, for other capabilities. */
export const lettersWaiting = (manager: EntityManager): Promise<number> => repository.waitingCount(manager);

export interface Letters {
  readonly list: (who: Who) => Promise<{ letters: LetterBody[] }>;
  readonly send: (
    who: Who,
    studentId: string,
    letter: { readonly id: string; readonly content: LetterContent },
  ) => Promise<LetterBody>;
  readonly change: (
    who: Who,
    letterId: string,
    letter: Pick<LetterBody, 'version' | 'state' | 'content'>,
  ) => Promise<LetterBody>;
}

const bodyOf = (row: repository.LetterRow): LetterBody => ({ ...row, madeAt: row.madeAt.toISOString() });

async function bodyById(manager: EntityManager, id: string): Promise<LetterBody> {
  const row = await repository.letterRow(manager, id);
  if (!row) throw notFound('letterId');
  return bodyOf(row);
}

export function makeLetters(database: DataSource, clock: Clock): Letters {
  return {
    list: async (who) => {
      need(who, 'letter.read');
      return inStudio(database, who.studioId, async (manager) => ({
        letters: (await repository.letterRows(manager)).map(bodyOf),
      }));
    },
    send: async (who, studentId, { id, content }) => {
      need(who, 'letter.write', studentId);
      return writeInStudio(database, who.studioId, async (manager) => {
        const { timeZone } = await studentOf(manager, studentId);
        const now = clock.now();
        const { studioId, membershipId: madeBy } = who;
        const letter = { studioId, id, studentId, kind: 'report' as const, content, madeBy };
        const day = dayReader(timeZone)(now);
        if (await repository.addLetter(manager, { ...letter, day, madeAt: new Date(now) }))
          return bodyById(manager, id);
        // The same letter sent twice is one letter.
        const known = await repository.letterRow(manager, id);
        if (known?.studentId === studentId && isDeepStrictEqual(known.content, content)) return bodyOf(known);
        throw new Refusal('write.twice', 'id', 'a new id; this letter is in the outbox already');
      });
    },
    change: async (who, letterId, letter) => {
      need(who, 'letter.write');
      return writeInStudio(database, who.studioId, async (manager) => {
        await bodyById(manager, letterId);
        if (!(await repository.changeLetter(manager, letterId, letter)))
          throw new Refusal(
            'write.stale',
            'version',
            'the letter as it stands now; yours is still on your screen',
          );
        return bodyById(manager, letterId);
      });
    },
  };
}

/**
 * Tells those at home that a hand hurt, once for a day: whoever is in charge of the student, and the parents of one who is not of
 * age. Words are the reader's: what is kept is what happened. `id` is that of the event, so that the same one writes one letter.
 */
export async function tellOfPain(
  manager: EntityManager,
  studioId: string,
  event: { readonly id: string; readonly studentId: string; readonly at: number; readonly feel: Feel | null },
  now: number,
): Promise<void> {
  const { feel } = event;
  if (feel?.hand !== 'pain' || !endsPlaying(feel)) return;
  const student = await taughtAs(manager, event.studentId);
  if (!student) return;
  const to = await guardiansOf(manager, student.id);
  const age = ageAt(student.bornOn, event.at);
  if (to.length === 0 && (age === null || age >= OF_AGE)) return;
  const day = dayReader(student.timeZone)(event.at);
  const values = {
    name: student.name,
    first: student.name.split(' ')[0],
    day,
    where: feel.where,
    side: feel.side,
  };
  await repository.addLetter(manager, {
    studioId,
    id: event.id,
    studentId: student.id,
    kind: 'pain',
    day,
    madeAt: new Date(now),
    madeBy: null,
    content: {
      to: [...to],
      subject: { code: 'letter.pain-subject', values },
      paragraphs: [
        { code: 'letter.pain-happened', values },
        { code: 'letter.pain-rule', values },
        { code: 'letter.pain-instead', values },
        { code: 'letter.pain-doctor', values },
      ],
    },
  });
}
