/**
 * Keyboard: a view says which keys it answers while it is shown; the strip at the lower edge and the list
 * under `?` are made from the same registry. Single letters are off in fields and can be switched off.
 */
import { useEventListener, useLocalStorage } from '@vueuse/core';
import { onScopeDispose, shallowReactive, watch } from 'vue';
import { KEY_TABLE, type KeyEntry, type KeyPlace } from './key-table';

/** What each entry of a place does; `at` says which of its keys was pressed, from 0. */
export type KeyRuns<Place extends KeyPlace> = Readonly<
  Record<keyof (typeof KEY_TABLE)[Place], (at: number) => void>
>;
interface KeyHint extends KeyEntry {
  readonly run: (at: number) => void;
}
interface Answered {
  readonly place: KeyPlace;
  readonly hints: readonly KeyHint[];
}

const registry = shallowReactive(new Set<Answered>());
const lettersOn = useLocalStorage('finch-letters', true);

/** What is answered now, the innermost last. */
export const answered = (): readonly Answered[] => [...registry];

export function useLetters() {
  return lettersOn;
}

/** Steps forwards with the first key of a pair, back with the second. */
export const forwardBack = (step: (by: 1 | -1) => void) => (at: number) => step(at === 0 ? 1 : -1);
/** Steps back with the first key of a pair, forwards with the second. */
export const backForward = (step: (by: 1 | -1) => void) => (at: number) => step(at === 0 ? -1 : 1);

/** Answers the keys of a place until the calling component goes; where `on` is given, only while it says so. */
export function useKeys<Place extends KeyPlace>(
  place: Place,
  runs: KeyRuns<Place>,
  on: () => boolean = () => true,
): void {
  const table: Readonly<Record<string, KeyEntry>> = KEY_TABLE[place];
  const own: Answered = {
    place,
    hints: Object.entries(runs as Record<string, (at: number) => void>).map(([name, run]) => ({
      ...table[name],
      run,
    })),
  };
  watch(on, (active) => (active ? registry.add(own) : registry.delete(own)), {
    immediate: true,
    flush: 'sync',
  });
  onScopeDispose(() => registry.delete(own));
}

function spell(event: KeyboardEvent): string {
  const name = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const letter = event.key.length === 1 && /[a-z]/i.test(event.key);
  return [
    event.ctrlKey || event.metaKey ? 'Ctrl+' : '',
    event.altKey ? 'Alt+' : '',
    event.shiftKey && (letter || event.key.length > 1) ? 'Shift+' : '',
    name,
  ].join('');
}

function inField(target: EventTarget | null): boolean {
  const element = target as HTMLElement | null;
  return (
    element?.matches?.(
      'input:not([type=checkbox]):not([type=radio]):not([type=range]), textarea, select, [contenteditable=true]',
    ) ?? false
  );
}

/** Whether a focused control would answer this key itself. */
function controlAnswers(event: KeyboardEvent): boolean {
  const element = event.target as HTMLElement | null;
  const pressed = event.key === 'Enter' || event.key === ' ';
  const walked = /^(Arrow|Home$|End$|Page)/.test(event.key) && !event.altKey;
  return (
    (pressed && (element?.matches?.('button, a, [role=button], summary, input') ?? false)) ||
    (walked &&
      (element?.matches?.(
        '[role=radio], [role=tab], [role=slider], input:not([type=checkbox]), select, [role=option]',
      ) ??
        false))
  );
}

/** Mounted once by the application. */
export function listenToKeys(): void {
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.defaultPrevented) return;
    // Under a dialog the place is still; a quiz may be in one.
    const over = document.querySelector('.modal.show') !== null;
    const spelled = spell(event);
    const single = event.key.length === 1 && !event.ctrlKey && !event.altKey && !event.metaKey;
    if (inField(event.target) && (single || !event.altKey)) return;
    if (single && event.key !== ' ' && event.key !== '?' && !lettersOn.value) return;
    if (controlAnswers(event)) return;
    const wanted = spelled.toLowerCase();
    for (const hint of answered()
      .filter(({ place }) => !over || place === 'quiz')
      .flatMap(({ hints }) => hints)
      .reverse()) {
      const at = hint.keys.findIndex((key) => key.toLowerCase() === wanted);
      if (at < 0) continue;
      event.preventDefault();
      return hint.run(at);
    }
  });
}
