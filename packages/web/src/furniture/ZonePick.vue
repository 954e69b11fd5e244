<script setup lang="ts">
/** Where the clocks of the studio stand: every zone by its region, each with its time now. */
import { BFormSelect, BFormSelectOption, BFormSelectOptionGroup } from 'bootstrap-vue-next';
import { zonesByRegion } from './zones';

withDefaults(defineProps<{ disabled?: boolean }>(), { disabled: false });
const zone = defineModel<string>({ required: true });
const now = Date.now();
const groups = zonesByRegion(zone.value, now);
</script>

<template>
  <BFormSelect v-model="zone" :disabled="disabled" required>
    <BFormSelectOptionGroup v-for="group in groups" :key="group.region" :label="group.region">
      <BFormSelectOption v-for="one in group.zones" :key="one.id" :value="one.id">{{
        one.name
      }}</BFormSelectOption>
    </BFormSelectOptionGroup>
  </BFormSelect>
</template>
