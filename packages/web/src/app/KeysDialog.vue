<script setup lang="ts">
/** Every key of the house: those that are answered here and now first, then place by place. */
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import HouseDialog from '../furniture/HouseDialog.vue';
import { useSeat } from '../session/seat';
import { KEY_PLACES, KEY_TABLE, keyText, type KeyEntry, type KeyPlace } from './key-table';
import { answered, useLetters } from './keys';

const open = defineModel<boolean>({ required: true });
const letters = useLetters();
const seat = useSeat();
const router = useRouter();
/** What is no place of its own is read where it stands. */
const WITH: Partial<Record<KeyPlace, KeyPlace>> = { firstDay: 'board', todaysLessons: 'plan' };
function mayEnter(place: KeyPlace): boolean {
  const name = WITH[place] ?? place;
  const roles = router.getRoutes().find((route) => route.name === name)?.meta.roles;
  return !roles || roles.some((role) => seat.seat?.roles.includes(role));
}
const groups = computed(() => {
  const here = [...new Set(answered().map((one) => one.place))];
  const places = Object.keys(KEY_TABLE) as KeyPlace[];
  const rank = (place: KeyPlace) => (place === 'house' ? 1 : here.includes(place) ? 0 : 2);
  return places
    .filter((place) => here.includes(place) || mayEnter(place))
    .sort((a, b) => rank(a) - rank(b))
    .map((place) => ({
      place,
      name: `${KEY_PLACES[place]}${rank(place) === 0 ? ', here' : ''}`,
      entries: Object.values(KEY_TABLE[place]) as KeyEntry[],
    }));
});
</script>

<template>
  <HouseDialog v-model="open" title="All keys" size="xl" scrollable>
    <label class="note letters"><input v-model="letters" type="checkbox" /> Single letters act as keys</label>
    <div class="groups">
      <section v-for="group in groups" :key="group.place">
        <h2>{{ group.name }}</h2>
        <dl>
          <template v-for="entry in group.entries" :key="entry.does"
            ><dt>
              <kbd>{{ keyText(entry) }}</kbd>
            </dt>
            <dd>{{ entry.does }}</dd></template
          >
        </dl>
      </section>
    </div>
  </HouseDialog>
</template>

<style scoped>
.groups {
  columns: 3 240px;
  column-gap: var(--space-5);
}
section {
  break-inside: avoid;
  margin-bottom: var(--space-4);
}
h2 {
  border-bottom: 1px solid var(--line);
  padding-bottom: var(--space-1);
  margin-bottom: var(--space-1);
}
dl {
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: var(--space-1) var(--space-2);
  font-size: var(--size-2);
}
dd {
  margin: 0;
}
.letters {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  margin-bottom: var(--space-3);
}
</style>
