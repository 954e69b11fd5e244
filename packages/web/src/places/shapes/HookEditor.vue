<script setup lang="ts">
/** A teacher's own hook on a grip, or on the change to it: a nickname and a small picture, shown to whoever gets it. */
import { routes, type Hook } from '@finch/contract';
import { BButton, BFormInput } from 'bootstrap-vue-next';
import { ref, watch } from 'vue';
import DraftNote from '../../furniture/DraftNote.vue';
import { useDraft } from '../../session/use-draft';
import { sayError } from '../../words';
import HookTag from '../../instruments/HookTag.vue';
import { call } from '../../session/api';
import { useSeat } from '../../session/seat';
import { smallPicture } from './small-picture';

const props = defineProps<{ subject: string; what: string; hook: Hook | null }>();
const emit = defineEmits<{ kept: [] }>();
const typed = ref<{ nickname: string; picture: string | null }>({ nickname: '', picture: null });
const draft = useDraft({
  key: () => `hook:${props.subject}`,
  value: typed,
  kept: () => ({ nickname: props.hook?.nickname ?? '', picture: props.hook?.picture ?? null }),
});
const seat = useSeat();
const KEPT = { studio: 'Kept; whoever gets this sees it.', own: 'Kept.' };
const said = ref('');
const trouble = ref('');
watch(
  () => props.subject,
  () => (said.value = trouble.value = ''),
);
async function pick(event: Event) {
  const [file] = (event.target as HTMLInputElement).files ?? [];
  if (!file) return;
  trouble.value = '';
  try {
    typed.value.picture = await smallPicture(file);
  } catch (problem) {
    trouble.value = (problem as Error).message;
  }
}
async function keep(given: { nickname: string; picture: string | null }) {
  trouble.value = '';
  try {
    await call(routes.keepHook, {
      body: { subject: props.subject, ...given, version: props.hook?.version ?? 0 },
    });
    if (!given.nickname && !given.picture) draft.drop();
    said.value =
      given.nickname || given.picture ? KEPT[seat.has('teacher', 'owner') ? 'studio' : 'own'] : 'Taken away.';
  } catch (problem) {
    trouble.value = sayError(problem);
  }
  emit('kept');
}
</script>

<template>
  <form class="hook-editor" @submit.prevent="keep(typed)">
    <DraftNote :draft="draft" />
    <h2>Your own hook on {{ what }}</h2>
    <div class="hook-fields">
      <label
        >Nickname<BFormInput
          v-model="typed.nickname"
          size="sm"
          maxlength="60"
          placeholder="the ladder, the claw…"
      /></label>
      <label
        >Picture<input
          class="form-control form-control-sm"
          type="file"
          accept="image/png,image/jpeg,image/webp"
          @change="pick"
      /></label>
    </div>
    <HookTag v-if="typed.nickname || typed.picture" :hook="typed" />
    <div class="hook-acts">
      <BButton
        type="submit"
        size="sm"
        variant="outline-secondary"
        :disabled="!typed.nickname.trim() && !typed.picture"
        >Keep hook</BButton
      >
      <BButton v-if="typed.picture" size="sm" variant="link" @click="typed.picture = null"
        >No picture</BButton
      >
      <BButton v-if="hook" size="sm" variant="link" @click="keep({ nickname: '', picture: null })"
        >Take it away</BButton
      >
      <span class="small" role="status">{{ said }}</span>
    </div>
    <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
  </form>
</template>

<style scoped>
.hook-editor {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  border-top: 1px solid var(--line);
  padding-top: var(--space-2);
}
.hook-editor h2 {
  font-size: var(--size-3);
}
.hook-fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-2);
  font-size: var(--size-1);
  color: var(--ink2);
}
.hook-acts {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}
</style>
