<script setup lang="ts">
/** A week at a glance: days across, hours down, lessons as blocks; on a phone the days under each other. */
import { BButton } from 'bootstrap-vue-next';
import BookDialog from '../../furniture/BookDialog.vue';
import { dayText, sayError, timeText } from '../../words';
import { useWeek } from './use-week';
import { laneOf } from './week-grid';

const week = useWeek();
const { zone, weeks, days, data, error, isPending, refetch, people, span, hours, booking, chosen, from } =
  week;
const { lessonsOf, isToday, book, change, nextHour } = week;
const WORDS = {
  booked: '',
  running: 'under way',
  taught: 'to write up',
  written: 'written up',
  cancelled: 'cancelled',
} as const;
</script>

<template>
  <section class="sheet week">
    <div class="head">
      <h1 class="h2like" tabindex="-1">
        {{ dayText(days[0].getTime(), zone) }} to {{ dayText(days[6].getTime(), zone) }}
      </h1>
      <div class="acts">
        <BButton variant="outline-secondary" aria-label="Week before" @click="weeks -= 1">←</BButton>
        <BButton variant="outline-secondary" :disabled="weeks === 0" @click="weeks = 0">This week</BButton>
        <BButton variant="outline-secondary" aria-label="Next week" @click="weeks += 1">→</BButton>
        <BButton class="pri" variant="dark" :disabled="!people.length" @click="book(nextHour())"
          >Book a lesson</BButton
        >
      </div>
    </div>
    <p v-if="error" class="refusal" role="alert">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="isPending" class="empty" role="status">Reading the week…</p>
    <p v-else-if="!data?.lessons.length" class="empty">No lesson is booked in this week.</p>
    <div class="grid scroll" :style="{ '--hours': hours.length }">
      <ol class="hours" aria-hidden="true">
        <li v-for="hour in hours" :key="hour">{{ String(hour).padStart(2, '0') }}:00</li>
      </ol>
      <section v-for="i in 7" :key="i" class="day" :aria-label="dayText(days[i - 1].getTime(), zone)">
        <h2 :class="{ today: isToday(i - 1) }">{{ dayText(days[i - 1].getTime(), zone) }}</h2>
        <ol class="lessons">
          <li
            v-for="lesson in lessonsOf(i - 1)"
            :key="lesson.id"
            :style="laneOf(lesson, lessonsOf(i - 1), span, zone)"
          >
            <button type="button" :class="lesson.state" @click="change(lesson)">
              <b :title="lesson.name">{{ lesson.name }}</b>
              <small :title="WORDS[lesson.state]">{{
                [timeText(lesson.startsAt, zone), WORDS[lesson.state] || `${lesson.minutes} min`]
                  .filter(Boolean)
                  .join(' · ')
              }}</small>
            </button>
          </li>
        </ol>
        <p v-if="data && !lessonsOf(i - 1).length" class="none small">no lesson</p>
      </section>
    </div>
    <BookDialog
      v-model="booking"
      :people="chosen ? [{ id: chosen.studentId, name: chosen.name }] : people"
      :lesson="chosen ? { ...chosen, inSeries: true } : null"
      :zone="zone"
      :from="from"
    />
  </section>
</template>

<style scoped>
.week {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: var(--space-2);
}
.acts {
  display: flex;
  gap: var(--space-2);
  flex-wrap: wrap;
}
.grid {
  flex: 1;
  min-height: 300px;
  display: grid;
  grid-template-columns: 52px repeat(7, minmax(0, 1fr));
}
.hours {
  padding-top: var(--space-6);
}
.hours li {
  height: 84px;
  font-family: var(--mono);
  font-size: var(--size-1);
  color: var(--ink3);
}
.day {
  border-left: 1px solid var(--line);
  min-width: 0;
}
.day h2 {
  height: 30px;
  padding: var(--space-1) var(--space-2);
  font-size: var(--size-2);
  position: sticky;
  top: 0;
  background: var(--sheet);
  z-index: 1;
  white-space: nowrap;
  overflow: hidden;
}
.day h2.today {
  box-shadow: inset 0 -4px 0 var(--wingbar);
}
.lessons {
  position: relative;
  height: calc(var(--hours) * 84px);
  background: repeating-linear-gradient(var(--line) 0 1px, transparent 1px 84px);
}
.lessons li {
  position: absolute;
  padding: 1px 2px;
}
.lessons button {
  width: 100%;
  height: 100%;
  overflow: hidden;
  text-align: left;
  display: block;
  padding: 2px var(--space-2);
  border: 1px solid var(--crown);
  border-radius: 3px;
  background: var(--wash-crown);
  color: var(--ink);
  font-size: var(--size-2);
  line-height: 1.2;
}
.lessons b,
.lessons small {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.lessons small {
  font-size: var(--size-1);
  color: var(--ink2);
}
.lessons button:is(.written, .taught) {
  background: var(--inset);
  border-color: var(--line-strong);
}
.lessons button.cancelled {
  background: var(--sheet);
  border: 1px dashed var(--line-strong);
  text-decoration: line-through;
}
.none {
  display: none;
}
@media (max-width: 991px) {
  .grid {
    display: block;
  }
  .hours {
    display: none;
  }
  .day {
    border-left: 0;
    border-top: 1px solid var(--line);
    padding: var(--space-1) 0 var(--space-2);
  }
  .day h2 {
    position: static;
  }
  .lessons {
    height: auto;
    background: none;
  }
  .lessons li {
    position: static;
    padding: 2px 0;
    width: 100% !important;
    height: auto !important;
  }
  .lessons button {
    min-height: 44px;
    align-items: center;
  }
  .none {
    display: block;
    padding: 0 var(--space-2);
  }
}
</style>
