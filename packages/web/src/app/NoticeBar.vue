<script setup lang="ts">
/** The last thing done, with the way back; read out politely, trouble at once. */
import { BButton, BCloseButton } from 'bootstrap-vue-next';
import { useNotices } from '../session/notices';

const notices = useNotices();
</script>

<template>
  <div
    v-if="notices.notice"
    class="notice"
    :class="{ trouble: notices.notice.trouble }"
    @mouseenter="notices.hold(true)"
    @mouseleave="notices.hold(false)"
    @focusin="notices.hold(true)"
    @focusout="notices.hold(false)"
  >
    <p :role="notices.notice.trouble ? 'alert' : 'status'">{{ notices.notice.text }}</p>
    <div class="acts">
      <BButton
        v-for="act in notices.notice.acts"
        :key="act.label"
        size="sm"
        variant="outline-secondary"
        @click="notices.act(act)"
        >{{ act.label }}</BButton
      >
      <BCloseButton aria-label="Put this away" @click="notices.clear()" />
    </div>
  </div>
</template>

<style scoped>
/* Over the key strip and the margin of the sheets, so that it hides no control at rest. */
.notice {
  position: fixed;
  inset: auto 0 0 0;
  z-index: 1040;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: center;
  gap: var(--space-1) var(--space-4);
  min-height: 42px;
  padding: var(--space-1) var(--space-4);
  background: var(--sheet);
  color: var(--ink);
  border-top: 3px solid var(--crown);
}
.notice.trouble {
  border-top-color: var(--mask);
  background: var(--wash-mask);
}
.notice p {
  font-size: var(--size-2);
  line-height: 1.25;
  min-width: 0;
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}
@media print {
  .notice {
    display: none;
  }
}
</style>
