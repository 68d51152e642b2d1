import { definePreset } from '@primeuix/themes';
import Aura from '@primeuix/themes/aura';

// Day and plant room are told apart by the tokens themselves, so both schemes point at the same names.
const both = <T>(scheme: T) => ({ light: scheme, dark: scheme });

const paper = {
  surface: {
    0: 'var(--card)',
    50: 'var(--paper)',
    100: 'var(--paper)',
    200: 'var(--line)',
    300: 'var(--line)',
    400: 'var(--ink-2)',
    500: 'var(--ink-2)',
    600: 'var(--ink-2)',
    700: 'var(--ink)',
    800: 'var(--ink)',
    900: 'var(--ink)',
    950: 'var(--ink)',
  },
  primary: {
    color: 'var(--water)',
    contrastColor: 'var(--on-strong)',
    hoverColor: 'var(--water)',
    activeColor: 'var(--water)',
  },
  formField: {
    background: 'var(--card)',
    disabledBackground: 'var(--paper)',
    disabledColor: 'var(--ink-2)',
    borderColor: 'var(--ink-2)',
    hoverBorderColor: 'var(--ink)',
    focusBorderColor: 'var(--water)',
    invalidBorderColor: 'var(--suspect)',
    invalidPlaceholderColor: 'var(--ink-2)',
    color: 'var(--ink)',
    iconColor: 'var(--ink)',
    placeholderColor: 'var(--ink-2)',
    shadow: 'none',
  },
  text: { color: 'var(--ink)', hoverColor: 'var(--ink)', mutedColor: 'var(--ink-2)', hoverMutedColor: 'var(--ink)' },
  content: {
    background: 'var(--card)',
    hoverBackground: 'var(--water-soft)',
    borderColor: 'var(--line)',
    color: 'var(--ink)',
    hoverColor: 'var(--ink)',
  },
  highlight: {
    background: 'var(--water-soft)',
    focusBackground: 'var(--water-soft)',
    color: 'var(--ink)',
    focusColor: 'var(--ink)',
  },
  list: {
    option: {
      focusBackground: 'var(--water-soft)',
      selectedBackground: 'var(--water)',
      selectedFocusBackground: 'var(--water)',
      color: 'var(--ink)',
      focusColor: 'var(--ink)',
      selectedColor: 'var(--on-strong)',
      selectedFocusColor: 'var(--on-strong)',
    },
  },
  overlay: {
    select: { background: 'var(--card)', borderColor: 'var(--ink)', color: 'var(--ink)' },
    popover: { background: 'var(--card)', borderColor: 'var(--ink)', color: 'var(--ink)' },
    modal: { background: 'var(--card)', borderColor: 'var(--ink)', color: 'var(--ink)' },
  },
};

const quiet = { borderColor: 'var(--ink)', color: 'var(--ink)', hoverBackground: 'var(--water-soft)' };
const note = { background: 'var(--card)', borderColor: 'var(--water)', color: 'var(--ink)', shadow: 'none' };
const alarm = { background: 'var(--suspect-soft)', borderColor: 'var(--suspect)', color: 'var(--ink)', shadow: 'none' };
const messages = { info: note, success: note, secondary: note, contrast: note, warn: alarm, error: alarm };
const toasts = Object.fromEntries(
  Object.entries(messages).map(([kind, look]) => [
    kind,
    { ...look, detailColor: 'var(--ink)', closeButton: { hoverBackground: 'var(--water-soft)' } },
  ]),
);

/** Stock components in the workshop's own colours and sizes: 44 px under a glove, square-cut, no shadows, no gradients. */
export const Workshop = definePreset(Aura, {
  semantic: {
    transitionDuration: '0.1s',
    focusRing: { width: '3px', style: 'solid', color: 'var(--focus)', offset: '2px' },
    formField: {
      paddingX: '0.6rem',
      paddingY: '0.5rem',
      borderRadius: '4px',
      focusRing: { width: '3px', style: 'solid', color: 'var(--focus)', offset: '1px' },
    },
    content: { borderRadius: '4px' },
    overlay: {
      select: { borderRadius: '4px', shadow: 'none' },
      popover: { borderRadius: '4px', shadow: 'none' },
      modal: { borderRadius: '6px', padding: '1rem', shadow: 'none' },
    },
    list: { option: { padding: '0.65rem 0.75rem', borderRadius: '3px' } },
    colorScheme: both(paper),
  },
  components: {
    button: {
      root: {
        borderRadius: '4px',
        paddingX: '0.75rem',
        paddingY: '0.4rem',
        gap: '0.4rem',
        label: { fontWeight: '400' },
      },
      colorScheme: both({
        outlined: { secondary: { ...quiet, activeBackground: 'var(--water-soft)' } },
        text: { secondary: { ...quiet, activeBackground: 'var(--water-soft)' } },
      }),
      css: () => `
        .p-button { min-height: 44px; min-width: 44px; border-width: 1.5px; text-align: left; text-decoration: none; }
        .p-button-outlined { background: var(--card); }
        .p-button.p-disabled, .p-button:disabled { opacity: 1; color: var(--ink-2); border-color: var(--line); background: transparent; }
        .p-button-text .p-button-label { text-decoration: underline; text-underline-offset: 3px; }`,
    },
    togglebutton: {
      root: { borderRadius: '4px', padding: '0', fontWeight: '400' },
      content: { padding: '0.35rem 0.7rem', borderRadius: '3px', checkedShadow: 'none' },
      colorScheme: both({
        root: {
          background: 'var(--card)',
          checkedBackground: 'var(--water)',
          hoverBackground: 'var(--water-soft)',
          borderColor: 'var(--ink)',
          checkedBorderColor: 'var(--water)',
          color: 'var(--ink)',
          hoverColor: 'var(--ink)',
          checkedColor: 'var(--on-strong)',
        },
        content: { checkedBackground: 'transparent' },
      }),
      css: () =>
        '.p-togglebutton { min-height: 44px; min-width: 44px; border-width: 1.5px; text-align: left; text-decoration: none; }',
    },
    selectbutton: {
      css: () => `
        .p-selectbutton { flex-wrap: wrap; gap: 6px; }
        .p-selectbutton .p-togglebutton { border-radius: 4px; border-inline-start-width: 1.5px; }`,
    },
    inputtext: { css: () => '.p-inputtext { min-height: 44px; border-width: 1.5px; max-width: 100%; }' },
    textarea: { css: () => '.p-textarea { width: 100%; border-width: 1.5px; }' },
    select: {
      dropdown: { width: '1.9rem' },
      css: () => `
        .p-select { min-height: 44px; border-width: 1.5px; max-width: 100%; }
        .p-select-label { display: flex; align-items: center; padding-inline-end: 0; }
        .p-select-overlay { max-width: min(30rem, 94vw); border-width: 1.5px; }
        .p-select-option { min-height: 44px; white-space: normal; }`,
    },
    checkbox: {
      root: { width: '24px', height: '24px', borderRadius: '3px' },
      css: () => '.p-checkbox { flex: none; } .p-checkbox-box { border-width: 1.5px; }',
    },
    slider: {
      track: { background: 'var(--line)', size: '6px', borderRadius: '3px' },
      handle: {
        width: '44px',
        height: '44px',
        background: 'transparent',
        hoverBackground: 'transparent',
        content: { width: '26px', height: '26px', hoverBackground: 'var(--water)', shadow: 'none' },
      },
      colorScheme: both({ handle: { content: { background: 'var(--water)' } } }),
      css: () => '.p-slider { margin: 19px 22px; }',
    },
    chip: {
      root: { borderRadius: '4px', paddingX: '0.5rem', paddingY: '0.2rem' },
      colorScheme: both({ root: { background: 'var(--water-soft)', color: 'var(--ink)' } }),
    },
    message: {
      content: { padding: '0.5rem 0.75rem' },
      text: { fontWeight: '400' },
      colorScheme: both(messages),
      css: () => '.p-message { outline: 0; border: 0 solid var(--suspect); border-inline-start-width: 4px; }',
    },
    toast: { colorScheme: both(toasts) },
    dialog: {
      header: { padding: '0.75rem 1rem' },
      css: () => '.p-dialog { border-width: 1.5px; } .p-dialog-close-button { width: 44px; height: 44px; }',
    },
    popover: { css: () => '.p-popover { border-width: 1.5px; }' },
  },
});
