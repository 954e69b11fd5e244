<script setup lang="ts">
/** A teacher's own hook: a nickname, a small picture, or both. */
import type { Hook } from '@finch/contract';

defineProps<{ hook: Pick<Hook, 'nickname' | 'picture'> }>();
</script>

<template>
  <p class="hook">
    <img v-if="hook.picture" :src="hook.picture" :alt="hook.nickname ? '' : 'a picture from your teacher'" />
    <span v-if="hook.nickname">“{{ hook.nickname }}”</span>
  </p>
</template>

<style scoped>
.hook {
  display: inline-flex;
  align-items: center;
  gap: var(--space-2);
  font-size: 15.5px;
  color: var(--ink2);
  margin: 0;
}
.hook img {
  height: 44px;
  max-width: 88px;
  object-fit: contain;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: var(--sheet);
}
</style>
