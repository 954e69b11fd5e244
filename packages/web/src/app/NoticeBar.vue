<script setup lang="ts">
/** The last thing done, with the way back; read out politely, trouble at once. */
import { BButton, BCloseButton } from 'bootstrap-vue-next';
import { useNotices } from '../session/notices';
import { useKeys } from './keys';

const notices = useNotices();
useKeys([
  {
    key: 'Ctrl+z',
    shown: 'Ctrl Z',
    does: 'take back what was just done',
    quiet: true,
    run: () => {
      const undo = notices.notice?.acts.find((act) => act.undo);
      if (undo) void notices.act(undo);
    },
  },
]);
</script>

<template>
  <div class="notice-place">
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
  </div>
</template>

<style scoped>
.notice-place {
  position: fixed;
  left: 50%;
  bottom: 34px;
  transform: translateX(-50%);
  z-index: 1040;
  width: min(760px, calc(100vw - 16px));
  pointer-events: none;
}
.notice {
  pointer-events: auto;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px 16px;
  padding: 8px 12px;
  background: var(--sheet);
  color: var(--ink);
  border: 2px solid var(--crown);
  border-radius: 3px;
  box-shadow: 0 6px 18px rgb(22 32 42 / 24%);
}
.notice.trouble {
  border-color: var(--mask);
  background: var(--wash-mask);
}
.notice p {
  flex: 1 1 260px;
  min-width: 0;
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
@media print {
  .notice-place {
    display: none;
  }
}
</style>
