import { createTheme, type CSSVariablesResolver, type MantineColorsTuple } from '@mantine/core';

/** Ten shades around the sitter's petrol, the one strong colour of controls. */
const petrol: MantineColorsTuple = [
  '#e6f3f3',
  '#cfe3e2',
  '#a5cccc',
  '#79c7cd',
  '#4fa3aa',
  '#2f868e',
  '#1c717a',
  '#12626c',
  '#0c5660',
  '#08434b',
];

export const theme = createTheme({
  fontFamily: 'var(--face)',
  headings: { fontFamily: 'var(--face)' },
  colors: { petrol },
  primaryColor: 'petrol',
  primaryShade: { light: 8, dark: 3 },
  autoContrast: true,
  luminanceThreshold: 0.35,
  defaultRadius: 3,
  respectReducedMotion: true,
  components: {
    Button: {
      defaultProps: { size: 'sm' },
      styles: { root: { minHeight: 'var(--touch)', fontWeight: 600 } },
      // Mantine computes contrast for the light scheme only; the palette knows both.
      vars: (_: unknown, props: { variant?: string }) => ({
        root:
          props.variant === undefined || props.variant === 'filled'
            ? { '--button-color': 'var(--on-strong)' }
            : {},
      }),
    },
    // Fields of every kind are as high as a thumb is broad.
    Input: { styles: { input: { minHeight: 'var(--touch)', fontVariantNumeric: 'tabular-nums' } } },
    Checkbox: {
      styles: {
        body: { minHeight: 'var(--link)', alignItems: 'center' },
        labelWrapper: { minHeight: 'var(--link)', alignContent: 'center' },
      },
    },
    PasswordInput: {
      styles: {
        innerInput: { minHeight: 'var(--touch)' },
        visibilityToggle: { minWidth: 'var(--link)', minHeight: 'var(--link)' },
      },
    },
  },
});

/** Mantine's greys and whites replaced by paper and ink, so that one palette holds everywhere. */
export const cssVariablesResolver: CSSVariablesResolver = () => {
  const shared = {
    '--mantine-color-body': 'var(--paper)',
    '--mantine-color-text': 'var(--ink)',
    '--mantine-color-default': 'var(--paper-raised)',
    '--mantine-color-default-hover': 'var(--paper-sunk)',
    '--mantine-color-default-color': 'var(--ink)',
    '--mantine-color-default-border': 'var(--line-strong)',
    '--mantine-color-error': 'var(--misfit)',
    '--mantine-color-dimmed': 'var(--ink-soft)',
    '--mantine-color-placeholder': 'var(--ink-soft)',
    '--mantine-color-anchor': 'var(--sitter)',
    '--mantine-color-disabled': 'var(--paper-sunk)',
    '--mantine-color-disabled-color': 'var(--ink-soft)',
    '--mantine-color-disabled-border': 'var(--line-strong)',
  };
  return {
    variables: {},
    light: {
      ...shared,
      '--mantine-color-white': 'var(--paper-raised)',
      '--mantine-color-gray-4': 'var(--line-strong)',
    },
    dark: {
      ...shared,
      '--mantine-color-dark-6': 'var(--paper-raised)',
      '--mantine-color-dark-4': 'var(--line-strong)',
    },
  };
};
