<script setup lang="ts">
/** Who needs the teacher: what slipped, who hurts, who is stuck, what is too hard for a hand. */
import type { BoardBody } from '@finch/contract';
import ShimMark from '../../instruments/ShimMark.vue';
import { nameChord, plural, whole } from '../../words';

defineProps<{ board: BoardBody }>();
const emit = defineEmits<{ open: [studentId: string] }>();
const first = (name: string) => name.split(' ')[0];
const SHOWN = 4;
</script>

<template>
  <section class="sheet care" aria-label="Who needs you">
    <div>
      <h2>Slipping, was clean</h2>
      <p v-if="!board.slipping.length" class="empty">Nothing is slipping.</p>
      <ul>
        <li v-for="one in board.slipping.slice(0, SHOWN)" :key="one.studentId + one.skill">
          <button type="button" @click="emit('open', one.studentId)">
            <b>{{ first(one.name) }}</b> {{ one.skill }}</button
          ><span class="note"
            >{{ whole(one.was) }} to {{ whole(one.now) }} in {{ plural(one.days, 'day') }}</span
          >
        </li>
      </ul>
    </div>
    <div>
      <template v-if="board.hurting.length">
        <h2>In pain</h2>
        <ul>
          <li v-for="one in board.hurting" :key="one.studentId">
            <button type="button" @click="emit('open', one.studentId)">
              <b>{{ first(one.name) }}</b> {{ one.pain.where }}</button
            ><span class="tag over">{{ one.pain.status }}</span>
          </li>
        </ul>
      </template>
      <h2>Stuck</h2>
      <p v-if="!board.stuck.length" class="empty">Nobody is stuck.</p>
      <ul>
        <li
          v-for="one in board.stuck.slice(0, Math.max(1, SHOWN - 1 - board.hurting.length))"
          :key="one.studentId + one.skill"
        >
          <button type="button" @click="emit('open', one.studentId)">
            <b>{{ first(one.name) }}</b> {{ one.skill }}</button
          ><span class="note">{{ whole(one.now) }} after {{ plural(one.takes, 'take') }}</span>
        </li>
      </ul>
    </div>
    <div>
      <h2>Too hard for the hand</h2>
      <p v-if="!board.tooHard.length" class="empty">
        {{ board.gradesComing ? 'Grips are being graded…' : 'Nothing begun is over a limit.' }}
      </p>
      <ul>
        <li v-for="one in board.tooHard.slice(0, SHOWN)" :key="one.studentId">
          <button type="button" @click="emit('open', one.studentId)">
            <b>{{ first(one.name) }}</b> {{ nameChord(one.chord) }}</button
          ><span
            :title="`Effort ${Math.round(one.effort)}; the limit of this hand is ${Math.round(one.limit)}`"
            ><ShimMark :effort="one.effort" :limit="one.limit" /> <b>{{ Math.round(one.effort) }}</b></span
          >
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.care {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: var(--space-5);
  min-height: 150px;
}
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0 var(--space-2);
  align-items: center;
  padding: var(--space-1) 0;
  border-top: 1px solid var(--line);
}
ul {
  margin-top: var(--space-1);
}
ul + h2 {
  margin-top: var(--space-2);
}
button {
  background: none;
  border: 0;
  padding: 0;
  color: var(--ink);
  font-size: var(--size-2);
  text-align: left;
  min-height: 24px;
  min-width: 44px;
  overflow-wrap: anywhere;
}
.note {
  white-space: nowrap;
}
@media (max-width: 991px) {
  .care {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (pointer: coarse) {
  button {
    min-height: 44px;
  }
}
</style>
