<script setup lang="ts">
/** The key in hand: its tonic, its kind, triads or sevenths, and how its degrees are numbered. */
import { BFormSelect } from 'bootstrap-vue-next';
import { noteText } from '@finch/core/theory';
import { computed, useTemplateRef, type ComponentPublicInstance } from 'vue';
import { chordText } from '../../words';
import { KEY_KINDS, SCHOOLS, tonicsOf, type useKeyInHand } from './use-key';

const props = defineProps<{ inHand: ReturnType<typeof useKeyInHand> }>();
const { key, refused, sevenths, school } = props.inHand;
const kinds: readonly { value: string; text: string }[] = KEY_KINDS.map((one) => ({ value: one, text: one }));
const tonics = computed(() =>
  tonicsOf(key.value.kind).map((one) => ({
    value: one.name,
    text: `${chordText(noteText(one.tonic))}${signs(one.fifths)}`,
  })),
);
const signs = (fifths: number) => (fifths === 0 ? '' : `, ${Math.abs(fifths)} ${fifths < 0 ? '♭' : '♯'}`);
const name = computed({ get: () => key.value.name, set: (to) => props.inHand.take(to) });
const kind = computed<string>({ get: () => key.value.kind, set: (to) => props.inHand.takeKind(to) });
const tonic = useTemplateRef<ComponentPublicInstance>('tonic');
defineExpose({ focus: () => (tonic.value?.$el as HTMLElement | undefined)?.focus() });
</script>

<template>
  <div class="key-bar">
    <BFormSelect ref="tonic" v-model="name" class="tonic" aria-label="Tonic" :options="tonics" />
    <BFormSelect v-model="kind" class="kind" aria-label="Kind of key" :options="kinds" />
    <label class="small sevenths"><input v-model="sevenths" type="checkbox" /> Sevenths</label>
    <BFormSelect
      v-model="school"
      class="school"
      aria-label="How degrees are numbered"
      :options="SCHOOLS.map((one) => ({ value: one.id, text: one.name }))"
    />
    <p v-if="refused" class="refusal" role="alert">
      {{ chordText(refused.name) }} is no key: it would need more than seven signs, or is not one we know.
      <button type="button" class="btn btn-link" @click="inHand.take(refused.instead)">
        Take {{ chordText(refused.instead) }}
      </button>
    </p>
  </div>
</template>

<style scoped>
.key-bar {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}
.tonic {
  width: 96px;
}
.kind {
  width: 152px;
}
.school {
  width: 112px;
}
.sevenths {
  display: flex;
  gap: var(--space-1);
  align-items: center;
  min-height: 32px;
  color: var(--ink);
}
.refusal {
  flex: 1 0 100%;
}
@media (pointer: coarse) {
  .key-bar :is(select, .sevenths) {
    min-height: 44px;
  }
}
</style>
