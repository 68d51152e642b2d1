<script setup lang="ts">
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import { familyNames, lifeWords, linesOf, marksOf, type Bar, type PumpLife } from './lines';

/** Every place of the pump with what was in it, along the years: where bars are short, look there. */
const props = defineProps<{ life: PumpLife; today: string }>();
const emit = defineEmits<{ takeBack: [entry: string] }>();

const groups = computed(() => linesOf(props.life, props.today));
const marks = computed(() => marksOf(props.life.from, props.today));
const chosen = ref<{ row: string; bar: Bar }>();
const per = (share: number) => `${100 * share}%`;
const tint = (bar: Bar) => ({ failed: bar.failed, inside: bar.inside, open: bar.open, now: chosen.value?.bar === bar });
const words = (name: string, bar: Bar) => `${name}: ${lifeWords(bar)}`;
</script>

<template>
  <div class="lines">
    <div class="scale" aria-hidden="true">
      <span v-for="m in marks" :key="m.text" :style="{ left: per(m.at) }">{{ m.text }}</span>
    </div>
    <section v-for="g in groups" :key="g.family" :aria-label="familyNames[g.family]">
      <h3>{{ familyNames[g.family] }}</h3>
      <template v-for="r in g.rows" :key="r.position.key">
        <div class="line">
          <span class="name">{{ r.name }}</span>
          <div class="track">
            <Button
              v-for="b in r.bars"
              :key="`${b.life.fitted}-${b.life.out}`"
              unstyled
              class="bar"
              :class="tint(b)"
              :style="{ left: per(b.from), width: per(b.to - b.from) }"
              :aria-label="words(r.name, b)"
              :aria-pressed="chosen?.bar === b"
              @click="chosen = chosen?.bar === b ? undefined : { row: r.position.key, bar: b }"
            >
              <span class="fill" />
            </Button>
          </div>
          <span class="figure ran">{{ Math.round(r.bars.at(-1)?.life.ran ?? 0) || '' }}</span>
        </div>
        <p v-if="chosen?.row === r.position.key" class="told">
          {{ lifeWords(chosen.bar) }}.
          <RouterLink v-if="chosen.bar.life.outCase" class="link" :to="`/cases/${chosen.bar.life.outCase}`">
            The case that took it out
          </RouterLink>
          <RouterLink v-else-if="chosen.bar.life.fittedCase" class="link" :to="`/cases/${chosen.bar.life.fittedCase}`">
            The case that fitted it
          </RouterLink>
          <Button
            v-else-if="chosen.bar.life.out ?? chosen.bar.life.fitted"
            severity="secondary"
            variant="outlined"
            label="Take this entry back"
            @click="emit('takeBack', (chosen.bar.life.out ?? chosen.bar.life.fitted)!)"
          />
        </p>
      </template>
    </section>
    <p class="quiet key">
      <span class="swatch" /> ran until changed along <span class="swatch failed" /> failed at its end
      <span class="swatch inside" /> still in, with its hours
    </p>
  </div>
</template>

<style scoped>
.scale {
  position: relative;
  height: 1.6rem;
  margin: 0 3.5rem 0 15rem;
}

.scale span {
  position: absolute;
  padding-left: 4px;
  border-left: 1px solid var(--line);
  color: var(--ink-2);
  white-space: nowrap;
}

h3 {
  margin-top: 0.4rem;
  border-bottom: 1px solid var(--line);
  font-size: 1rem;
}

.line {
  display: grid;
  grid-template-columns: 14.5rem minmax(0, 1fr) 3rem;
  gap: 0.5rem;
  align-items: center;
}

.name {
  line-height: 1.15;
}

.track {
  position: relative;
  height: 44px;
}

.bar {
  position: absolute;
  height: 44px;
  min-width: 6px;
  padding: 11px 1px 11px 0;
  border: 0;
  background: none;
  cursor: pointer;
}

.fill {
  display: block;
  height: 100%;
  border: 1.5px solid var(--water);
  background-color: var(--water-soft);
}

.bar.open .fill {
  border-left-style: dashed;
}

.bar.failed .fill {
  border-right: 7px solid var(--suspect);
}

.bar.inside .fill {
  border-right-style: dotted;
  background-color: var(--water);
}

.bar.now {
  outline: 3px solid var(--focus);
}

.ran {
  text-align: right;
}

.told {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1rem;
  align-items: center;
  margin: 0 0 0.4rem;
  padding: 0.3rem 0.6rem;
  border-left: 3px solid var(--water);
  background: var(--card);
}

.key {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.5rem;
  align-items: center;
}

.swatch {
  display: inline-block;
  width: 2rem;
  height: 14px;
  margin-left: 0.75rem;
  border: 1.5px solid var(--water);
  background-color: var(--water-soft);
}

.swatch.failed {
  border-right: 7px solid var(--suspect);
}

.swatch.inside {
  background-color: var(--water);
}

@media (max-width: 700px) {
  .scale {
    margin-left: 0;
  }

  .line {
    grid-template-columns: minmax(0, 1fr) 3rem;
  }

  .name {
    grid-column: 1 / -1;
  }
}
</style>
