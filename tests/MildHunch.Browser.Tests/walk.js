// What must hold of every state of every view; returns a line for each thing that does not. Run in the page.
window.walk = (() => {
  const smallestText = 14;
  const smallestTarget = 44;
  const name = (e) =>
    `${e.tagName.toLowerCase()}.${(e.getAttribute('class') ?? '').split(' ')[0]} “${(e.getAttribute('aria-label') ?? e.textContent).trim().replace(/\s+/g, ' ').slice(0, 50)}”`;
  const box = (e) => e.getBoundingClientRect();
  // Each is asked once in a look: what lies within something put away is put away.
  let away = new Map();
  const putAway = (e) => {
    if (!e) return false;
    if (!away.has(e)) {
      const s = getComputedStyle(e);
      const itself = s.display === 'none' || s.visibility === 'hidden' || s.clipPath === 'inset(50%)' || e.hasAttribute('inert');
      away.set(e, itself || putAway(e.parentElement));
    }
    return away.get(e);
  };
  const shown = (e) => {
    const r = box(e);
    return r.width >= 2 && r.height >= 2 && !putAway(e);
  };
  const ownText = (e) => [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent.trim());
  const scale = (e) => (e.ownerSVGElement ? e.getScreenCTM().a : 1);
  const meets = (a, b) => a.left < b.right - 1 && b.left < a.right - 1 && a.top < b.bottom - 1 && b.top < a.bottom - 1;

  const sideways = () =>
    document.documentElement.scrollWidth > innerWidth ? [`the page is ${document.documentElement.scrollWidth} wide`] : [];
  const smallText = (all) =>
    all.filter((e) => ownText(e) && parseFloat(getComputedStyle(e).fontSize) * scale(e) < smallestText - 0.05).map((e) => `small: ${name(e)}`);
  const smallTargets = (all) =>
    all
      .filter((e) => e.matches('button, a[href], input, textarea, [role=button], [role=combobox], [role=option], [role=slider]'))
      .filter((e) => e.type !== 'hidden' && !e.disabled)
      .map((e) => [e, box(e.closest('.p-select, label') ?? e)])
      .filter(([, r]) => r.width < smallestTarget - 0.6 || r.height < smallestTarget - 0.6)
      .map(([e, r]) => `target ${r.width.toFixed(0)}x${r.height.toFixed(0)}: ${name(e)}`);
  const cut = (all) =>
    all
      .filter((e) => !e.ownerSVGElement && e.tagName !== 'svg' && e.textContent.trim() && !e.matches('textarea, .clamp, .what b'))
      .filter((e) => {
        const s = getComputedStyle(e);
        const hides = (v) => v === 'hidden' || v === 'clip';
        return (hides(s.overflowX) && e.scrollWidth > e.clientWidth + 1) || (hides(s.overflowY) && e.scrollHeight > e.clientHeight + 2);
      })
      .map((e) => `cut: ${name(e)}`);
  // Letters run out of the button they stand in.
  const spilt = (all) =>
    all
      .filter((e) => e.matches('button, a, .p-chip'))
      .filter((e) => e.scrollWidth > e.clientWidth + 2 || e.scrollHeight > e.clientHeight + 3)
      .map((e) => `spilt: ${name(e)}`);
  const overlaps = () => {
    const found = [];
    for (const drawing of document.querySelectorAll('.drawing')) {
      const texts = [...drawing.querySelectorAll('text, .tag')].filter(shown).map((e) => ({ e, r: box(e) }));
      texts.forEach((a, i) => {
        for (const b of texts.slice(i + 1)) if (meets(a.r, b.r)) found.push(`over one another: ${name(a.e)} and ${name(b.e)}`);
      });
    }
    return found;
  };

  // Nothing moves while it is looked at.
  const still = () =>
    document.head.insertAdjacentHTML('beforeend', '<style>* { transition: none !important; animation: none !important }</style>');
  const alsoWanted = ['region', 'aria-dialog-name', 'landmark-one-main', 'landmark-unique', 'label-title-only', 'page-has-heading-one'];

  return {
    // Breaks of WCAG 2.2 AA, and of the best practice for regions, dialogs and labels; in the other theme only colours differ.
    async breaks() {
      still();
      const rules = Object.fromEntries(alsoWanted.map((rule) => [rule, { enabled: true }]));
      const runOnly = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];
      const otherTheme = () => document.documentElement.classList.toggle('dark');
      const found = (await axe.run(document, { runOnly, rules, resultTypes: ['violations'] })).violations;
      otherTheme();
      found.push(...(await axe.run(document, { runOnly: { type: 'rule', values: ['color-contrast'] } })).violations);
      otherTheme();
      return JSON.stringify(found);
    },
    // Name of what has the focus.
    focused() {
      const e = document.activeElement;
      const labels = [...(e.labels ?? [])].map((l) => l.textContent).join(' ');
      return (e.getAttribute('aria-label') || labels || e.textContent).trim().replace(/\s+/g, ' ');
    },
    findings() {
      still();
      away = new Map();
      const all = [...document.querySelectorAll('body *')].filter(shown);
      return [...new Set([...sideways(), ...smallText(all), ...smallTargets(all), ...cut(all), ...spilt(all), ...overlaps()])].join('\n');
    },
    // All that moved since the page was opened, what followed input counted too.
    async shift() {
      let sum = 0;
      new PerformanceObserver((seen) => seen.getEntries().forEach((e) => (sum += e.value))).observe({ type: 'layout-shift', buffered: true });
      await new Promise((go) => setTimeout(go, 250));
      return sum;
    },
    // What moved, and from where to where, for whoever has to find out why.
    async moved() {
      const all = [];
      const at = (r) => `${Math.round(r.x)},${Math.round(r.y)} ${Math.round(r.width)}x${Math.round(r.height)}`;
      new PerformanceObserver((seen) =>
        seen.getEntries().forEach((e) =>
          all.push(
            `${e.value.toFixed(4)} at ${Math.round(e.startTime)} ms: ` +
              e.sources.map((s) => `${s.node?.className || s.node?.nodeName} ${at(s.previousRect)} to ${at(s.currentRect)}`).join('; '),
          ),
        ),
      ).observe({ type: 'layout-shift', buffered: true });
      await new Promise((go) => setTimeout(go, 250));
      return all.join('\n');
    },
    // Opens the editors of the drawing, of every place or of one of each kind; names those where there is nothing to say or enter.
    async editors(everyPlace) {
      still();
      const pause = (ms) => new Promise((go) => setTimeout(go, ms));
      const until = async (holds) => {
        for (let i = 0; i < 100 && !holds(); i++) await pause(20);
        return holds();
      };
      const empty = [];
      const places = () => [...document.querySelectorAll('.drawing .part, .drawing .tag')];
      const kinds = new Set();
      for (let i = 0; i < places().length; i++) {
        const place = places()[i];
        const named = name(place);
        const kind = named.replace(/[0-9]+/g, '#');
        if (!everyPlace && kinds.has(kind)) continue;
        kinds.add(kind);
        place.dispatchEvent(new MouseEvent('click', { bubbles: true }));
        const editor = () => document.querySelector('.place-editor');
        if (!(await until(editor))) empty.push(`no editor: ${named}`);
        else if (!editor().querySelector('input, .cue .p-togglebutton, .which .p-togglebutton')) empty.push(`empty editor: ${named}`);
        [...(editor()?.querySelectorAll('button') ?? [])].find((b) => b.textContent.trim() === 'Close')?.click();
        await until(() => !editor());
      }
      return empty.join('\n');
    },
  };
})();
