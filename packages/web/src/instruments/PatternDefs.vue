<script setup lang="ts">
/** The six category textures, once a page; each is colour and pattern, never colour alone. */
const cats = [1, 2, 3, 4, 5, 6];
</script>

<template>
  <svg width="0" height="0" class="defs" aria-hidden="true">
    <defs>
      <pattern
        v-for="cat in cats"
        :id="`cat-${cat}`"
        :key="cat"
        width="8"
        height="8"
        patternUnits="userSpaceOnUse"
      >
        <rect width="8" height="8" :fill="`var(--cat${cat})`" />
        <path v-if="cat === 1" d="M-2 6L6 -2M2 10L10 2" class="t" />
        <path v-if="cat === 2" d="M2 0V8M6 0V8" class="t" />
        <path v-if="cat === 3" d="M0 0L8 8M8 0L0 8" class="t" />
        <g v-if="cat === 4" class="d">
          <circle cx="2" cy="2" r="1.1" />
          <circle cx="6" cy="6" r="1.1" />
        </g>
        <path v-if="cat === 5" d="M0 2H8M0 6H8" class="t" />
      </pattern>
    </defs>
  </svg>
</template>

<style scoped>
.defs {
  position: absolute;
}
.defs .t {
  stroke: var(--sheet);
  stroke-width: 1;
  opacity: 0.55;
  fill: none;
}
.defs .d {
  fill: var(--sheet);
  opacity: 0.8;
}
</style>
