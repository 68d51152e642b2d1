<script setup lang="ts">
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import { percent } from '@/shared/format';
import { familyNames, lifeWords, linesOf, marksOf, type Bar, type PumpLife } from './lines';

/** Every place of the pump with what was in it, along the years: where bars are short, look there. */
const props = defineProps<{ life: PumpLife; today: string }>();
const emit = defineEmits<{ takeBack: [entry: string] }>();

const groups = computed(() => linesOf(props.life, props.today));
const marks = computed(() => marksOf(props.life.from, props.today));
// What is changed with every opening would push the rest off the page.
const apart = ['rings', 'around'];
const chosen = ref('');
const per = (share: number) => `${100 * share}%`;
const tint = (bar: Bar) => ({ failed: bar.failed, inside: bar.inside, open: bar.open });
const words = (name: string, bars: Bar[]) =>
  `${name}: ${bars.filter((b) => b.failed).length} failed, ${bars.length} in all`;
const entry = (b: Bar) => b.life.out ?? b.life.fitted;
const itsCase = (b: Bar) => b.life.outCase ?? b.life.fittedCase;
</script>

<template>
  <div class="lines">
    <div class="scale" aria-hidden="true">
      <span v-for="m in marks" :key="m.text" :style="{ left: per(m.at) }">{{ m.text }}</span>
    </div>
    <details v-for="g in groups" :key="g.family" :open="!apart.includes(g.family)" :aria-label="familyNames[g.family]">
      <summary>{{ familyNames[g.family] }}</summary>
      <template v-for="r in g.rows" :key="r.position.key">
        <Button
          unstyled
          class="line"
          :aria-label="words(r.name, r.bars)"
          :aria-expanded="chosen === r.position.key"
          @click="chosen = chosen === r.position.key ? '' : r.position.key"
        >
          <span class="name">{{ r.name }}</span>
          <span class="track">
            <span
              v-for="b in r.bars"
              :key="`${b.life.fitted}-${b.life.out}`"
              class="bar"
              :class="tint(b)"
              :style="{ left: per(b.from), width: per(b.to - b.from) }"
            />
          </span>
          <span class="figure ran">{{ Math.round(r.bars.at(-1)?.life.ran ?? 0) || '' }}</span>
        </Button>
        <ol v-if="chosen === r.position.key" class="told">
          <li v-if="r.position.chance !== null" class="chance">
            {{ percent(r.position.chance ?? 0) }} chance that it fails before the next service
          </li>
          <li v-for="b in [...r.bars].reverse()" :key="`${b.life.fitted}-${b.life.out}`">
            <span>{{ lifeWords(b) }}</span>
            <RouterLink v-if="itsCase(b)" class="link" :to="`/cases/${itsCase(b)}`">Its case</RouterLink>
            <Button
              v-else-if="entry(b)"
              severity="secondary"
              variant="text"
              label="Take this entry back"
              @click="emit('takeBack', entry(b)!)"
            />
          </li>
        </ol>
      </template>
    </details>
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

summary {
  min-height: 44px;
  padding-top: 0.7rem;
  border-bottom: 1px solid var(--line);
  font-family: var(--font-tag);
  font-weight: 600;
  cursor: pointer;
}

.line {
  display: grid;
  grid-template-columns: 14.5rem minmax(0, 1fr) 3rem;
  gap: 0.5rem;
  align-items: center;
  width: 100%;
  min-height: 44px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.line[aria-expanded='true'] {
  background: var(--card);
}

.name {
  line-height: 1.15;
}

.track {
  position: relative;
  height: 24px;
}

.bar {
  position: absolute;
  height: 100%;
  min-width: 5px;
  border: 1.5px solid var(--water);
  background-color: var(--water-soft);
}

.bar.open {
  border-left-style: dashed;
}

.bar.failed {
  border-right: 7px solid var(--suspect);
}

.bar.inside {
  background-color: var(--water);
}

.ran {
  text-align: right;
}

.told {
  margin: 0 0 0.4rem;
  padding: 0.2rem 0.6rem;
  border-left: 3px solid var(--water);
  background: var(--card);
  list-style: none;
}

.told li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 1rem;
  align-items: center;
  min-height: 44px;
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
