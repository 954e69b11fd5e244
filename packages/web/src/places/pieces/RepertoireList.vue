<script setup lang="ts">
/** The studio's pieces by name, those with a concert first, and the ways to make another. */
import { parseISO } from 'date-fns';
import { BButton } from 'bootstrap-vue-next';
import { ref, watch } from 'vue';
import BothVersions from '../../furniture/BothVersions.vue';
import { chordText } from '../../words';
import { NEW_CHART } from './listed';
import type { PieceBench } from './use-piece-bench';

const props = defineProps<{ bench: PieceBench }>();
const { pieces, at, open, keeping, dialogs, bringBack } = props.bench;
const { said, undo, trouble } = keeping;
const { is, edit } = dialogs;
const rows = new Map<string, Element>();
const hold = (id: string) => (row: unknown) => row instanceof Element && rows.set(id, row);
/** A piece that was brought back has the focus once its row is the one shown. */
const returning = ref<string | null>(null);
watch(
  [at, returning],
  ([now, id]) => {
    const shown = pieces.value[now]?.body.id ?? '';
    const row = rows.get(shown);
    row?.scrollIntoView({ block: 'nearest' });
    if (shown !== id) return;
    row?.querySelector('button')?.focus();
    returning.value = null;
  },
  { flush: 'post' },
);
const back = async () => (returning.value = await bringBack());
const day = (iso: string) => parseISO(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' });
</script>

<template>
  <nav class="sheet scroll repertoire" aria-label="Repertoire" tabindex="0">
    <div class="spread">
      <h2>Repertoire</h2>
      <span class="small">{{ pieces.length }}</span>
    </div>
    <ul>
      <li v-for="(one, i) in pieces" :key="one.body.id" :ref="hold(one.body.id)">
        <button type="button" :aria-current="i === at ? 'true' : undefined" @click="open(one.body.id)">
          <b class="display">{{ one.piece.title }}</b>
          <small
            >{{ chordText(one.piece.key.replace(' major', '').replace(' minor', 'm')) }} ·
            {{ one.piece.tempoBpm }}<template v-if="!one.body.mayChange"> · the studio’s</template
            ><template v-if="one.body.concert">
              · <b>{{ day(one.body.concert.day) }}</b></template
            ></small
          >
        </button>
      </li>
    </ul>
    <BButton variant="outline-secondary" size="sm" @click="edit(NEW_CHART)">Type a chart</BButton>
    <BButton variant="outline-secondary" size="sm" @click="is.ruling = true">Make one by rule</BButton>
    <p v-if="said" class="note" role="status">
      {{ said }}
      <BButton v-if="undo" size="sm" variant="link" @click="back">Undo</BButton>
    </p>
    <BothVersions v-if="!is.editing && !is.staging" :keeping="keeping.versions" />
    <p v-if="trouble && !is.editing" class="refusal" role="alert">{{ trouble }}</p>
  </nav>
</template>

<style scoped>
.repertoire button:not(.btn) {
  width: 100%;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--line);
  color: var(--ink);
  text-align: left;
  padding: var(--space-2) var(--space-2);
}
.repertoire [aria-current='true'] {
  background: var(--wash-crown) !important;
}
.repertoire .display {
  font-size: var(--size-4);
  display: block;
}
.repertoire small b {
  white-space: nowrap;
}
.repertoire small {
  font-size: var(--size-1);
  color: var(--ink2);
}
.repertoire .btn {
  margin: var(--space-2) var(--space-2) 0 0;
}
@media (max-width: 820px) {
  .repertoire ul {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 var(--space-3);
  }
}
</style>
