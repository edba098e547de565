import { createTheme, type CSSVariablesResolver, type MantineColorsTuple } from '@mantine/core';

import { lamp, paper, SANS, SERIF } from './tokens';

// The look of the component library, from the tokens. docs/look.md shows them.

const spruce: MantineColorsTuple = [
  '#eef6f3',
  '#dcebe5',
  '#b6d6ca',
  '#8dc0ae',
  '#67aa94',
  '#458f78',
  '#2f7461',
  '#20574a',
  '#1b4a3f',
  '#123530',
];

export const theme = createTheme({
  colors: { spruce },
  primaryColor: 'spruce',
  primaryShade: { light: 7, dark: 3 },
  autoContrast: true,
  luminanceThreshold: 0.35,
  fontFamily: SANS,
  headings: { fontFamily: SERIF, fontWeight: '600' },
  fontSizes: { xs: '0.875rem', sm: '1rem', md: '1.0625rem', lg: '1.25rem', xl: '1.5rem' },
  defaultRadius: 'md',
  cursorType: 'pointer',
  components: {
    // By name, so that none of them comes with a page that does not use it.
    Input: {
      styles: {
        input: { minHeight: 44, background: 'var(--sheet)', borderColor: 'var(--line)' },
      },
    },
    InputWrapper: { styles: { error: { fontWeight: 700 } } },
    SegmentedControl: {
      styles: { root: { background: 'var(--sheet)' }, label: { minHeight: 40 } },
    },
    Button: { defaultProps: { size: 'md' }, styles: { root: { minHeight: 44 } } },
  },
});

export const cssVariables: CSSVariablesResolver = () => ({
  variables: { '--serif': SERIF, '--sans': SANS },
  light: {
    ...paper,
    '--mantine-color-body': paper['--paper'],
    '--mantine-color-error': paper['--ink'],
    '--mantine-color-dimmed': paper['--ink-soft'],
    '--mantine-color-disabled': paper['--line-soft'],
    '--mantine-color-disabled-color': paper['--ink-soft'],
    '--mantine-color-default': paper['--sheet'],
    '--mantine-color-default-border': paper['--line'],
    '--mantine-color-placeholder': paper['--ink-soft'],
    '--mantine-color-text': paper['--ink'],
  },
  dark: {
    ...lamp,
    '--mantine-color-body': lamp['--paper'],
    '--mantine-color-error': lamp['--ink'],
    '--mantine-color-dimmed': lamp['--ink-soft'],
    '--mantine-color-disabled': lamp['--line-soft'],
    '--mantine-color-disabled-color': lamp['--ink-soft'],
    '--mantine-color-default': lamp['--sheet'],
    '--mantine-color-default-border': lamp['--line'],
    '--mantine-color-placeholder': lamp['--ink-soft'],
    '--mantine-color-text': lamp['--ink'],
  },
});
