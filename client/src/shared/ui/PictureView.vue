<script setup lang="ts">
import { computed } from 'vue';
import type { Schemas } from '@/shared/api/client';

type Picture = Schemas['PictureDto'];
type Shape = Picture['shapes'][number];

/** A drawing as the server lists it, shape by shape; what belongs to one key is lit, dimmed or tapped together. */
const props = defineProps<{
  picture: Picture;
  name: string;
  /** Classes of all that belongs to a key. */
  look?: (key: string) => string;
  /** Words upon a shape, on a plate of their own. */
  words?: (key: string) => string;
  /** What a tap on a key does, in words; nothing where it cannot be tapped. */
  says?: (key: string) => string;
}>();
const emit = defineEmits<{ tap: [key: string] }>();

// Words and targets stay large enough for gloves: where there is less room, the drawing scrolls.
const least = 0.83;

const path = ({ points, kind }: Shape) =>
  points.map((p, i) => `${i ? 'L' : 'M'} ${p.x} ${p.y}`).join(' ') + (kind === 'outline' ? ' Z' : '');

const anchors: Record<string, string> = { start: 'start', middle: 'middle', end: 'end' };
const classOf = (s: Shape) => [s.ink, s.key ? props.look?.(s.key) : undefined];
const tapped = (s: Shape) => s.ink === 'part' && s.key && props.says?.(s.key);

/** Words on the shapes that have some, in the middle of each. */
const plates = computed(() =>
  props.picture.shapes.flatMap((s) => {
    const text = s.ink === 'part' && s.key ? props.words?.(s.key) : undefined;
    if (!text || s.kind !== 'outline') return [];
    const xs = s.points.map((p) => p.x);
    const ys = s.points.map((p) => p.y);
    return [
      {
        key: s.key,
        text,
        x: (Math.min(...xs) + Math.max(...xs)) / 2,
        y: (Math.min(...ys) + Math.max(...ys)) / 2,
        w: Math.min(Math.max(...xs) - Math.min(...xs) - 8, text.length * 9 + 12),
      },
    ];
  }),
);
</script>

<template>
  <div class="frame">
    <svg
      class="picture"
      :style="{ minWidth: `${picture.width * least}px`, minHeight: `${picture.height * least}px` }"
      :viewBox="`0 0 ${picture.width} ${picture.height}`"
      :role="says ? 'group' : 'img'"
      :aria-label="name"
    >
      <defs>
        <pattern id="work-hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="7" height="7" class="ground" />
          <rect width="2" height="7" class="stripe" />
        </pattern>
        <pattern id="work-dots" width="7" height="7" patternUnits="userSpaceOnUse">
          <rect width="7" height="7" class="plain" />
          <circle cx="2" cy="2" r="1.2" class="dot" />
        </pattern>
      </defs>
      <template v-for="(s, i) in picture.shapes" :key="i">
        <text
          v-if="s.kind === 'words'"
          :x="s.points[0]?.x"
          :y="s.points[0]?.y"
          :text-anchor="anchors[s.anchor ?? 'start'] as 'start'"
          :class="classOf(s)"
          :aria-hidden="says ? 'true' : undefined"
        >
          {{ s.text }}
        </text>
        <g
          v-else
          :class="{ target: tapped(s) }"
          :role="tapped(s) ? 'button' : undefined"
          :tabindex="tapped(s) ? 0 : undefined"
          :aria-label="tapped(s) || undefined"
          :data-key="tapped(s) ? s.key : undefined"
          @click="tapped(s) && s.key && emit('tap', s.key)"
          @keydown.enter.prevent="tapped(s) && s.key && emit('tap', s.key)"
          @keydown.space.prevent="tapped(s) && s.key && emit('tap', s.key)"
        >
          <circle
            v-if="s.kind === 'disc'"
            :cx="s.points[0]?.x"
            :cy="s.points[0]?.y"
            :r="s.radius ?? 0"
            :class="classOf(s)"
          />
          <path v-else :d="path(s)" :class="[...classOf(s), { open: s.kind === 'line' }]" />
        </g>
      </template>
      <g v-for="p in plates" :key="p.key ?? ''" class="plate-words" :class="p.key ? look?.(p.key) : undefined">
        <rect :x="p.x - p.w / 2" :y="p.y - 13" :width="p.w" height="26" />
        <text :x="p.x" :y="p.y + 6" text-anchor="middle">{{ p.text }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.frame {
  flex: 1;
  min-height: 0;
  overflow: auto;
}

.picture {
  display: block;
  width: 100%;
  height: 100%;
  font-family: var(--font-text);
}

/* A tap on the words is a tap on what lies under them. */
text {
  fill: var(--ink);
  font-size: 17px;
  pointer-events: none;
}

.part {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2.4;
  stroke-linejoin: round;
}

.house {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}

.leader {
  fill: none;
  stroke: var(--line);
  stroke-width: 1.5;
}

.open {
  fill: none;
}

text.part,
text.name,
text.note,
text.aside {
  stroke: none;
}

text.aside {
  fill: var(--ink-2);
}

text.note {
  fill: var(--ink-2);
}

.part.lit {
  fill: var(--water-soft);
  stroke: var(--water);
}

.part.open.lit {
  fill: none;
}

text.name.lit {
  font-weight: 700;
}

text.note.lit {
  fill: var(--water);
  font-weight: 700;
}

.leader.lit {
  stroke: var(--water);
}

.part.off {
  stroke: var(--line);
}

text.off {
  fill: var(--ink-2);
}

.part.done,
.part.fine {
  fill: var(--water-soft);
}

.part.now {
  fill: var(--water);
  stroke: var(--ink);
  stroke-width: 4;
}

text.now {
  fill: var(--on-strong);
}

.part.failed {
  fill: url('#work-hatch');
}

.part.worn {
  fill: url('#work-dots');
}

.part.unseen {
  fill: var(--card);
  stroke-dasharray: 6 5;
}

.part.shut {
  fill: none;
  stroke: var(--line);
}

.part.chosen {
  stroke: var(--water);
  stroke-width: 5;
}

.ground {
  fill: var(--suspect-soft);
}

.stripe,
.dot {
  fill: var(--suspect);
}

.dot {
  fill: var(--ink);
}

.plain {
  fill: var(--card);
}

.plate-words rect {
  fill: var(--card);
}

.plate-words {
  pointer-events: none;
}

.plate-words text {
  font-family: var(--font-tag);
  font-weight: 600;
  font-size: 19px;
}

.plate-words.shut rect {
  fill: var(--paper);
}

.plate-words.shut text {
  fill: var(--ink-2);
  font-weight: 500;
}

.target {
  cursor: pointer;
}

.target:focus-visible {
  outline: none;
}

.target:focus-visible > * {
  stroke: var(--focus);
  stroke-width: 6;
}

.numbers text.name {
  font-family: var(--font-tag);
  font-weight: 600;
  font-size: 30px;
}
</style>
