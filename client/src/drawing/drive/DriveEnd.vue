<script setup lang="ts">
import { computed } from 'vue';
import CrankDrive from './CrankDrive.vue';
import OilDrive from './OilDrive.vue';
import PlateDrive from './PlateDrive.vue';
import TwinDrive from './TwinDrive.vue';

/** What moves the plungers, drawn the way its owner knows it: crank and rods, a tilted plate, one crank between two cups, or oil. */
const props = defineProps<{
  arrangement: string;
  xs: number[];
  probability?: number;
  chosen: boolean;
}>();
defineEmits<{ tap: [] }>();

const kinds = { intensifier: OilDrive, axial: PlateDrive, 'twin-piston': TwinDrive };
const kind = computed(() => kinds[props.arrangement as keyof typeof kinds] ?? CrankDrive);
</script>

<template>
  <component :is="kind" :xs="xs" :probability="probability" :chosen="chosen" @tap="$emit('tap')" />
</template>
