/** What a place keeps in its address, so that it can be reloaded, kept or passed on. */
import { onScopeDispose } from 'vue';
import { useRoute, useRouter } from 'vue-router';

export interface Address {
  /** What the address says under a name when it is read, else what is given. */
  readonly text: (name: string, otherwise?: string) => string;
  /** Holds these names and no others; an empty text is left out. */
  readonly hold: (texts: Readonly<Record<string, string>>) => void;
}

/** Writing an address takes a slow machine long: it comes after what was pressed has been answered. */
const HOLD_AFTER_MS = 120;

export function useAddress(): Address {
  const route = useRoute();
  const router = useRouter();
  let timer: ReturnType<typeof setTimeout> | undefined;
  // A place that was left writes no address of another.
  onScopeDispose(() => clearTimeout(timer));
  return {
    text: (name, otherwise = '') => {
      const given = route.query[name];
      return typeof given === 'string' ? given : otherwise;
    },
    hold: (texts) => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        void router.replace({ query: Object.fromEntries(Object.entries(texts).filter(([, text]) => text)) });
      }, HOLD_AFTER_MS);
    },
  };
}
