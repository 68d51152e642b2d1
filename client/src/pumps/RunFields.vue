<script setup lang="ts">
import { computed } from 'vue';
import QuantityInput from './QuantityInput.vue';
import type { Plate } from './plate';

/** How the pump is run: driver, inlet, outlet, liquid. What nobody measured may stay out. */
const props = defineProps<{ plate: Plate; problems: Record<string, string> }>();
// The form's own object, never replaced.
const plate = props.plate;
const rated = computed(() => ['nozzle', 'process'].includes(plate.outletKind));
/** What the strength of a liquid is called, and what counts until it is entered. */
const strength: Record<string, [string, string]> = {
  seawater: ['Salt, g/kg', '35'],
  brine: ['Salt, % by mass', '10'],
  glycol: ['Glycol, % by volume', '30'],
  oil: ['Viscosity grade', '22'],
};
</script>

<template>
  <fieldset>
    <legend>Driver</legend>
    <label
      >Turned by
      <select v-model="plate.drive">
        <option value="told">speed as noted</option>
        <option value="motor">three-phase motor</option>
        <option value="engine">governed engine</option>
      </select></label
    >
    <QuantityInput
      v-if="plate.drive === 'told'"
      v-model="plate.speed"
      label="Speed"
      :units="['rpm']"
      :problem="problems['setup.speed']"
    />
    <template v-else>
      <label v-if="plate.drive === 'motor'"
        >Poles
        <select v-model.number="plate.poles">
          <option v-for="p in [2, 4, 6, 8, 10, 12]" :key="p" :value="p">{{ p }}</option>
        </select></label
      >
      <QuantityInput
        v-if="plate.drive === 'motor'"
        v-model="plate.frequency"
        label="Frequency"
        :units="['Hz']"
        :problem="problems['setup.drive.frequency']"
      />
      <QuantityInput
        v-else
        v-model="plate.noLoadSpeed"
        label="Engine speed without load"
        :units="['rpm']"
        :problem="problems['setup.drive.noLoadSpeed']"
      />
      <QuantityInput
        v-model="plate.ratedPower"
        label="Rated power"
        :units="['kW', 'hp']"
        :problem="problems['setup.drive.ratedPower']"
      />
      <QuantityInput
        v-model="plate.driverPulley"
        label="Pulley on the driver"
        :units="['mm', 'in']"
        :problem="problems['setup.drive.driverPulley']"
      />
      <QuantityInput
        v-model="plate.pumpPulley"
        label="Pulley on the pump"
        :units="['mm', 'in']"
        :problem="problems['setup.drive.pumpPulley']"
      />
      <QuantityInput
        v-model="plate.gearRatio"
        label="Gear, driver turns a pump turn"
        :problem="problems['setup.drive.gearRatio']"
      />
      <QuantityInput
        v-model="plate.droop"
        :label="plate.drive === 'motor' ? 'Slip at rated power' : 'Droop at rated power'"
        :units="['%']"
        :problem="problems['setup.drive.droop']"
      />
    </template>
    <QuantityInput
      v-model="plate.voltage"
      label="Three-phase motor, between phases"
      :units="['V']"
      :problem="problems['setup.voltage']"
    />
    <QuantityInput
      v-if="plate.arrangement === 'intensifier'"
      v-model="plate.oilPressure"
      label="Oil supply holds back at"
      :units="['bar', 'MPa', 'psi']"
      :problem="problems['setup.oilPressure']"
    />
  </fieldset>
  <fieldset>
    <legend>Inlet</legend>
    <label
      >Liquid
      <select v-model="plate.liquid">
        <option value="water">water</option>
        <option value="seawater">seawater</option>
        <option value="brine">brine</option>
        <option value="glycol">glycol and water</option>
        <option value="oil">light oil</option>
      </select></label
    >
    <QuantityInput
      v-if="plate.liquid !== 'water'"
      v-model="plate.liquidStrength"
      :label="strength[plate.liquid]?.[0] ?? 'Strength'"
      :hint="strength[plate.liquid]?.[1]"
      :problem="problems['setup.liquidStrength']"
    />
    <QuantityInput
      v-model="plate.temperature"
      label="Water temperature"
      :units="['°C', '°F']"
      :problem="problems['setup.temperature']"
    />
    <QuantityInput
      v-model="plate.supplyPressure"
      label="Pressure at the source"
      :units="['bar', 'psi', 'kPa']"
      :problem="problems['setup.supplyPressure']"
    />
    <label class="check"><input v-model="plate.inletTold" type="checkbox" /> The suction run is measured</label>
    <template v-if="plate.inletTold">
      <QuantityInput
        v-model="plate.inletLength"
        label="Length of the suction run"
        :units="['m', 'ft']"
        :problem="problems['setup.inlet.run.length']"
      />
      <QuantityInput
        v-model="plate.inletBore"
        label="Bore of the suction run"
        :units="['mm', 'in']"
        :problem="problems['setup.inlet.run.bore']"
      />
      <label
        >Suction run is
        <select v-model="plate.inletMaterial">
          <option value="hose">hose</option>
          <option value="steel">steel pipe</option>
          <option value="plastic">plastic pipe</option>
        </select></label
      >
      <QuantityInput
        v-model="plate.inletLevel"
        label="Source above the pump"
        :units="['m', 'ft']"
        :problem="problems['setup.inlet.level']"
      />
      <QuantityInput
        v-model="plate.strainer"
        label="Strainer and foot valve, velocity heads"
        :problem="problems['setup.inlet.strainer']"
      />
      <QuantityInput
        v-model="plate.inletFittings"
        label="Bends of the suction run, velocity heads"
        :problem="problems['setup.inlet.run.fittings']"
      />
    </template>
  </fieldset>
  <fieldset>
    <legend>Outlet</legend>
    <label
      >Goes to
      <select v-model="plate.outletKind">
        <option value="nozzle">nozzles, flow at a pressure known</option>
        <option value="number">nozzles, number known</option>
        <option value="passage">nozzles, passage measured</option>
        <option value="process">a process with a back pressure</option>
      </select></label
    >
    <QuantityInput
      v-if="plate.outletKind === 'process'"
      v-model="plate.opensAt"
      label="Passes nothing below"
      :units="['bar', 'MPa', 'psi']"
      :problem="problems['setup.nozzle.process.opensAt']"
    />
    <QuantityInput
      v-if="plate.outletKind === 'number'"
      v-model="plate.nozzleNumber"
      label="Nozzle number"
      :problem="problems['setup.nozzle.size'] ?? problems['setup.nozzle']"
    />
    <QuantityInput
      v-if="plate.outletKind === 'passage'"
      v-model="plate.nozzlePassage"
      label="Passage of a nozzle"
      :units="['mm', 'in']"
      :problem="problems['setup.nozzle.orifice'] ?? problems['setup.nozzle']"
    />
    <QuantityInput
      v-if="rated"
      v-model="plate.nozzleFlow"
      :label="plate.outletKind === 'process' ? 'Process passes' : 'Nozzle passes, when healthy'"
      :units="['L/min', 'US gal/min', 'm³/h']"
      :problem="problems['setup.nozzle.flow'] ?? problems['setup.nozzle.process.flow'] ?? problems['setup.nozzle']"
    />
    <QuantityInput
      v-if="rated"
      v-model="plate.nozzleAt"
      label="at this pressure"
      :units="['bar', 'MPa', 'psi']"
      :problem="problems['setup.nozzle.at'] ?? problems['setup.nozzle.process.at']"
    />
    <QuantityInput
      v-if="plate.outletKind !== 'process'"
      v-model="plate.nozzleCount"
      label="How many such nozzles"
      hint="1"
      :problem="problems['setup.nozzle.count']"
    />
    <QuantityInput
      v-if="plate.control !== 'none'"
      v-model="plate.controlSetting"
      label="Control opens at"
      :units="['bar', 'MPa', 'psi']"
      :problem="problems['setup.controlSetting']"
    />
    <QuantityInput
      v-model="plate.relief"
      label="Relief valve beside it, set to"
      :units="['bar', 'MPa', 'psi']"
      :problem="problems['setup.relief']"
    />
    <QuantityInput
      v-model="plate.gaugeSpan"
      label="Gauge at the head reads up to"
      :units="['bar', 'MPa', 'psi']"
      :problem="problems['setup.gaugeSpan']"
    />
    <label
      >Between pump and nozzle
      <select v-model="plate.line">
        <option value="hose">a hose</option>
        <option value="rigid">rigid pipe</option>
        <option value="unknown">not known</option>
      </select></label
    >
    <label class="check"><input v-model="plate.outletTold" type="checkbox" /> That run is measured</label>
    <template v-if="plate.outletTold">
      <QuantityInput
        v-model="plate.outletLength"
        label="Length of the outlet run"
        :units="['m', 'ft']"
        :problem="problems['setup.outlet.length']"
      />
      <QuantityInput
        v-model="plate.outletBore"
        label="Bore of the outlet run"
        :units="['mm', 'in']"
        :problem="problems['setup.outlet.bore']"
      />
      <QuantityInput
        v-model="plate.outletFittings"
        label="Bends of the outlet run, velocity heads"
        :problem="problems['setup.outlet.fittings']"
      />
      <label
        >Outlet run is
        <select v-model="plate.outletMaterial">
          <option value="hose">hose</option>
          <option value="steel">steel pipe</option>
          <option value="plastic">plastic pipe</option>
        </select></label
      >
    </template>
    <label class="check"><input v-model="plate.dampenerFitted" type="checkbox" /> A dampener is fitted</label>
    <template v-if="plate.dampenerFitted">
      <QuantityInput
        v-model="plate.gasVolume"
        label="Gas volume of the dampener"
        :units="['mL', 'L']"
        :problem="problems['setup.dampener.gasVolume']"
      />
      <QuantityInput
        v-model="plate.charge"
        label="Charge of the dampener"
        :units="['bar', 'MPa', 'psi']"
        :problem="problems['setup.dampener.charge']"
      />
    </template>
    <label
      >Chemical injector
      <select v-model="plate.injector">
        <option value="">none</option>
        <option value="inlet">at the inlet</option>
        <option value="outlet">at the outlet</option>
      </select></label
    >
  </fieldset>
</template>
