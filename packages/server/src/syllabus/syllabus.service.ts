/** The studio's syllabus: read by all who learn or teach by it, changed by who teaches, every version kept. */
import type { SyllabusBody, SyllabusVersionBody, SyllabusVersionsBody } from '@finch/contract';
import { differenceOf, graphFaults, type Syllabus, type SyllabusFault } from '@finch/core/syllabus';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { need, type Who } from '../accounts/rights';
import type { Clock } from '../platform/clock';
import { inStudio, writeInStudio } from '../platform/database';
import { Refusal } from '../platform/problems';
import type { Work } from '../work/work';
import {
  addSyllabus,
  currentSyllabus,
  storedSyllabus,
  versionHeads,
  type SyllabusVersion,
} from './syllabus.repository';

/** What others rest on: the newest version. */
export { currentSyllabus, type SyllabusVersion };

export interface Syllabuses {
  readonly read: (who: Who) => Promise<SyllabusBody>;
  readonly versions: (who: Who) => Promise<SyllabusVersionsBody>;
  readonly version: (who: Who, id: string) => Promise<SyllabusVersionBody>;
  /** A newer version of the one it began from; refused where somebody kept one meanwhile, or where it has faults. */
  readonly keep: (who: Who, from: string, content: Syllabus) => Promise<{ version: string }>;
}

export function makeSyllabuses(database: DataSource, clock: Clock, work: Work): Syllabuses {
  return {
    read: async (who) => {
      need(who, 'syllabus.read');
      return bodyOf(await inStudio(database, who.studioId, currentSyllabus));
    },
    versions: async (who) => {
      need(who, 'syllabus.write');
      const heads = await inStudio(database, who.studioId, versionHeads);
      return {
        versions: heads.map(({ id, at, ...head }) => ({ version: id, at: at.toISOString(), ...head })),
      };
    },
    version: async (who, id) => {
      need(who, 'syllabus.read');
      const { at, content } = await inStudio(database, who.studioId, (manager) =>
        storedSyllabus(manager, id),
      );
      return { version: id, at: at.toISOString(), content };
    },
    keep: async (who, from, content) => {
      need(who, 'syllabus.write');
      const { id, content: before } = await inStudio(database, who.studioId, currentSyllabus);
      if (id !== from) throw stale();
      refuseFaults(graphFaults(content, before));
      const { added, changed, gone, frame } = differenceOf(before, content);
      const asked = new Set([...added, ...changed]);
      if (!asked.size && !gone.length && !frame) return { version: id };
      // Outside the transaction: making drills takes its time, and nothing waits for it.
      refuseFaults(
        await work.run(
          'checkDrills',
          content.skills.filter((skill) => asked.has(skill.id)),
        ),
      );
      return writeInStudio(database, who.studioId, async (manager) => {
        await oneAtATime(manager, who.studioId);
        const current = await currentSyllabus(manager);
        if (current.id !== from) throw stale();
        const at = clock.now();
        const made = uuid({ msecs: Math.max(at, madeAt(current.id) + 1) });
        await addSyllabus(manager, who.studioId, made, content, new Date(at), who.membershipId);
        return { version: made };
      });
    },
  };
}

const stale = () => new Refusal('write.stale', 'version', 'the newest version of the syllabus');

/** The first fault, told by its place; the others wait. */
function refuseFaults([fault]: readonly SyllabusFault[]): void {
  if (fault)
    throw new Refusal(
      fault.code,
      fault.at.slice(0, 12).join(', ') || 'skills',
      fault.detail || 'a sound syllabus',
    );
}

/** Two who keep at once come one after the other. */
async function oneAtATime(manager: EntityManager, studioId: string): Promise<void> {
  await manager.query('SELECT pg_advisory_xact_lock(hashtext($1))', [`syllabus ${studioId}`]);
}

/** When a UUID of version 7 was made, ms since 1970. */
const madeAt = (id: string): number => Number.parseInt(id.replaceAll('-', '').slice(0, 12), 16);

function bodyOf({ id, content }: SyllabusVersion): SyllabusBody {
  return {
    version: id,
    name: content.name,
    strands: [...content.strands],
    skills: content.skills.map((skill) => ({
      id: skill.id,
      name: skill.name,
      strand: skill.strand,
      targetBpm: skill.targetBpm,
      barre: skill.barre,
      practice: [...skill.practice],
    })),
    courses: content.courses.map((course) => ({ ...course, skills: [...course.skills] })),
  };
}
