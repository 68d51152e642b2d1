import { flushPromises, mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { defineComponent, h } from 'vue';
import { createMemoryHistory, createRouter, createWebHistory } from 'vue-router';
import { useDialogAddress } from './useDialogAddress';

async function page(history = createMemoryHistory()) {
  let dialog!: ReturnType<typeof useDialogAddress>;
  const Page = defineComponent({
    setup() {
      dialog = useDialogAddress('at');
      return () => h('p', dialog.value ?? 'shut');
    },
  });
  const router = createRouter({ history, routes: [{ path: '/:any(.*)*', component: Page }] });
  await router.push('/case?plan=open');
  const shown = mount(Page, { global: { plugins: [router] } });
  await router.isReady();
  return { dialog, router, shown };
}

describe('what is open over a page', () => {
  it('stands in the address, beside what else stands there', async () => {
    const { dialog, router, shown } = await page();
    dialog.value = 'gauge';
    await flushPromises();
    expect(router.currentRoute.value.query).toEqual({ plan: 'open', at: 'gauge' });
    expect(shown.text()).toBe('gauge');
  });

  it('is gone from the address when it is shut', async () => {
    const { dialog, router } = await page();
    dialog.value = 'gauge';
    await flushPromises();
    dialog.value = undefined;
    await flushPromises();
    expect(router.currentRoute.value.query).toEqual({ plan: 'open' });
  });

  it('may be shut and opened elsewhere in one breath', async () => {
    const { dialog, router } = await page(createWebHistory());
    dialog.value = 'gauge';
    await flushPromises();
    dialog.value = undefined;
    dialog.value = 'nozzle';
    await flushPromises();
    await new Promise((go) => setTimeout(go, 50));
    await flushPromises();
    expect(router.currentRoute.value.query.at).toBe('nozzle');
  });
});
