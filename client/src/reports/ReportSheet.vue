<script setup lang="ts">
import type { Schemas } from '@/shared/api/client';
import { when } from '@/shared/format';
import PictureView from '@/shared/ui/PictureView.vue';

/** A report as it stands on paper: one page to read, everything behind it after that. */
defineProps<{ content: Schemas['ReportContentDto']; signed?: Schemas['SignedReportDto'] }>();
</script>

<template>
  <article class="report">
    <header>
      <p v-if="content.shop">{{ content.shop }}</p>
      <p v-for="line in content.letterhead ?? []" :key="line" class="quiet">{{ line }}</p>
      <h1 tabindex="-1">{{ content.title }}</h1>
      <p class="quiet">{{ content.subtitle }}</p>
    </header>
    <div class="summary">
      <p v-for="line in content.summary" :key="line">{{ line }}</p>
    </div>
    <section v-for="s in content.sections" :key="s.id" :aria-labelledby="`report-${s.id}`">
      <h2 :id="`report-${s.id}`">{{ s.title }}</h2>
      <p v-for="line in s.lines" :key="line">{{ line }}</p>
      <div v-if="s.table?.rows.length" class="table">
        <table>
          <thead>
            <tr>
              <th v-for="(c, i) in s.table.columns" :key="i" scope="col">{{ c }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, r) in s.table.rows" :key="r">
              <component :is="i ? 'td' : 'th'" v-for="(cell, i) in row" :key="i" :scope="i ? undefined : 'row'">{{
                cell
              }}</component>
            </tr>
          </tbody>
        </table>
      </div>
      <figure v-for="p in s.pictures" :key="p.caption">
        <PictureView
          :picture="p.picture"
          :name="p.caption"
          :look="(k) => (p.marks ? (p.marks[k]?.state ?? 'shut') : '')"
          :words="(k) => p.marks?.[k]?.words ?? ''"
        />
        <figcaption>{{ p.caption }}</figcaption>
      </figure>
      <div v-if="s.photos.length" class="photos">
        <figure v-for="p in s.photos" :key="p.hash">
          <img :src="`/api/photos/${p.hash}`" :alt="p.caption" loading="lazy" />
          <figcaption>{{ p.caption }}</figcaption>
        </figure>
      </div>
    </section>
    <section v-if="signed" aria-labelledby="report-signed">
      <h2 id="report-signed">Signed</h2>
      <p>{{ signed.by }}, {{ when(signed.at) }}, revision {{ signed.revision }}.</p>
      <p v-if="signed.witness">Witness: {{ signed.witness }}.</p>
      <p v-if="signed.gauge">Gauge: {{ signed.gauge }}.</p>
      <p v-if="signed.wrench">Wrench: {{ signed.wrench }}.</p>
      <p v-if="signed.elsewhere"><b>Signed elsewhere, not verified.</b></p>
      <p v-if="!signed.sound"><b>This is no longer what was signed.</b></p>
      <p class="quiet seal">Seal {{ signed.seal.slice(0, 32) }}</p>
    </section>
  </article>
</template>

<style scoped>
.report {
  padding: 1.25rem 1.5rem;
  border: 1px solid var(--line);
  background: var(--card);
}

p {
  margin: 0.15rem 0;
}

h1 {
  font-size: 2rem;
}

h1:focus {
  outline: none;
}

h2 {
  margin: 1.25rem 0 0.25rem;
  padding-bottom: 0.2rem;
  border-bottom: 2px solid var(--ink);
  font-size: 1.25rem;
}

.summary {
  margin-top: 0.75rem;
  padding-top: 0.5rem;
  border-top: 2px solid var(--ink);
  font-size: 1.125rem;
}

.table {
  overflow-x: auto;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 0.3rem 0.75rem 0.3rem 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
  vertical-align: top;
}

tbody th {
  font-weight: 400;
}

figure {
  max-width: 46rem;
  margin: 0.75rem 0;
  break-inside: avoid;
}

.photos {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(14rem, 1fr));
  gap: 0.75rem;
}

img {
  max-width: 100%;
}

@media print {
  .report {
    padding: 0;
    border: 0;
    background: none;
  }
}
</style>
