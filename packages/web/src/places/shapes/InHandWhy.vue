<script setup lang="ts">
/** Why the grip in hand is as hard as it is: its parts, the heaviest first, and the limit of the hand. */
import { pointsOf, type Effort } from '@finch/core/effort';
import { computed } from 'vue';
import { PART_WORDS, say } from '../../words';
import { PART_CATEGORY } from '../../instruments/categories';
import PurflingBar from '../../instruments/PurflingBar.vue';

const props = defineProps<{ effort: Effort; limit: number | null }>();
const strips = computed(() =>
  props.effort.parts
    .filter((part) => part.points >= 0.05)
    .sort((a, b) => b.points - a.points)
    .map((part) => ({
      name: PART_WORDS[part.name],
      value: part.points,
      category: PART_CATEGORY[part.name],
      why: say(part.why),
    })),
);
const limitPoints = computed(() => (props.limit === null ? null : pointsOf(props.limit)));
</script>

<template>
  <div class="why">
    <PurflingBar
      :strips="strips"
      :total="Math.max(effort.points, limitPoints ?? 0) * 1.12"
      :pointer="limitPoints"
      :pointer-text="limitPoints === null ? '' : `limit ${Math.round(limitPoints)} points, grade ${limit}`"
      unit="points"
    />
    <table class="parts">
      <tbody>
        <tr v-for="strip in strips" :key="strip.name">
          <td>
            <svg width="16" height="13" aria-hidden="true">
              <rect width="16" height="13" :fill="`url(#cat-${strip.category})`" />
            </svg>
          </td>
          <th scope="row">{{ strip.name }}</th>
          <td>{{ strip.why }}</td>
          <td class="num">{{ strip.value.toFixed(1) }}</td>
        </tr>
        <tr class="sum">
          <td />
          <th scope="row">Sum</th>
          <td>
            grade 100 (1 − e<sup>−{{ Math.round(effort.points) }}/60</sup>) = {{ Math.round(effort.total) }}
          </td>
          <td class="num">{{ effort.points.toFixed(1) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.parts {
  font-size: var(--size-2);
  width: 100%;
}
.parts th {
  padding: 1px var(--space-2) 1px var(--space-2);
  font-weight: 700;
  text-align: left;
  vertical-align: top;
}
.parts td {
  padding: 1px 0;
  vertical-align: top;
}
.parts td.num {
  text-align: right;
}
.parts .sum td,
.parts .sum th {
  border-top: 1px solid var(--line);
  padding-top: var(--space-1);
}
.why {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
</style>
