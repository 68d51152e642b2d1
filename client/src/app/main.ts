import '@fontsource/atkinson-hyperlegible-mono/latin-400.css';
import '@fontsource/atkinson-hyperlegible-mono/latin-600.css';
import '@fontsource/atkinson-hyperlegible-next/latin-400.css';
import '@fontsource/atkinson-hyperlegible-next/latin-700.css';
import '@fontsource/barlow-condensed/latin-500.css';
import '@fontsource/barlow-condensed/latin-600.css';
import '@/shared/theme/tokens.css';
import { VueQueryPlugin } from '@tanstack/vue-query';
import PrimeVue from 'primevue/config';
import ConfirmationService from 'primevue/confirmationservice';
import ToastService from 'primevue/toastservice';
import { createApp } from 'vue';
import App from './App.vue';
import { router } from './router';
import { Workshop } from '@/shared/theme/preset';

createApp(App)
  .use(router)
  .use(PrimeVue, { theme: { preset: Workshop, options: { darkModeSelector: '.dark' } } })
  .use(ToastService)
  .use(ConfirmationService)
  .use(VueQueryPlugin, {
    queryClientConfig: { defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: true, networkMode: 'always' } } },
  })
  .mount('#app');
