<script setup lang="ts">
/** Books a lesson, once or each week; moves one that is booked, cancels it, or brings it back. */
import { routes, type LessonHead } from '@finch/contract';
import { useQueryClient } from '@tanstack/vue-query';
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next';
import { v7 as uuid } from 'uuid';
import { computed, ref, watch } from 'vue';
import DraftNote from './DraftNote.vue';
import HouseDialog from './HouseDialog.vue';
import { call } from '../session/api';
import { clockTime, instantOf, readTime } from '../session/clock-times';
import { useNotices } from '../session/notices';
import { useDraft } from '../session/use-draft';
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
const begin = () => ({
  ...clockTime(props.lesson?.startsAt ?? props.from, props.zone),
  minutes: props.lesson?.minutes ?? 45,
  studentId: props.lesson?.studentId ?? props.people[0]?.id ?? '',
  weeks: 1,
});
const typed = ref(begin());
const following = ref(false);
const trouble = ref('');
const busy = ref(false);
/** Made before the first press, so that one whose answer was lost and the next book the same lesson. */
let id = uuid();
// Another hour of the week is another booking.
const draft = useDraft({
  key: () => `booking:${props.lesson?.id ?? `${begin().day} ${begin().time} ${begin().studentId}`}`,
  value: typed,
  kept: begin,
  open: () => open.value,
});
watch(open, (now) => {
  if (!now) return;
  id = uuid();
  following.value = false;
  trouble.value = '';
});
const startsAt = computed(() => instantOf(typed.value, props.zone));
const name = computed(() => props.people.find((one) => one.id === typed.value.studentId)?.name ?? '');
const wrong = computed(() => {
  if (!typed.value.studentId) return 'Pick a student.';
  if (!readTime(typed.value.time)) return 'A time is four digits, like 15:30.';
  if (!startsAt.value) return 'Pick a day.';
  const length = Number(typed.value.minutes);
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
    draft.done();
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
      await change(props.lesson, { startsAt: at, minutes: Number(typed.value.minutes), cancelled: false });
      notices.tell(`${name.value}: ${whenText(at, props.zone)}, ${typed.value.minutes} minutes.`);
      return;
    }
    const booked = id;
    const length = Number(typed.value.minutes);
    const weeks = Number(typed.value.weeks) || 1;
    await call(routes.bookLesson, {
      body: { id: booked, studentId: typed.value.studentId, startsAt: at, minutes: length, weeks },
    });
    const each = weeks > 1 ? `, each week for ${weeks} weeks` : '';
    notices.tell(`Booked: ${name.value}, ${whenText(at, props.zone)}${each}.`, [
      {
        label: 'Undo',
        undo: true,
        run: () =>
          attempt(async () => {
            following.value = weeks > 1;
            await change({ id: booked, version: 1 }, { startsAt: at, minutes: length, cancelled: true });
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
      <DraftNote class="wide" :draft="draft" />
      <label v-if="!lesson && people.length > 1" class="wide"
        >Student<BFormSelect
          v-model="typed.studentId"
          :options="people.map((one) => ({ value: one.id, text: one.name }))"
      /></label>
      <label>Day<BFormInput v-model="typed.day" type="date" required /></label>
      <label
        >Time, 24 hours<BFormInput
          v-model="typed.time"
          inputmode="numeric"
          placeholder="15:30"
          maxlength="5"
          required
      /></label>
      <label
        >Minutes<BFormInput v-model.number="typed.minutes" type="number" min="10" max="180" step="5"
      /></label>
      <label v-if="!lesson"
        >Weeks in a row<BFormInput v-model.number="typed.weeks" type="number" min="1" max="52"
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
