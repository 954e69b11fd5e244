<script setup lang="ts">
/** What of the studio should be looked at first: who is stuck, what surprised, whose hand was tense. */
import type { ProgressBody } from '@finch/contract';
import { useTemplateRef } from 'vue';
import HistoryChart from '../../instruments/HistoryChart.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { nameChord, plural, shortDate, whole } from '../../words';
import { limitText, surpriseText, tenseText } from './progress-words';
import SaidCame from './SaidCame.vue';

defineProps<{ body: ProgressBody; picked: string | null }>();
const emit = defineEmits<{ pick: [studentId: string] }>();
const WEEKS_MS = 42 * 86_400_000;
const SHOWN = 3;
const lists = useTemplateRef<HTMLElement>('lists');
defineExpose({
  /** Puts the focus on the first of a list: stuck, surprises, hands. */
  focus: (i: number) => lists.value?.querySelectorAll('section')[i]?.querySelector('button')?.focus(),
});
</script>

<template>
  <div ref="lists" class="lists">
    <section class="sheet" aria-labelledby="stuck">
      <h2 id="stuck">
        Stuck<template v-if="body.stuck.all"
          >: {{ plural(body.stuck.all, 'skill') }} of {{ plural(body.stuck.students, 'student') }}</template
        >
      </h2>
      <p class="small">eight takes or more in ten days or more, and no gain</p>
      <p v-if="!body.stuck.all" class="empty">Nobody is stuck.</p>
      <ul>
        <li v-for="one in body.stuck.list.slice(0, SHOWN)" :key="one.studentId + one.skillId">
          <div>
            <button
              type="button"
              class="who"
              :aria-pressed="one.studentId === picked"
              @click="emit('pick', one.studentId)"
            >
              {{ one.name }}
            </button>
            <div class="what">{{ one.skill }}</div>
            <div class="note">{{ plural(one.takes, 'take') }}</div>
          </div>
          <div class="drawn">
            <HistoryChart
              :name="`${one.name}, ${one.skill}`"
              :points="one.points"
              :now="body.now"
              :from="body.now - WEEKS_MS"
              :mean="one.now"
              :outlook="null"
              :height="46"
            />
            <div class="note right">
              now <b>{{ whole(one.now) }}</b>
            </div>
          </div>
        </li>
      </ul>
      <p v-if="body.stuck.all > SHOWN" class="small">
        and {{ body.stuck.all - SHOWN }} more; “Every skill” shows them all
      </p>
    </section>
    <section class="sheet" aria-labelledby="surprises">
      <h2 id="surprises">Surprises this week</h2>
      <p class="small">bar: what was said, 80 % sure · diamond: what came</p>
      <p v-if="!body.surprises.length" class="empty">Everything went about as said.</p>
      <ul>
        <li v-for="one in body.surprises.slice(0, SHOWN)" :key="one.studentId + one.skillId + one.at">
          <div>
            <button
              type="button"
              class="who"
              :aria-pressed="one.studentId === picked"
              @click="emit('pick', one.studentId)"
            >
              {{ one.name }}
            </button>
            <div class="what">{{ one.skill }}</div>
          </div>
          <div class="drawn">
            <SaidCame :said="one.said" :low="one.low" :high="one.high" :came="one.came" />
            <div class="note right">
              said {{ whole(one.said) }}, came <b>{{ whole(one.came) }}</b>
            </div>
          </div>
          <div class="note across">{{ shortDate(one.at) }}: {{ surpriseText(one) }}</div>
        </li>
      </ul>
    </section>
    <section class="sheet" aria-labelledby="hands">
      <h2 id="hands">
        Hands: tense {{ body.tense.length
        }}<template v-if="body.hurting.length">, in pain {{ body.hurting.length }}</template>
      </h2>
      <p class="small">tense twice in two weeks or more · wedge: effort, tick: limit</p>
      <p v-if="!body.tense.length && !body.hurting.length" class="empty">Every hand was easy.</p>
      <ul>
        <li v-for="one in body.hurting" :key="one.studentId">
          <div>
            <button
              type="button"
              class="who"
              :aria-pressed="one.studentId === picked"
              @click="emit('pick', one.studentId)"
            >
              {{ one.name }}
            </button>
            <div class="note">
              <span class="tag none"
                >pain: {{ [one.pain.where, one.pain.side].filter(Boolean).join(', ') }}</span
              >
              {{ one.pain.sinceDay ? shortDate(Date.parse(one.pain.sinceDay)) : '' }}
            </div>
          </div>
          <div class="note right">{{ one.pain.status }}</div>
        </li>
        <li
          v-for="one in body.tense.slice(0, Math.max(1, SHOWN - body.hurting.length))"
          :key="one.studentId + one.skillId"
        >
          <div>
            <button
              type="button"
              class="who"
              :aria-pressed="one.studentId === picked"
              @click="emit('pick', one.studentId)"
            >
              {{ one.name }}
            </button>
            <div class="what">{{ one.skill }}</div>
            <span class="tag over">{{ tenseText(one) }}</span>
          </div>
          <div class="drawn right">
            <div v-if="one.effort !== null">
              {{ one.chord ? nameChord(one.chord) : '' }}
              <ShimMark :effort="one.effort" :limit="one.limit" />
              <b class="big">{{ Math.round(one.effort) }}</b>
            </div>
            <div class="note">{{ limitText(one) }}</div>
          </div>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.lists {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: var(--space-2);
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 176px);
  gap: 0 var(--space-2);
  border-top: 1px solid var(--line);
  padding: var(--space-1) 0;
  align-items: center;
}
.who {
  background: none;
  border: 0;
  padding: 0;
  min-height: 24px;
  min-width: 44px;
  color: var(--ink);
  font-family: var(--display);
  font-weight: 650;
  font-size: var(--size-4);
  line-height: 1.2;
  text-align: left;
  overflow-wrap: anywhere;
}
.who[aria-pressed='true'] {
  text-decoration: underline 3px var(--wingbar);
}
.what {
  font-weight: 700;
  font-size: var(--size-2);
  line-height: 1.2;
  overflow-wrap: anywhere;
}
.across {
  grid-column: 1 / -1;
}
.right {
  text-align: right;
}
.big {
  font-size: var(--size-4);
}
@media (max-width: 1199px) {
  .lists {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (pointer: coarse) {
  .who {
    min-height: 44px;
  }
}
</style>
