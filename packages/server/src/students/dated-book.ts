/**
 * What is on record of hands, instruments, limits and years of playing. A record is written once and never changed, so that its
 * id says all of it: of many students only the ids are asked for, and the values of those not met before.
 */
import type { Hand, Instrument } from '@finch/core/fretboard';
import type { Dated, HandLimits } from '@finch/core/hands';
import type { PlayedFor } from '@finch/core/mastery';
import type { Asks } from '../platform/database';

/** The earliest first. */
export interface DatedRecords {
  readonly hands: readonly Dated<Hand>[];
  readonly instruments: readonly Dated<Instrument>[];
  readonly limits: readonly Dated<HandLimits>[];
  readonly played: readonly Dated<PlayedFor>[];
  /** Names all of it but the limits, on which no log rests; and the limits. */
  readonly mark: string;
  readonly limitsMark: string;
}

export interface DatedBook {
  /** By student; of all where none is named. */
  readonly read: (
    asks: Asks,
    studentIds: readonly string[] | null,
  ) => Promise<(studentId: string) => DatedRecords>;
}

const TABLES = {
  hands: 'hand_record',
  instruments: 'instrument_record',
  limits: 'limits_record',
  played: 'played_record',
} as const;
type What = keyof typeof TABLES;
const WHATS = Object.keys(TABLES) as What[];
const NONE: DatedRecords = { hands: [], instruments: [], limits: [], played: [], mark: '', limitsMark: '' };
/** Values kept; beyond it all are asked for again. */
const MOST_KEPT = 20_000;

const IDS = WHATS.map(
  (what) =>
    `SELECT '${what}' AS what, student_id, array_agg(id::text ORDER BY from_instant, id) AS ids FROM ${TABLES[what]}
     WHERE $1::uuid[] IS NULL OR student_id = ANY($1) GROUP BY student_id`,
).join(' UNION ALL ');

export function makeDatedBook(): DatedBook {
  const values = new Map<string, Dated<unknown>>();
  const records = new Map<string, DatedRecords>();
  return {
    read: async (asks, studentIds) => {
      const rows = await asks.query<{ what: What; student_id: string; ids: string[] }>(IDS, [studentIds]);
      if (values.size > MOST_KEPT) values.clear();
      for (const what of WHATS) {
        const missing = rows.flatMap((row) =>
          row.what === what ? row.ids.filter((id) => !values.has(id)) : [],
        );
        if (missing.length === 0) continue;
        const found = await asks.query<{ id: string; from: Date; value: unknown }>(
          `SELECT id, from_instant AS from, value FROM ${TABLES[what]} WHERE id = ANY($1)`,
          [missing],
        );
        for (const { id, from, value } of found) values.set(id, { from: from.toISOString(), value });
      }
      const idsOf = new Map<string, Partial<Record<What, string[]>>>();
      for (const { what, student_id, ids } of rows)
        idsOf.set(student_id, { ...idsOf.get(student_id), [what]: ids });
      return (studentId) => {
        const ids = idsOf.get(studentId);
        if (!ids) return NONE;
        const mark = [ids.hands, ids.instruments, ids.played].map((of) => of?.join()).join(' ');
        const limitsMark = ids.limits?.join() ?? '';
        const known = records.get(studentId);
        if (known?.mark === mark && known.limitsMark === limitsMark) return known;
        const of = <T>(what: What) => (ids[what] ?? []).flatMap((id) => (values.get(id) as Dated<T>) ?? []);
        const made: DatedRecords = {
          hands: of<Hand>('hands'),
          instruments: of<Instrument>('instruments'),
          limits: of<HandLimits>('limits'),
          played: of<PlayedFor>('played'),
          mark,
          limitsMark,
        };
        records.set(studentId, made);
        return made;
      };
    },
  };
}
