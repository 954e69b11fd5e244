/** What a place keeps in its address, so that it can be reloaded, kept or passed on. */
import { useRoute, useRouter } from 'vue-router';

export interface Address {
  /** What the address says under a name when it is read, else what is given. */
  readonly text: (name: string, otherwise?: string) => string;
  /** Holds these names and no others; an empty text is left out. */
  readonly hold: (texts: Readonly<Record<string, string>>) => void;
}

export function useAddress(): Address {
  const route = useRoute();
  const router = useRouter();
  return {
    text: (name, otherwise = '') => {
      const given = route.query[name];
      return typeof given === 'string' ? given : otherwise;
    },
    // At once: whoever reloads has what is on the screen.
    hold: (texts) =>
      void router.replace({ query: Object.fromEntries(Object.entries(texts).filter(([, text]) => text)) }),
  };
}
