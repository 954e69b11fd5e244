<script setup lang="ts">
/** Square pegs on a bench line; the one that sounds is taller and yellow. */
withDefaults(defineProps<{ beats: number; beat: number | null; large?: boolean }>(), { large: false });
</script>

<template>
  <div
    class="pegs"
    :class="{ large }"
    role="img"
    :aria-label="
      beat === null ? `${beats} beats, silent` : `beat ${((beat + beats * 4) % beats) + 1} of ${beats}`
    "
  >
    <span
      v-for="i in beats"
      :key="i"
      :class="{
        now: beat !== null && (beat + beats * 4) % beats === i - 1,
        past: beat !== null && i - 1 < (beat + beats * 4) % beats,
      }"
      >{{ i }}</span
    >
  </div>
</template>

<style scoped>
.pegs {
  display: inline-flex;
  align-items: flex-end;
  gap: var(--space-3);
  border-bottom: 3px solid var(--ink);
  padding: 0 var(--space-2);
  height: 62px;
}
.pegs span {
  width: 30px;
  height: 46px;
  display: grid;
  place-items: center;
  border: 2px solid var(--line-strong);
  border-bottom: 0;
  font-weight: 700;
  color: var(--ink2);
  background: var(--sheet);
}
.pegs span.past {
  background: var(--ink);
  color: var(--sheet);
  border-color: var(--ink);
}
.pegs span.now {
  height: 60px;
  background: var(--wingbar);
  color: var(--on-wingbar);
  border-color: var(--ink);
}
.pegs.large {
  height: 84px;
  gap: var(--space-4);
}
.pegs.large span {
  width: 40px;
  height: 58px;
  font-size: 28px;
}
.pegs.large span.now {
  height: 82px;
  width: 46px;
}
</style>
