/**
 * What a bench asks of the house, without a page or a server: the address, who is on the bench, notices, what is handed
 * out, the player, and the worker's own jobs done here. Tests put one in with
 * `jest.mock('…/session/address', () => jest.requireActual('../../test-house').modules.address)`.
 */
import type { Recipe } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import type { DrillContext } from '@finch/core/hands';
import type { PlanBlock } from '@finch/core/planning';
import { computed, effectScope, nextTick, ref, shallowRef, type EffectScope } from 'vue';
import { benchJobs } from './workers/bench-jobs';

// Not imported: whoever puts the stand-in in its place asks this file for it.
const { Refused, Unanswered } = jest.requireActual<typeof import('./session/api')>('./session/api');

type Query = Record<string, string>;
type Sent = [path: string, body: Record<string, unknown>];
const MIDDLE: DrillContext = { hand: averageHand, instrument: standardGuitar };

export const house = {
  /** What the address says on the way in, and what was held in it since. */
  address: new Map<string, string>(),
  held: [] as Query[],
  /** Ways taken to another place. */
  went: [] as { name: string; query?: Query; params?: Query }[],
  told: [] as string[],
  /** What was put in the plan or sent home. */
  out: [] as [where: 'plan' | 'home', recipe: Recipe][],
  /** Answers of the worker wait for this; jobs asked for so far; a job named here fails. */
  gate: Promise.resolve(),
  asked: [] as string[],
  broken: null as string | null,
  student: shallowRef<{ id: string; name: string; timeZone?: string } | null>(null),
  drilling: shallowRef<DrillContext>(MIDDLE),
  /** What the server says of the members of the group. */
  known: shallowRef<{ id: string; name: string; skills: unknown[] }[]>([]),
  hooks: new Map<string, { nickname: string }>(),
  played: [] as unknown[][],
  stopped: 0,
  /** What was sent to the server, and what it answers; an answer that throws is a refusal or a server that is away. */
  sent: [] as Sent[],
  answer: (_: Sent): unknown => undefined,
  /** What queries hold, by key, and which were read anew. */
  cache: new Map<string, unknown>(),
  readAnew: [] as string[],
  /** By the clock of the server, ms. */
  now: Date.UTC(2026, 5, 9, 16),
  benched: { studentId: null as string | null, lessonId: null as string | null },
};

/** Answers of the server that are none. */
export const away = (): never => {
  throw new Unanswered();
};
export const refused =
  (code: string, status = 409) =>
  (): never => {
    throw new Refused({ code, at: 'here', detail: '' }, status);
  };

const kept = new Map<string, string>();
globalThis.localStorage ??= {
  getItem: (name: string) => kept.get(name) ?? null,
  setItem: (name: string, text: string) => void kept.set(name, text),
  removeItem: (name: string) => void kept.delete(name),
  clear: () => kept.clear(),
  key: (i: number) => [...kept.keys()][i] ?? null,
  get length() {
    return kept.size;
  },
};

/** An empty house again; what was asked of it before is forgotten. */
export function emptyHouse(address: Query = {}): void {
  house.address = new Map(Object.entries(address));
  for (const list of [
    house.held,
    house.went,
    house.told,
    house.out,
    house.asked,
    house.played,
    house.sent,
    house.readAnew,
  ])
    list.length = 0;
  house.answer = () => undefined;
  house.cache.clear();
  house.benched = { studentId: null, lessonId: null };
  localStorage.clear();
  house.gate = Promise.resolve();
  house.broken = null;
  house.student.value = null;
  house.drilling.value = MIDDLE;
  house.known.value = [];
  house.hooks.clear();
  house.stopped = 0;
}

const work = Object.fromEntries(
  Object.entries(benchJobs).map(([name, job]) => [
    name,
    async (...given: unknown[]) => {
      house.asked.push(name);
      await house.gate;
      if (house.broken === name) throw new Error(`${name} is broken`);
      return (job as (...given: unknown[]) => unknown)(...given);
    },
  ]),
);

const playing = ref(false);
const player = () => ({
  playing,
  elapsed: ref(0),
  at: ref(null),
  soundingBar: ref(null),
  stop: () => {
    playing.value = false;
    house.stopped++;
  },
  play: async (...given: unknown[]) => {
    playing.value = true;
    house.played.push(given);
  },
});

export const modules = {
  address: {
    useAddress: () => ({
      text: (name: string, otherwise = '') => house.address.get(name) ?? otherwise,
      hold: (texts: Query) => house.held.push(texts),
    }),
  },
  router: { useRouter: () => ({ push: (to: (typeof house.went)[number]) => house.went.push(to) }) },
  bench: {
    useBench: () => ({
      get studentId() {
        return house.benched.studentId;
      },
      get lessonId() {
        return house.benched.lessonId;
      },
      put: (studentId: string, lessonId: string | null) => (house.benched = { studentId, lessonId }),
    }),
  },
  seat: {
    useSeat: () => ({
      studio: { name: 'The Shed' },
      seat: { membershipId: 'teacher' },
      teaches: true,
      now: () => house.now,
    }),
  },
  api: {
    Refused,
    Unanswered,
    call: async (route: { path: string }, { body = {} }: { body?: Sent[1] } = {}) => {
      const one: Sent = [route.path, body];
      house.sent.push(one);
      await house.gate;
      return house.answer(one);
    },
  },
  query: {
    useQueryClient: () => ({
      setQueryData: (key: readonly unknown[], value: unknown) => house.cache.set(key.join(' '), value),
    }),
  },
  queries: { readAnew: async (_: unknown, ...keys: string[]) => void house.readAnew.push(...keys) },
  notices: { useNotices: () => ({ tell: (words: string) => house.told.push(words) }) },
  taught: {
    useTaught: () => ({
      student: house.student,
      whose: computed(() => house.student.value?.name ?? 'a middle hand'),
      drilling: house.drilling,
      limit: computed(() => house.drilling.value.limits?.gripEffort ?? null),
      hand: computed(() => house.drilling.value.hand),
      instrument: computed(() => house.drilling.value.instrument),
      hookOn: (frets: readonly unknown[]) => house.hooks.get(frets.join()) ?? null,
    }),
  },
  handOut: {
    blockOf: (recipe: Recipe) => ({ recipe }),
    useHandOut: () => ({
      busy: ref(false),
      put: (block: Pick<PlanBlock, 'recipe'>) => block.recipe && house.out.push(['plan', block.recipe]),
      home: (recipe: Recipe) => house.out.push(['home', recipe]),
    }),
  },
  worker: { plain: <T>(value: T) => value, benchWork: () => work, groupWork: () => work },
  group: {
    useGroupBodies: () => ({
      group: computed(() => (house.known.value.length > 0 ? 'Shadow Row' : null)),
      known: house.known,
    }),
  },
  player: { usePlayer: player },
  piecePlayer: { usePiecePlayer: player },
};

/** Until the worker has answered and what follows from it has. */
export async function settle(turns = 14): Promise<void> {
  for (let i = 0; i < turns; i++) await nextTick();
}

const scopes: EffectScope[] = [];
/** Sets a bench up as a place would; `leave` ends all of them. */
export function enter<T>(bench: () => T): T {
  const scope = effectScope();
  scopes.push(scope);
  return scope.run(bench) as T;
}
export const leave = () => scopes.splice(0).forEach((scope) => scope.stop());
