/** Who sits, in which studio, and what of theirs has not reached the server. Session state only. */
import { routes, type Role, type SessionBody } from '@finch/contract';
import type { Feel } from '@finch/core/drills';
import type { EventSaid } from '@finch/core/mastery';
import { defineStore } from 'pinia';
import { v7 as uuid } from 'uuid';
import { computed, ref, shallowRef } from 'vue';
import { plain } from './plain';
import { call, Refused, Unanswered } from './api';
import { copies } from './offline-copy';
import { inDeviceTime, makeOutbox, type Outbox } from './outbox';
import { openOutbox, type OutboxRecord } from './outbox-store';

const RETRY_MS = 4000;
/** Copies of who sat and of how far the clock here is off, ms. */
const SESSION = 'session';
const SKEW = 'skew';

/** Answers that speak of what was sent, not of who sits or of the server. */
const OF_THE_SENT = [400, 413, 422];

export const useSeat = defineStore('seat', () => {
  const body = shallowRef<SessionBody | null>(null);
  const records = shallowRef<readonly OutboxRecord[]>([]);
  /** Since when nobody answers, as a clock time; null while the server does. */
  const awaySince = ref<string | null>(null);
  /** Server time less browser time, ms. */
  const skew = ref(0);
  /** Rises whenever takes reached the server, so that views read anew. */
  const arrived = ref(0);
  const seat = computed(() => body.value?.seat ?? null);
  const studio = computed(() => body.value?.studio ?? null);
  const waiting = computed(() => records.value.filter((record) => record.status !== 'refused').length);
  const refused = computed(() => records.value.filter((record) => record.status === 'refused'));
  const has = (...roles: Role[]) => roles.some((role) => seat.value?.roles.includes(role));
  const teaches = computed(() => has('teacher', 'owner', 'self-taught'));

  let box: Promise<Outbox> | null = null;
  const outbox = (): Promise<Outbox> =>
    (box ??= openOutbox().then((database) =>
      makeOutbox({
        database,
        makeId: () => uuid(),
        now: () => new Date().toISOString(),
        refusalOf: (error) =>
          error instanceof Refused && OF_THE_SENT.includes(error.status) ? error.problem : null,
        send: (events) => call(routes.sendEvents, { body: { events: [...events] } }),
      }),
    ));
  const list = async () => {
    records.value = seat.value ? await (await outbox()).list(seat.value.membershipId) : [];
  };
  const gone = () => {
    awaySince.value ??= new Date().toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  };
  let timer: ReturnType<typeof setTimeout> | undefined;
  let flushing = false;
  const flush = async (): Promise<void> => {
    const mine = seat.value?.membershipId;
    if (!mine || flushing) return;
    flushing = true;
    clearTimeout(timer);
    try {
      arrived.value += await (await outbox()).flush(mine);
      awaySince.value = null;
    } catch (error) {
      if (!(error instanceof Refused)) gone();
    } finally {
      flushing = false;
      await list();
    }
    if (records.value.some((record) => record.status === 'waiting')) timer = setTimeout(flush, RETRY_MS);
  };
  const take = async (next: SessionBody) => {
    body.value = next;
    skew.value = Date.parse(next.now) - Date.now();
    // What this device keeps is of who sits.
    if (copies.read<SessionBody>(SESSION)?.seat?.membershipId !== next.seat?.membershipId) copies.clear();
    if (next.seat) {
      copies.write(SESSION, next);
      copies.write(SKEW, skew.value);
    }
    if (next.seat) await (await outbox()).settleAll(next.seat.membershipId);
    await list();
    void flush();
  };
  window.addEventListener('online', () => void flush());

  return {
    body,
    seat,
    studio,
    records,
    waiting,
    refused,
    awaySince,
    arrived,
    teaches,
    has,
    now: () => Date.now() + skew.value,
    /** Where nobody answers, whoever sat here last sits on: what they do is kept on this device. */
    open: async () => {
      try {
        await take(await call(routes.session));
      } catch (error) {
        const last = error instanceof Unanswered ? copies.read<SessionBody>(SESSION) : null;
        if (!last) throw error;
        gone();
        await take({ ...last, now: new Date(Date.now() + (copies.read<number>(SKEW) ?? 0)).toISOString() });
      }
    },
    sitDown: async (membershipId: string) => take(await call(routes.sitDown, { body: { membershipId } })),
    standUp: async () => take(await call(routes.standUp)),
    take,
    gone,
    back: () => (awaySince.value = null),
    /** Keeps an event for the student and sends it when possible; `held` waits for the hand's answer. */
    keep: async (studentId: string, event: EventSaid, label: string, held = false) => {
      const mine = seat.value?.membershipId;
      if (!mine) throw new Error('nobody sits');
      // A plain copy: what views hand over is reactive, which IndexedDB cannot store.
      const sent = inDeviceTime(plain(event), skew.value);
      const id = await (await outbox()).keep(mine, studentId, sent, label, held);
      await list();
      if (!held) void flush();
      return id;
    },
    settle: async (id: string, feel: Feel | null) => {
      await (await outbox()).settle(id, feel === null ? null : { ...feel });
      await list();
      void flush();
    },
    /** Takes a logged take back: one that still waits for the hand's answer never goes, any other is voided. */
    takeBack: async (studentId: string, takeId: string, label: string) => {
      const mine = seat.value?.membershipId;
      if (!mine) throw new Error('nobody sits');
      if (records.value.some((record) => record.id === takeId && record.status === 'held'))
        await (await outbox()).putAway(takeId);
      else {
        const at = new Date().toISOString();
        await (await outbox()).keep(mine, studentId, { kind: 'void', voids: takeId, at }, label);
      }
      await list();
      void flush();
    },
    putAway: async (id: string) => {
      await (await outbox()).putAway(id);
      await list();
    },
    flush,
  };
});
