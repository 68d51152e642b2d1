<script setup lang="ts">
import { computed } from 'vue';
import { digits } from '@/shared/format';
import QuantityInput from './QuantityInput.vue';
import type { Plate } from './plate';
import { useNameplate } from './useNameplate';

/** What the pump is: geometry or nameplate, either completes the other. */
const props = defineProps<{ plate: Plate; problems: Record<string, string> }>();
// The form's own object, never replaced.
const plate = props.plate;
const { plateResult, note } = useNameplate(plate);
const fixed = computed(() => ['twin-piston', 'intensifier'].includes(plate.arrangement));
const isIntensifier = computed(() => plate.arrangement === 'intensifier');
const hint = (key: 'plungerDiameter' | 'stroke' | 'ratedSpeed' | 'ratedFlow') => {
  const found = plateResult.value?.[key];
  return found && !plate[key].text && found.unit === plate[key].unit ? digits(found.value, 4) : undefined;
};
</script>

<template>
  <fieldset>
    <legend>Type plate and drawing</legend>
    <label
      >Arrangement
      <select v-model="plate.arrangement">
        <option value="crank-plunger">crank plunger</option>
        <option value="flow-through">flow-through, inlet valve on the plunger</option>
        <option value="axial">axial, swash or wobble plate</option>
        <option value="twin-piston">twin piston with cups</option>
        <option value="intensifier">double-acting intensifier</option>
      </select></label
    >
    <label v-if="!fixed"
      >Cylinders
      <select v-model.number="plate.cylinders">
        <option v-for="k in 7" :key="k" :value="k">{{ k }}</option>
      </select></label
    >
    <QuantityInput
      v-model="plate.plungerDiameter"
      label="Plunger diameter"
      :units="['mm', 'in']"
      :hint="hint('plungerDiameter')"
      :problem="problems['pump.plungerDiameter']"
    />
    <QuantityInput
      v-model="plate.stroke"
      label="Stroke"
      :units="['mm', 'in']"
      :hint="hint('stroke')"
      :problem="problems['pump.stroke']"
    />
    <QuantityInput
      v-model="plate.ratedSpeed"
      :label="isIntensifier ? 'Most cycles a minute' : 'Rated speed'"
      :units="['rpm']"
      :hint="hint('ratedSpeed')"
      :problem="problems['pump.ratedSpeed']"
    />
    <QuantityInput
      v-model="plate.ratedFlow"
      label="Rated flow"
      :units="['L/min', 'US gal/min', 'm³/h']"
      :hint="hint('ratedFlow')"
      :problem="problems['pump.ratedFlow']"
    />
    <p v-if="note" class="across quiet" role="status">{{ note }}</p>
    <QuantityInput
      v-model="plate.ratedPressure"
      label="Rated pressure"
      :units="['bar', 'MPa', 'psi']"
      :problem="problems['pump.ratedPressure']"
    />
    <QuantityInput
      v-if="isIntensifier"
      v-model="plate.oilPistonDiameter"
      label="Oil piston diameter"
      :units="['mm', 'in']"
      :problem="problems['pump.oilPistonDiameter']"
    />
    <QuantityInput
      v-if="plate.arrangement === 'crank-plunger'"
      v-model="plate.rodDiameter"
      label="Rod, if double acting"
      :units="['mm', 'in']"
      :problem="problems['pump.rodDiameter']"
    />
    <label
      >Control
      <select v-model="plate.control">
        <option value="unloader">unloader</option>
        <option value="regulator">regulator</option>
        <option value="auto-stop">auto stop</option>
        <option value="relief">relief only</option>
        <option value="none">none</option>
      </select></label
    >
    <label v-if="plate.control === 'unloader'"
      >Unloader
      <select v-model="plate.unloaderType">
        <option value="trapped-pressure">trapped pressure</option>
        <option value="flow-actuated">flow actuated</option>
      </select></label
    >
    <label
      >Head
      <select v-model="plate.headLayout">
        <option value="six-caps">a cap for every valve</option>
        <option value="stacked-bore">valves stacked in one bore</option>
      </select></label
    >
    <label
      >High-pressure seal returns
      <select v-model="plate.sealReturn">
        <option value="inlet">to the inlet</option>
        <option value="weep">to the weep</option>
      </select></label
    >
    <label v-if="plate.arrangement === 'flow-through'" class="check"
      ><input v-model="plate.pullDischarges" type="checkbox" /> The pull stroke discharges</label
    >
    <QuantityInput
      v-if="!isIntensifier && plate.arrangement !== 'axial'"
      v-model="plate.rodRatio"
      label="Crank radius over rod length"
      :problem="problems['pump.rodRatio']"
    />
    <QuantityInput
      v-model="plate.requiredHead"
      label="Head it asks for at the inlet"
      :units="['m', 'ft']"
      :problem="problems['pump.requiredHead']"
    />
  </fieldset>
</template>
