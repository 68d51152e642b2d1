// Adds up the compressed script that the case view loads before it can be used: entry, view, and what they import.
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

const root = new URL('../../src/MildHunch.Web/wwwroot/', import.meta.url);
const manifest = JSON.parse(readFileSync(new URL('.vite/manifest.json', root), 'utf8'));
const seen = new Set();
const visit = (key) => {
  if (seen.has(key)) return;
  seen.add(key);
  for (const next of manifest[key].imports ?? []) visit(next);
};
visit('index.html');
visit('src/cases/CaseView.vue');
let total = 0;
for (const key of seen) {
  const file = manifest[key].file;
  if (!file.endsWith('.js')) continue;
  total += gzipSync(readFileSync(new URL(file, root))).length;
}
console.log(
  `case view, first load: ${(total / 1000).toFixed(1)} kB of gzip-compressed script in ${seen.size} files (limit 250 kB)`,
);
if (total > 250_000) process.exit(1);
