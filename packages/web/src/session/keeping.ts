/**
 * Keeps something that carries a version. When somebody kept a newer one meanwhile nothing is lost: both are
 * offered, theirs in words beside what is on this screen, and either may be taken.
 */
import { readonly, ref, type Ref } from 'vue';
import { sayError } from '../words';
import { Refused } from './api';

export interface Keeping<T = unknown, V = number> {
  /** What went wrong, in words; empty when nothing did. */
  readonly trouble: Readonly<Ref<string>>;
  /** The newer version in words while it and ours stand against each other, else null. */
  readonly theirs: Readonly<Ref<string | null>>;
  /** The newer version itself, once it was read. */
  readonly newer: () => T | null;
  readonly busy: Readonly<Ref<boolean>>;
  /** Remembers which version the edit began from. */
  readonly began: (version: V) => void;
  /** True when it was kept; false leaves `trouble` to say why. Never rejects. */
  readonly keep: () => Promise<boolean>;
  readonly takeTheirs: () => Promise<void>;
  readonly keepMine: () => Promise<boolean>;
  readonly forget: () => void;
}

interface Kept<T, V> {
  /** The thing as a sentence begins with it: "Plan". */
  readonly name: string;
  /** Sends ours over the version given; resolves to the new version. */
  readonly send: (version: V) => Promise<V>;
  readonly newest: () => Promise<T>;
  readonly versionOf: (theirs: T) => V;
  readonly inWords: (theirs: T) => string;
  /** Puts theirs on the screen in the place of ours. */
  readonly show: (theirs: T) => void;
}

/** @param first the version of something that was never kept */
export function useKeeping<T, V = number>(kept: Kept<T, V>, first: V = 0 as V): Keeping<T, V> {
  const trouble = ref('');
  const theirs = ref<string | null>(null);
  const busy = ref(false);
  let version = first;
  let newer: T | null = null;

  function forget() {
    trouble.value = '';
    theirs.value = null;
    newer = null;
  }
  function began(from: V) {
    version = from;
    forget();
  }
  async function keep(): Promise<boolean> {
    forget();
    busy.value = true;
    try {
      version = await kept.send(version);
      return true;
    } catch (problem) {
      if (problem instanceof Refused && problem.problem.code === 'write.stale') await offer();
      else trouble.value = `${kept.name} not kept: ${sayError(problem)}`;
      return false;
    } finally {
      busy.value = false;
    }
  }
  async function offer() {
    trouble.value = `${kept.name} not kept: somebody kept a newer one meanwhile. Yours is still here.`;
    try {
      newer = await kept.newest();
      theirs.value = kept.inWords(newer);
    } catch (problem) {
      trouble.value += ` Theirs could not be read: ${sayError(problem)}`;
    }
  }
  return {
    trouble: readonly(trouble),
    theirs: readonly(theirs),
    newer: () => newer,
    busy: readonly(busy),
    began,
    forget,
    keep,
    takeTheirs: async () => {
      if (newer === null) return;
      const taken = newer;
      began(kept.versionOf(taken));
      kept.show(taken);
    },
    keepMine: async () => {
      if (newer === null) return false;
      began(kept.versionOf(newer));
      return keep();
    },
  };
}
