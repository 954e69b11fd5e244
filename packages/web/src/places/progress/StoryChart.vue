<script setup lang="ts">
/** The story of one student, strand by strand, with what happened on the way; the same as a table. */
import type { StudentBody } from '@finch/contract';
import { strandStories, type StoryPoint } from '@finch/core/mastery';
import { computed } from 'vue';
import { useSyllabus } from '../../session/queries';
import { shortDate, whole } from '../../words';
import { STORY, storyDrawing, storyFrom, storyMoments } from './story-drawing';

const props = defineProps<{ student: StudentBody; now: number; asTable: boolean }>();
const { data: syllabus } = useSyllabus();
const stories = computed(() => {
  if (!syllabus.value) return [];
  const strandOf = new Map(syllabus.value.skills.map(({ id, strand }) => [id, strand]));
  const strands = syllabus.value.strands.map(({ id }) => id);
  return strandStories(props.student.skills, strands, strandOf, props.now);
});
const nameOf = (strandId: string) =>
  syllabus.value?.strands.find(({ id }) => id === strandId)?.name ?? strandId;
const from = computed(() => storyFrom(stories.value, props.now));
const drawn = computed(() => storyDrawing(stories.value, from.value, props.now));
/** What was written a moment after the clock was read stands at its edge. */
const xOf = (at: number) => drawn.value.x(Math.min(at, props.now));
const moments = computed(() => storyMoments(props.student, from.value));
const stops = computed(() =>
  props.student.stops.flatMap(({ from: start, to }) => {
    const end = to ?? props.now;
    if (end < from.value) return [];
    const left = drawn.value.x(Math.max(start, from.value));
    return [{ left, width: Math.max(2, drawn.value.x(end) - left) }];
  }),
);
const last = (points: readonly StoryPoint[]) => points[points.length - 1];
const FOUR_WEEKS_MS = 28 * 86_400_000;
const earlier = (points: readonly StoryPoint[]) =>
  points.findLast(({ at }) => at <= props.now - FOUR_WEEKS_MS)?.mean ?? null;
const best = (points: readonly StoryPoint[]) => Math.max(...points.map(({ mean }) => mean));
</script>

<template>
  <p v-if="!syllabus" class="empty" role="status">Reading the story…</p>
  <p v-else-if="!stories.length" class="empty">Nothing was met yet. The first take begins the story.</p>
  <table v-else-if="asTable" class="as-list">
    <thead>
      <tr>
        <th scope="col">Strand</th>
        <th scope="col">Met</th>
        <th scope="col">Now</th>
        <th scope="col">80 % sure</th>
        <th scope="col">Four weeks ago</th>
        <th scope="col">Best</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="one in stories" :key="one.strandId">
        <th scope="row">{{ nameOf(one.strandId) }}</th>
        <td data-label="met">{{ one.met }}</td>
        <td data-label="now">
          <b>{{ whole(last(one.points).mean) }}</b>
        </td>
        <td data-label="80 % sure">
          {{ whole(last(one.points).low) }} to {{ whole(last(one.points).high) }}
        </td>
        <td data-label="four weeks ago">
          {{ earlier(one.points) === null ? 'not met' : whole(earlier(one.points) ?? 0) }}
        </td>
        <td data-label="best">{{ whole(best(one.points)) }}</td>
      </tr>
    </tbody>
  </table>
  <template v-else>
    <div class="drawing">
      <svg
        role="img"
        :aria-label="
          stories.map((one) => `${nameOf(one.strandId)}: ${whole(last(one.points).mean)}`).join(', ')
        "
        :viewBox="`0 0 ${STORY.width} ${drawn.height}`"
        width="100%"
      >
        <rect
          v-for="(stop, i) in stops"
          :key="`stop ${i}`"
          :x="stop.left"
          :y="STORY.top"
          :width="stop.width"
          :height="drawn.height - STORY.top - STORY.foot"
          fill="var(--wash-breast)"
        />
        <g v-for="(one, i) in drawn.rows" :key="one.strandId">
          <path :d="`M0 ${one.y}H${STORY.width}`" stroke="var(--line)" />
          <path :d="one.band" fill="var(--m2)" opacity="0.75" />
          <path
            :d="`M${STORY.label} ${one.clean}H${STORY.width - 10}`"
            stroke="var(--ink3)"
            stroke-dasharray="5 4"
          />
          <path :d="one.line" fill="none" stroke="var(--crown)" stroke-width="2" />
          <path
            v-if="one.begun !== null"
            :d="`M${one.begun} ${one.y + 3}v${STORY.row - 6}`"
            stroke="var(--ink)"
          />
          <text :x="0" :y="one.y + 20" class="name">{{ nameOf(one.strandId) }}</text>
          <text :x="STORY.label - 10" :y="one.y + 20" text-anchor="end" class="number">
            {{ whole(last(stories[i].points).mean) }}
          </text>
        </g>
        <g v-for="(moment, i) in moments" :key="`${moment.at} ${moment.words}`">
          <path
            :d="`M${xOf(moment.at)} ${STORY.top - 8}V${drawn.height - STORY.foot}`"
            stroke="var(--ink2)"
            stroke-dasharray="1.5 3"
          />
          <rect :x="xOf(moment.at) - 7" :y="STORY.top - 23" width="14" height="15" fill="var(--ink)" />
          <text :x="xOf(moment.at)" :y="STORY.top - 11" text-anchor="middle" class="count">
            {{ i + 1 }}
          </text>
        </g>
        <path
          :d="`M${drawn.x(now)} ${STORY.top}V${drawn.height - STORY.foot}`"
          stroke="var(--wingbar)"
          stroke-width="4"
        />
        <text
          v-for="tick in drawn.ticks"
          :key="tick.ago"
          :x="tick.x"
          :y="drawn.height - 6"
          :text-anchor="tick.ago === 0 ? 'end' : 'middle'"
        >
          {{ tick.ago === 0 ? 'now' : `${tick.ago} wk ago` }}
        </text>
      </svg>
    </div>
    <p class="note">
      <span v-for="(moment, i) in moments" :key="`${moment.at} ${moment.words}`" class="moment"
        ><b>{{ i + 1 }}</b> {{ shortDate(moment.at) }}: {{ moment.words }}</span
      >
    </p>
    <p class="small">
      band: 80 % sure · dashes: clean from 80 · upright line: begun here<template v-if="stops.length">
        · shaded: no playing, for pain</template
      >
    </p>
  </template>
</template>

<style scoped>
svg {
  display: block;
}
text {
  font-size: var(--size-1);
  fill: var(--ink2);
}
.name {
  font-size: var(--size-1);
  fill: var(--ink);
}
.number {
  font-weight: 700;
  font-size: var(--size-2);
  fill: var(--ink);
}
.count {
  fill: var(--sheet);
  font-weight: 700;
}
.moment {
  margin-right: var(--space-3);
  white-space: nowrap;
}
table {
  width: 100%;
  font-size: var(--size-2);
}
td,
th {
  padding: var(--space-1) var(--space-2) var(--space-1) 0;
  border-top: 1px solid var(--line);
}
@media (max-width: 600px) {
  .drawing {
    overflow-x: auto;
  }
  svg {
    min-width: 560px;
  }
}
</style>
