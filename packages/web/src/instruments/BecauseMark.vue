<template>
  <span class="because"
    ><svg width="12" height="11" viewBox="0 0 12 11" aria-hidden="true">
      <circle cx="2.4" cy="2.6" r="1.9" />
      <circle cx="9.6" cy="2.6" r="1.9" />
      <circle cx="6" cy="8.4" r="1.9" /></svg
    ><span><span class="visually-hidden">because: </span><slot /></span
  ></span>
</template>

<style scoped>
.because {
  display: flex;
  gap: var(--space-2);
  font-size: 14px;
  color: var(--ink2);
  line-height: 1.3;
}
.because svg {
  flex: none;
  margin-top: var(--space-1);
  fill: var(--crown);
}
</style>
