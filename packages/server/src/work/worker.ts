/** The thread that does the tasks. It has a connection of its own, made when a task first asks the database. */
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { planLesson, planWeek } from '@finch/core/planning';
import { drillFaults } from '@finch/core/syllabus';
import { Client } from 'pg';
import { workerData } from 'piscina';
import { weighGrips } from '../board/weigh';
import { pieceGoals } from '../lessons/piece-goals';
import type { DatabaseAccess } from '../platform/config';
import type { Asks } from '../platform/database';
import { readLogs, tellWhy } from '../practice/log-reading';
import { rebuildLogs } from '../practice/rebuild';
import type { Outcome, TaskName, Tasks } from './tasks';

export interface WorkerParts {
  readonly access: Pick<DatabaseAccess, 'host' | 'port' | 'application'>;
  readonly databaseName: string;
  readonly root: string;
}
const parts = workerData as WorkerParts;

let connected: Client | null = null;

async function client(): Promise<Client> {
  if (connected) return connected;
  const made = new Client({
    host: parts.access.host,
    port: parts.access.port,
    user: 'finch_app',
    password: parts.access.application,
    database: parts.databaseName,
    connectionTimeoutMillis: 4000,
  });
  // A lost connection is made again by the next task.
  const lose = () => (connected = null);
  made.on('error', lose);
  made.on('end', lose);
  await made.connect();
  connected = made;
  return made;
}

/** One studio's rows as they are at one instant. One task at a time: a thread never has two. */
async function inStudio<T>(studioId: string, work: (asks: Asks) => Promise<T>): Promise<T> {
  const on = await client();
  const asks: Asks = {
    query: async <R>(sql: string, parameters?: unknown[]) => (await on.query(sql, parameters)).rows as R[],
  };
  try {
    await on.query('BEGIN ISOLATION LEVEL REPEATABLE READ');
    await on.query("SELECT set_config('finch.studio', $1, true)", [studioId]);
    const value = await work(asks);
    await on.query('COMMIT');
    return value;
  } catch (error) {
    connected = null;
    await on.end().catch(() => undefined);
    throw error;
  }
}

const TASKS: Tasks = {
  readLogs: (asked) => inStudio(asked.studioId, (asks) => readLogs(asks, asked)),
  rebuildLogs: (asked) => inStudio(asked.studioId, (asks) => rebuildLogs(asks, asked)),
  tellWhy: (asked) => inStudio(asked.studioId, (asks) => tellWhy(asks, asked)),
  checkDrills: async (skills) => drillFaults(skills, { hand: averageHand, instrument: standardGuitar }),
  plan: (state, syllabus, constraints, pieces, version) => {
    const goals = [...constraints.goals, ...pieceGoals(pieces, constraints.taught, { syllabus, version })];
    return planLesson(state, syllabus, { ...constraints, goals }, () => performance.now());
  },
  planWeek: (state, syllabus, constraints, pieces, version) => {
    const goals = [...constraints.goals, ...pieceGoals(pieces, constraints.taught, { syllabus, version })];
    return planWeek(state, syllabus, { ...constraints, goals }, () => performance.now());
  },
  weigh: async (asked) => weighGrips(asked),
  // Large, and seldom asked for: a thread does not wait for it.
  print: async (asked, at) => (await import('../paper/print')).printed(parts.root, asked, new Date(at)),
};

export default async function run(task: { name: TaskName; asked: unknown[] }): Promise<Outcome> {
  try {
    const work = TASKS[task.name] as (...asked: unknown[]) => Promise<unknown>;
    return { value: await work(...task.asked) };
  } catch (error) {
    const { code, message, stack } = error as Error & { code?: string };
    return { fault: { code, message: stack ?? message } };
  }
}
