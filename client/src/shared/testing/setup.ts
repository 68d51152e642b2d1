import { config } from '@vue/test-utils';
import PrimeVue from 'primevue/config';

// Stock components ask for their configuration wherever they are mounted.
config.global.plugins = [PrimeVue];
