/**
 * Takes that have not reached the server, in IndexedDB. A record belongs to who sat when it was made and is
 * never sent while another person sits. `held` waits for the hand's answer, `waiting` to be sent, `refused`
 * stays visible with its reason until it is put away.
 */
import type { SentEvent } from '@finch/contract';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** Of each kind of event what is known before it is sent. */
type Unsent<T> = T extends unknown ? Omit<T, 'sentAt'> : never;

export interface OutboxRecord {
  readonly id: string;
  /** Membership that made it. */
  readonly seat: string;
  readonly status: 'held' | 'waiting' | 'refused';
  /** Order of making on this device. */
  readonly deviceSeq: number;
  /** Everything but when it is sent, which is set at each send. */
  readonly event: Unsent<SentEvent>;
  readonly label: string;
  readonly problem?: { readonly code: string; readonly at: string; readonly detail: string };
}

interface OutboxSchema extends DBSchema {
  records: { key: string; value: OutboxRecord; indexes: { 'by-seat': string } };
  device: { key: string; value: string | number };
}

export type OutboxDatabase = IDBPDatabase<OutboxSchema>;

export function openOutbox(): Promise<OutboxDatabase> {
  return openDB<OutboxSchema>('finch-outbox', 1, {
    upgrade: (database) => {
      database.createObjectStore('records', { keyPath: 'id' }).createIndex('by-seat', 'seat');
      database.createObjectStore('device');
    },
  });
}

/** The largest number an event may have; a device that counted so far, or whose count is none, begins anew as another. */
const LARGEST_SEQ = 2_147_483_647;

/** This device's id and its next number, in one transaction, so that two tabs never share a number. */
export async function nextDeviceSeq(
  database: OutboxDatabase,
  makeId: () => string,
): Promise<{ deviceId: string; deviceSeq: number }> {
  const transaction = database.transaction('device', 'readwrite');
  const next = Number((await transaction.store.get('seq')) ?? 0) + 1;
  const counts = Number.isInteger(next) && next >= 1 && next <= LARGEST_SEQ;
  const deviceId = String((counts && (await transaction.store.get('id'))) || makeId());
  const deviceSeq = counts ? next : 1;
  await transaction.store.put(deviceId, 'id');
  await transaction.store.put(deviceSeq, 'seq');
  await transaction.done;
  return { deviceId, deviceSeq };
}

export async function recordsOf(database: OutboxDatabase, seat: string): Promise<OutboxRecord[]> {
  const records = await database.getAllFromIndex('records', 'by-seat', seat);
  return records.sort((a, b) => a.deviceSeq - b.deviceSeq);
}
