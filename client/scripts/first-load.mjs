// Adds up what goes over the wire when a view is opened for the first time: page, script, style and lettering.
import { existsSync, readFileSync, statSync } from 'node:fs';

const root = new URL('../../src/MildHunch.Web/wwwroot/', import.meta.url);
const manifest = JSON.parse(readFileSync(new URL('.vite/manifest.json', root), 'utf8'));
const views = [
  { name: 'cases', entries: ['src/cases/list/CaseListView.vue'], limit: 230 },
  { name: 'case', entries: ['src/cases/case/CaseView.vue'], limit: 330, scriptLimit: 230 },
  {
    name: 'pump',
    entries: ['src/pumps/bench/PumpView.vue', 'src/pumps/bench/CurvesPanel.vue', 'src/pumps/bench/plots/TracePlot.vue'],
    limit: 430,
  },
];

const sizeOf = (file) => {
  const small = new URL(`${file}.br`, root);
  return statSync(existsSync(small) ? small : new URL(file, root)).size;
};

function filesOf(entries) {
  const seen = new Set();
  const visit = (key) => {
    if (seen.has(key)) return;
    seen.add(key);
    for (const next of manifest[key].imports ?? []) visit(next);
  };
  ['index.html', ...entries].forEach(visit);
  const chunks = [...seen].map((key) => manifest[key]);
  const styles = new Set(chunks.flatMap((c) => c.css ?? []));
  const fonts = new Set(chunks.flatMap((c) => c.assets ?? []).filter((a) => a.endsWith('.woff2')));
  return {
    scripts: chunks.map((c) => c.file).filter((f) => f.endsWith('.js')),
    styles: [...styles],
    fonts: [...fonts],
  };
}

let over = false;
for (const { name, entries, limit, scriptLimit } of views) {
  const { scripts, styles, fonts } = filesOf(entries);
  const kilobytes = (files) => files.reduce((sum, f) => sum + sizeOf(f), 0) / 1000;
  const script = kilobytes(scripts);
  const all = script + kilobytes(styles) + kilobytes(fonts) + kilobytes(['index.html']);
  console.log(
    `${name}: ${all.toFixed(0)} kB over the wire (at most ${limit}), of it ${script.toFixed(0)} kB script${scriptLimit ? ` (at most ${scriptLimit})` : ''}, ${kilobytes(fonts).toFixed(0)} kB lettering`,
  );
  over ||= all > limit || script > (scriptLimit ?? Infinity);
}
if (over) process.exit(1);
