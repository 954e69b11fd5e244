<script setup lang="ts">
/** An address that is no place: says which, and leads home. */
import { BButton } from 'bootstrap-vue-next';
import { computed, onMounted, useTemplateRef } from 'vue';
import { RouterLink, useRoute, useRouter } from 'vue-router';
import { useSeat } from '../../session/seat';

const LONGEST = 60;
const route = useRoute();
const router = useRouter();
const seat = useSeat();
const asked = computed(() => (route.path.length > LONGEST ? `${route.path.slice(0, LONGEST)}…` : route.path));
const heading = useTemplateRef<HTMLElement>('heading');
onMounted(() => heading.value?.focus());
</script>

<template>
  <section class="sheet lost">
    <h1 ref="heading" class="display" tabindex="-1">Nothing is at this address</h1>
    <p>
      <code>{{ asked }}</code> is no place here. A letter may be wrong, or what stood there was taken away.
    </p>
    <p class="acts">
      <RouterLink class="btn btn-dark pri" to="/">{{ seat.seat ? 'Go home' : 'Sit down' }}</RouterLink>
      <BButton variant="outline-secondary" @click="router.back()">Back to where you were</BButton>
    </p>
  </section>
</template>

<style scoped>
.lost {
  max-width: 640px;
  margin: var(--space-5) auto;
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
h1 {
  font-size: var(--size-6);
}
code {
  color: inherit;
  font-family: var(--mono);
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
</style>
