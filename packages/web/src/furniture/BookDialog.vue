<script setup lang="ts">
/** Books a lesson, once or each week; moves one that is booked, cancels it, or brings it back. */
import { routes, type LessonHead } from '@finch/contract';
import { useQueryClient } from '@tanstack/vue-query';
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next';
import { v7 as uuid } from 'uuid';
import { computed, ref, watch } from 'vue';
import HouseDialog from './HouseDialog.vue';
import { call } from '../session/api';
import { clockTime, instantOf, readTime } from '../session/clock-times';
import { useNotices } from '../session/notices';
import { readAnew } from '../session/queries';
import { sayError, whenText } from '../words';

interface Person {
  readonly id: string;
  readonly name: string;
}
const props = defineProps<{
  /** Who can be booked; one of them is not asked about. */
  people: readonly Person[];
  /** The lesson to change; left out, one is booked. */
  lesson?: (LessonHead & { inSeries?: boolean }) | null;
  zone: string;
  /** Where a new one would begin, ms. */
  from: number;
}>();
const open = defineModel<boolean>({ required: true });
const client = useQueryClient();
const notices = useNotices();
const studentId = ref('');
const day = ref('');
const time = ref('');
const minutes = ref(45);
const weeks = ref(1);
const following = ref(false);
const trouble = ref('');
const busy = ref(false);
watch(
  open,
  (now) => {
    if (!now) return;
    const at = clockTime(props.lesson?.startsAt ?? props.from, props.zone);
    day.value = at.day;
    time.value = at.time;
    minutes.value = props.lesson?.minutes ?? 45;
    studentId.value = props.lesson?.studentId ?? props.people[0]?.id ?? '';
    weeks.value = 1;
    following.value = false;
    trouble.value = '';
  },
  { immediate: true },
);
const startsAt = computed(() => instantOf({ day: day.value, time: time.value }, props.zone));
const name = computed(() => props.people.find((one) => one.id === studentId.value)?.name ?? '');
const wrong = computed(() => {
  if (!studentId.value) return 'Pick a student.';
  if (!readTime(time.value)) return 'A time is four digits, like 15:30.';
  if (!startsAt.value) return 'Pick a day.';
  const length = Number(minutes.value);
  return Number.isInteger(length) && length >= 10 && length <= 180
    ? ''
    : 'A lesson has 10 to 180 whole minutes.';
});

async function attempt(work: () => Promise<void>) {
  if (busy.value) return;
  busy.value = true;
  trouble.value = '';
  try {
    await work();
    void readAnew(client, 'board', 'student', 'lessons', 'lesson');
    open.value = false;
  } catch (problem) {
    trouble.value = sayError(problem);
  } finally {
    busy.value = false;
  }
}
const change = (
  lesson: Pick<LessonHead, 'id' | 'version'>,
  to: { startsAt: string; minutes: number; cancelled: boolean },
) =>
  call(routes.moveLesson, {
    params: { lessonId: lesson.id },
    body: { version: lesson.version, ...to, following: following.value },
  });
const keep = () =>
  attempt(async () => {
    if (wrong.value || !startsAt.value) throw new RangeError(wrong.value);
    const at = startsAt.value.toISOString();
    if (props.lesson) {
      await change(props.lesson, { startsAt: at, minutes: Number(minutes.value), cancelled: false });
      notices.tell(`${name.value}: ${whenText(at, props.zone)}, ${minutes.value} minutes.`);
      return;
    }
    const { id } = await call(routes.bookLesson, {
      body: {
        id: uuid(),
        studentId: studentId.value,
        startsAt: at,
        minutes: Number(minutes.value),
        weeks: Number(weeks.value) || 1,
      },
    });
    const each = Number(weeks.value) > 1 ? `, each week for ${weeks.value} weeks` : '';
    notices.tell(`Booked: ${name.value}, ${whenText(at, props.zone)}${each}.`, [
      {
        label: 'Undo',
        undo: true,
        run: () =>
          attempt(async () => {
            following.value = Number(weeks.value) > 1;
            await change(
              { id, version: 1 },
              { startsAt: at, minutes: Number(minutes.value), cancelled: true },
            );
            notices.tell('Cancelled again.');
          }),
      },
    ]);
  });
const setCancelled = (cancelled: boolean) =>
  attempt(async () => {
    const { lesson } = props;
    if (!lesson) return;
    const to = { startsAt: lesson.startsAt, minutes: lesson.minutes };
    const made = await change(lesson, { ...to, cancelled });
    const many = following.value ? ' and those that follow' : '';
    notices.tell(
      cancelled
        ? `Cancelled: ${name.value}, ${whenText(lesson.startsAt, props.zone)}${many}.`
        : `${name.value}, ${whenText(lesson.startsAt, props.zone)}${many}: it takes place.`,
      [
        {
          label: 'Undo',
          undo: true,
          run: () => attempt(async () => void (await change(made, { ...to, cancelled: !cancelled }))),
        },
      ],
    );
  });
</script>

<template>
  <HouseDialog
    v-model="open"
    :title="
      lesson ? `${name}: move or cancel` : people.length === 1 ? `Book a lesson for ${name}` : 'Book a lesson'
    "
  >
    <form class="fields" novalidate @submit.prevent="keep">
      <label v-if="!lesson && people.length > 1" class="wide"
        >Student<BFormSelect
          v-model="studentId"
          :options="people.map((one) => ({ value: one.id, text: one.name }))"
      /></label>
      <label>Day<BFormInput v-model="day" type="date" required /></label>
      <label
        >Time, 24 hours<BFormInput
          v-model="time"
          inputmode="numeric"
          placeholder="15:30"
          maxlength="5"
          required
      /></label>
      <label>Minutes<BFormInput v-model.number="minutes" type="number" min="10" max="180" step="5" /></label>
      <label v-if="!lesson"
        >Weeks in a row<BFormInput v-model.number="weeks" type="number" min="1" max="52"
      /></label>
      <label v-if="lesson?.inSeries" class="wide check"
        ><input v-model="following" type="checkbox" /> and all that follow it in this series</label
      >
      <p v-if="wrong" class="note wide">{{ wrong }}</p>
      <p v-if="trouble" class="refusal wide" role="alert">{{ trouble }}</p>
      <div class="acts wide">
        <BButton
          v-if="lesson?.state !== 'cancelled'"
          type="submit"
          class="pri"
          variant="dark"
          :disabled="busy || wrong !== ''"
          >{{ lesson ? 'Keep' : 'Book' }}</BButton
        >
        <BButton v-if="lesson?.state === 'booked'" variant="outline-secondary" @click="setCancelled(true)"
          >Cancel the lesson</BButton
        >
        <BButton v-if="lesson?.state === 'cancelled'" variant="outline-secondary" @click="setCancelled(false)"
          >Bring it back</BButton
        >
      </div>
    </form>
  </HouseDialog>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: var(--space-3);
}
.wide {
  grid-column: 1 / -1;
}
label {
  font-size: var(--size-1);
  color: var(--ink2);
}
.check {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  font-size: var(--size-2);
  min-height: 32px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
</style>
