/**
 * Keyboard: a view says which keys it answers while it is shown; the strip at the lower edge and the list
 * under `?` are made from the same registry. Single letters are off in fields and can be switched off.
 */
import { useEventListener, useLocalStorage } from '@vueuse/core';
import { onScopeDispose, shallowReactive, watch } from 'vue';

export interface KeyHint {
  /** As typed: `j`, `Enter`, `Alt+ArrowUp`, `Shift+P`, ` `. */
  readonly key: string;
  /** What the strip draws; the key itself when left out. */
  readonly shown?: string;
  readonly does: string;
  readonly run: (event: KeyboardEvent) => void;
  /** Left out of the strip, listed under `?`. */
  readonly quiet?: boolean;
}

/** What is drawn on the key. */
export function keyText(hint: Pick<KeyHint, 'key' | 'shown'>): string {
  if (hint.shown) return hint.shown;
  if (hint.key === ' ') return 'Space';
  if (hint.key.length === 1) return hint.key.toUpperCase();
  const signs = { Up: '↑', Down: '↓', Left: '←', Right: '→' } as const;
  return hint.key
    .replace(/Arrow(Up|Down|Left|Right)/, (_, way: keyof typeof signs) => signs[way])
    .replaceAll('+', ' ');
}

const registry = shallowReactive(new Set<readonly KeyHint[]>());
const lettersOn = useLocalStorage('finch-letters', true);

export function keyHints(): KeyHint[] {
  return [...registry].flat();
}

export function useLetters() {
  return lettersOn;
}

/** Answers these keys until the calling component goes; where `on` is given, only while it says so. */
export function useKeys(hints: readonly KeyHint[], on: () => boolean = () => true): void {
  watch(on, (active) => (active ? registry.add(hints) : registry.delete(hints)), {
    immediate: true,
    flush: 'sync',
  });
  onScopeDispose(() => registry.delete(hints));
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
      (element?.matches?.('[role=radio], [role=tab], [role=slider], input, select, [role=option]') ?? false))
  );
}

/** Mounted once by the application. */
export function listenToKeys(): void {
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.defaultPrevented || document.querySelector('.modal.show')) return;
    const spelled = spell(event);
    const single = event.key.length === 1 && !event.ctrlKey && !event.altKey && !event.metaKey;
    if (inField(event.target) && (single || !event.altKey)) return;
    if (single && event.key !== ' ' && event.key !== '?' && !lettersOn.value) return;
    if (controlAnswers(event)) return;
    const wanted = spelled.toLowerCase();
    const found = keyHints()
      .reverse()
      .find((hint) => hint.key.toLowerCase() === wanted);
    if (!found) return;
    event.preventDefault();
    found.run(event);
  });
}
