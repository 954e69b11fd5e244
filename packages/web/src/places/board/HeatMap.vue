<script setup lang="ts">
/** Students by strands: the number, its jaws and needle, and a mark; a real table with fixed heads. */
import type { StudentHead } from '@finch/contract';
import CellMark from './CellMark.vue';

defineProps<{
  strands: readonly { id: string; name: string }[];
  students: readonly StudentHead[];
  picked: string | null;
}>();
const emit = defineEmits<{ open: [id: string] }>();
</script>

<template>
  <div class="heat-map">
    <div class="heat-head">
      <h2>Who holds what, 0 to 100</h2>
      <slot />
      <ul class="legend small">
        <li>
          <svg width="34" height="16" aria-hidden="true">
            <path d="M3 11h28M3 8v6M31 8v6" stroke="var(--ink)" stroke-width="1.6" />
            <path d="M16 3v12" stroke="var(--ink)" stroke-width="3" />
          </svg>
          chance of a clean take, how sure
        </li>
        <li><span class="mk">&lt;</span> slipping</li>
        <li><span class="mk">•</span> due</li>
        <li><span class="mk hollow">‖</span> stuck</li>
        <li><span class="sw" style="background: var(--m5)" /> clean from 80</li>
        <li><span class="sw dashed" /> not met</li>
      </ul>
    </div>
    <div class="heat-scroll scroll">
      <table class="heat-table">
        <thead>
          <tr>
            <th scope="col"><span class="visually-hidden">Student</span></th>
            <th v-for="strand in strands" :key="strand.id" scope="col">{{ strand.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="student in students" :key="student.id" :class="{ picked: student.id === picked }">
            <th scope="row">
              <button type="button" @click="emit('open', student.id)">{{ student.name }}</button>
            </th>
            <td v-for="cell in student.strands" :key="cell.strandId"><CellMark :cell="cell" /></td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.heat-map {
  display: flex;
  flex-direction: column;
  flex: 1;
  min-height: 0;
}
.heat-head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: var(--space-1) var(--space-3);
  margin-bottom: var(--space-2);
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-3);
  align-items: center;
  color: var(--ink2);
}
.legend li {
  display: flex;
  gap: var(--space-1);
  align-items: center;
  white-space: nowrap;
}
.mk {
  display: inline-grid;
  place-items: center;
  width: 15px;
  height: 13px;
  background: var(--wingbar);
  color: var(--on-wingbar);
  font-weight: 700;
  font-size: 11px;
  border: 1px solid var(--ink);
}
.mk.hollow {
  background: var(--sheet);
  color: var(--ink);
}
.sw {
  width: 14px;
  height: 14px;
  display: inline-block;
}
.sw.dashed {
  border: 1px dashed var(--line-strong);
}
.heat-scroll {
  flex: 1;
  min-height: 0;
  overflow: auto;
}
.heat-table {
  border-collapse: separate;
  border-spacing: 2px 2px;
  width: 100%;
  table-layout: fixed;
}
.heat-table th {
  font-weight: 400;
  font-size: var(--size-1);
  color: var(--ink2);
  text-align: left;
  vertical-align: bottom;
  line-height: 1.2;
  padding: 0 2px var(--space-1);
}
.heat-table thead th {
  position: sticky;
  top: 0;
  background: var(--sheet);
  z-index: 1;
}
.heat-table thead th:first-child {
  width: 138px;
}
.heat-table tbody th {
  vertical-align: middle;
  padding: 0;
}
.heat-table tbody th button {
  background: none;
  border: 0;
  padding: 0;
  font-size: var(--size-2);
  color: var(--ink);
  text-align: left;
  line-height: 1.2;
  min-height: 34px;
  overflow-wrap: anywhere;
}
.heat-table .picked th button {
  font-weight: 700;
}
.heat-table td {
  padding: 0;
  height: 38px;
}
@media (max-width: 991px) {
  /* The one drawing that may scroll sideways: names stay where they are. */
  .heat-scroll {
    overflow-x: auto;
    overflow-y: visible;
  }
  .heat-table {
    min-width: 860px;
  }
  .heat-table :is(thead th:first-child, tbody th) {
    position: sticky;
    left: 0;
    background: var(--sheet);
    z-index: 2;
  }
}
@media (pointer: coarse) {
  .heat-table tbody th button {
    min-height: 44px;
    min-width: 44px;
  }
}
</style>
