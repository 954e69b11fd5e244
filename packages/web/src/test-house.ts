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

type Query = Record<string, string>;
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
  hooks: new Map<string, { nickname: string }>(),
  played: [] as unknown[][],
  stopped: 0,
};

/** An empty house again; what was asked of it before is forgotten. */
export function emptyHouse(address: Query = {}): void {
  house.address = new Map(Object.entries(address));
  for (const list of [house.held, house.went, house.told, house.out, house.asked, house.played])
    list.length = 0;
  house.gate = Promise.resolve();
  house.broken = null;
  house.student.value = null;
  house.drilling.value = MIDDLE;
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
  bench: { useBench: () => ({ studentId: null }) },
  seat: { useSeat: () => ({ studio: { name: 'The Shed' }, teaches: true }) },
  notices: { useNotices: () => ({ tell: (words: string) => house.told.push(words) }) },
  taught: {
    useTaught: () => ({
      student: house.student,
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
  worker: { plain: <T>(value: T) => value, benchWork: () => work },
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
