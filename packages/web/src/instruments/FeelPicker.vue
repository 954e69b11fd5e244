<script setup lang="ts">
/** How the hand feels: easy, tense, pain; pain asks where and on which side. Silence stays silence. */
import { PAIN_PLACES, type Feel, type PainPlace } from '@finch/core/drills';
import { nextTick, ref, useTemplateRef, watch } from 'vue';

const props = withDefaults(defineProps<{ modelValue: Feel | null; large?: boolean }>(), { large: false });
const emit = defineEmits<{ 'update:modelValue': [feel: Feel | null] }>();
const side = ref<'left' | 'right' | 'both'>('left');
const asking = ref(props.modelValue?.hand === 'pain');
watch(
  () => props.modelValue,
  (feel) => (asking.value = feel?.hand === 'pain'),
);
const words = { easy: 'loose', tense: 'tired or stiff', pain: 'stop' };
function pick(hand: 'easy' | 'tense' | 'pain') {
  asking.value = hand === 'pain';
  if (hand !== 'pain') emit('update:modelValue', { hand });
}
function place(where: PainPlace, skinBroken = false) {
  emit('update:modelValue', {
    hand: 'pain',
    where,
    side: side.value,
    ...(where === 'fingertip skin' ? { skinBroken } : {}),
  });
}
/** Arrow keys walk a group of choices as they do among radio buttons. */
function walk(event: KeyboardEvent) {
  const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
  const group = event.currentTarget as HTMLElement;
  const choices = [...group.querySelectorAll<HTMLElement>('[role=radio]')];
  const at = choices.indexOf(event.target as HTMLElement);
  if (by === undefined || at < 0) return;
  event.preventDefault();
  choices[(at + by + choices.length) % choices.length].focus();
}
const root = useTemplateRef<HTMLElement>('root');
const first = () => root.value?.querySelector<HTMLElement>('[role=radio]')?.focus();
defineExpose({
  focus: first,
  /** Pain: asks where, and puts the focus on the first place. */
  askWhere: async () => {
    pick('pain');
    await nextTick();
    root.value?.querySelector<HTMLElement>('.places [role=radio]')?.focus();
  },
});
const chosen = (where: PainPlace, broken = false) =>
  props.modelValue?.hand === 'pain' &&
  props.modelValue.where === where &&
  (props.modelValue.skinBroken ?? false) === broken;
</script>

<template>
  <div ref="root" class="feel" :class="{ large }">
    <div class="three" role="radiogroup" aria-label="How does the hand feel?" @keydown="walk">
      <button
        v-for="hand in ['easy', 'tense', 'pain'] as const"
        :key="hand"
        type="button"
        role="radio"
        :aria-checked="hand === 'pain' ? asking : modelValue?.hand === hand && !asking"
        @click="pick(hand)"
      >
        <b>{{ hand }}</b><small v-if="!large">{{ words[hand] }}</small>
      </button>
    </div>
    <div v-if="asking" class="where">
      <div class="sides" role="radiogroup" aria-label="Which side?" @keydown="walk">
        <span class="small">Where does it hurt, and which side?</span>
        <button
          v-for="one in ['left', 'right', 'both'] as const"
          :key="one"
          type="button"
          role="radio"
          :aria-checked="side === one"
          @click="side = one"
        >
          {{ one }}
        </button>
      </div>
      <div class="places" role="radiogroup" aria-label="Where does it hurt?" @keydown="walk">
        <button
          type="button"
          role="radio"
          :aria-checked="chosen('fingertip skin')"
          @click="place('fingertip skin')"
        >
          fingertip skin
        </button>
        <button
          type="button"
          role="radio"
          :aria-checked="chosen('fingertip skin', true)"
          @click="place('fingertip skin', true)"
        >
          skin open
        </button>
        <button
          v-for="where in PAIN_PLACES.slice(1)"
          :key="where"
          type="button"
          role="radio"
          :aria-checked="chosen(where)"
          @click="place(where)"
        >
          {{ where }}
        </button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.feel button {
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line-strong);
  border-radius: 0;
  min-height: 44px;
}
.feel .three {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
}
.feel .three button {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  margin-left: -1px;
  font-size: 15.5px;
  line-height: 1.15;
}
.feel .three small {
  font-size: 12.5px;
  color: var(--ink3);
}
.feel [aria-checked='true'] {
  background: var(--wash-crown);
  box-shadow: inset 0 -4px 0 var(--crown);
}
.feel .places {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(88px, 1fr));
}
.feel .places button,
.feel .sides button {
  font-size: 14px;
  margin: -1px 0 0 -1px;
}
.feel .sides {
  display: flex;
  align-items: center;
  gap: var(--space-2);
  margin: var(--space-2) 0;
}
.feel .sides button {
  min-height: 32px;
  padding: 0 var(--space-2);
  border-radius: 3px;
  margin: 0;
}
.feel.large .three button {
  min-height: 54px;
  font-size: 28px;
  font-weight: 400;
}
.feel.large .three b {
  font-weight: 500;
}
</style>
