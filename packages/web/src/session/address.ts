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
  const { name } = route;
  return {
    text: (name, otherwise = '') => {
      const given = route.query[name];
      return typeof given === 'string' ? given : otherwise;
    },
    // At once, so that whoever reloads has what is on the screen; and past the router's own round, which would come when
    // the page is half drawn and make it be laid out twice.
    hold: (texts) => {
      // A place that was left writes in no address but its own.
      if (router.currentRoute.value.name !== name) return;
      const query = Object.fromEntries(Object.entries(texts).filter(([, text]) => text));
      router.options.history.replace(router.resolve({ query }).fullPath);
    },
  };
}
