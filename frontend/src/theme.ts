import {
  Button,
  createTheme,
  Input,
  type CSSVariablesResolver,
  type MantineColorsTuple,
} from '@mantine/core';

// All tokens of the look live here. docs/look.md shows them.

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

const SERIF = "'Literata Variable', 'Noto Music', Georgia, serif";
const SANS = "'Atkinson Hyperlegible Next Variable', 'Noto Music', system-ui, sans-serif";

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
    Input: Input.extend({ styles: { input: { minHeight: 44 } } }),
    InputWrapper: Input.Wrapper.extend({ styles: { error: { fontWeight: 700 } } }),
    Button: Button.extend({ defaultProps: { size: 'md' }, styles: { root: { minHeight: 44 } } }),
  },
});

const paper = {
  '--paper': '#f6f1e7',
  '--sheet': '#fdfaf3',
  '--ink': '#26211b',
  '--ink-soft': '#5d5446',
  '--line': '#b9ac96',
  '--line-soft': '#ded4c1',
  '--accent': '#20574a',
  '--accent-wash': '#dcebe5',
  '--on-accent': '#ffffff',
  '--skin': '#f3e3cf',
  '--wood': '#4a4038',
  '--string': '#cfc4b0',
  '--safety': '#a3231a',
  '--safety-wash': '#fbe4e0',
  '--on-safety': '#ffffff',
};

const lamp = {
  '--paper': '#1c1915',
  '--sheet': '#26221c',
  '--ink': '#efe7d8',
  '--ink-soft': '#c1b59f',
  '--line': '#6d6353',
  '--line-soft': '#40382d',
  '--accent': '#8dc9b6',
  '--accent-wash': '#24443a',
  '--on-accent': '#10231d',
  '--skin': '#4d4336',
  '--wood': '#0f0d0b',
  '--string': '#8d8270',
  '--safety': '#ff9d91',
  '--safety-wash': '#4c1f1a',
  '--on-safety': '#2a0b08',
};

export const cssVariables: CSSVariablesResolver = () => ({
  variables: { '--serif': SERIF, '--sans': SANS },
  light: {
    ...paper,
    '--mantine-color-body': paper['--paper'],
    '--mantine-color-error': paper['--ink'],
    '--mantine-color-default': paper['--sheet'],
    '--mantine-color-default-border': paper['--line'],
    '--mantine-color-placeholder': paper['--ink-soft'],
    '--mantine-color-text': paper['--ink'],
  },
  dark: {
    ...lamp,
    '--mantine-color-body': lamp['--paper'],
    '--mantine-color-error': lamp['--ink'],
    '--mantine-color-default': lamp['--sheet'],
    '--mantine-color-default-border': lamp['--line'],
    '--mantine-color-placeholder': lamp['--ink-soft'],
    '--mantine-color-text': lamp['--ink'],
  },
});
