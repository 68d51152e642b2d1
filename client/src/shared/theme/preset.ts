import { definePreset } from '@primeuix/themes';
import Aura from '@primeuix/themes/aura';

/** Stock components in the workshop's own colours: everything points at the tokens, which know day and night. */
export const Workshop = definePreset(Aura, {
  components: {
    button: {
      root: { borderRadius: '4px', paddingX: '0.75rem', paddingY: '0.6rem' },
      // Ink on paper: the second choice is no fainter than the first.
      colorScheme: Object.fromEntries(
        ['light', 'dark'].map((scheme) => [
          scheme,
          {
            outlined: {
              secondary: {
                borderColor: 'var(--ink)',
                color: 'var(--ink)',
                hoverBackground: 'var(--card)',
                activeBackground: 'var(--card)',
              },
            },
          },
        ]),
      ),
      css: () => '.p-button { min-height: 44px; }',
    },
  },
  semantic: {
    focusRing: { width: '3px', style: 'solid', color: 'var(--focus)', offset: '2px' },
    formField: { paddingX: '0.75rem', paddingY: '0.6rem', borderRadius: '4px' },
    colorScheme: Object.fromEntries(
      ['light', 'dark'].map((scheme) => [
        scheme,
        {
          primary: {
            color: 'var(--water)',
            contrastColor: 'var(--on-strong)',
            hoverColor: 'var(--water)',
            activeColor: 'var(--water)',
          },
          formField: {
            background: 'var(--card)',
            borderColor: 'var(--ink-2)',
            hoverBorderColor: 'var(--ink)',
            focusBorderColor: 'var(--water)',
            color: 'var(--ink)',
            placeholderColor: 'var(--ink-2)',
            shadow: 'none',
          },
          text: { color: 'var(--ink)', mutedColor: 'var(--ink-2)' },
          content: { background: 'var(--card)', borderColor: 'var(--line)', color: 'var(--ink)' },
          overlay: {
            select: { background: 'var(--card)', borderColor: 'var(--ink)', color: 'var(--ink)' },
            popover: { background: 'var(--card)', borderColor: 'var(--ink)', color: 'var(--ink)' },
            modal: { background: 'var(--card)', borderColor: 'var(--ink)', color: 'var(--ink)' },
          },
        },
      ]),
    ),
  },
});
